import { fromHeadingPitchRoll, rotate, type Quaternion } from '../numerics/quaternion'
import { failure, success, type Outcome } from '../outcome'
import type { Line } from '../tackle/lines'
import { DEFAULT_FACTORS, type FallFactors } from './factors'
import type { HydroBody } from './hydroBody'
import { streamAt, type Stream } from '../water/stream'
import { holdLine, LINE_STEP_S, type HeldBeside } from './holdLine'
import { bodyEnd } from './lineEnd'
import type { LineHold } from './lineHold'
import { lineRecorder, recorder } from './recorder'
import { makeLoads, STANDARD_GRAVITY } from './loads'
import { kirchhoff, momentum, STATE_SIZE, stepperOf } from './motion'

/** How a rig is let go: at rest, its tie point at the surface. Angles in radians. */
export interface Start {
  readonly heading: number
  readonly pitch: number
  readonly roll: number
}

/**
 * Level, nose away from the rod, 5° over to one side. Nothing is rigged perfectly upright; the small roll is
 * what lets an unkeeled rig show that it falls over. *Assumed.*
 */
export const USUAL_START: Start = { heading: 0, pitch: 0, roll: 0.087 }

export interface DropOptions {
  readonly depthM: number
  readonly line?: Line
  readonly factors?: FallFactors
  /** a current; still water when left out */ readonly stream?: Stream
  /** how the line is held; slack when left out */ readonly hold?: LineHold
  /** pieces of a held line and its step, s, where others than usual are wanted */
  readonly linePieces?: number
  readonly lineStepS?: number
  readonly linePartS?: number
  readonly start?: Start
  /** integration step, s */ readonly stepS?: number
  /** simulated time after which the drop is given up, s */ readonly limitS?: number
  /** false for ideal water */ readonly viscous?: boolean
  readonly gravityMS2?: number
}

export const LIMIT_S = 180
/** No rig of soft plastic sinks faster, m/s: the heaviest weight alone, in tungsten, comes to under four. */
const FASTEST_MS = 6
export const TOO_FAST = `The calculation came to more than ${FASTEST_MS} m/s, which no such rig reaches: no figure can be given. Look at the weight, the density and what was cut off.`
/** Whether a step from one height to the next is faster than anything that falls here. */
export const tooFast = (from: number, to: number, stepS: number): boolean =>
  Math.abs(to - from) > FASTEST_MS * stepS

export { STEP_S } from './hydroBody'
export { SAMPLE_STRIDE } from './recorder'

export interface Drop {
  /** packed samples, SAMPLE_STRIDE numbers each, first at t = 0, last at the bottom */
  readonly samples: Float64Array
  /** from letting go to the first touch of the bottom, s */ readonly timeS: number
  readonly depthM: number
  readonly steps: number
  /** a held line: where `LINE_MARKS` of its points are, x y z, m, every `LINE_EVERY` samples */
  readonly linePath?: Float64Array
}

/** `hangs`: on the line that is out it never reaches the bottom */
export type DropFailure = 'floats' | 'timeLimit' | 'unstable' | 'hangs'

/**
 * Drops a rig in still water until its first part touches the bottom. Deterministic, fixed step, fourth
 * order.
 * @throws RangeError unless depth and step are positive
 */
export function dropRig(body: HydroBody, options: DropOptions): Outcome<Drop, DropFailure> {
  const { depthM, stepS = stepOf(body, options), limitS = LIMIT_S } = options
  if (!(depthM > 0 && stepS > 0)) throw new RangeError('dropRig: depthM and stepS must be positive')
  if (body.displacedKg >= body.geometry.massKg) {
    return failure('floats', 'It floats: it never sinks in this water.')
  }
  const { viscous = true, gravityMS2 = STANDARD_GRAVITY, factors = DEFAULT_FACTORS, line } = options
  const y = startState(body, options.start ?? USUAL_START)
  const around = surroundingsOf(options)
  const rate = kirchhoff(
    body,
    makeLoads(body, { factors, viscous, gravityMS2, ...(line && !around.pull ? { line } : {}) }),
    around,
  )
  const held = heldIn(
    {
      options,
      body,
      around,
      from: [0, 0, 0],
      sinkingN: (body.geometry.massKg - body.displacedKg) * gravityMS2,
    },
    (given, pull) => holdLine(given, pull, rate, STATE_SIZE, bodyEnd(body)),
  )
  const hangs = held && hanging(held, depthM, reachOf(body))
  if (hangs) return hangs
  const advance = stepperOf(rate)
  const record = recorder()
  const draw = held && lineRecorder(held)
  const heldUp = held && heldUpWatch()
  record(0, y)
  const before = new Float64Array(STATE_SIZE)
  const most = Math.ceil(limitS / stepS)
  const every = Math.max(1, Math.floor((options.lineStepS ?? LINE_STEP_S) / stepS + 1e-9))
  for (let n = 1; n <= most; n++) {
    before.set(y)
    if (held && (n - 1) % every === 0) held.before(y, every * stepS)
    draw?.(n * stepS)
    advance(y, stepS)
    if (!Number.isFinite(y[2]!))
      return failure('unstable', 'The calculation broke down for this rig; no figure can be given.')
    if (viscous && tooFast(before[2]!, y[2]!, stepS)) return failure('unstable', TOO_FAST)
    if (y[2]! - body.lengthM < -depthM && lowestPoint(body, y) <= -depthM) {
      const part = touch(body, advance, before, y, stepS, depthM)
      const timeS = (n - 1) * stepS + part
      return success({
        samples: record(timeS, y, true),
        timeS,
        depthM,
        steps: n,
        ...(draw ? { linePath: draw() } : {}),
      })
    }
    record(n * stepS, y)
    if (heldUp?.(n * stepS, y[2]!)) return hangsAt(-y[2]!)
  }
  return held ? neverDone(limitS) : stillSinking(limitS)
}

/** A drop that is not over after the time given to it. */
export const stillSinking = (limitS: number): Outcome<never, DropFailure> =>
  failure('timeLimit', `Still sinking after ${limitS} s: too nearly afloat to be of use in this water.`)
/** The same on a held line: what it does there is not for want of weight. */
export const neverDone = (limitS: number): Outcome<never, DropFailure> =>
  failure(
    'timeLimit',
    `Neither on the bottom nor at rest after ${limitS} s on this line: give line, or stand nearer over it.`,
  )
/** A held line that gives nothing more. @param depthM where the rig is left, below the surface */
export const hangsAt = (depthM: number): Outcome<never, DropFailure> => ({
  ...failure('hangs', 'The line holds it up: it never reaches the bottom on this line.'),
  depthM: Math.max(0, depthM),
})

/**
 * A rig on a held line that has not come this much deeper in so long hangs there, m and s: slower than two
 * millimetres a second.
 */
const HELD_UP = { byM: 0.02, inS: 10 } as const

/** @returns takes time and height; true once a rig has come no deeper for so long */
export function heldUpWatch(): (t: number, z: number) => boolean {
  let deepest = Infinity
  let since = 0
  return (t, z) => {
    if (z < deepest - HELD_UP.byM) {
      deepest = z
      since = t
    }
    return t - since > HELD_UP.inS
  }
}

/**
 * Told at once where the line that is out cannot reach the bottom.
 * @param reachM how far the rig reaches beyond its tie point
 */
export function hanging(
  held: HeldBeside,
  depthM: number,
  reachM: number,
): Outcome<never, DropFailure> | undefined {
  if (held.deepestM + reachM >= depthM) return undefined
  return hangsAt(held.deepestM)
}

/** The farthest that any part of a rig lies from its tie point, m. */
export function reachOf({ geometry }: HydroBody): number {
  const { outline, tie } = geometry
  let most = 0
  for (let i = 0; i < outline.length; i += 3)
    most = Math.max(
      most,
      Math.hypot(outline[i]! - tie[0], outline[i + 1]! - tie[1], outline[i + 2]! - tie[2]),
    )
  return most
}

/**
 * What surrounds a falling rig besides still water: a current, and the pull of a held line, filled before
 * every step.
 */
export interface Around {
  readonly stream?: (z: number, out: Float64Array) => void
  readonly pull?: Float64Array
}

/**
 * Current and held line as the equations of motion take them.
 * @throws RangeError when a line is held that is not there
 */
export function surroundingsOf({
  stream,
  hold,
  line,
}: Pick<DropOptions, 'stream' | 'hold' | 'line'>): Around {
  const held = hold !== undefined && hold.mode !== 'slack'
  if (held && !line) throw new RangeError('surroundingsOf: a held line needs a line')
  return {
    ...(stream && stream.surfaceMS > 0 ? { stream: streamAt(stream) } : {}),
    ...(held ? { pull: new Float64Array(3) } : {}),
  }
}

/** What a held line is made from in a drop. */
export interface HeldIn {
  readonly options: DropOptions
  readonly body: HydroBody
  readonly around: Around
  readonly from: ArrayLike<number>
  readonly sinkingN: number
}

/** The held line of a drop; undefined on an open spool. */
export function heldIn(
  { options, body, around, from, sinkingN }: HeldIn,
  make: (given: Parameters<typeof holdLine>[0], pull: Float64Array) => HeldBeside,
): HeldBeside | undefined {
  const { hold, line, factors = DEFAULT_FACTORS, linePieces, linePartS } = options
  if (!around.pull || !line || !hold || hold.mode === 'slack') return undefined
  return make(
    {
      hold,
      line,
      water: body.water,
      factors,
      sinkingN,
      from,
      ...(around.stream ? { stream: around.stream } : {}),
      ...(linePieces ? { pieces: linePieces } : {}),
      ...(linePartS ? { partS: linePartS } : {}),
    },
    around.pull,
  )
}

/** Step for a drop, s: the body's own, and no longer than a held line's. */
export const stepOf = (
  body: HydroBody,
  { hold, lineStepS = LINE_STEP_S }: Pick<DropOptions, 'hold' | 'lineStepS'>,
): number => (hold && hold.mode !== 'slack' ? Math.min(body.stepS, lineStepS) : body.stepS)

/** State at rest with the tie point at the surface. */
export function startState(
  body: HydroBody,
  start: Start,
  velocity: ArrayLike<number> = new Float64Array(6),
): Float64Array {
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
    lowest = Math.min(
      lowest,
      ux * (outline[i]! - cx) + uy * (outline[i + 1]! - cy) + uz * (outline[i + 2]! - cz),
    )
  }
  return y[2]! + lowest
}

/**
 * Finds the moment of touch inside one step by bisection; leaves `y` there and returns the part of the step,
 * s.
 */
function touch(
  body: HydroBody,
  advance: (y: Float64Array, step: number) => void,
  before: Float64Array,
  y: Float64Array,
  stepS: number,
  depthM: number,
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
