import type { CastResult, Wind } from '../cast/evaluateCast'
import { AIR_KGM3, GRAVITY_MS2 } from '../constants'
import { evaluateFit, type FitResult } from '../fit/evaluateFit'
import { restOf } from '../fall/rest'
import { afloat, type Afloat } from '../float/afloat'
import { onRaft, type OnRaft, type Raft } from '../float/raft'
import { fromHeadingPitchRoll, type Vec3 } from '../numerics/quaternion'
import { measure, type Measure } from '../outcome'
import { assembleRig } from '../rig/assemble'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { seededRandom } from '../numerics/random'
import { evaluateSnag, type SnagResult } from '../snag/evaluateSnag'
import type { Ride } from '../snag/meet'
import type { CoverId } from '../snag/cover'
import { surfaceOf } from '../snag/onTop'
import { RETRIEVES } from '../snag/retrieve'
import { PLASTICS } from '../tackle/materials'
import type { Conditions } from './conditions'
import { castOf, strikeOf, type EvaluateOptions } from './evaluateRig'
import { amongOf } from './among'
import { prepareRig, USUAL_SEED, type PreparedRig } from './prepareRig'

/** A rig fished on the surface. SI, rad. */
export interface OnTopReport {
  readonly massKg: number
  readonly sits: Afloat
  /** where the hook's point looks */ readonly point: 'up' | 'side' | 'down'
  /** as dense as its plastic may be it sinks after all */ readonly maySink: boolean
  /** carried along by the wind while it lies still, m/s; left out in still air */ readonly driftMS?: Measure
  /** it leaves a wake from the first on, and throws water from the second, m/s */ readonly wakesMS: number
  readonly buzzesMS: number
  /** on what lies on the water there, and in its holes; left out where nothing does */ readonly raft?: OnRaft
  /** what of what lies on top it hangs on, worked steadily across */ readonly snag: Pick<
    SnagResult,
    'snagPerCast' | 'minutesLeft'
  >
  /** bites from below that end hooked */ readonly hookUp: Measure
  readonly cast: CastResult
  readonly fit: FitResult
}

/** Part of the takes from below that miss a bait on the surface. *Assumed*: a third, a fifth to a half. */
export const BLOW_UPS_MISSED = { value: 0.35, low: 0.2, high: 0.5 } as const
/**
 * Leaves and matted weed as they carry a bait. *Assumed*: a leaf of 18 cm with its rim a few millimetres over the
 * water, gaps of a hand's breadth; a mat of several centimetres with holes of a hand's length.
 */
const RAFTS: Readonly<Partial<Record<CoverId, Raft>>> = {
  pads: { radiusM: 0.09, spreadM: 0.06, freeboardM: 0.004, holeM: 0.12, holeGsd: 2 },
  mat: { spreadM: 0.08, freeboardM: 0.01, holeM: 0.18, holeGsd: 2 },
}
/** Speed at which a bait is worked over them, m/s. *Assumed*: slowly, with stops. */
const WORKED_MS = 0.4
/** Speeds over the root of gravity times length at which a body makes waves, and throws water. *Assumed.* */
const WAKES_FROUDE = 0.35
const BUZZES_FROUDE = 0.75
/** Drift of the skin of the water, share of the wind (Wu 1975, J. Fluid Mech. 68: 3 to 4 % by the surface). */
const SKIN_DRIFT = { value: 0.03, low: 0.015, high: 0.04 } as const

/** Hook-up of takes from below: of bites, once those that miss a bait on the surface are gone. */
export const fromBelow = ({ value, low, high, basis }: Measure): Measure =>
  measure(
    value * (1 - BLOW_UPS_MISSED.value),
    low * (1 - BLOW_UPS_MISSED.high),
    high * (1 - BLOW_UPS_MISSED.low),
    basis,
  )
/** Whether a rig floats as one body in its water. */
export const floats = ({ rig: { geometry, parts }, water }: PreparedRig): boolean =>
  !parts.second && geometry.massKg < water.densityKgM3 * geometry.displacedM3

/** A bait worked steadily over the surface, leaning as it floats. @param rollRad lean, 0 back up */
export const rideOnTop = (rollRad: number): Ride => ({
  retrieve: RETRIEVES.swim,
  postures: { retrieveRollRad: [rollRad], fallRollRad: [rollRad] },
})

/**
 * How a rig that floats is fished: how it sits, drifts and is worked, how it is thrown, and what of the bites
 * from below are hooked. Undefined where it sinks as it is meant, or its weight hangs on its own.
 * @throws RangeError when the rig or the water cannot be built
 */
export function evaluateOnTop(
  bait: BaitSpec,
  spec: RigSpec,
  conditions: Conditions,
  options: EvaluateOptions = {},
): OnTopReport | undefined {
  const prepared = prepareRig(bait, spec, conditions, options.water, options.recall)
  const { rig, water, line } = prepared
  const { geometry, parts } = rig
  const sinks = (massKg: number, displacedM3: number): boolean => massKg >= water.densityKgM3 * displacedM3
  if (parts.second || sinks(geometry.massKg, geometry.displacedM3)) return undefined
  const sits = afloat(geometry, water.densityKgM3)
  const dense =
    bait.densityKgM3 === undefined
      ? assembleRig({ ...bait, densityKgM3: PLASTICS[bait.material].density.high }, spec).geometry
      : geometry
  const { hookUp } = strikeOf(prepared, options.seed, undefined, options.recall)
  const { snagPerCast, minutesLeft } = evaluateSnag(
    prepared.snag,
    surfaceOf(conditions.cover),
    rideOnTop(sits.rollRad),
    seededRandom(options.seed ?? USUAL_SEED),
    undefined,
    amongOf(prepared, options.ensemble),
  )
  return {
    massKg: geometry.massKg,
    sits,
    point: sits.up[2] > 0.5 ? 'up' : sits.up[2] < -0.5 ? 'down' : 'side',
    maySink: sinks(dense.massKg, dense.displacedM3),
    ...raftOf(prepared, conditions.cover, sits),
    ...driftOf(sits, conditions.wind, water.densityKgM3),
    snag: { snagPerCast, minutesLeft },
    wakesMS: WAKES_FROUDE * Math.sqrt(GRAVITY_MS2 * geometry.lengthM),
    buzzesMS: BUZZES_FROUDE * Math.sqrt(GRAVITY_MS2 * geometry.lengthM),
    hookUp: fromBelow(hookUp),
    cast: castOf(prepared, options.recall),
    fit: evaluateFit(rig, line),
  }
}

/** How it lies on what covers the water, rolled from how it floats by its weight in air, and drops into its holes. */
function raftOf(
  { rig: { geometry }, water }: PreparedRig,
  cover: CoverId,
  { pitchRad, rollRad }: Afloat,
): { readonly raft?: OnRaft } {
  const raft = RAFTS[cover]
  if (!raft) return {}
  const none: Vec3 = [0, 0, 0]
  const lying = restOf(
    { geometry, displacedKg: 0, buoyancyAt: none, tieAt: none },
    { from: fromHeadingPitchRoll(0, pitchRad, rollRad) },
  )
  const level = Math.cos(lying.pitchRad)
  const up: Vec3 = [
    Math.sin(lying.pitchRad),
    level * Math.sin(lying.rollRad),
    level * Math.cos(lying.rollRad),
  ]
  return { raft: onRaft(geometry, raft, up, WORKED_MS, water.densityKgM3) }
}

/**
 * What wind does to a bait left lying: air pushes what stands out of the water, water holds what is in it, and
 * its skin moves along. Both sides are taken as one shape, so that their areas go as freeboard and draft.
 */
function driftOf(
  { draftM, freeboardM }: Afloat,
  wind: Wind | undefined,
  waterKgM3: number,
): { readonly driftMS?: Measure } {
  if (!wind || wind.speedMS <= 0 || draftM <= 0) return {}
  const pushed = Math.sqrt((AIR_KGM3 * freeboardM) / (waterKgM3 * draftM))
  const of = (skin: number): number => wind.speedMS * (skin + pushed)
  return { driftMS: measure(of(SKIN_DRIFT.value), of(SKIN_DRIFT.low), of(SKIN_DRIFT.high)) }
}
