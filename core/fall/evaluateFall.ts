import { success, type Basis, type Measure, type Outcome } from '../outcome'
import { drawsFor, type Draws } from '../uncertainty/draws'
import { usualEnsemble } from '../uncertainty/ensemble'
import { measureOf } from '../uncertainty/members'
import { ballSinksM, type Bed } from '../water/bed'
import { comeToLie } from './bend/comeToLie'
import { SAMPLE_STRIDE, type DropFailure } from './drop'
import type { FallBodies, FallConditions } from './dropAny'
import { dropMiddle, isHeld, type Bending, type MiddleDrop } from './dropMiddle'
import { DEFAULT_FACTORS } from './factors'
import { doubtsOf, type DoubtId } from './fallDoubts'
import { fallMembers, type FallMembers } from './fallMembers'
import { STANDARD_GRAVITY } from './loads'
import { repeatsOf, startSdS } from './repeats'
import { postureAt, restOf, type Rest } from './rest'
import type { FallSummary } from './summary'
import type { TetheredWeight } from './tether'

/** Fall rate, posture and glide of one rig, each with its range. Angles in radians, times in seconds. */
export interface FallResult {
  readonly drop: MiddleDrop['drop']
  /** splash to bottom, s */ readonly timeS: Measure
  readonly meanSpeedMS: Measure
  readonly pitchRad: Measure
  /** roll away from back-up, 0..pi */ readonly rollRad: Measure
  /** sideways metres per metre fallen */ readonly glide: Measure
  readonly turnsPerM: number
  /** scatter of the landing place over a set of starts, m per m fallen: how little a fall can be repeated */
  readonly scatter: number
  /** how it comes to lie on the bottom */ readonly rest: Rest
  readonly summary: FallSummary
  /** the input whose doubt moves the fall time most */ readonly mainDoubt: DoubtId
  /**
   * true where the lightest plastic of the range would float: its time has no upper end then, and the range
   * is of those that sink
   */
  readonly mayFloat: boolean
  /** inputs of which an end could not be worked out, and is not in the range */
  readonly unresolved: readonly DoubtId[]
  /** whether it falls otherwise than a rod since it bends, and what was reckoned */ readonly bending?: Bending
  /** through every member of the ensemble */ readonly members: FallMembers
}

/** One rig by itself, with the usual ensemble. */
const alone = (): Draws => drawsFor(usualEnsemble(), { plastic: '', kind: '', rig: '' })

/**
 * Drops a rig and puts a range on what it does. The range comes from moving each uncertain input to both ends
 * of its own range, one at a time, through the trim solver (where there is no steady fall, through a coarse
 * drop): a response surface, on which every member of the ensemble is read off; shown is what nine in ten of
 * them lie between.
 */
export function evaluateFall(
  bodies: FallBodies,
  conditions: FallConditions,
  draws: Draws = alone(),
): Outcome<FallResult, DropFailure> {
  const factors = conditions.factors ?? DEFAULT_FACTORS
  const { weight } = bodies
  const centre = fallAtCentre(bodies, conditions)
  if (!centre.ok) return centre
  const { drop, summary, downS, meanSpeedMS, rest, bending } = centre.value
  const repeats = repeatsOf(bodies.typical, conditions, factors, weight)
  const { responses, pair, mainDoubt, mayFloat, unresolved } = doubtsOf(bodies, conditions, factors, {
    downS,
    summary,
    ...(bending ? { bending } : {}),
    startSdS: startSdS(repeats, conditions.depthM),
    steadily: !isHeld(conditions) && !(weight && Number.isFinite(weight.tetherM)),
  })
  const members = fallMembers(
    { timeS: downS, pitchRad: summary.pitchRad, rollRad: summary.rollRad, glide: summary.glide },
    responses,
    pair,
    draws,
    downS * FASTEST,
  )
  const basis: Basis = conditions.evidence ? 'measured' : 'computed'
  const timeS = measureOf(downS, members.timeS, basis)
  const path = meanSpeedMS * downS
  return success({
    drop,
    summary,
    timeS,
    meanSpeedMS: { value: meanSpeedMS, low: path / timeS.high, high: path / timeS.low, basis },
    pitchRad: measureOf(summary.pitchRad, members.pitchRad),
    rollRad: measureOf(summary.rollRad, members.rollRad),
    glide: measureOf(summary.glide, members.glide),
    turnsPerM: summary.turnsPerM,
    scatter: repeats.scatter,
    rest,
    mainDoubt,
    mayFloat,
    unresolved,
    ...(bending ? { bending } : {}),
    members,
  })
}

/** A fall at the middle of everything that is uncertain of it. */
export interface FallAtCentre extends MiddleDrop {
  readonly meanSpeedMS: number
  readonly rest: Rest
}

/**
 * The same drop without its range: figures of `evaluateFall`, to the last digit.
 * @param stepS for a rough look, in which what bends comes to lie straight; the usual one of the body when left out
 */
export function fallAtCentre(
  bodies: FallBodies,
  conditions: FallConditions,
  stepS?: number,
): Outcome<FallAtCentre, DropFailure> {
  const dropped = dropMiddle(bodies, conditions, stepS)
  if (!dropped.ok) return dropped
  const { summary, downS } = dropped.value
  return success({
    ...dropped.value,
    meanSpeedMS: downS === summary.timeS ? summary.meanSpeedMS : conditions.depthM / downS,
    rest: restAfter(stepS === undefined ? bodies : rodOf(bodies), dropped.value, conditions),
  })
}

/** No draw makes a fall faster than this part of its time. *Assumed.* */
const FASTEST = 0.3

const rodOf = ({ links: _, ...rod }: FallBodies): FallBodies => rod

/**
 * Rest from the last state of a drop. A weight on a short joint holds the bait's nose; on a longer tether the
 * bait lies by itself. A bait that bends lies as it bends.
 */
function restAfter(
  { typical, weight, links }: FallBodies,
  { drop, bending }: MiddleDrop,
  { bed, stream, depthM, factors }: FallConditions,
): Rest {
  const s = drop.samples.subarray(drop.samples.length - SAMPLE_STRIDE)
  const from = [s[4]!, s[5]!, s[6]!, s[7]!] as const
  const hinged = weight !== undefined && weight.tetherM < JOINT_M
  const hovers = 'ending' in drop && drop.ending === 'hovers'
  if (hovers && hinged && 'bent' in drop) {
    // it stands as the water left it, in its curve
    const standing = restOf(typical, { from, hangs: true })
    return { ...standing, posture: postureAt(standing.pitchRad) }
  }
  const hingeM = hinged ? { hingeM: hingeOver(weight, bed) } : {}
  if (!hovers && bending && links && 'bent' in drop) {
    const lying = comeToLie(links(), typical, drop, {
      heightM: -depthM,
      ...(bed ? { bed } : {}),
      ...hingeM,
      ...(stream ? { stream } : {}),
      ...(factors ? { factors } : {}),
    })
    if (lying) return lying
  }
  return restOf(typical, {
    from,
    hangs: hovers && !hinged,
    ...(bed ? { bed } : {}),
    ...hingeM,
  })
}

/** How high a weight on the bottom holds the bait's nose by its joint, m. */
const hingeOver = (
  { diameterM, tetherM, massKg, displacedKg }: TetheredWeight,
  bed: Bed | undefined,
): number =>
  diameterM / 2 + tetherM - (bed ? ballSinksM(bed, (massKg - displacedKg) * STANDARD_GRAVITY, diameterM) : 0)

/** A tether up to this length is a joint, m. */
const JOINT_M = 0.03
