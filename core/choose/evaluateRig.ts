import type { Evidence } from '../evidence/book'
import { corrected, type Tally } from '../evidence/tally'
import type { Drop, DropFailure } from '../fall/drop'
import { evaluateFall, type FallResult } from '../fall/evaluateFall'
import { tailBeatHz } from '../fall/wobble'
import { evaluateFit, type FitResult } from '../fit/evaluateFit'
import { seededRandom } from '../numerics/random'
import { measure, success, type Measure, type Outcome } from '../outcome'
import type { AssembledRig } from '../rig/assemble'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { evaluateSnag, type SnagResult } from '../snag/evaluateSnag'
import { evaluateStrike, type StrikeResult } from '../strike/evaluateStrike'
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
}

/** Seed used unless another is asked for, so that worker, server and command line agree to the last digit. */
export const USUAL_SEED = 20261

export interface EvaluateOptions { readonly seed?: number, readonly water?: Water }

/**
 * Evaluates one rig in one water: fall, fit, snag and strike from the same assembled geometry.
 * @throws RangeError when the rig or the water cannot be built
 */
export function evaluateRig(
  bait: BaitSpec, spec: RigSpec, conditions: Conditions, options: EvaluateOptions = {},
): Outcome<RigReport, DropFailure> {
  const seed = options.seed ?? USUAL_SEED
  const prepared = prepareRig(bait, spec, conditions, options.water)
  const { rig, line, evidence = {} } = { ...prepared, evidence: conditions.evidence }
  const fall = evaluateFall(prepared.bodies, prepared.fall)
  if (!fall.ok) return fall
  const snag = snagOf(prepared, fall.value.drop, evidence, seed)
  const strike = strikeOf(prepared, evidence, seed)
  return success({
    massKg: rig.geometry.massKg + (rig.parts.second?.massKg ?? 0),
    fall: fall.value,
    ...tailOf(rig, fall.value),
    fit: evaluateFit(rig, line),
    snag,
    strike,
    takeShare: product(strike.hookUp, snag.minutesLeft, 1 / 60),
  })
}

/** What a prepared rig catches besides fish on its way through its place, after what was logged of it. */
const snagOf = (prepared: PreparedRig, drop: Pick<Drop, 'samples'>, { snag }: Evidence, seed: number): SnagResult =>
  snagAfter(evaluateSnag(prepared.snag, prepared.obstacles, prepared.rideOf(drop), seededRandom(seed)), snag)

/** How bites on a prepared rig end, after what was logged of it. */
export const strikeOf = ({ strike, tackle }: PreparedRig, { hook }: Evidence, seed = USUAL_SEED): StrikeResult =>
  strikeAfter(evaluateStrike(strike, tackle, seededRandom(seed + 1)), hook)

/** Snags after a tally: the chance a cast hangs up moves, and the time snags take with it. */
export function snagAfter(snag: SnagResult, tally: Tally | undefined): SnagResult {
  const snagPerCast = corrected(snag.snagPerCast, tally)
  if (snagPerCast === snag.snagPerCast) return snag
  const events = (chance: number): number => -Math.log(1 - Math.min(0.999, chance))
  const ratio = (chance: number): number => events(chance) / Math.max(1e-6, events(snag.snagPerCast.value))
  const { casts, minutes } = snag.hour
  const castMin = (60 - minutes.snags - minutes.weed - minutes.fixing) / casts
  const lost = (share: number): number => castMin + (share * minutes.snags + minutes.weed + minutes.fixing) / casts
  const left = (chance: number): number => 60 * castMin / lost(ratio(chance))
  const more = ratio(snagPerCast.value)
  const hourly = 60 / lost(more)
  const rest = snag.minutesLeft
  return {
    ...snag, snagPerCast,
    minutesLeft: measure(left(snagPerCast.value), Math.min(left(snagPerCast.value), Math.max(0, left(snagPerCast.high))), Math.max(left(snagPerCast.value), Math.min(rest.high > left(snagPerCast.low) ? 60 : rest.high, left(snagPerCast.low))), 'logged'),
    hour: { ...snag.hour, casts: hourly, rigsLost: snag.hour.rigsLost * more * hourly / casts, hooksOpened: snag.hour.hooksOpened * more * hourly / casts, minutes: { snags: minutes.snags * more * hourly / casts, weed: minutes.weed * hourly / casts, fixing: minutes.fixing * hourly / casts } },
    causes: snag.causes.map(c => ({ ...c, perCast: 1 - Math.exp(-more * events(c.perCast)) })),
  }
}

/** Bites after a tally: hook-up moves, and what loses the rest in proportion. */
export function strikeAfter(strike: StrikeResult, tally: Tally | undefined): StrikeResult {
  const hookUp = corrected(strike.hookUp, tally)
  if (hookUp === strike.hookUp) return strike
  const scale = (1 - hookUp.value) / Math.max(1e-6, 1 - strike.hookUp.value)
  return { ...strike, hookUp, losses: strike.losses.map(l => ({ ...l, share: l.share * scale })) }
}

/** The tail's beat at the speed of the fall through the water. */
function tailOf({ bait }: AssembledRig, { meanSpeedMS, glide }: FallResult): { readonly tailHz?: Measure } {
  const tail = bait.form.tail
  if (!tail || tail.kind === 'skirt') return {}
  const across = tail.kind === 'fork' ? tail.width : tail.height
  return { tailHz: tailBeatHz(meanSpeedMS.value * Math.hypot(1, glide.value), across * bait.soldM) }
}

/** Product of two independent positive measures times a scale; relative deviations add in quadrature on each side. */
function product(a: Measure, b: Measure, scale: number): Measure {
  const value = a.value * b.value * scale
  const side = (pick: (m: Measure) => number): number =>
    value * Math.hypot(...[a, b].map(m => m.value > 0 ? Math.abs(pick(m) - m.value) / m.value : 0))
  return measure(value, Math.max(0, value - side(m => m.low)), value + side(m => m.high))
}
