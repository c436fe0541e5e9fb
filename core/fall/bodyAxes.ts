import type { Vec3 } from '../numerics/quaternion'

/** Body-to-world rotation, row-major, of the quaternion in a state of motion. */
export function rotation(y: ArrayLike<number>, out = new Float64Array(9)): Float64Array {
  const w = y[3]!
  const x = y[4]!
  const yy = y[5]!
  const z = y[6]!
  const two = 2 / (w * w + x * x + yy * yy + z * z)
  out[0] = 1 - two * (yy * yy + z * z)
  out[1] = two * (x * yy - w * z)
  out[2] = two * (x * z + w * yy)
  out[3] = two * (x * yy + w * z)
  out[4] = 1 - two * (x * x + z * z)
  out[5] = two * (yy * z - w * x)
  out[6] = two * (x * z - w * yy)
  out[7] = two * (yy * z + w * x)
  out[8] = 1 - two * (x * x + yy * yy)
  return out
}

/** A vector of world axes seen in body axes. */
export const toBody = (R: Float64Array, n: Vec3): Vec3 => [
  R[0]! * n[0] + R[3]! * n[1] + R[6]! * n[2],
  R[1]! * n[0] + R[4]! * n[1] + R[7]! * n[2],
  R[2]! * n[0] + R[5]! * n[1] + R[8]! * n[2],
]

export const cross = (a: Vec3, b: Vec3): [number, number, number] => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]

/**
 * Acceleration of a point of the body in body axes, from velocities and their rates (Goldstein, Classical
 * Mechanics, 4.9).
 */
export function pointAcceleration(v: Float64Array, rates: Float64Array, at: Vec3): Vec3 {
  const w = [v[3]!, v[4]!, v[5]!] as const
  const along = cross(w, [v[0]!, v[1]!, v[2]!])
  const turning = cross([rates[3]!, rates[4]!, rates[5]!], at)
  const inward = cross(w, cross(w, at))
  return [
    rates[0]! + along[0] + turning[0] + inward[0],
    rates[1]! + along[1] + turning[1] + inward[1],
    rates[2]! + along[2] + turning[2] + inward[2],
  ]
}
