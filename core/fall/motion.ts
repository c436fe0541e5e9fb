import { rungeKutta4 } from '../numerics/rk4'
import type { HydroBody } from './hydroBody'
import { addAt } from './addAt'
import type { Loads } from './loads'

/**
 * State of a falling body: place of the centre of gravity (world, 3), attitude (quaternion, 4), linear and
 * angular momentum (body, 3 + 3).
 */
export const STATE_SIZE = 13

/** What surrounds a falling body besides still water and a slack line. */
export interface Surroundings {
  /** the water's velocity X Y at a height */ readonly stream?: (z: number, out: Float64Array) => void
  /** force of a held line at the tie point, world axes, N (3): as it stands through a step */
  readonly pull?: Float64Array
}

/**
 * Right-hand side of Kirchhoff's equations (Lamb, Hydrodynamics, ch. VI):
 * dp/dt = p x w + F, dh/dt = h x w + p x v + T, with (p, h) = M (v, w), M constant in body axes.
 * In a current the momenta are those of the motion through the water; the place moves with the water besides.
 * What the change of current with depth does to the body's own momentum is left out: over a bait's length it
 * is small.
 * @returns a derivative function over the 13 state numbers
 */
export function kirchhoff(
  body: HydroBody,
  loads: Loads,
  { stream, pull }: Surroundings = {},
): (y: Float64Array, dy: Float64Array) => void {
  const v = new Float64Array(6)
  const force = new Float64Array(6)
  const axes = new Float64Array(6)
  const tie = body.tieAt
  const flow = new Float64Array(2)
  return (y, dy) => {
    velocity(body, y, v)
    const w = y[3]!
    const x = y[4]!
    const yy = y[5]!
    const z = y[6]!
    // between steps the quaternion is not quite of unit length; dividing by its square keeps the matrix a
    // rotation
    const two = 2 / (w * w + x * x + yy * yy + z * z)
    const upX = two * (x * z - w * yy)
    const upY = two * (yy * z + w * x)
    const upZ = 1 - two * (x * x + yy * yy)
    axes[0] = upX
    axes[1] = upY
    axes[2] = upZ
    const midX = two * (x * yy + w * z)
    const midY = 1 - two * (x * x + z * z)
    const midZ = two * (yy * z - w * x)
    axes[3] = 1 - two * (yy * yy + z * z)
    axes[4] = two * (x * yy - w * z)
    axes[5] = two * (x * z + w * yy)
    loads(v, axes, -(y[2]! + upX * tie[0] + upY * tie[1] + upZ * tie[2]), force)
    const u = v[0]!
    const s = v[1]!
    const r = v[2]!
    const wx = v[3]!
    const wy = v[4]!
    const wz = v[5]!
    dy[0] = axes[3] * u + axes[4] * s + axes[5] * r
    dy[1] = midX * u + midY * s + midZ * r
    dy[2] = upX * u + upY * s + upZ * r
    if (stream) {
      stream(y[2]!, flow)
      dy[0]! += flow[0]!
      dy[1]! += flow[1]!
    }
    if (pull) {
      const fx = axes[3]! * pull[0]! + midX * pull[1]! + upX * pull[2]!
      const fy = axes[4]! * pull[0]! + midY * pull[1]! + upY * pull[2]!
      const fz = axes[5]! * pull[0]! + midZ * pull[1]! + upZ * pull[2]!
      addAt(force, tie[0], tie[1], tie[2], fx, fy, fz)
    }
    dy[3] = 0.5 * (-x * wx - yy * wy - z * wz)
    dy[4] = 0.5 * (w * wx + yy * wz - z * wy)
    dy[5] = 0.5 * (w * wy + z * wx - x * wz)
    dy[6] = 0.5 * (w * wz + x * wy - yy * wx)
    momentumRate(y, 7, v, force, dy, 7)
  }
}

/**
 * p x w + F and h x w + p x v + T written at `at`. Momenta are read from `y` at `from` (6), `v`: velocities
 * (6), `force`: loads (6).
 */
export function momentumRate(
  y: Float64Array,
  from: number,
  v: Float64Array,
  force: Float64Array,
  out: Float64Array,
  at: number,
): void {
  const px = y[from]!
  const py = y[from + 1]!
  const pz = y[from + 2]!
  const hx = y[from + 3]!
  const hy = y[from + 4]!
  const hz = y[from + 5]!
  const u = v[0]!
  const s = v[1]!
  const r = v[2]!
  const wx = v[3]!
  const wy = v[4]!
  const wz = v[5]!
  out[at] = py * wz - pz * wy + force[0]!
  out[at + 1] = pz * wx - px * wz + force[1]!
  out[at + 2] = px * wy - py * wx + force[2]!
  out[at + 3] = hy * wz - hz * wy + py * r - pz * s + force[3]!
  out[at + 4] = hz * wx - hx * wz + pz * u - px * r + force[4]!
  out[at + 5] = hx * wy - hy * wx + px * s - py * u + force[5]!
}

/** Velocities (6) from the momenta in a state. */
export function velocity(body: HydroBody, y: Float64Array, v: Float64Array): void {
  const inverse = body.inverse
  for (let i = 0; i < 6; i++) {
    let sum = 0
    for (let k = 0; k < 6; k++) sum += inverse[6 * i + k]! * y[7 + k]!
    v[i] = sum
  }
}

/** Momenta (6) of given velocities, written into `out`. */
export function momentum(body: HydroBody, v: ArrayLike<number>, out = new Float64Array(6)): Float64Array {
  for (let i = 0; i < 6; i++) {
    let sum = 0
    for (let k = 0; k < 6; k++) sum += body.inertia[6 * i + k]! * v[k]!
    out[i] = sum
  }
  return out
}

/** A stepper that advances a state and keeps its quaternion of unit length. */
export function stepperOf(
  rate: (y: Float64Array, dy: Float64Array) => void,
  size = STATE_SIZE,
): (y: Float64Array, step: number) => void {
  const advance = rungeKutta4(size, rate)
  return (y, step) => {
    advance(y, step)
    const length = Math.hypot(y[3]!, y[4]!, y[5]!, y[6]!)
    for (let i = 3; i < 7; i++) y[i]! /= length
  }
}

/** The same for a body under loads. */
export const stepper = (
  body: HydroBody,
  loads: Loads,
  surroundings: Surroundings = {},
): ((y: Float64Array, step: number) => void) => stepperOf(kirchhoff(body, loads, surroundings))
