import type { CauseId, ChangeId, Touches, TouchReading } from '#core'
import { compareTallies, type TallyLine } from './logWords'
import { percentText } from './units'

/** One change to rig, tackle or the way it is fished. */
export const CHANGE_WORDS: Readonly<Record<ChangeId, string>> = {
  finerWire: 'finer wire',
  lighterSkin: 'less plastic over the point',
  slit: 'a slit along the belly',
  stifferRod: 'a stiffer rod',
  keepMoving: 'keeping it moving',
  nearer: 'half the distance',
  noStretch: 'line that does not stretch',
  softer: 'softer plastic',
  smallerBait: 'a bait 15 % smaller',
  trailingHook: 'a small hook trailing in the tail',
  scent: 'scent on it',
}
const CAUSE_WORDS: Readonly<Record<CauseId, string>> = {
  asAssumed: 'nothing unusual',
  tailNips: 'tail nips',
  letGo: 'fish that let go before the set',
  slack: 'slack line at the bite',
  covered: 'a point too deep in the plastic',
  crowded: 'too little gap left over the body',
  blunt: 'a point that does not go in',
}
/** Touches below which nothing is read into them. */
export const LEAST_TOUCHES = 8

/** Chance of the named causes from which it is told. */
const TOLD = 0.5

/** What was felt of each tally that has enough to be read. */
export const touchRows = (
  lines: readonly TallyLine[],
): { readonly rigKey: string; readonly felt: Touches }[] =>
  lines
    .filter(l => l.touches >= LEAST_TOUCHES)
    .map(({ row: { rigKey, counts: c } }) => {
      const bites = Math.max(c.bite ?? 0, c.hooked ?? 0)
      return {
        rigKey,
        felt: {
          bumps: c.bump ?? 0,
          bites,
          hooked: c.hooked ?? 0,
          nipped: c.nipped ?? 0,
          onSlack: c.onSlack ?? 0,
          covered: c.covered ?? 0,
        },
      }
    })

/**
 * Why touches of one rig do not stick, and what would help, in sentences; undefined where they go as the
 * model has it.
 */
export function touchWords(
  { bumps, bites, hookedCount }: TallyLine,
  { touches, expected, causes, hookedNow, changes }: TouchReading,
): string | undefined {
  const [first, second] = causes
  const also = second && second.chance > 0.25 && second.cause !== 'asAssumed' ? second : undefined
  if (!first || first.cause === 'asAssumed' || first.chance + (also?.chance ?? 0) < TOLD) return undefined
  const count = (share: number): number => Math.round(share * touches)
  const others = also ? `, or ${CAUSE_WORDS[also.cause]} (${percentText(also.chance)})` : ''
  const help = changes
    .slice(0, 2)
    .map(c => `${percentText(c.hookUp)} with ${CHANGE_WORDS[c.id]}`)
    .join(', ')
  return `${bumps} only touched it and ${Math.max(0, bites - hookedCount)} bit and were missed, of ${touches}; the model gives ${count(expected.bump)} and ${count(expected.missed)}. Most like ${CAUSE_WORDS[first.cause]} (${percentText(first.chance)})${others}.${help ? ` Hooked ${percentText(hookedNow)} as it is; ${help}.` : ''}`
}

/** Casts that a rig must have made to be held against another. */
const LEAST_CASTS = 20
/** Which rig of the log hangs up less in the same place, where that is settled; undefined where none does. */
export function snagWords(line: TallyLine, lines: readonly TallyLine[]): string | undefined {
  if (!line.snag || line.casts < LEAST_CASTS) return undefined
  const better = lines
    .filter(
      l =>
        l !== line &&
        l.row.placeKey === line.row.placeKey &&
        l.snag &&
        l.casts >= LEAST_CASTS &&
        l.snag.value < line.snag!.value &&
        compareTallies(line, l, 'snag').settled,
    )
    .sort((a, b) => a.snag!.value - b.snag!.value)[0]
  return (
    better &&
    `Hangs up on ${percentText(line.snag.value)} of casts; ${better.rig} here on ${percentText(better.snag!.value)}, settled.`
  )
}
