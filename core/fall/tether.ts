import type { Vec3 } from '../numerics/quaternion'
import type { HydroBody } from './hydroBody'
import { cross, pointAcceleration, rotation, toBody } from './bodyAxes'
import type { Water } from '../water/water'
import { momentum, STATE_SIZE, velocity, type Surroundings } from './motion'
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

/** What a tether is tied to: a body whose place and attitude a state begins with. Vectors in its own axes. */
export interface Tied {
  readonly water: Water
  /** tie point from that place */ readonly at: Vec3
  /** where the weight's numbers begin in the state */ readonly weightFrom: number
  /** rates of its own numbers, without the tether */
  readonly rate: (y: Float64Array, dy: Float64Array) => void
  /** velocity and turning rate through the water, 6 */
  readonly velocity: (y: Float64Array, out: Float64Array) => void
  /** their rates, 6 */ readonly acceleration: (dy: Float64Array, out: Float64Array) => void
  /** how far it gives way to a load (6) along that load, per unit of it */
  readonly give: (load: Float64Array) => number
  /** adds a force at the tie point to the rates: as a load (6), and in the world's axes */
  readonly pulled: (y: Float64Array, dy: Float64Array, load: Float64Array, worldN: Vec3) => void
  /** adds a jerk at the tie point (6); left out where the tether takes the speed out softly */
  readonly jerked?: (y: Float64Array, load: Float64Array) => void
}

/** A rigid body in a state of its place, attitude and momenta. */
export function tiedBody(body: HydroBody, rate: Tied['rate']): Tied {
  const { inverse } = body
  const add = (y: Float64Array, load: Float64Array): void => {
    for (let i = 0; i < 6; i++) y[7 + i]! += load[i]!
  }
  return {
    water: body.water,
    at: body.tieAt,
    weightFrom: STATE_SIZE,
    rate,
    velocity: (y, out) => void velocity(body, y, out),
    acceleration(dy, out) {
      for (let i = 0; i < 6; i++) {
        let sum = 0
        for (let k = 0; k < 6; k++) sum += inverse[6 * i + k]! * dy[7 + k]!
        out[i] = sum
      }
    },
    give(load) {
      let sum = 0
      for (let i = 0; i < 6; i++) for (let k = 0; k < 6; k++) sum += load[i]! * inverse[6 * i + k]! * load[k]!
      return sum
    },
    pulled: (_, dy, load) => add(dy, load),
    jerked: add,
  }
}

/**
 * Couples what falls to a weight on a tether. While the tether is taut its tension follows from the
 * length staying as it is (a Lagrange multiplier at the level of accelerations); it never pushes.
 * `state.taut` and `state.grounded` are set between steps.
 */
export function coupleTether(tied: Tied, weight: TetheredWeight, options: TetherOptions): Tether {
  const state = { taut: false, grounded: false }
  const { at, weightFrom: w } = tied
  const rho = tied.water.densityKgM3
  const area = (Math.PI / 4) * weight.diameterM ** 2 * weight.dragFactor
  const perViscosity = rho / tied.water.viscosityPaS
  const inert = inertiaOf(weight)
  const sinking = (weight.displacedKg - weight.massKg) * options.gravityMS2
  const flow = new Float64Array(2)
  const force = new Float64Array(3)
  const v = new Float64Array(6)
  const moved = new Float64Array(6)
  const load = new Float64Array(6)

  /** Force on the weight without the tether, world axes. */
  function weightForce(y: Float64Array): void {
    const [vx, vy, vz] = [y[w + 3]!, y[w + 4]!, y[w + 5]!]
    const speed = Math.hypot(vx, vy, vz)
    let drag = speed > 1e-9 ? 0.5 * rho * area * sphereCd(perViscosity * speed * weight.diameterM) * speed : 0
    if (weight.lineOnWeight && options.lineDrag) drag += options.lineDrag(Math.max(0, -y[w + 2]!), speed)
    force[0] = -drag * vx
    force[1] = -drag * vy
    force[2] = sinking - drag * vz
    const { pull } = options.surroundings
    if (weight.lineOnWeight && pull) for (let k = 0; k < 3; k++) force[k]! += pull[k]!
  }

  /** A force of so much along n (own axes) at the tie point. */
  function loadAlong(n: Vec3, size: number): Float64Array {
    const [x, y, z] = [size * n[0], size * n[1], size * n[2]]
    load[0] = x
    load[1] = y
    load[2] = z
    load[3] = at[1] * z - at[2] * y
    load[4] = at[2] * x - at[0] * z
    load[5] = at[0] * y - at[1] * x
    return load
  }

  function rate(y: Float64Array, dy: Float64Array): void {
    tied.rate(y, dy)
    if (state.grounded) dy.fill(0, w, w + 6)
    else {
      weightForce(y)
      for (let k = 0; k < 3; k++) dy[w + k] = y[w + 3 + k]!
      if (options.surroundings.stream) {
        options.surroundings.stream(y[w + 2]!, flow)
        dy[w]! += flow[0]!
        dy[w + 1]! += flow[1]!
      }
      for (let k = 0; k < 3; k++) dy[w + 3 + k] = force[k]! / inert
    }
    if (!state.taut || !Number.isFinite(weight.tetherM)) return
    const R = rotation(y)
    tied.velocity(y, v)
    const gap = gapOf(y, R)
    const length = Math.hypot(...gap.d)
    const n: Vec3 = [gap.d[0] / length, gap.d[1] / length, gap.d[2] / length]
    tied.acceleration(dy, moved)
    const tieRate = pointAcceleration(v, moved, at)
    const opening: Vec3 = [
      gap.v[0] + dy[0]! - dy[w]!,
      gap.v[1] + dy[1]! - dy[w + 1]!,
      gap.v[2] + dy[2]! - dy[w + 2]!,
    ]
    let apart = 0
    let closing = 0
    let square = 0
    for (let k = 0; k < 3; k++) {
      const acceleration =
        R[3 * k]! * tieRate[0] + R[3 * k + 1]! * tieRate[1] + R[3 * k + 2]! * tieRate[2] - dy[w + 3 + k]!
      apart += n[k]! * acceleration
      closing += n[k]! * opening[k]!
      square += opening[k]! ** 2
    }
    const nb = toBody(R, n)
    const yielding = tied.give(loadAlong(nb, 1)) + (state.grounded ? 0 : 1 / inert)
    const tension = Math.max(
      0,
      (apart +
        (square - closing ** 2) / length +
        (2 * closing) / SETTLE_S +
        (length - weight.tetherM) / SETTLE_S ** 2) /
        yielding,
    )
    tied.pulled(y, dy, loadAlong(nb, -tension), [-tension * n[0], -tension * n[1], -tension * n[2]])
    if (!state.grounded) for (let k = 0; k < 3; k++) dy[w + 3 + k]! += (tension * n[k]!) / inert
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
      d[k] = y[k]! + R[3 * k]! * at[0] + R[3 * k + 1]! * at[1] + R[3 * k + 2]! * at[2] - y[w + k]!
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
    tied.velocity(y, v)
    const { d, v: turn } = gapOf(y, R)
    const length = Math.hypot(...d)
    state.taut = length > weight.tetherM * (1 - 1e-3) - 1e-5
    if (length <= weight.tetherM || !tied.jerked) return
    const n: Vec3 = [d[0] / length, d[1] / length, d[2] / length]
    let opening = 0
    for (let k = 0; k < 3; k++) {
      const middle = R[3 * k]! * v[0]! + R[3 * k + 1]! * v[1]! + R[3 * k + 2]! * v[2]!
      opening += n[k]! * (middle + turn[k]! - (state.grounded ? 0 : y[w + 3 + k]!))
    }
    if (opening <= 0) return
    const nb = toBody(R, n)
    const jerk = opening / (tied.give(loadAlong(nb, 1)) + (state.grounded ? 0 : 1 / inert))
    tied.jerked(y, loadAlong(nb, -jerk))
    if (!state.grounded) for (let k = 0; k < 3; k++) y[w + 3 + k]! += (jerk * n[k]!) / inert
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
