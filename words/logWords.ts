import {
  compare,
  FAMILIES,
  touchTally,
  updated,
  wilson,
  type Comparison,
  type FamilyId,
  type Measure,
  type Tally,
} from '#core'
import type { CountedKind, LogKind } from '#schemas/ranges'
import type { LogEntry, TallyRow } from '#schemas/log'
import { weightText, type UnitSystem } from './units'

/** What was tapped, as an angler says it. */
export const LOG_KIND_WORDS: Readonly<Record<LogKind, string>> = {
  start: 'started',
  rod: 'weight',
  cast: 'cast',
  bump: 'touch only',
  bite: 'bite',
  hooked: 'hooked',
  landed: 'landed',
  snag: 'snag',
  freed: 'snag, freed',
  lost: 'snag, rig lost',
  reskin: 're-skinned',
  nipped: 'tail nipped',
  onSlack: 'on slack line',
  covered: 'point covered',
  note: 'note',
  drop: 'drop',
  void: 'taken back',
  end: 'ended',
}

/** An entry as a line of what was tapped: the rod, what happened, with a change of weight what it was before. */
function entryText(
  { kind, rod, data }: Pick<LogEntry, 'kind' | 'rod' | 'data'>,
  beforeKg: number | undefined,
  system: UnitSystem,
): string {
  const what = LOG_KIND_WORDS[kind]
  const who = rod && kind !== 'start' && kind !== 'end' ? `${rod}: ` : ''
  if (kind === 'start') return `at ${data?.place ?? 'the water'}`
  if (kind === 'note') return `note: ${data?.text ?? ''}`
  if (kind !== 'rod' || !data?.rig) return `${who}${what}`
  const now = weightText(data.rig.weightKg, system)
  if (data.weightKg === undefined) return `${who}${data.rig.weightKg > 0 ? now : 'no weight'}`
  return `${who}${beforeKg === undefined ? '' : `${weightText(beforeKg, system)} → `}${now}`
}

/** A session in words, entry by entry: a change of weight says what was carried before. */
export function historyOf(
  log: readonly LogEntry[],
  system: UnitSystem,
): { readonly entry: LogEntry; readonly text: string }[] {
  const carried = new Map<string, number>()
  return log.map(entry => {
    const rod = entry.rod ?? ''
    const text = entryText(entry, carried.get(rod), system)
    if (entry.data?.rig) carried.set(rod, entry.data.rig.weightKg)
    return { entry, text }
  })
}

/** "2 h 10 min". */
export const minutesText = (minutes: number): string =>
  minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`

/** A tally in words and shares. */
export interface TallyLine {
  readonly row: TallyRow
  readonly rig: string
  readonly bait: string
  readonly place: string
  readonly casts: number
  readonly bites: number
  readonly bumps: number
  /** bites and bumps together */ readonly touches: number
  readonly hookedCount: number
  /** share of touches */ readonly hooked: Measure | undefined
  readonly snag: Measure | undefined
}

/** "slimShad 90 plain|W1|4/0|skin" as an angler says it. */
export function keyWords(key: string): { readonly bait: string; readonly rig: string } {
  const [bait = '', family = '', size = '', ...rest] = key.split('|')
  const known = (FAMILIES as Partial<Record<string, (typeof FAMILIES)[FamilyId]>>)[family]
  return {
    bait: bait.replace(/([A-Z])/g, ' $1').toLowerCase(),
    rig: `${known?.shortName ?? family} ${size}${rest.length > 0 ? `, ${rest.join(', ')}` : ''}`,
  }
}

const share = (hits: number, tries: number): Measure | undefined => {
  if (tries === 0) return undefined
  const [low, high] = wilson(Math.min(hits, tries), tries)
  const value = Math.min(hits, tries) / tries
  return { value, low: Math.min(low, value), high: Math.max(high, value), basis: 'logged' }
}

export function tallyLines(rows: readonly TallyRow[], placeName: (key: string) => string): TallyLine[] {
  return rows
    .map(row => {
      const n = (kind: CountedKind): number => row.counts[kind] ?? 0
      return {
        row,
        ...keyWords(row.rigKey),
        place: placeName(row.placeKey),
        casts: n('cast'),
        bites: n('bite'),
        bumps: n('bump'),
        touches: n('bite') + n('bump'),
        hookedCount: n('hooked'),
        hooked: share(n('hooked'), n('bite') + n('bump')),
        snag: share(n('snag'), n('cast')),
      }
    })
    .sort((a, b) => b.casts - a.casts)
}

/** Nothing known before: Jeffreys' prior. */
const OPEN = { a: 0.5, b: 0.5 }
/** What is counted for one question, as the evidence counts it. */
const talliesOf = ({ casts, bites, bumps, hookedCount, row }: TallyLine, what: 'snag' | 'hooked'): Tally =>
  what === 'snag'
    ? { tries: casts, hits: Math.min(casts, row.counts.snag ?? 0) }
    : touchTally({ bites, bumps, hooked: hookedCount })

/** Two tallies compared on one question. */
export const compareTallies = (one: TallyLine, other: TallyLine, what: 'snag' | 'hooked'): Comparison =>
  compare(updated(OPEN, talliesOf(one, what)), updated(OPEN, talliesOf(other, what)))

/** The same in a sentence. */
export function compareWords(one: TallyLine, other: TallyLine, what: 'snag' | 'hooked'): string {
  const { difference: d, settled, triesToSettle } = compareTallies(one, other, what)
  const points = (x: number): string => `${x > 0 ? '+' : x < 0 ? '−' : ''}${Math.round(100 * Math.abs(x))}`
  const [name, tries] = what === 'snag' ? ['Snags', 'casts'] : ['Hooked', 'touches']
  const range = `${points(d.value)} points (${points(d.low)} to ${points(d.high)})`
  if (settled) return `${name}: settled, ${range}.`
  return triesToSettle === undefined
    ? `${name}: ${range}; too alike for any number of ${tries} to settle.`
    : `${name}: ${range}; some ${triesToSettle} more ${tries} of each would settle it.`
}
