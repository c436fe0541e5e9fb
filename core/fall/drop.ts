import { fromHeadingPitchRoll, rotate, type Quaternion } from '../numerics/quaternion'
import { failure, success, type Outcome } from '../outcome'
import type { Line } from '../tackle/lines'
import { DEFAULT_FACTORS, type FallFactors } from './factors'
import type { HydroBody } from './hydroBody'
import { streamAt, type Stream } from '../water/stream'
import { linePull, type LineHold } from './linePull'
import { recorder } from './recorder'
import { makeLoads, STANDARD_GRAVITY } from './loads'
import { momentum, STATE_SIZE, stepper, type Surroundings } from './motion'

/** How a rig is let go: at rest, its tie point at the surface. Angles in radians. */
export interface Start { readonly heading: number, readonly pitch: number, readonly roll: number }

/**
 * Level, nose away from the rod, 5° over to one side. Nothing is rigged perfectly upright; the small roll is what lets
 * an unkeeled rig show that it falls over. *Assumed.*
 */
export const USUAL_START: Start = { heading: 0, pitch: 0, roll: 0.087 }

export interface DropOptions {
  readonly depthM: number
  readonly line?: Line
  readonly factors?: FallFactors
  /** a current; still water when left out */ readonly stream?: Stream
  /** how the line is held; slack when left out */ readonly hold?: LineHold
  readonly start?: Start
  /** integration step, s */ readonly stepS?: number
  /** simulated time after which the drop is given up, s */ readonly limitS?: number
  /** false for ideal water */ readonly viscous?: boolean
  readonly gravityMS2?: number
}

/** On a tight line, whose stretch swings faster than the rig. */
export const TIGHT_STEP_S = 0.005
export const LIMIT_S = 180
/** No rig of soft plastic sinks faster, m/s: the heaviest weight alone, in tungsten, comes to under four. */
const FASTEST_MS = 6
export const TOO_FAST = `The calculation came to more than ${FASTEST_MS} m/s, which no such rig reaches: no figure can be given. Look at the weight, the density and what was cut off.`
/** Whether a step from one height to the next is faster than anything that falls here. */
export const tooFast = (from: number, to: number, stepS: number): boolean => Math.abs(to - from) > FASTEST_MS * stepS

export { STEP_S } from './hydroBody'
export { SAMPLE_STRIDE } from './recorder'

export interface Drop {
  /** packed samples, SAMPLE_STRIDE numbers each, first at t = 0, last at the bottom */ readonly samples: Float64Array
  /** from letting go to the first touch of the bottom, s */ readonly timeS: number
  readonly depthM: number
  readonly steps: number
}

export type DropFailure = 'floats' | 'timeLimit' | 'unstable'

/**
 * Drops a rig in still water until its first part touches the bottom. Deterministic, fixed step, fourth order.
 * @throws RangeError unless depth and step are positive
 */
export function dropRig(body: HydroBody, options: DropOptions): Outcome<Drop, DropFailure> {
  const { depthM, hold, stepS = hold?.mode === 'tight' ? Math.min(TIGHT_STEP_S, body.stepS) : body.stepS, limitS = LIMIT_S } = options
  if (!(depthM > 0 && stepS > 0)) throw new RangeError('dropRig: depthM and stepS must be positive')
  if (body.displacedKg >= body.geometry.massKg) {
    return failure('floats', 'It floats: it never sinks in this water.')
  }
  const { viscous = true, gravityMS2 = STANDARD_GRAVITY, factors = DEFAULT_FACTORS, line } = options
  const advance = stepper(body, makeLoads(body, { factors, viscous, gravityMS2, ...(line ? { line } : {}) }), surroundingsOf(options, (body.geometry.massKg - body.displacedKg) * gravityMS2))
  const y = startState(body, options.start ?? USUAL_START)
  const record = recorder()
  record(0, y)
  const before = new Float64Array(STATE_SIZE)
  const most = Math.ceil(limitS / stepS)
  for (let n = 1; n <= most; n++) {
    before.set(y)
    advance(y, stepS)
    if (!Number.isFinite(y[2]!)) return failure('unstable', 'The calculation broke down for this rig; no figure can be given.')
    if (viscous && tooFast(before[2]!, y[2]!, stepS)) return failure('unstable', TOO_FAST)
    if (y[2]! - body.lengthM < -depthM && lowestPoint(body, y) <= -depthM) {
      const part = touch(body, advance, before, y, stepS, depthM)
      const timeS = (n - 1) * stepS + part
      return success({ samples: record(timeS, y, true), timeS, depthM, steps: n })
    }
    record(n * stepS, y)
  }
  return failure('timeLimit', `Still sinking after ${limitS} s: too nearly afloat to be of use in this water.`)
}

/** Current and held line as the equations of motion take them. @throws RangeError when a line is held that is not there */
export function surroundingsOf({ stream, hold, line }: Pick<DropOptions, 'stream' | 'hold' | 'line'>, sinkingN: number): Surroundings {
  if (hold && hold.mode !== 'slack' && !line) throw new RangeError('surroundingsOf: a held line needs a line')
  const pull = hold && line ? linePull(hold, line, sinkingN) : undefined
  return { ...(stream && stream.surfaceMS > 0 ? { stream: streamAt(stream) } : {}), ...(pull ? { pull } : {}) }
}

/** State at rest with the tie point at the surface. */
export function startState(body: HydroBody, start: Start, velocity: ArrayLike<number> = new Float64Array(6)): Float64Array {
  const q = fromHeadingPitchRoll(start.heading, start.pitch, start.roll)
  const tie = rotate(q, body.tieAt)
  const y = new Float64Array(STATE_SIZE)
  y.set([-tie[0], -tie[1], -tie[2], ...q])
  y.set(momentum(body, velocity), 7)
  return y
}

/** Lowest point of the rig's outline, m, world Z. */
export function lowestPoint(body: HydroBody, y: ArrayLike<number>): number {
  const [w, x, yy, z] = [y[3]!, y[4]!, y[5]!, y[6]!] satisfies Quaternion
  const ux = 2 * (x * z - w * yy)
  const uy = 2 * (yy * z + w * x)
  const uz = 1 - 2 * (x * x + yy * yy)
  const [cx, cy, cz] = body.geometry.centre
  const outline = body.geometry.outline
  let lowest = Infinity
  for (let i = 0; i < outline.length; i += 3) {
    lowest = Math.min(lowest, ux * (outline[i]! - cx) + uy * (outline[i + 1]! - cy) + uz * (outline[i + 2]! - cz))
  }
  return y[2]! + lowest
}

/** Finds the moment of touch inside one step by bisection; leaves `y` there and returns the part of the step, s. */
function touch(
  body: HydroBody, advance: (y: Float64Array, step: number) => void, before: Float64Array, y: Float64Array, stepS: number, depthM: number,
): number {
  let low = 0
  let high = stepS
  for (let i = 0; i < 12; i++) {
    const middle = (low + high) / 2
    y.set(before)
    advance(y, middle)
    if (lowestPoint(body, y) <= -depthM) high = middle
    else low = middle
  }
  y.set(before)
  advance(y, high)
  return high
}
