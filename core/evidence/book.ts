import type { BaitSpec, RigSpec } from '../rig/spec'
import type { BottomId, CoverId } from '../snag/cover'
import type { FallEvidence } from '../fall/measured'
import { fallEvidence, fitDrops, pooledPrior, type DragPosterior, type TimedDrop } from './drops'
import { baitKey, kindKey, placeKey, rigKey } from './keys'
import { mostCounted, type LoggedRig } from './learned'
import type { Tally } from './tally'

/** What an angler's own drops and tally say of one rig: it moves the figures by as much as it deserves. */
export interface Evidence {
  readonly fall?: FallEvidence
  /** casts and snags */ readonly snag?: Tally
  /** touches (bites and bumps) and hooked */ readonly hook?: Tally
  /** what was counted here of this rig and others: this is what moves snags and hook-ups */
  readonly logged?: readonly LoggedRig[]
}

/** All that an angler's drops and tally say, looked up by bait, rig and place. Plain data. */
export interface EvidenceBook {
  readonly falls: Readonly<Record<string, FallEvidence>>
  /** by form and material, for baits that were never dropped */ readonly pooled: Readonly<
    Record<string, FallEvidence>
  >
  readonly tallies: Readonly<Record<string, { readonly snag: Tally; readonly hook: Tally }>>
  /** everything that was counted */ readonly logged: readonly LoggedRig[]
}

export interface LoggedDrop extends TimedDrop {
  readonly bait: BaitSpec
}
export interface LoggedCounts {
  readonly rigKey: string
  readonly placeKey: string
  readonly casts: number
  readonly snags: number
  /** bites that were struck at */ readonly bites: number
  /** touches that were never worth a strike */ readonly bumps?: number
  readonly hooked: number
}

/**
 * Posterior of every bait that was dropped, each with what the others of its form and material say as its
 * prior.
 */
export function fitAll(drops: readonly LoggedDrop[]): ReadonlyMap<string, DragPosterior> {
  const byBait = new Map<string, LoggedDrop[]>()
  for (const d of drops) byBait.set(baitKey(d.bait), [...(byBait.get(baitKey(d.bait)) ?? []), d])
  const alone = new Map([...byBait].map(([key, list]) => [key, fitDrops(list)]))
  return new Map(
    [...byBait].map(([key, list]) => {
      const kind = kindKey(list[0]!.bait)
      const others = [...byBait]
        .filter(([other, l]) => other !== key && kindKey(l[0]!.bait) === kind)
        .map(([other]) => alone.get(other)!)
      return [key, fitDrops(list, pooledPrior(others))]
    }),
  )
}

/** Gathers drops and counts into a book. */
export function bookOf(drops: readonly LoggedDrop[], counts: readonly LoggedCounts[]): EvidenceBook {
  const fits = fitAll(drops)
  const kinds = new Map<string, DragPosterior[]>()
  for (const { bait } of new Map(drops.map(d => [baitKey(d.bait), d])).values())
    kinds.set(kindKey(bait), [...(kinds.get(kindKey(bait)) ?? []), fits.get(baitKey(bait))!])
  return {
    falls: Object.fromEntries([...fits].map(([key, fit]) => [key, fallEvidence(fit)])),
    pooled: Object.fromEntries(
      [...kinds].map(([key, list]) => {
        const prior = pooledPrior(list)
        return [key, fallEvidence({ ...prior, drops: list.reduce((sum, p) => sum + p.drops, 0) }, true)]
      }),
    ),
    tallies: Object.fromEntries(
      counts.map(c => [
        `${c.rigKey}\n${c.placeKey}`,
        { snag: { tries: c.casts, hits: Math.min(c.casts, c.snags) }, hook: touchTally(c) },
      ]),
    ),
    logged: counts.map(loggedRig).filter(l => l.casts + l.touches > 0),
  }
}

/** Counts as they are learned from. */
const loggedRig = ({ rigKey, placeKey, casts, snags, ...touched }: LoggedCounts): LoggedRig => {
  const { tries, hits } = touchTally(touched)
  return { rigKey, placeKey, casts, snags, touches: tries, hooked: hits }
}

/** The model counts a nipped tail as a bite that was lost, and so a bump is counted. */
export const touchTally = ({
  bites,
  bumps = 0,
  hooked,
}: Pick<LoggedCounts, 'bites' | 'bumps' | 'hooked'>): Tally => ({
  tries: bites + bumps,
  hits: Math.min(bites + bumps, hooked),
})

/**
 * What was counted in a place, the most counted first: its cover and its fish are learned from there, and
 * from nowhere else.
 */
export const loggedAt = ({ logged }: EvidenceBook, cover: CoverId, bottom: BottomId): LoggedRig[] =>
  mostCounted(logged.filter(l => l.placeKey === placeKey(cover, bottom)))

/** What the book says of one rig in one place. Undefined where it says nothing. */
export function evidenceOf(
  book: EvidenceBook,
  bait: BaitSpec,
  rig: RigSpec,
  cover: CoverId,
  bottom: BottomId,
): Evidence | undefined {
  const fall = book.falls[baitKey(bait)] ?? book.pooled[kindKey(bait)]
  const tally = book.tallies[`${rigKey(bait, rig)}\n${placeKey(cover, bottom)}`]
  const logged = loggedAt(book, cover, bottom)
  if (!fall && !tally && logged.length === 0) return undefined
  return {
    ...(fall ? { fall } : {}),
    ...(tally && tally.snag.tries > 0 ? { snag: tally.snag } : {}),
    ...(tally && tally.hook.tries > 0 ? { hook: tally.hook } : {}),
    ...(logged.length > 0 ? { logged } : {}),
  }
}
