import { EigenvalueDecomposition, Matrix } from 'ml-matrix'
import { solveInPlace } from '../numerics/linear'
import { upInBody } from '../numerics/quaternion'
import { failure, success, type Outcome } from '../outcome'
import type { Line } from '../tackle/lines'
import { startState, USUAL_START } from './drop'
import { DEFAULT_FACTORS, type FallFactors } from './factors'
import type { HydroBody } from './hydroBody'
import { makeLoads, STANDARD_GRAVITY, type Loads } from './loads'
import { momentum, momentumRate, stepper, velocity } from './motion'

/** A steady fall: constant speed and posture, perhaps turning about the vertical. */
export interface Trim {
  /** sinking speed, m/s, positive down */ readonly sinkMS: number
  /** sideways metres per metre fallen */ readonly glide: number
  /** gliding toward the nose (+1) or the tail (-1) */ readonly glideSign: 1 | -1
  /** nose up positive, rad */ readonly pitchRad: number
  /** -pi..pi, 0 back up */ readonly rollRad: number
  /** turning about the vertical, rad/s */ readonly turnRadS: number
  /** a disturbed fall comes back to this one */ readonly stable: boolean
  /** fastest growth (+) or slowest decay (-) of a disturbance, 1/s */ readonly growthPerS: number
  /**
   * velocity u v w (body axes, m/s), pitch, roll (rad), turning rate (rad/s): where a nearby solution may
   * start from
   */
  readonly state: readonly number[]
}

export type TrimFailure = 'floats' | 'noSteadyFall'

export interface TrimOptions {
  readonly line?: Line
  /** depth at which the line's drag is taken, m */ readonly depthM: number
  readonly factors?: FallFactors
  /**
   * a nearby solution, as after a small change of an input: the only place searched, which makes it several
   * times faster
   */
  readonly near?: Trim
}

/**
 * Steady fall of a rig by Newton's method on six unknowns (velocity u v w in body axes, pitch, roll, turning
 * rate about the vertical): the six rates of momentum must vanish. Stability from the eigenvalues of the
 * linearised motion. Tried first near `near`, or with the back up and then on its side. A stable fall with
 * the back up and less than steep is taken for the only one; where there is none, from where a released rig
 * has come after RELAX_S, so that of several steady falls the one is found that the rig gets to by itself.
 */
export function trimFall(body: HydroBody, options: TrimOptions): Outcome<Trim, TrimFailure> {
  if (body.displacedKg >= body.geometry.massKg)
    return failure('floats', 'It floats: it never sinks in this water.')
  const { line, factors = DEFAULT_FACTORS, depthM, near } = options
  const loads = makeLoads(body, {
    factors,
    viscous: true,
    gravityMS2: STANDARD_GRAVITY,
    ...(line ? { line } : {}),
  })
  const rates = momentumRates(body, loads, depthM)
  let spare: Trim | undefined
  const starts = near
    ? [() => near.state]
    : [() => guess(body, -0.3, 0.02), () => guess(body, -0.8, 1.5), () => relaxed(body, loads, depthM)]
  for (const [i, start] of starts.entries()) {
    const x = newton(rates, start())
    if (!x) continue
    const trim = describe(body, loads, depthM, x)
    if (!(trim.sinkMS > 0)) continue
    if (trim.stable && (near !== undefined || i === starts.length - 1 || alone(trim))) return success(trim)
    if (!spare || (trim.stable && !spare.stable)) spare = trim
  }
  return spare ? success(spare) : failure('noSteadyFall', 'It never settles into a steady fall.')
}

/** A steady fall that was found but not tried for stability. */
export type RoughFall = Pick<Trim, 'sinkMS' | 'glide' | 'pitchRad' | 'rollRad' | 'state'>

/** Where steady falls are looked for: level, nose down, and on its side; pitch and roll, rad. */
const ROUGHLY = [
  [-0.3, 0.02],
  [-1.3, 0.02],
  [-0.8, 1.5],
] as const

/**
 * The first steady fall found, near a known one or from a few guesses, its stability not looked at: for going
 * through thousands of rigs, of which the best are dropped in full. Nothing is tied on, so that it is the same at
 * any depth. Undefined where it floats or none is found.
 */
export function roughFall(body: HydroBody, near?: RoughFall): RoughFall | undefined {
  if (body.displacedKg >= body.geometry.massKg) return undefined
  const loads = makeLoads(body, { factors: DEFAULT_FACTORS, viscous: true, gravityMS2: STANDARD_GRAVITY })
  const rates = momentumRates(body, loads, 0)
  for (const start of [
    ...(near ? [near.state] : []),
    ...ROUGHLY.map(([pitch, roll]) => guess(body, pitch, roll)),
  ]) {
    const x = newton(rates, start, ROUGHLY_SOLVED)
    const fall = x && shapeOf(x)
    if (fall && fall.sinkMS > 0) return fall
  }
  return undefined
}

/**
 * Simulated time after which a released rig is near its steady fall, s, and the coarse step used, in the
 * body's own steps.
 */
const RELAX_S = 14

/**
 * Back up and not steep, a stable fall is the one that a rig released level comes to; others may be come to
 * or not.
 */
const LONE_RAD = { roll: 0.5, pitch: 1 } as const
const alone = (trim: Trim): boolean =>
  Math.abs(trim.rollRad) < LONE_RAD.roll && Math.abs(trim.pitchRad) < LONE_RAD.pitch
const RELAX_STEPS = 1.25

function relaxed(body: HydroBody, loads: Loads, depthM: number): Unknowns {
  const y = startState(body, USUAL_START)
  const advance = stepper(body, (v, up, _depth, out) => loads(v, up, depthM, out))
  const step = RELAX_STEPS * body.stepS
  for (let t = 0; t < RELAX_S; t += step) advance(y, step)
  const v = new Float64Array(6)
  velocity(body, y, v)
  const up = upInBody([y[3]!, y[4]!, y[5]!, y[6]!])
  const turn = v[3]! * up[0] + v[4]! * up[1] + v[5]! * up[2]
  return Float64Array.of(v[0]!, v[1]!, v[2]!, Math.asin(up[0]), Math.atan2(up[1], up[2]), turn)
}

type Unknowns = Float64Array
type Rates = (x: Unknowns, out: Float64Array) => void

/** Rates of momentum, forces over net weight and moments over net weight times length. */
function momentumRates(body: HydroBody, loads: Loads, depthM: number): Rates {
  const v = new Float64Array(6)
  const up = new Float64Array(6)
  const force = new Float64Array(6)
  const ph = new Float64Array(6)
  const weight = (body.geometry.massKg - body.displacedKg) * STANDARD_GRAVITY
  return (x, out) => {
    unpack(x, v, up)
    loads(v, up, depthM, force)
    momentum(body, v, ph)
    momentumRate(ph, 0, v, force, out, 0)
    for (let i = 0; i < 6; i++) out[i]! /= i < 3 ? weight : weight * body.lengthM
  }
}

function unpack(x: ArrayLike<number>, v: Float64Array, up: Float64Array): void {
  upOf(x[3]!, x[4]!, up)
  for (let i = 0; i < 3; i++) {
    v[i] = x[i]!
    v[i + 3] = x[5]! * up[i]!
  }
}

function upOf(pitch: number, roll: number, up: Float64Array): void {
  up[0] = Math.sin(pitch)
  up[1] = Math.cos(pitch) * Math.sin(roll)
  up[2] = Math.cos(pitch) * Math.cos(roll)
}

function guess(body: HydroBody, pitch: number, roll: number): Unknowns {
  const up = new Float64Array(6)
  upOf(pitch, roll, up)
  const weight = (body.geometry.massKg - body.displacedKg) * STANDARD_GRAVITY
  const front = body.geometry.displacedM3 / body.lengthM + 1e-6
  const sink = Math.sqrt(
    (2 * weight) / (body.water.densityKgM3 * (front * 2 + Math.sqrt(front) * body.lengthM * Math.cos(pitch))),
  )
  return Float64Array.of(
    -sink * up[0]! + 0.3 * sink * Math.cos(pitch),
    -sink * up[1]!,
    -sink * up[2]!,
    pitch,
    roll,
    0,
  )
}

const MOST_STEPS = 24
const SOLVED = 1e-9

/** Good enough where stability is not looked at: a hundred-thousandth of the net weight. */
const ROUGHLY_SOLVED = 1e-5

function newton(rates: Rates, start: ArrayLike<number>, solved = SOLVED): Unknowns | undefined {
  const x = Float64Array.from(start)
  const r = new Float64Array(6)
  const trial = new Float64Array(6)
  const jacobian = new Float64Array(36)
  rates(x, r)
  let size = Math.hypot(...r)
  for (let n = 0; n < MOST_STEPS; n++) {
    if (size < solved) return x
    for (let k = 0; k < 6; k++) {
      const keep = x[k]!
      const h = 1e-6
      x[k] = keep + h
      rates(x, trial)
      x[k] = keep
      for (let i = 0; i < 6; i++) jacobian[6 * i + k] = (trial[i]! - r[i]!) / h
    }
    const step = r.slice()
    if (!solveInPlace(jacobian, step)) return undefined
    let share = Math.min(
      1,
      0.5 / Math.max(Math.abs(step[3]!), Math.abs(step[4]!), Math.abs(step[5]!) / 8, 1e-9),
    )
    const from = x.slice()
    const before = size
    for (let half = 0; half < 6; half++, share /= 2) {
      for (let k = 0; k < 6; k++) x[k] = from[k]! - share * step[k]!
      rates(x, r)
      size = Math.hypot(...r)
      if (size < before) break
    }
    if (!Number.isFinite(size)) return undefined
  }
  return size < Math.max(1e-6, solved) ? x : undefined
}

function describe(body: HydroBody, loads: Loads, depthM: number, x: Unknowns): Trim {
  const growthPerS = growth(body, loads, depthM, x)
  return { ...shapeOf(x), turnRadS: x[5]!, stable: growthPerS < 0, growthPerS }
}

function shapeOf(x: Unknowns): RoughFall & Pick<Trim, 'glideSign'> {
  const v = new Float64Array(6)
  const up = new Float64Array(6)
  const turn = 2 * Math.PI
  const flipped = Math.cos(x[3]!) < 0
  const pitch = Math.asin(Math.sin(x[3]!))
  const roll = x[4]! + (flipped ? Math.PI : 0)
  unpack(x, v, up)
  const sink = -(v[0]! * up[0]! + v[1]! * up[1]! + v[2]! * up[2]!)
  const side = [0, 1, 2].map(i => v[i]! + sink * up[i]!)
  return {
    sinkMS: sink,
    glide: Math.hypot(...side) / sink,
    glideSign: side[0]! >= 0 ? 1 : -1,
    pitchRad: pitch,
    rollRad: roll - turn * Math.round(roll / turn),
    state: Array.from(x),
  }
}

/**
 * Largest real part among the eigenvalues of the motion linearised in velocity, turning rate, pitch and roll
 * (8 states).
 */
function growth(body: HydroBody, loads: Loads, depthM: number, x: Unknowns): number {
  const v = new Float64Array(6)
  const up = new Float64Array(6)
  unpack(x, v, up)
  const at = Float64Array.of(...v, x[3]!, x[4]!)
  const base = stateRate(body, loads, depthM, at)
  const jacobian = Matrix.zeros(8, 8)
  const h = 1e-6
  for (let k = 0; k < 8; k++) {
    const moved = at.slice()
    moved[k]! += h
    const rate = stateRate(body, loads, depthM, moved)
    for (let i = 0; i < 8; i++) jacobian.set(i, k, (rate[i]! - base[i]!) / h)
  }
  return Math.max(...new EigenvalueDecomposition(jacobian).realEigenvalues)
}

function stateRate(body: HydroBody, loads: Loads, depthM: number, state: Float64Array): Float64Array {
  const v = state.slice(0, 6)
  const up = new Float64Array(6)
  upOf(state[6]!, state[7]!, up)
  const force = new Float64Array(6)
  const rate = new Float64Array(6)
  loads(v, up, depthM, force)
  momentumRate(momentum(body, v), 0, v, force, rate, 0)
  const out = new Float64Array(8)
  for (let i = 0; i < 6; i++) for (let k = 0; k < 6; k++) out[i]! += body.inverse[6 * i + k]! * rate[k]!
  const [sin, cos] = [Math.sin(state[7]!), Math.cos(state[7]!)]
  out[6] = sin * v[5]! - cos * v[4]!
  const rise = [up[2]! * v[3]! - up[0]! * v[5]!, up[0]! * v[4]! - up[1]! * v[3]!]
  out[7] = (rise[0]! * up[2]! - rise[1]! * up[1]!) / (up[1]! ** 2 + up[2]! ** 2)
  return out
}
