import { failure, success, type Outcome } from '../outcome'
import type { BentDrop } from './bend/dropBent'
import { dropBentAny, type BentPairDrop } from './bend/dropBentPair'
import type { Drop, DropFailure } from './drop'
import { downAfter, dropAny, type FallBodies, type FallConditions } from './dropAny'
import type { TetheredDrop } from './dropTethered'
import { DEFAULT_FACTORS } from './factors'
import { summarize, type FallSummary } from './summary'

/** How far a bait bends in a fall, where that matters. */
export interface Bending {
  /** how far the rod's own fall would bend its free end, over that end's length */ readonly bends: number
  /**
   * splash to bottom of the same rig as a rod, s, where the fall is that of the bait as it bends; left out where that
   * could not be worked out, and the fall is the rod's
   */
  readonly rodS?: number
}

/** A fall, and what it comes to. */
export interface MiddleDrop {
  readonly drop: Drop | TetheredDrop | BentDrop | BentPairDrop
  readonly summary: FallSummary
  /** splash to bottom, s */ readonly downS: number
  readonly bending?: Bending
}

/**
 * Where the free end would be bent by more of its length than this, the bent fall is worked out. Of rigs drawn at
 * random whose free end would bend by less, nine in ten are within a sixth of the rod's time.
 */
export const RECKONED_FROM = 0.3

/** Where the bent fall cannot be worked out, this much bending is told. *Assumed.* */
export const UNRECKONED_FROM = 0.6

/** A bent fall that is nearer than this to that of the rod is lost in the range of any fall. */
const LOST = { lnTime: 0.05, pitchRad: 0.17, glide: 0.1 } as const

/** Whether a line is held: a rig held in a stream has the water go by, and what it glides is over the ground. */
export const isHeld = ({ hold }: FallConditions): boolean => hold !== undefined && hold.mode !== 'slack'

/**
 * The fall of a rig: of one body, or of bait and weight where there are two; and where its plastic bends so far that
 * it falls otherwise than a rod, of the bait as it bends.
 * @param stepS of a rod or a tethered pair; the usual one when left out
 */
export function dropMiddle(
  bodies: FallBodies,
  conditions: FallConditions,
  stepS?: number,
): Outcome<MiddleDrop, DropFailure> {
  const dropped = dropAs('rod', bodies, conditions, stepS)
  if (!dropped.ok) return dropped
  const rod = dropped.value
  const bends = (bodies.limp ?? 0) * acrossMS(rod.summary) ** 2
  if (!(bends > RECKONED_FROM)) return success(rod)
  if (bodies.links?.().length === 1) return success(rod)
  const bent = dropAs('bent', bodies, conditions)
  if (!bent.ok) return success(bends > UNRECKONED_FROM ? { ...rod, bending: { bends } } : rod)
  if (alike(bent.value.summary, rod.summary)) return success(rod)
  return success({ ...bent.value, bending: { bends, rodS: rod.downS } })
}

/**
 * The fall as a rod, or as the bait bends, whichever of them is the nearer.
 * @param stepS of a rod or a tethered pair; the usual one when left out
 */
export function dropAs(
  kind: 'rod' | 'bent',
  { typical, weight, links }: FallBodies,
  conditions: FallConditions,
  stepS?: number,
): Outcome<MiddleDrop, DropFailure> {
  const given = { ...conditions, factors: conditions.factors ?? DEFAULT_FACTORS }
  if (kind === 'bent' && !links) return failure('unstable', 'There are no links to bend.')
  const dropped: Outcome<MiddleDrop['drop'], DropFailure> =
    kind === 'bent'
      ? dropBentAny(links!(), typical, weight, given)
      : dropAny(typical, weight, stepS === undefined ? given : { ...given, stepS })
  if (!dropped.ok) return dropped
  const drop = dropped.value
  return success({ drop, summary: summaryOf(drop, conditions), downS: downAfter(drop) })
}

/** What a drop comes to on its line and in its stream. */
const summaryOf = (drop: Drop, conditions: FallConditions): FallSummary =>
  summarize(drop, isHeld(conditions) ? undefined : conditions.stream)

const alike = (a: FallSummary, b: FallSummary): boolean =>
  Math.abs(Math.log(a.timeS / b.timeS)) < LOST.lnTime &&
  Math.abs(a.pitchRad - b.pitchRad) < LOST.pitchRad &&
  Math.abs(a.glide - b.glide) < LOST.glide

/** Of a body's way through the water, what goes across it, m/s. */
const acrossMS = ({ endSpeedMS, pitchRad, glide }: FallSummary): number =>
  endSpeedMS * Math.abs(Math.cos(pitchRad)) + endSpeedMS * glide * Math.abs(Math.sin(pitchRad))
