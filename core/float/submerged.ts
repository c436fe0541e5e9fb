import type { Vec3 } from '../numerics/quaternion'
import type { Compact, RigGeometry, Strip } from '../rig/geometry'

/** What of a body is under a level surface: volume, m³, and where its middle is, in the body's frame. */
export interface Submerged {
  volumeM3: number
  readonly middle: Float64Array
}

/** Parts along a slice that are cut by the surface one by one. */
const CUTS = 2

/**
 * Part of an ellipse under a level line, and how far the middle of that part lies along the unit circle's axis
 * (segment of a circle; an ellipse is one stretched). `u` is the height of the line over the middle, in half
 * extents, between -1 and 1.
 */
const shareOfEllipse = (u: number): number => 1 - (Math.acos(u) - u * Math.sqrt(1 - u * u)) / Math.PI
const middleOfEllipse = (u: number, share: number): number =>
  (-(2 / 3) * (1 - u * u) ** 1.5) / (Math.PI * share)

/** The same for an ellipsoid (cap of a sphere, stretched). */
function cutEllipsoid(u: number): readonly [share: number, middle: number] {
  if (u <= -1) return [0, 0]
  if (u >= 1) return [1, 0]
  const deep = 1 + u
  return [(deep * deep * (3 - deep)) / 4, (-3 * (2 - deep) ** 2) / (4 * (3 - deep))]
}

const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

/**
 * What of a rig is under the surface.
 * @param up unit vector in the body's frame that points out of the water
 * @param level height of the surface along `up`, from the body's origin, m
 */
export function submergedOf({ strips, compacts }: RigGeometry, up: Vec3, level: number): Submerged {
  const middle = new Float64Array(3)
  const under: Submerged = { volumeM3: 0, middle }
  for (const strip of strips) if (strip.displacedM3 > 0) addStrip(under, strip, up, level)
  for (const compact of compacts) if (compact.displacedM3 > 0) addCompact(under, compact, up, level)
  if (under.volumeM3 > 0) for (let k = 0; k < 3; k++) middle[k]! /= under.volumeM3
  return under
}

function addStrip(
  under: Submerged,
  { at, axis, side, up: high, lengthM, widthM, heightM, displacedM3 }: Strip,
  up: Vec3,
  level: number,
): void {
  const [a, b] = [widthM / 2, heightM / 2]
  const [ns, nu] = [dot(side, up), dot(high, up)]
  // standing on end a slice has no breadth across the surface: it is cut along its length alone
  const reach = Math.max(1e-9, Math.sqrt((a * ns) ** 2 + (b * nu) ** 2))
  for (let i = 0; i < CUTS; i++) {
    const along = ((i + 0.5) / CUTS - 0.5) * lengthM
    const x = at[0] + along * axis[0]
    const y = at[1] + along * axis[1]
    const z = at[2] + along * axis[2]
    const over = level - (x * up[0] + y * up[1] + z * up[2])
    // a part of a slice is as high as its own piece of length, too
    const span = reach + Math.abs((dot(axis, up) * lengthM) / CUTS / 2)
    const u0 = over / span
    if (u0 <= -1) continue
    const share = u0 >= 1 ? 1 : shareOfEllipse(u0)
    const off = u0 >= 1 ? 0 : middleOfEllipse(u0, share)
    const volume = (displacedM3 / CUTS) * share
    under.volumeM3 += volume
    const s = (off * a * a * ns) / reach
    const u = (off * b * b * nu) / reach
    under.middle[0]! += volume * (x + s * side[0] + u * high[0])
    under.middle[1]! += volume * (y + s * side[1] + u * high[1])
    under.middle[2]! += volume * (z + s * side[2] + u * high[2])
  }
}

function addCompact(under: Submerged, { at, size, displacedM3 }: Compact, up: Vec3, level: number): void {
  const reach = Math.sqrt((size[0] * up[0]) ** 2 + (size[1] * up[1]) ** 2 + (size[2] * up[2]) ** 2) / 2
  const [share, off] = cutEllipsoid((level - dot(at, up)) / Math.max(1e-9, reach))
  if (share === 0) return
  const volume = displacedM3 * share
  under.volumeM3 += volume
  for (let k = 0; k < 3; k++)
    under.middle[k]! += volume * (at[k]! + (off * (size[k]! / 2) ** 2 * up[k]!) / Math.max(1e-9, reach))
}
