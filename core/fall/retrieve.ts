import { rollOf, pitchOf } from '../numerics/quaternion'
import type { Water } from '../water/water'
import { sphereCd } from './dragCurves'
import { DEFAULT_FACTORS } from './factors'
import { startState } from './drop'
import type { HydroBody } from './hydroBody'
import { makeLoads, STANDARD_GRAVITY, type Loads, type Tow } from './loads'
import { stepper } from './motion'
import { giveAt } from './stiffness'
import type { TetheredWeight } from './tether'

/**
 * A slow steady retrieve on a tight line. Speed and line angle are usual for bottom work; the stiffness only
 * keeps the speed.
 */
export const SLOW_RETRIEVE: Tow = { speedMS: 0.5, elevationRad: 0.26, newtonPerMS: 0.6 }

/** A tether up to this is a joint, m: its weight goes where the tie point goes. */
const JOINT_M = 0.03

/**
 * How a rig with a weight of its own is towed: a weight on a joint, or on a dropper below the hook, hangs at
 * the tie point; one ahead on a leader is what the line is tied to, keeps the bottom, and draws the bait
 * along level. A weight free to slide is taken to run against the nose.
 */
export function towWith(weight: TetheredWeight | undefined, water: Water, tow: Tow = SLOW_RETRIEVE): Tow {
  if (!weight) return tow
  if (weight.lineOnWeight && weight.tetherM > JOINT_M && Number.isFinite(weight.tetherM))
    return { ...tow, elevationRad: 0 }
  const cd =
    sphereCd((water.densityKgM3 * tow.speedMS * weight.diameterM) / water.viscosityPaS) * weight.dragFactor
  return {
    ...tow,
    hung: {
      downN: (weight.massKg - weight.displacedKg) * STANDARD_GRAVITY,
      backN: ((0.5 * water.densityKgM3 * cd * Math.PI) / 4) * weight.diameterM ** 2 * tow.speedMS ** 2,
    },
  }
}

/**
 * A line that only keeps the speed is a damper at the tie point: so many of its time constants to a step,
 * well inside what the step is stable for.
 */
const PER_TIME = 1
const SETTLE_S = 3
const WATCH_S = 2
/** Steps between two notes beyond which no body of the catalogue comes near. */
const MOST_PER_NOTE = 2000
/** Posture is noted this often, s. */
const EVERY_S = 0.1

/**
 * Posture through a stretch of retrieve, one entry every 0.1 s. Radians; roll -pi..pi, 0 back up; pitch nose
 * up positive.
 */
export interface RetrievePosture {
  readonly rollRad: Float64Array
  readonly pitchRad: Float64Array
  /** of a bait that bends: attitude of each link behind the hook's against the one that it hangs on, at the last note */
  readonly bent?: Float64Array
}

/**
 * Tows a rig on a tight line by the full equations of motion and records how it rides once settled. The step
 * follows the body and the line, whichever is quicker, and fits into the interval at which posture is noted;
 * where a hung weight jerks the body faster than that, it is halved until the motion can be followed.
 * @throws RangeError where the motion cannot be followed: no posture is ever made up
 */
export function retrievePosture(body: HydroBody, tow: Tow = SLOW_RETRIEVE): RetrievePosture {
  const loads = makeLoads(body, {
    factors: DEFAULT_FACTORS,
    viscous: true,
    gravityMS2: STANDARD_GRAVITY,
    tow,
  })
  const quickest = Math.max(body.dampingPerM * tow.speedMS, lineRate(body, tow))
  const found = finely(Math.min(body.stepS, PER_TIME / quickest), perNote => towed(body, loads, perNote))
  if (found) return found
  throw new RangeError('retrievePosture: the motion of this body on a tight line cannot be followed')
}

/** Rate at which a tight line brings a body to its speed, 1/s. */
export const lineRate = (
  { inverse, tieAt }: Pick<HydroBody, 'inverse' | 'tieAt'>,
  { newtonPerMS }: Tow,
): number => newtonPerMS * giveAt(inverse, tieAt)

/** Tries with a step that goes into the time from note to note, and with half of it, until it can be followed. */
export function finely<T>(stepS: number, attempt: (perNote: number) => T | undefined): T | undefined {
  for (let perNote = Math.ceil(EVERY_S / stepS); perNote <= MOST_PER_NOTE; perNote *= 2) {
    const found = attempt(perNote)
    if (found !== undefined) return found
  }
  return undefined
}

/** Posture with so many steps from note to note; undefined where the motion breaks down. */
const towed = (body: HydroBody, loads: Loads, perNote: number): RetrievePosture | undefined =>
  ridesAs(startState(body, ON_THE_LINE), stepper(body, loads), perNote)

/** How a rig is taken to begin: a little rolled, so that what can turn over does. */
export const ON_THE_LINE = { heading: 0, pitch: 0, roll: 0.3 } as const

/**
 * Notes how a rig rides once settled.
 * @param y a state that has the attitude of what the line is tied to behind its place
 * @param perNote steps from note to note
 * @returns undefined where the motion breaks down
 */
export function ridesAs(
  y: Float64Array,
  advance: (y: Float64Array, stepS: number) => void,
  perNote: number,
): RetrievePosture | undefined {
  const rolls: number[] = []
  const pitches: number[] = []
  for (let note = 1; note <= Math.round((SETTLE_S + WATCH_S) / EVERY_S); note++) {
    for (let n = 0; n < perNote; n++) advance(y, EVERY_S / perNote)
    if (!y.every(Number.isFinite)) return undefined
    if (note * EVERY_S <= SETTLE_S) continue
    const q = [y[3]!, y[4]!, y[5]!, y[6]!] as const
    rolls.push(rollOf(q))
    pitches.push(pitchOf(q))
  }
  return { rollRad: Float64Array.from(rolls), pitchRad: Float64Array.from(pitches) }
}
