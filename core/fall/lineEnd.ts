import { invert } from '../numerics/linear'
import type { Vec3 } from '../numerics/quaternion'
import { cross, pointAcceleration, rotation } from './bodyAxes'
import type { LineEnd } from './heldLine'
import type { HydroBody } from './hydroBody'
import { velocity } from './motion'
import type { TetheredWeight } from './tether'

/** A line's end to be filled from a state of motion. */
export const lineEnd = (): LineEnd & { readonly [K in keyof LineEnd]: Float64Array } => ({
  place: new Float64Array(3),
  velocity: new Float64Array(3),
  acceleration: new Float64Array(3),
  massKg: new Float64Array(9),
})

/**
 * Inertia that a force at a point of a free body feels, 3×3, body axes, kg: the inverse of what the point
 * gives to a unit force.
 * @param inverse of its inertia, 6x6
 */
function inertiaAt(inverse: Float64Array, at: Vec3): Float64Array {
  const give = new Float64Array(9)
  const AXES = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ] as const
  const loads = AXES.map(n => [...n, ...cross(at, n)])
  for (let a = 0; a < 3; a++) {
    for (let b = 0; b < 3; b++) {
      for (let i = 0; i < 6; i++)
        for (let k = 0; k < 6; k++) give[3 * a + b]! += loads[a]![i]! * inverse[6 * i + k]! * loads[b]![k]!
    }
  }
  return invert(give, 3)
}

/** A weight that lies on the bottom pulls on its tether like one that nothing here moves, kg. */
const GROUNDED_KG = 1

/** What else hangs at the tie point: a weight on a taut tether. */
export interface Hung {
  readonly weight: TetheredWeight
  readonly inertKg: number
  readonly state: { readonly taut: boolean; readonly grounded: boolean }
  /** where the weight's place begins in the state */ readonly weightFrom: number
}

/**
 * Reads place, velocity and acceleration of the tie point.
 * @returns takes place and attitude (7), velocity and turning rate in body axes (6), their rates, and the water's
 *   velocity; gives back how the body is turned, 3x3
 */
function tiedAt(
  at: Vec3,
): (y: Float64Array, v: Float64Array, rates: Float64Array, flow: Float64Array, end: LineEnd) => Float64Array {
  const R = new Float64Array(9)
  const [ax, ay, az] = at
  return (y, v, rates, flow, end) => {
    rotation(y, R)
    const p = v[3]!
    const q = v[4]!
    const r = v[5]!
    const ux = v[0]! + q * az - r * ay
    const uy = v[1]! + r * ax - p * az
    const uz = v[2]! + p * ay - q * ax
    const [bx, by, bz] = pointAcceleration(v, rates, at)
    for (let k = 0; k < 3; k++) {
      const a = R[3 * k]!
      const b = R[3 * k + 1]!
      const c = R[3 * k + 2]!
      end.place[k] = y[k]! + a * ax + b * ay + c * az
      end.velocity[k] = a * ux + b * uy + c * uz + (k < 2 ? flow[k]! : 0)
      end.acceleration[k] = a * bx + b * by + c * bz
    }
    return R
  }
}

/**
 * Reads the end of a line tied to the body off a state and its rate of change (without the line), both of 13
 * numbers or more.
 * @param flow the water's velocity X Y at the body
 */
export function bodyEnd(
  body: HydroBody,
  hung?: Hung,
): (y: Float64Array, dy: Float64Array, flow: Float64Array, end: LineEnd) => void {
  const inertia = inertiaAt(body.inverse, body.tieAt)
  const read = tiedAt(body.tieAt)
  const v = new Float64Array(6)
  const rates = new Float64Array(6)
  const scratch = new Float64Array(9)
  return (y, dy, flow, end) => {
    velocity(body, y, v)
    for (let i = 0; i < 6; i++) {
      let sum = 0
      for (let k = 0; k < 6; k++) sum += body.inverse[6 * i + k]! * dy[7 + k]!
      rates[i] = sum
    }
    turned(read(y, v, rates, flow, end), inertia, scratch, end.massKg)
    if (hung?.state.taut) addHung(hung, y, end)
  }
}

/**
 * Reads the end of a line tied to the root of a chain off a chain's state and its rate of change without the line.
 * @param at tie point from the root's centre of gravity, in its axes
 * @param carried inertia that a force on the root feels, 6x6, as the rate of change last found it
 */
export function chainEnd(
  at: Vec3,
  carried: Float64Array,
  hung?: Hung,
): (y: Float64Array, dy: Float64Array, flow: Float64Array, end: LineEnd) => void {
  const read = tiedAt(at)
  const scratch = new Float64Array(9)
  return (y, dy, flow, end) => {
    const R = read(y, y.subarray(7, 13), dy.subarray(7, 13), flow, end)
    turned(R, inertiaAt(invert(carried, 6), at), scratch, end.massKg)
    if (hung?.state.taut) addHung(hung, y, end)
  }
}

/** R·m·Rᵀ. @param scratch overwritten */
function turned(R: Float64Array, m: Float64Array, scratch: Float64Array, out: Float64Array): void {
  for (let a = 0; a < 3; a++) {
    for (let b = 0; b < 3; b++)
      scratch[3 * a + b] = R[3 * a]! * m[b]! + R[3 * a + 1]! * m[3 + b]! + R[3 * a + 2]! * m[6 + b]!
  }
  for (let a = 0; a < 3; a++) {
    for (let b = 0; b < 3; b++)
      out[3 * a + b] =
        scratch[3 * a]! * R[3 * b]! +
        scratch[3 * a + 1]! * R[3 * b + 1]! +
        scratch[3 * a + 2]! * R[3 * b + 2]!
  }
}

/** A weight on a taut tether moves along with the tie point in the tether's own direction. */
function addHung({ inertKg, state, weightFrom }: Hung, y: Float64Array, end: LineEnd): void {
  const d = [0, 1, 2].map(k => end.place[k]! - y[weightFrom + k]!)
  const length = Math.hypot(...d)
  if (!(length > 1e-6)) return
  const kg = state.grounded ? GROUNDED_KG : inertKg
  for (let a = 0; a < 3; a++)
    for (let b = 0; b < 3; b++) end.massKg[3 * a + b]! += (kg * d[a]! * d[b]!) / length ** 2
}

/**
 * Reads the end of a line tied to the weight off a state of body and weight and its rate of change without
 * the line.
 */
export function weightEnd(
  inertKg: number,
  weightFrom: number,
): (y: Float64Array, dy: Float64Array, flow: Float64Array, end: LineEnd) => void {
  return (y, dy, flow, end) => {
    end.massKg.fill(0)
    for (let k = 0; k < 3; k++) {
      end.place[k] = y[weightFrom + k]!
      end.velocity[k] = y[weightFrom + 3 + k]! + (k < 2 ? flow[k]! : 0)
      end.acceleration[k] = dy[weightFrom + 3 + k]!
      end.massKg[4 * k] = inertKg
    }
  }
}
