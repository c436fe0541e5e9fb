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
  const quickest = Math.max(
    body.dampingPerM * tow.speedMS,
    tow.newtonPerMS * giveAt(body.inverse, body.tieAt),
  )
  for (
    let perNote = Math.ceil(EVERY_S / Math.min(body.stepS, PER_TIME / quickest));
    perNote <= MOST_PER_NOTE;
    perNote *= 2
  ) {
    const posture = towed(body, loads, perNote)
    if (posture) return posture
  }
  throw new RangeError('retrievePosture: the motion of this body on a tight line cannot be followed')
}

/** Posture with so many steps from note to note; undefined where the motion breaks down. */
function towed(body: HydroBody, loads: Loads, perNote: number): RetrievePosture | undefined {
  const advance = stepper(body, loads)
  const y = startState(body, { heading: 0, pitch: 0, roll: 0.3 })
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
