import { rollOf, pitchOf } from '../numerics/quaternion'
import { DEFAULT_FACTORS } from './factors'
import { startState } from './drop'
import type { HydroBody } from './hydroBody'
import { makeLoads, STANDARD_GRAVITY, type Tow } from './loads'
import { stepper } from './motion'

/** A slow steady retrieve on a tight line. Speed and line angle are usual for bottom work; the stiffness only keeps the speed. */
export const SLOW_RETRIEVE: Tow = { speedMS: 0.5, elevationRad: 0.26, newtonPerMS: 0.6 }

const STEP_S = 0.02
const SETTLE_S = 3
const WATCH_S = 2
const EVERY = 5

/** Posture through a stretch of retrieve, one entry every 0.1 s. Radians; roll -pi..pi, 0 back up; pitch nose up positive. */
export interface RetrievePosture { readonly rollRad: Float64Array, readonly pitchRad: Float64Array }

/** Tows a rig on a tight line by the full equations of motion and records how it rides once settled. */
export function retrievePosture(body: HydroBody, tow: Tow = SLOW_RETRIEVE): RetrievePosture {
  const loads = makeLoads(body, { factors: DEFAULT_FACTORS, viscous: true, gravityMS2: STANDARD_GRAVITY, tow })
  const advance = stepper(body, loads)
  const y = startState(body, { heading: 0, pitch: 0, roll: 0.3 })
  const rolls: number[] = []
  const pitches: number[] = []
  const steps = Math.round((SETTLE_S + WATCH_S) / STEP_S)
  for (let n = 1; n <= steps; n++) {
    advance(y, STEP_S)
    if (n * STEP_S > SETTLE_S && n % EVERY === 0) {
      const q = [y[3]!, y[4]!, y[5]!, y[6]!] as const
      rolls.push(rollOf(q))
      pitches.push(pitchOf(q))
    }
  }
  return { rollRad: Float64Array.from(rolls), pitchRad: Float64Array.from(pitches) }
}
