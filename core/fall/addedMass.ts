import type { Vec3 } from '../numerics/quaternion'
import type { Compact, RigGeometry, Strip } from '../rig/geometry'

/**
 * Added mass of a rig about its centre of gravity as a 6x6 matrix (row-major; rows 0–2 linear momentum, 3–5
 * angular). Slender pieces by strip theory: for an ellipse moving across an axis, rho·pi·(half the
 * breadth)²·length; in roll rho·(pi/8)·(a²-b²)²·length (Newman, Marine Hydrodynamics, table 4.3). Along the
 * axis Lamb's share for a prolate spheroid of the same fineness (Lamb, Hydrodynamics, art. 114). Lumps: half
 * the displaced mass (sphere, Lamb art. 92); a paddle: 8/3·rho·a³ face on (disc, Lamb art. 102).
 * @param whole the rig that this is a part of, whose fineness counts
 */
export function addedMass(rig: RigGeometry, densityKgM3: number, whole = rig): Float64Array {
  const matrix = new Float64Array(36)
  const axialShare = axialShareOf(whole)
  for (const s of rig.strips) if (s.wet) addStrip(matrix, s, rig.centre, densityKgM3, axialShare)
  for (const c of rig.compacts) addLocal(matrix, compactTensor(c, densityKgM3), relative(c.at, rig.centre))
  return matrix
}

/**
 * Lamb's k1: share of displaced mass carried along when a prolate spheroid moves along its axis.
 * @param fineness length over diameter, > 1
 */
export function spheroidAxialShare(fineness: number): number {
  const e = Math.sqrt(1 - 1 / (fineness * fineness))
  const alpha = ((2 * (1 - e * e)) / e ** 3) * (0.5 * Math.log((1 + e) / (1 - e)) - e)
  return alpha / (2 - alpha)
}

function axialShareOf(rig: RigGeometry): number {
  const volume = rig.strips.reduce((sum, s) => sum + (s.wet ? s.displacedM3 : 0), 0)
  const length = rig.strips.reduce((most, s) => Math.max(most, -s.at[0]), 0)
  if (!(volume > 0 && length > 0)) return 0
  const diameter = Math.sqrt((6 * volume) / (Math.PI * length))
  return spheroidAxialShare(Math.max(1.5, length / diameter))
}

function addStrip(matrix: Float64Array, s: Strip, centre: Vec3, rho: number, axialShare: number): void {
  const a = s.widthM / 2
  const b = s.heightM / 2
  const tensor = new Float64Array(9)
  outer(tensor, s.axis, axialShare * rho * s.displacedM3)
  outer(tensor, s.side, rho * Math.PI * b * b * s.lengthM)
  outer(tensor, s.up, rho * Math.PI * a * a * s.lengthM)
  for (let k = 0; k < 3; k++) tensor[4 * k]! += rho * (s.trappedM3 ?? 0)
  addLocal(matrix, tensor, relative(s.at, centre))
  const roll = rho * (Math.PI / 8) * (a * a - b * b) ** 2 * s.lengthM
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < 3; j++) matrix[6 * (i + 3) + j + 3]! += roll * s.axis[i]! * s.axis[j]!
}

function compactTensor(c: Compact, rho: number): Float64Array {
  const tensor = new Float64Array(9)
  if (c.kind === 'nose' || c.kind === 'inside' || c.kind === 'skirt' || c.kind === 'blade') return tensor
  if (c.kind === 'paddle')
    outer(
      tensor,
      [Math.cos(c.yawRad ?? 0), Math.sin(c.yawRad ?? 0), 0],
      (8 / 3) * rho * (Math.sqrt(c.size[1] * c.size[2]) / 2) ** 3,
    )
  else if (c.kind === 'fork') tensor[8] = rho * Math.PI * (c.size[1] / 2) ** 2 * c.size[0]
  else if (c.kind === 'fin') tensor[4] = rho * Math.PI * (c.size[2] / 2) ** 2 * c.size[0]
  else if (c.kind === 'curl')
    for (const k of [4, 8]) tensor[k] = rho * Math.PI * (c.size[2] / 2) ** 2 * c.size[0] * (k === 4 ? 1 : 0.6)
  else if (c.kind === 'leg')
    for (const k of [4, 8]) tensor[k] = ((rho * Math.PI) / 4) * c.size[1] * c.size[2] * c.size[0]
  else if (c.kind === 'claw') tensor[8] = rho * Math.PI * (c.size[1] / 2) ** 2 * c.size[0]
  else for (let k = 0; k < 3; k++) tensor[4 * k] = 0.5 * rho * c.displacedM3
  return tensor
}

const relative = (at: Vec3, centre: Vec3): Vec3 => [at[0] - centre[0], at[1] - centre[1], at[2] - centre[2]]

function outer(tensor: Float64Array, axis: Vec3, value: number): void {
  for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) tensor[3 * i + j]! += value * axis[i]! * axis[j]!
}

/** Adds a local 3x3 added-mass tensor D at r: momentum D(v + w x r), moment r x that. */
function addLocal(matrix: Float64Array, d: Float64Array, [x, y, z]: Vec3): void {
  const cross = [0, z, -y, -z, 0, x, y, -x, 0] // w x r = cross · w
  const dCross = multiply(d, cross)
  for (let i = 0; i < 3; i++) {
    for (let j = 0; j < 3; j++) {
      matrix[6 * i + j]! += d[3 * i + j]!
      matrix[6 * i + j + 3]! += dCross[3 * i + j]!
      matrix[6 * (j + 3) + i]! += dCross[3 * i + j]!
      for (let k = 0; k < 3; k++) matrix[6 * (i + 3) + j + 3]! += cross[3 * k + i]! * dCross[3 * k + j]!
    }
  }
}

function multiply(a: ArrayLike<number>, b: ArrayLike<number>): number[] {
  const out: number[] = []
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < 3; j++)
      out.push(a[3 * i]! * b[j]! + a[3 * i + 1]! * b[3 + j]! + a[3 * i + 2]! * b[6 + j]!)
  return out
}
