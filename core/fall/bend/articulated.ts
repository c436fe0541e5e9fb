import { solveInPlace } from '../../numerics/linear'
import type { Vec3 } from '../../numerics/quaternion'
import { addAt } from '../addAt'

/**
 * What the articulated-body algorithm knows of one link of a chain, and works out; frames of links have their origin at
 * the joint, that of the root at its centre of gravity.
 */
export interface Articulated {
  /** where its joint is on the parent, from the parent's origin */ readonly onParent: Vec3
  /** turns its axes into the parent's, 3x3 */ readonly turn: Float64Array
  /** its own joint's rate taken with velocity and turning rate, 6 */ readonly bias: Float64Array
  /** what it makes its parent carry besides itself: inertia, 6x6, and force, 6 */
  readonly articulated: Float64Array
  readonly force: Float64Array
  /** of its joint's springs, 3 */ readonly torque: Float64Array
  /** of its origin, and of its turning, 6 */ readonly acceleration: Float64Array
  /** of the joint's own twisting, kg·m² */ readonly slowing: number
  /** what twisting makes the parent carry: mass by turning (3), and by turning alone */
  readonly twisted: Float64Array
  /** D⁻¹ (3x3), G = B·D⁻¹ (3x3), and the free part of the joint's moment (3) */
  readonly give: Float64Array
  readonly lever: Float64Array
  readonly free: Float64Array
}

/** Which link another hangs on. */
type Hanging = readonly { readonly parent: number }[]

const root6 = new Float64Array(36)

/** Articulated inertias from the tips inward, then accelerations from the root outward. */
export function accelerate(links: Hanging, parts: readonly Articulated[]): void {
  for (let n = parts.length - 1; n > 0; n--) takeIn(parts[n]!, parts[links[n]!.parent]!)
  letGo(links, parts)
}

/** The way outward alone: what forces on the root come to once all that it carries is known. */
export function letGo(links: Hanging, parts: readonly Articulated[]): void {
  const root = parts[0]!
  for (let i = 0; i < 6; i++) root.acceleration[i] = -root.force[i]!
  root6.set(root.articulated)
  if (!solveInPlace(root6, root.acceleration)) root.acceleration.fill(NaN)
  for (let n = 1; n < parts.length; n++) giveOut(parts[n]!, parts[links[n]!.parent]!)
}

/** Adds to a parent what a link on its joint makes it carry. */
function takeIn(part: Articulated, parent: Articulated): void {
  const { articulated: m, force: p, torque, give, lever, free, bias, turn, onParent } = part
  const { slowing: j, twisted } = part
  invertSymmetric(m, j, give)
  const u0 = torque[0]! - p[3]!
  const u1 = torque[1]! - p[4]!
  const u2 = torque[2]! - p[5]!
  free[0] = u0
  free[1] = u1
  free[2] = u2
  // G = B·D⁻¹ with B the block of linear momentum by turning
  for (let i = 0; i < 3; i++)
    for (let k = 0; k < 3; k++)
      lever[3 * i + k] =
        m[6 * i + 3]! * give[k]! + m[6 * i + 4]! * give[3 + k]! + m[6 * i + 5]! * give[6 + k]!
  // E = A − G·Bᵀ, turned into the parent's axes as it is added
  const e = reduced
  for (let i = 0; i < 3; i++)
    for (let k = 0; k < 3; k++)
      e[3 * i + k] =
        m[6 * i + k]! -
        lever[3 * i]! * m[6 * k + 3]! -
        lever[3 * i + 1]! * m[6 * k + 4]! -
        lever[3 * i + 2]! * m[6 * k + 5]!
  for (let i = 0; i < 3; i++) twisted[i] = j * lever[3 * i]!
  twisted[3] = j - j * j * give[0]!
  const g = pulled
  for (let i = 0; i < 3; i++)
    g[i] =
      p[i]! +
      lever[3 * i]! * u0 +
      lever[3 * i + 1]! * u1 +
      lever[3 * i + 2]! * u2 +
      e[3 * i]! * bias[0]! +
      e[3 * i + 1]! * bias[1]! +
      e[3 * i + 2]! * bias[2]! +
      twisted[i]! * bias[3]!
  const fx = turn[0]! * g[0]! + turn[1]! * g[1]! + turn[2]! * g[2]!
  const fy = turn[3]! * g[0]! + turn[4]! * g[1]! + turn[5]! * g[2]!
  const fz = turn[6]! * g[0]! + turn[7]! * g[1]! + turn[8]! * g[2]!
  addAt(parent.force, onParent[0], onParent[1], onParent[2], fx, fy, fz)
  const tx =
    torque[0]! -
    j * (give[0]! * u0 + give[1]! * u1 + give[2]! * u2) +
    twisted[0]! * bias[0]! +
    twisted[1]! * bias[1]! +
    twisted[2]! * bias[2]! +
    twisted[3] * bias[3]!
  for (let i = 0; i < 3; i++)
    parent.force[3 + i]! += turn[3 * i]! * tx + turn[3 * i + 1]! * torque[1]! + turn[3 * i + 2]! * torque[2]!
  const half = halfTurned
  for (let i = 0; i < 3; i++)
    for (let k = 0; k < 3; k++)
      half[3 * i + k] = turn[3 * i]! * e[k]! + turn[3 * i + 1]! * e[3 + k]! + turn[3 * i + 2]! * e[6 + k]!
  for (let i = 0; i < 3; i++)
    for (let k = 0; k < 3; k++)
      e[3 * i + k] =
        half[3 * i]! * turn[3 * k]! +
        half[3 * i + 1]! * turn[3 * k + 1]! +
        half[3 * i + 2]! * turn[3 * k + 2]!
  addMassAt(parent.articulated, e, onParent)
  if (j > 0) addTwistAt(parent.articulated, twisted, turn, onParent)
}

/** Adds to a parent's 6x6 inertia what goes with turning about a link's axis: (b·ℓ)(n·α) + ½·jj·(n·α)² at a place. */
function addTwistAt(m: Float64Array, twisted: Float64Array, turn: Float64Array, at: Vec3): void {
  const x = at[0]
  const y = at[1]
  const z = at[2]
  const tb0 = twisted[0]!
  const tb1 = twisted[1]!
  const tb2 = twisted[2]!
  const jj = twisted[3]!
  const b = along
  const n = axis
  for (let i = 0; i < 3; i++) {
    b[i] = turn[3 * i]! * tb0 + turn[3 * i + 1]! * tb1 + turn[3 * i + 2]! * tb2
    n[i] = turn[3 * i]!
  }
  // moment of b about the frame's origin
  const c = about
  c[0] = y * b[2]! - z * b[1]!
  c[1] = z * b[0]! - x * b[2]!
  c[2] = x * b[1]! - y * b[0]!
  for (let i = 0; i < 3; i++)
    for (let k = 0; k < 3; k++) {
      m[6 * i + 3 + k]! += b[i]! * n[k]!
      m[6 * (3 + k) + i]! += b[i]! * n[k]!
      m[6 * (3 + i) + 3 + k]! += c[i]! * n[k]! + n[i]! * c[k]! + jj * n[i]! * n[k]!
    }
}
const along = new Float64Array(3)
const axis = new Float64Array(3)
const about = new Float64Array(3)
const reduced = new Float64Array(9)
const pulled = new Float64Array(3)
const halfTurned = new Float64Array(9)
const crossed = new Float64Array(9)

/** Adds a 3x3 mass that moves with a place to a 6x6 inertia. */
function addMassAt(m: Float64Array, e: Float64Array, at: Vec3): void {
  const x = at[0]
  const y = at[1]
  const z = at[2]
  for (let i = 0; i < 3; i++) {
    const a = e[3 * i]!
    const b = e[3 * i + 1]!
    const c = e[3 * i + 2]!
    crossed[3 * i] = c * y - b * z
    crossed[3 * i + 1] = a * z - c * x
    crossed[3 * i + 2] = b * x - a * y
    m[6 * i]! += a
    m[6 * i + 1]! += b
    m[6 * i + 2]! += c
  }
  for (let j = 0; j < 3; j++) {
    const a = crossed[j]!
    const b = crossed[3 + j]!
    const c = crossed[6 + j]!
    for (let i = 0; i < 3; i++) {
      m[6 * i + 3 + j]! += crossed[3 * i + j]!
      m[6 * (3 + j) + i]! += crossed[3 * i + j]!
    }
    m[21 + j]! += y * c - z * b
    m[27 + j]! += z * a - x * c
    m[33 + j]! += x * b - y * a
  }
}

/** Inverse of the block of angular momentum by turning, which is symmetric, with more about x. */
function invertSymmetric(m: Float64Array, more: number, out: Float64Array): void {
  const a = m[21]! + more
  const b = m[22]!
  const c = m[23]!
  const d = m[28]!
  const e = m[29]!
  const f = m[35]!
  const p = d * f - e * e
  const q = c * e - b * f
  const r = b * e - c * d
  const over = 1 / (a * p + b * q + c * r)
  out[0] = p * over
  out[1] = out[3] = q * over
  out[2] = out[6] = r * over
  out[4] = (a * f - c * c) * over
  out[5] = out[7] = (b * c - a * e) * over
  out[8] = (a * d - b * b) * over
}

/** Acceleration of a link from its parent's. */
function giveOut(part: Articulated, parent: Articulated): void {
  const { acceleration: a, articulated: m, give, free, bias, turn, onParent, slowing } = part
  const p = parent.acceleration
  const x = onParent[0]
  const y = onParent[1]
  const z = onParent[2]
  const lx = p[0]! + p[4]! * z - p[5]! * y
  const ly = p[1]! + p[5]! * x - p[3]! * z
  const lz = p[2]! + p[3]! * y - p[4]! * x
  for (let k = 0; k < 3; k++) a[k] = turn[k]! * lx + turn[3 + k]! * ly + turn[6 + k]! * lz + bias[k]!
  const u = left
  for (let k = 0; k < 3; k++) u[k] = free[k]! - m[3 + k]! * a[0]! - m[9 + k]! * a[1]! - m[15 + k]! * a[2]!
  u[0]! += slowing * (turn[0]! * p[3]! + turn[3]! * p[4]! + turn[6]! * p[5]! + bias[3]!)
  for (let k = 0; k < 3; k++)
    a[3 + k] = give[3 * k]! * u[0]! + give[3 * k + 1]! * u[1]! + give[3 * k + 2]! * u[2]!
}
const left = new Float64Array(3)
