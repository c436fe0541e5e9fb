import { compare, FAMILIES, updated, wilson } from '#catalogue'
import type { FamilyId, Measure } from '#core'
import type { CountedKind, TallyRow } from '#schemas/log'

/** A tally in words and shares. */
export interface TallyLine { readonly row: TallyRow, readonly rig: string, readonly bait: string, readonly place: string, readonly casts: number, readonly bites: number, readonly bumps: number, readonly hooked: Measure | undefined, readonly snag: Measure | undefined }

/** "slimShad 90 plain|W1|4/0|skin" as an angler says it. */
export function keyWords(key: string): { readonly bait: string, readonly rig: string } {
  const [bait = '', family = '', size = '', ...rest] = key.split('|')
  const known = (FAMILIES as Partial<Record<string, (typeof FAMILIES)[FamilyId]>>)[family]
  return { bait: bait.replace(/([A-Z])/g, ' $1').toLowerCase(), rig: `${known?.shortName ?? family} ${size}${rest.length > 0 ? `, ${rest.join(', ')}` : ''}` }
}

const share = (hits: number, tries: number): Measure | undefined => {
  if (tries === 0) return undefined
  const [low, high] = wilson(Math.min(hits, tries), tries)
  const value = Math.min(hits, tries) / tries
  return { value, low: Math.min(low, value), high: Math.max(high, value), basis: 'logged' }
}

export function tallyLines(rows: readonly TallyRow[], placeName: (key: string) => string): TallyLine[] {
  return rows.map((row) => {
    const n = (kind: CountedKind): number => row.counts[kind] ?? 0
    return { row, ...keyWords(row.rigKey), place: placeName(row.placeKey), casts: n('cast'), bites: n('bite'), bumps: n('bump'), hooked: share(n('hooked'), n('bite')), snag: share(n('snag'), n('cast')) }
  }).sort((a, b) => b.casts - a.casts)
}

/** What bumps that did not stick and bites that were lost say, in a sentence; undefined where nothing stands out. */
export function adviceFor({ rig, bites, bumps, hooked, snag }: TallyLine): string | undefined {
  const touches = bites + bumps
  if (bumps >= 6 && bumps / Math.max(1, touches) > 0.55) return `${bumps} bumps against ${bites} bites: tail nips. A shorter bait, scent, or a trailing hook.`
  if (hooked && bites >= 8 && hooked.high < 0.45) return `Only ${Math.round(100 * hooked.value)} % of bites stick: ${rig.includes('open') ? 'a finer wire, a stiffer rod' : 'less plastic over the point, a stiffer rod'}, or keep it moving.`
  if (snag && snag.low > 0.15) return `It hangs up on ${Math.round(100 * snag.value)} % of casts: ${rig.includes('open') ? 'a hidden point comes through here' : 'bury the point deeper, or go lighter'}.`
  return undefined
}

/** Nothing known before: Jeffreys' prior. */
const OPEN = { a: 0.5, b: 0.5 }
/** Two tallies compared on one question, in a sentence. */
export function compareWords(one: TallyLine, other: TallyLine, what: 'snag' | 'hooked'): string {
  const of = ({ row: { counts } }: TallyLine) => updated(OPEN, what === 'snag' ? { tries: counts.cast ?? 0, hits: Math.min(counts.cast ?? 0, counts.snag ?? 0) } : { tries: counts.bite ?? 0, hits: Math.min(counts.bite ?? 0, counts.hooked ?? 0) })
  const { difference: d, settled, triesToSettle } = compare(of(one), of(other))
  const points = (x: number): string => `${x > 0 ? '+' : x < 0 ? '−' : ''}${Math.round(100 * Math.abs(x))}`
  const [name, tries] = what === 'snag' ? ['Snags', 'casts'] : ['Hooked', 'bites']
  const range = `${points(d.value)} points (${points(d.low)} to ${points(d.high)})`
  if (settled) return `${name}: settled, ${range}.`
  return triesToSettle === undefined ? `${name}: ${range}; too alike for any number of ${tries} to settle.` : `${name}: ${range}; some ${triesToSettle} more ${tries} of each would settle it.`
}
