/** Adds a force at a point to a force and moment about the origin. */
export function addAt(
  out: Float64Array,
  x: number,
  y: number,
  z: number,
  fx: number,
  fy: number,
  fz: number,
): void {
  out[0]! += fx
  out[1]! += fy
  out[2]! += fz
  out[3]! += y * fz - z * fy
  out[4]! += z * fx - x * fz
  out[5]! += x * fy - y * fx
}
