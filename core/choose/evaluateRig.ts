import type { Evidence } from '../evidence/book'
import { betaQuantile } from '../evidence/beta'
import { kindKey, rigKey } from '../evidence/keys'
import { corrected, priorOf, updated, type Posterior, type Tally } from '../evidence/tally'
import type { DropFailure } from '../fall/drop'
import { evaluateFall, type FallResult } from '../fall/evaluateFall'
import { tailBeatHz } from '../fall/wobble'
import { evaluateFit, type FitResult } from '../fit/evaluateFit'
import { seededRandom } from '../numerics/random'
import { forgetful, type Recall } from '../numerics/recall'
import { measure, success, type Measure, type Outcome } from '../outcome'
import type { AssembledRig } from '../rig/assemble'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { evaluateSnagOf, type SnagResult } from '../snag/evaluateSnag'
import { evaluateStrike, type StrikeResult } from '../strike/evaluateStrike'
import { drawsFor, type Draws } from '../uncertainty/draws'
import { makeEnsemble, type Ensemble, type Owners } from '../uncertainty/ensemble'
import { measureOf } from '../uncertainty/members'
import type { Water } from '../water/water'
import type { Conditions } from './conditions'
import { prepareRig, type PreparedRig } from './prepareRig'

/** All measures of one rig. */
export interface RigReport {
  readonly massKg: number
  readonly fall: FallResult
  /** beats of a paddle or fork tail in the fall, per second; undefined for baits without one */ readonly tailHz?: Measure
  readonly fit: FitResult
  readonly snag: SnagResult
  readonly strike: StrikeResult
  /** share of the bites of an undisturbed hour that end hooked: hook-up times fishing time left */ readonly takeShare: Measure
  /** whose values of the uncertain numbers it has, and what it comes to in every member */ readonly owners: Owners
  readonly members: RigMembers
}

/** Seed used unless another is asked for, so that worker, server and command line agree to the last digit. */
export const USUAL_SEED = 20261

export interface EvaluateOptions { readonly seed?: number, readonly water?: Water, /** the usual one when left out */ readonly ensemble?: Ensemble, /** what was worked out before, where it is kept; of one ensemble */ readonly recall?: Recall }

/**
 * Evaluates one rig in one water: fall, fit, snag and strike from the same assembled geometry, each through every member of the same ensemble.
 * @throws RangeError when the rig or the water cannot be built
 */
export function evaluateRig(
  bait: BaitSpec, spec: RigSpec, conditions: Conditions, options: EvaluateOptions = {},
): Outcome<RigReport, DropFailure> {
  const seed = options.seed ?? USUAL_SEED
  const prepared = prepareRig(bait, spec, conditions, options.water, options.recall)
  const { rig, line, evidence = {} } = { ...prepared, evidence: conditions.evidence }
  const owners = ownersOf(bait, spec)
  const among = drawsFor(options.ensemble ?? USUAL, owners)
  const fall = evaluateFall(prepared.bodies, prepared.fall, among)
  if (!fall.ok) return fall
  const snag = snagAfter(evaluateSnagOf(prepared.snag, prepared.obstacles, prepared.rideOf(fall.value.drop), seed, among, options.recall ?? forgetful), evidence.snag)
  const strike = strikeOf(prepared, evidence, seed, among, options.recall)
  const members = membersOf(fall.value, snag, strike)
  return success({
    massKg: rig.geometry.massKg + (rig.parts.second?.massKg ?? 0),
    fall: fall.value,
    ...tailOf(rig, fall.value),
    fit: evaluateFit(rig, line),
    snag,
    strike,
    takeShare: measureOf(strike.hookUp.value * snag.minutesLeft.value / 60, members.hookUp.map((h, m) => h * members.minutesLeft[m]! / 60)),
    owners,
    members,
  })
}

/** One ensemble for everything that is not told otherwise. */
const USUAL = makeEnsemble()

/** Whose values of the uncertain numbers a rig has: its weight does not change whose it is. */
export const ownersOf = (bait: BaitSpec, spec: RigSpec): Owners => ({ plastic: kindKey(bait), kind: spec.pointRest === 'open' ? 'open' : 'covered', rig: rigKey(bait, spec) })

/** The usual ensemble as a prepared rig has it. */
export const amongOf = ({ bait, spec }: PreparedRig): Draws => drawsFor(USUAL, ownersOf(bait, spec))

/** How bites on a prepared rig end, after what was logged of it. */
export const strikeOf = (prepared: PreparedRig, { hook }: Evidence, seed = USUAL_SEED, among = amongOf(prepared), recall: Recall = forgetful): StrikeResult => {
  const { bait, spec, strike, tackle } = prepared
  return strikeAfter(recall(`strike ${JSON.stringify([seed, bait, spec, tackle])}`, () => evaluateStrike(strike, tackle, seededRandom(seed + 1), undefined, among)), hook)
}

/** What a rig comes to in one ensemble's members, side by side. */
export interface RigMembers {
  readonly fallS: Float64Array
  readonly snagPerCast: Float64Array
  readonly minutesLeft: Float64Array
  /** rigs and hooks lost in an hour */ readonly lostPerHour: Float64Array
  readonly hookUp: Float64Array
}

function membersOf({ members: { timeS } }: FallResult, { members: snag }: SnagResult, { members: hookUp }: StrikeResult): RigMembers {
  if (!snag) throw new RangeError('membersOf: the snags were worked out without members')
  return { fallS: timeS, snagPerCast: snag.snagPerCast, minutesLeft: snag.minutesLeft, lostPerHour: snag.lostPerHour, hookUp }
}

/** Snags after a tally: the chance a cast hangs up moves, and the time snags take with it. */
export function snagAfter(snag: SnagResult, tally: Tally | undefined): SnagResult {
  const snagPerCast = corrected(snag.snagPerCast, tally)
  if (snagPerCast === snag.snagPerCast || !tally) return snag
  const events = (chance: number): number => -Math.log(1 - Math.min(0.999, chance))
  const before = Math.max(1e-6, events(snag.snagPerCast.value))
  const { casts, minutes } = snag.hour
  const castMin = (60 - minutes.snags - minutes.weed - minutes.fixing) / casts
  const lost = (times: number): number => castMin + (times * minutes.snags + minutes.weed + minutes.fixing) / casts
  const more = events(snagPerCast.value) / before
  const hourly = 60 / lost(more)
  const moved = snag.members && movedTo(snag.members.snagPerCast, updated(priorOf(snag.snagPerCast), tally))
  const members = snag.members && moved && {
    ...snag.members, snagPerCast: moved,
    minutesLeft: moved.map(c => 60 * castMin / lost(events(c) / before)),
    lostPerHour: moved.map(c => (snag.hour.rigsLost + snag.hour.hooksOpened) / casts * events(c) / before * 60 / lost(events(c) / before)),
  }
  const left = 60 * castMin / lost(more)
  return {
    ...snag, snagPerCast,
    minutesLeft: members ? measureOf(left, members.minutesLeft, 'logged') : measure(left, left, left, 'logged'),
    hour: { ...snag.hour, casts: hourly, rigsLost: snag.hour.rigsLost * more * hourly / casts, hooksOpened: snag.hour.hooksOpened * more * hourly / casts, minutes: { snags: minutes.snags * more * hourly / casts, weed: minutes.weed * hourly / casts, fixing: minutes.fixing * hourly / casts } },
    causes: snag.causes.map(c => ({ ...c, perCast: 1 - Math.exp(-more * events(c.perCast)) })),
    ...(members ? { members } : {}),
  }
}

/** Bites after a tally: hook-up moves, and what loses the rest in proportion. */
export function strikeAfter(strike: StrikeResult, tally: Tally | undefined): StrikeResult {
  const hookUp = corrected(strike.hookUp, tally)
  if (hookUp === strike.hookUp || !tally) return strike
  const scale = (1 - hookUp.value) / Math.max(1e-6, 1 - strike.hookUp.value)
  return { ...strike, hookUp, losses: strike.losses.map(l => ({ ...l, share: l.share * scale })), members: movedTo(strike.members, updated(priorOf(strike.hookUp), tally)) }
}

/** Members of a chance, each at its rank in what is known of it after a tally. */
function movedTo(members: Float64Array, { a, b }: Posterior): Float64Array {
  const moved = new Float64Array(members.length)
  Array.from(members, (_, m) => m).sort((p, q) => members[p]! - members[q]!).forEach((m, rank) => {
    moved[m] = betaQuantile((rank + 0.5) / members.length, a, b)
  })
  return moved
}

/** The tail's beat at the speed of the fall through the water. */
function tailOf({ bait }: AssembledRig, { meanSpeedMS, glide }: FallResult): { readonly tailHz?: Measure } {
  const tail = bait.form.tail
  if (!tail || tail.kind === 'skirt') return {}
  const across = tail.kind === 'fork' ? tail.width : tail.height
  return { tailHz: tailBeatHz(meanSpeedMS.value * Math.hypot(1, glide.value), across * bait.soldM) }
}
