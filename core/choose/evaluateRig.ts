import { evaluateCast, type CastResult } from '../cast/evaluateCast'
import type { DropFailure } from '../fall/drop'
import { evaluateFall, type FallResult } from '../fall/evaluateFall'
import { tailBeatHz } from '../fall/wobble'
import { evaluateFit, type FitResult } from '../fit/evaluateFit'
import { seededRandom } from '../numerics/random'
import { forgetful, type Recall } from '../numerics/recall'
import { success, type Measure, type Outcome } from '../outcome'
import type { AssembledRig } from '../rig/assemble'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { evaluateSnagOf, type SnagResult } from '../snag/evaluateSnag'
import { evaluateStrike, type StrikeResult } from '../strike/evaluateStrike'
import type { Ensemble, Owners } from '../uncertainty/ensemble'
import { measureOf } from '../uncertainty/members'
import type { Water } from '../water/water'
import type { Conditions } from './conditions'
import { amongOf } from './among'
import { asTheyLie, type BentLink } from './bentFall'
import { ownersOf, prepareRig, USUAL_SEED, type PreparedRig } from './prepareRig'

/** All measures of one rig. */
export interface RigReport {
  readonly massKg: number
  readonly fall: FallResult
  /** how its plastic hangs together, where its fall is that of the bait as it bends */
  readonly links?: readonly BentLink[]
  /** beats of a paddle or fork tail in the fall, per second; undefined for baits without one */
  readonly tailHz?: Measure
  readonly fit: FitResult
  readonly snag: SnagResult
  readonly strike: StrikeResult
  /** how far it is thrown, and how it lands */ readonly cast: CastResult
  /** share of the bites of an undisturbed hour that end hooked: hook-up times fishing time left */
  readonly takeShare: Measure
  /** whose values of the uncertain numbers it has, and what it comes to in every member */
  readonly owners: Owners
  readonly members: RigMembers
}

export interface EvaluateOptions {
  readonly seed?: number
  readonly water?: Water
  /** the usual one when left out */ readonly ensemble?: Ensemble
  /** what was worked out before, where it is kept; of one ensemble */ readonly recall?: Recall
}

/**
 * Evaluates one rig in one water: fall, fit, snag and strike from the same assembled geometry, each through
 * every member of the same ensemble.
 * @throws RangeError when the rig or the water cannot be built
 */
export function evaluateRig(
  bait: BaitSpec,
  spec: RigSpec,
  conditions: Conditions,
  options: EvaluateOptions = {},
): Outcome<RigReport, DropFailure> {
  const seed = options.seed ?? USUAL_SEED
  const prepared = prepareRig(bait, spec, conditions, options.water, options.recall)
  const { rig, line } = prepared
  const among = amongOf(prepared, options.ensemble)
  const fall = evaluateFall(prepared.bodies, prepared.fall, among)
  if (!fall.ok) return fall
  const snag = evaluateSnagOf(
    prepared.snag,
    prepared.obstacles,
    prepared.rideOf(fall.value.drop),
    seed,
    among,
    options.recall ?? forgetful,
  )
  const strike = strikeOf(prepared, seed, among, options.recall)
  const members = membersOf(fall.value, snag, strike)
  return success({
    massKg: rig.geometry.massKg + (rig.parts.second?.massKg ?? 0),
    fall: fall.value,
    ...('bent' in fall.value.drop ? { links: asTheyLie(prepared.bodies.links!(), rig) } : {}),
    ...tailOf(rig, fall.value),
    fit: evaluateFit(rig, line),
    snag,
    strike,
    cast: castOf(prepared, options.recall),
    takeShare: measureOf(
      (strike.hookUp.value * snag.minutesLeft.value) / 60,
      members.hookUp.map((h, m) => (h * members.minutesLeft[m]!) / 60),
      snag.minutesLeft.basis,
    ),
    owners: ownersOf(prepared),
    members,
  })
}

/** How bites on a prepared rig end, with what was learned. */
export function strikeOf(
  prepared: PreparedRig,
  seed = USUAL_SEED,
  among = amongOf(prepared),
  recall: Recall = forgetful,
): StrikeResult {
  const { bait, spec, strike, tackle, logged } = prepared
  return recall(`strike ${JSON.stringify([seed, bait, spec, tackle, logged])}`, () =>
    evaluateStrike(strike, tackle, seededRandom(seed + 1), undefined, among),
  )
}

/** How a prepared rig is thrown. */
export const castOf = ({ bait, spec, rig, cast }: PreparedRig, recall: Recall = forgetful): CastResult =>
  recall(`cast ${JSON.stringify([bait, spec, cast])}`, () =>
    evaluateCast(rig.geometry, rig.parts.second, cast),
  )

/** What a rig comes to in one ensemble's members, side by side. */
export interface RigMembers {
  readonly fallS: Float64Array
  readonly snagPerCast: Float64Array
  readonly minutesLeft: Float64Array
  /** rigs and hooks lost in an hour */ readonly lostPerHour: Float64Array
  readonly hookUp: Float64Array
}

function membersOf(
  { members: { timeS } }: FallResult,
  { members: snag }: SnagResult,
  { members: hookUp }: StrikeResult,
): RigMembers {
  if (!snag) throw new RangeError('membersOf: the snags were worked out without members')
  return {
    fallS: timeS,
    snagPerCast: snag.snagPerCast,
    minutesLeft: snag.minutesLeft,
    lostPerHour: snag.lostPerHour,
    hookUp,
  }
}

/** The tail's beat at the speed of the fall through the water. */
function tailOf({ bait }: AssembledRig, { meanSpeedMS, glide }: FallResult): { readonly tailHz?: Measure } {
  const tail = bait.form.tail
  if (!tail || tail.kind === 'skirt') return {}
  const across = tail.kind === 'fork' ? tail.width : tail.height
  return { tailHz: tailBeatHz(meanSpeedMS.value * Math.hypot(1, glide.value), across * bait.soldM) }
}
