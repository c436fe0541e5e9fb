/**
 * Unit quaternions (w, x, y, z) that turn body axes into world axes; Hamilton's convention.
 * Source: Kuipers, Quaternions and Rotation Sequences, ch. 5.
 */
export type Quaternion = readonly [number, number, number, number]
export type Vec3 = readonly [number, number, number]

/**
 * Attitude from heading (about world Z), pitch (nose up positive) and roll (about the body's long axis,
 * positive when the left side goes up), all in radians, applied in that order.
 */
export function fromHeadingPitchRoll(heading: number, pitch: number, roll: number): Quaternion {
  const ch = Math.cos(heading / 2)
  const sh = Math.sin(heading / 2)
  const cp = Math.cos(-pitch / 2)
  const sp = Math.sin(-pitch / 2)
  const cr = Math.cos(roll / 2)
  const sr = Math.sin(roll / 2)
  return [
    ch * cp * cr + sh * sp * sr,
    ch * cp * sr - sh * sp * cr,
    ch * sp * cr + sh * cp * sr,
    sh * cp * cr - ch * sp * sr,
  ]
}

/** Turns a body vector into world axes. */
export function rotate(q: Quaternion, v: Vec3): Vec3 {
  const [w, x, y, z] = q
  const tx = 2 * (y * v[2] - z * v[1])
  const ty = 2 * (z * v[0] - x * v[2])
  const tz = 2 * (x * v[1] - y * v[0])
  return [v[0] + w * tx + y * tz - z * ty, v[1] + w * ty + z * tx - x * tz, v[2] + w * tz + x * ty - y * tx]
}

/** The world's up direction seen in body axes: third row of the body-to-world rotation. */
export const upInBody = ([w, x, y, z]: Quaternion): Vec3 => [
  2 * (x * z - w * y),
  2 * (y * z + w * x),
  1 - 2 * (x * x + y * y),
]

/** Pitch in radians: elevation of the nose above the horizontal, -pi/2 to pi/2. */
export const pitchOf = (q: Quaternion): number => Math.asin(Math.max(-1, Math.min(1, upInBody(q)[0])))

/** Roll in radians, -pi to pi: 0 with the back up, ±pi/2 on its side, ±pi belly up. */
export function rollOf(q: Quaternion): number {
  const up = upInBody(q)
  return Math.atan2(up[1], up[2])
}
