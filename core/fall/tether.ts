import type { Vec3 } from '../numerics/quaternion'
import type { HydroBody } from './hydroBody'
import { cross, pointAcceleration, rotation, toBody } from './bodyAxes'
import { momentum, velocity, type Surroundings } from './motion'
import { sphereCd } from './dragCurves'

/**
 * A weight that hangs on its own: a point mass with the drag of a sphere, on a tether that cannot stretch.
 * SI.
 */
export interface TetheredWeight {
  readonly massKg: number
  readonly displacedKg: number
  readonly diameterM: number
  /** drag against that of a sphere of this diameter */ readonly dragFactor: number
  /**
   * tether from the body's tie point to the middle of the weight; Infinity for a weight free to slide away
   */
  readonly tetherM: number
  /** the line to the rod is tied to the weight rather than to the hook */ readonly lineOnWeight: boolean
}

/**
 * State of body and weight: 13 numbers of the body, then the weight's place (world) and velocity through the
 * water (world).
 */
export const TETHERED_SIZE = 19

/**
 * Pull of the tether brings a strayed length back within about this time, s (Baumgarte, Comp. Meth. Appl.
 * Mech. 1, 1972).
 */
const SETTLE_S = 0.03

export interface TetherOptions {
  readonly gravityMS2: number
  readonly surroundings: Surroundings
  /** drag of the slack line per speed at a depth, N·s/m, when it is tied to the weight */
  readonly lineDrag?: (depthM: number, speedMS: number) => number
}

/** A body and its weight as one motion. */
export interface Tether {
  readonly rate: (y: Float64Array, dy: Float64Array) => void
  readonly state: { taut: boolean; grounded: boolean }
  /** between steps: sets the state, and takes the jerk of a tether that has run out */ readonly afterStep: (
    y: Float64Array,
  ) => void
}

/**
 * Inertia of the weight with the water it moves: half of what it displaces, as a ball's (Lamb, art. 92), kg.
 */
export const inertiaOf = ({ massKg, displacedKg }: TetheredWeight): number => massKg + 0.5 * displacedKg

/**
 * Couples a falling body to a weight on a tether. While the tether is taut its tension follows from the
 * length staying as it is (a Lagrange multiplier at the level of accelerations); it never pushes.
 * `state.taut` and `state.grounded` are set between steps.
 */
export function coupleTether(
  body: HydroBody,
  weight: TetheredWeight,
  bodyRate: (y: Float64Array, dy: Float64Array) => void,
  options: TetherOptions,
): Tether {
  const state = { taut: false, grounded: false }
  const at = body.tieAt
  const inverse = body.inverse
  const rho = body.water.densityKgM3
  const area = (Math.PI / 4) * weight.diameterM ** 2 * weight.dragFactor
  const perViscosity = rho / body.water.viscosityPaS
  const inert = inertiaOf(weight)
  const sinking = (weight.displacedKg - weight.massKg) * options.gravityMS2
  const flow = new Float64Array(2)
  const force = new Float64Array(3)
  const v = new Float64Array(6)
  const moved = new Float64Array(6)

  /** Force on the weight without the tether, world axes. */
  function weightForce(y: Float64Array): void {
    const [vx, vy, vz] = [y[16]!, y[17]!, y[18]!]
    const speed = Math.hypot(vx, vy, vz)
    let drag = speed > 1e-9 ? 0.5 * rho * area * sphereCd(perViscosity * speed * weight.diameterM) * speed : 0
    if (weight.lineOnWeight && options.lineDrag) drag += options.lineDrag(Math.max(0, -y[15]!), speed)
    force[0] = -drag * vx
    force[1] = -drag * vy
    force[2] = sinking - drag * vz
    const { pull } = options.surroundings
    if (weight.lineOnWeight && pull) for (let k = 0; k < 3; k++) force[k]! += pull[k]!
  }

  /** Acceleration of the tie point per force n (body axes) applied there, dotted with n. */
  function compliance(n: Vec3): number {
    const load = [...n, at[1] * n[2] - at[2] * n[1], at[2] * n[0] - at[0] * n[2], at[0] * n[1] - at[1] * n[0]]
    let sum = 0
    for (let i = 0; i < 6; i++) for (let k = 0; k < 6; k++) sum += load[i]! * inverse[6 * i + k]! * load[k]!
    return sum
  }

  function rate(y: Float64Array, dy: Float64Array): void {
    bodyRate(y, dy)
    if (state.grounded) dy.fill(0, 13, 19)
    else {
      weightForce(y)
      dy[13] = y[16]!
      dy[14] = y[17]!
      dy[15] = y[18]!
      if (options.surroundings.stream) {
        options.surroundings.stream(y[15]!, flow)
        dy[13]! += flow[0]!
        dy[14]! += flow[1]!
      }
      for (let k = 0; k < 3; k++) dy[16 + k] = force[k]! / inert
    }
    if (!state.taut || !Number.isFinite(weight.tetherM)) return
    const R = rotation(y)
    velocity(body, y, v)
    const gap = gapOf(y, R)
    const length = Math.hypot(...gap.d)
    const n: Vec3 = [gap.d[0] / length, gap.d[1] / length, gap.d[2] / length]
    for (let i = 0; i < 6; i++) {
      let sum = 0
      for (let k = 0; k < 6; k++) sum += inverse[6 * i + k]! * dy[7 + k]!
      moved[i] = sum
    }
    const tieRate = pointAcceleration(v, moved, at)
    const opening: Vec3 = [
      gap.v[0] + dy[0]! - dy[13]!,
      gap.v[1] + dy[1]! - dy[14]!,
      gap.v[2] + dy[2]! - dy[15]!,
    ]
    let apart = 0
    let closing = 0
    let square = 0
    for (let k = 0; k < 3; k++) {
      const acceleration =
        R[3 * k]! * tieRate[0] + R[3 * k + 1]! * tieRate[1] + R[3 * k + 2]! * tieRate[2] - dy[16 + k]!
      apart += n[k]! * acceleration
      closing += n[k]! * opening[k]!
      square += opening[k]! ** 2
    }
    const nb = toBody(R, n)
    const yielding = compliance(nb) + (state.grounded ? 0 : 1 / inert)
    const tension = Math.max(
      0,
      (apart +
        (square - closing ** 2) / length +
        (2 * closing) / SETTLE_S +
        (length - weight.tetherM) / SETTLE_S ** 2) /
        yielding,
    )
    const f: Vec3 = [-tension * nb[0], -tension * nb[1], -tension * nb[2]]
    for (let k = 0; k < 3; k++) dy[7 + k]! += f[k]!
    dy[10]! += at[1] * f[2] - at[2] * f[1]
    dy[11]! += at[2] * f[0] - at[0] * f[2]
    dy[12]! += at[0] * f[1] - at[1] * f[0]
    if (!state.grounded) for (let k = 0; k < 3; k++) dy[16 + k]! += (tension * n[k]!) / inert
  }

  /**
   * Vector from weight to tie point, and the tie point's velocity less that of the centre of gravity, world
   * axes.
   */
  function gapOf(
    y: Float64Array,
    R: Float64Array,
  ): { readonly d: [number, number, number]; readonly v: [number, number, number] } {
    const spin = cross([v[3]!, v[4]!, v[5]!], at)
    const d: [number, number, number] = [0, 0, 0]
    const turn: [number, number, number] = [0, 0, 0]
    for (let k = 0; k < 3; k++) {
      d[k] = y[k]! + R[3 * k]! * at[0] + R[3 * k + 1]! * at[1] + R[3 * k + 2]! * at[2] - y[13 + k]!
      turn[k] = R[3 * k]! * spin[0] + R[3 * k + 1]! * spin[1] + R[3 * k + 2]! * spin[2]
    }
    return { d, v: turn }
  }

  /**
   * Between steps: the tether goes taut with an inelastic jerk where it has run out, and slack where it has
   * not.
   */
  function afterStep(y: Float64Array): void {
    if (!Number.isFinite(weight.tetherM)) return
    const R = rotation(y)
    velocity(body, y, v)
    const { d, v: turn } = gapOf(y, R)
    const length = Math.hypot(...d)
    state.taut = length > weight.tetherM * (1 - 1e-3) - 1e-5
    if (length <= weight.tetherM) return
    const n: Vec3 = [d[0] / length, d[1] / length, d[2] / length]
    let opening = 0
    for (let k = 0; k < 3; k++) {
      const middle = R[3 * k]! * v[0]! + R[3 * k + 1]! * v[1]! + R[3 * k + 2]! * v[2]!
      opening += n[k]! * (middle + turn[k]! - (state.grounded ? 0 : y[16 + k]!))
    }
    if (opening <= 0) return
    const nb = toBody(R, n)
    const jerk = opening / (compliance(nb) + (state.grounded ? 0 : 1 / inert))
    const p: Vec3 = [-jerk * nb[0], -jerk * nb[1], -jerk * nb[2]]
    const turnBy = cross(at, p)
    for (let k = 0; k < 3; k++) {
      y[7 + k]! += p[k]!
      y[10 + k]! += turnBy[k]!
      if (!state.grounded) y[16 + k]! += (jerk * n[k]!) / inert
    }
  }

  return { rate, state, afterStep }
}

/**
 * State at rest: the weight straight below the tie point on its tether, or at the tie point when it is free
 * to slide.
 */
export function tetheredState(
  body: HydroBody,
  start: Float64Array,
  weight: TetheredWeight,
  below: number,
): Float64Array {
  const y = new Float64Array(TETHERED_SIZE)
  y.set(start)
  const R = rotation(y)
  for (let k = 0; k < 3; k++)
    y[13 + k] =
      y[k]! + R[3 * k]! * body.tieAt[0] + R[3 * k + 1]! * body.tieAt[1] + R[3 * k + 2]! * body.tieAt[2]
  y[15]! -= below
  y.set(momentum(body, new Float64Array(6)), 7)
  return y
}
