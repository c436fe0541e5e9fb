import { rungeKutta4 } from '../numerics/rk4'
import { failure, success, type Outcome } from '../outcome'
import { DEFAULT_FACTORS } from './factors'
import { lowestPoint, startState, surroundingsOf, tooFast, TOO_FAST, USUAL_START, LIMIT_S, type Drop, type DropFailure, type DropOptions } from './drop'
import type { HydroBody } from './hydroBody'
import { lineDragPerSpeed } from './lineDrag'
import { makeLoads, STANDARD_GRAVITY } from './loads'
import { kirchhoff } from './motion'
import { recorder } from './recorder'
import { coupleTether, TETHERED_SIZE, tetheredState, type TetheredWeight } from './tether'

/** Resolves the swing of a few millimetres of tether. */
export const TETHER_STEP_S = 0.005

/** A rig of two bodies is taken to hang still when it has moved slower than this for so long, m/s and s. */
const STILL_MS = 0.01
const STILL_S = 0.5

/** A drop of bait and weight: `weightPath` holds the weight's place (x y z, m) for every sample. */
export interface TetheredDrop extends Drop {
  readonly weightPath: Float64Array
  /** when the weight touched the bottom, s; the time of the whole drop where it never did */ readonly weightTimeS: number
  /** what ended the drop: the bait touched, or it hangs still over the weight on the bottom */ readonly ending: 'bottom' | 'hovers'
}

/**
 * Drops a bait with a weight that hangs on its own until the bait touches the bottom or hangs still above it.
 * @param options with `untilWeight` a bait that floats is not waited for once its weight is down
 * @throws RangeError unless depth and step are positive
 */
export function dropTethered(body: HydroBody, weight: TetheredWeight, options: DropOptions & { readonly untilWeight?: boolean }): Outcome<TetheredDrop, DropFailure> {
  const { depthM, stepS = Math.min(TETHER_STEP_S, body.stepS), limitS = LIMIT_S, line, factors = DEFAULT_FACTORS, gravityMS2 = STANDARD_GRAVITY, viscous = true } = options
  if (!(depthM > 0 && stepS > 0)) throw new RangeError('dropTethered: depthM and stepS must be positive')
  const bodySinks = body.geometry.massKg - body.displacedKg
  const free = !Number.isFinite(weight.tetherM)
  if ((free ? bodySinks : bodySinks + weight.massKg - weight.displacedKg) <= 0) return failure('floats', 'It floats: it never sinks in this water.')
  const surroundings = surroundingsOf(options, (bodySinks + weight.massKg - weight.displacedKg) * gravityMS2)
  const onBody = line && !weight.lineOnWeight
  const bodyRate = kirchhoff(body, makeLoads(body, { factors, viscous, gravityMS2, ...(onBody ? { line } : {}) }),
    weight.lineOnWeight && surroundings.stream ? { stream: surroundings.stream } : weight.lineOnWeight ? {} : surroundings)
  const { rate, state, afterStep } = coupleTether(body, weight, bodyRate, {
    gravityMS2, surroundings,
    ...(line && weight.lineOnWeight ? { lineDrag: (depth, speed) => lineDragPerSpeed(line, body.water, depth, speed, factors.lineBow) } : {}),
  })
  const advance = rungeKutta4(TETHERED_SIZE, rate)
  const y = tetheredState(body, startState(body, options.start ?? USUAL_START), weight, free ? 0 : Math.min(weight.tetherM, depthM / 2))
  const record = recorder()
  const recordWeight = recorder(3)
  record(0, y)
  recordWeight(0, y.subarray(13))
  afterStep(y)
  let weightTimeS = Infinity
  let stillFor = 0
  for (let n = 1; n <= Math.ceil(limitS / stepS); n++) {
    const before = [y[0]!, y[1]!, y[2]!] as const
    advance(y, stepS)
    const t = n * stepS
    if (!Number.isFinite(y[2]!)) return failure('unstable', 'The calculation broke down for this rig; no figure can be given.')
    if (viscous && tooFast(before[2], y[2]!, stepS)) return failure('unstable', TOO_FAST)
    const size = Math.hypot(y[3]!, y[4]!, y[5]!, y[6]!)
    for (let i = 3; i < 7; i++) y[i]! /= size
    if (!state.grounded && y[15]! - weight.diameterM / 2 <= -depthM) {
      state.grounded = true
      y[15] = -depthM + weight.diameterM / 2
      y.fill(0, 16, 19)
      weightTimeS = t
    }
    afterStep(y)
    stillFor = state.grounded && Math.hypot(y[0]! - before[0]!, y[1]! - before[1]!, y[2]! - before[2]!) < STILL_MS * stepS ? stillFor + stepS : 0
    const touched = lowestPoint(body, y) <= -depthM
    const enough = options.untilWeight === true && state.grounded && bodySinks < 0
    if (touched || stillFor > STILL_S || enough) {
      return success({
        samples: record(t, y, true), weightPath: recordWeight(t, y.subarray(13), true), timeS: t, depthM, steps: n,
        weightTimeS: Math.min(weightTimeS, t), ending: touched ? 'bottom' : 'hovers',
      })
    }
    record(t, y)
    recordWeight(t, y.subarray(13))
  }
  return failure('timeLimit', `Still sinking after ${limitS} s: too nearly afloat to be of use in this water.`)
}
