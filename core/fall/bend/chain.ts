import { solveInPlace } from '../../numerics/linear'
import type { Vec3 } from '../../numerics/quaternion'
import { addAt } from '../addAt'
import { DEFAULT_FACTORS } from '../factors'
import type { HydroBody } from '../hydroBody'
import { makeLoads, type LoadOptions, type Loads } from '../loads'
import { momentumRate, type Surroundings } from '../motion'

/** One link of a chain: a piece of the rig that does not bend in itself. */
export interface Link {
  /** its parts, about its own centre of gravity; axes are those of the rig where nothing is bent */
  readonly body: HydroBody
  /** number of the link that it hangs on, lower than its own; -1 for the root */ readonly parent: number
  /** where it hangs on that, from its own centre of gravity and from the parent's, m; nothing for the root */
  readonly jointAt: Vec3
  readonly jointOnParent: Vec3
  /** of the joint: in twist about x, in bending about y and about z, N·m/rad */ readonly stiffness: Vec3
  /** N·m·s/rad, likewise */ readonly damping: Vec3
  /**
   * inertia that takes part in the joint's own twisting alone, kg·m²: it slows what is too quick to follow, and adds
   * nothing to a chain that turns as one
   */
  readonly slowing: number
}

/**
 * Numbers of a chain's state: those of the root (place of its centre of gravity in the world, 3; attitude, 4; velocity
 * and turning rate in its own axes, 6), then of each further link its attitude against its parent (4) and its turning
 * rate against it, in its own axes (3).
 */
export const ROOT_STATE = 13
export const LINK_STATE = 7
export const chainStateSize = (links: readonly Link[]): number => ROOT_STATE + LINK_STATE * (links.length - 1)

/** What acts on a chain, as on a rigid rig: a line at the root. */
export type ChainLoads = Omit<LoadOptions, 'wholeMS'>

/**
 * Adds what the ground does to a link, force and moment about its centre of gravity in its axes.
 * @param n which link
 * @param heightM of its centre of gravity
 * @param place of it in the world, m: what a hinge pulls on; of the root alone
 * @param axes world up (3) and world X (3), both in its axes
 * @param v velocity of its centre of gravity over the ground and turning rate, its axes (6)
 */
export type Pressing = (
  n: number,
  heightM: number,
  place: ArrayLike<number>,
  axes: Float64Array,
  v: Float64Array,
  out: Float64Array,
) => void

/** What surrounds a chain: as a rigid rig, and the ground that it lies on. */
export interface ChainSurroundings extends Surroundings {
  readonly ground?: Pressing
}

/** Work space of one link; frames of links have their origin at the joint, that of the root at its centre of gravity. */
interface Working {
  readonly at: number
  /** centre of gravity and joint on the parent from the frames' origins */ readonly centre: Vec3
  readonly onParent: Vec3
  /** inertia about the origin, 6x6 */ readonly inertia: Float64Array
  /** turns its axes into the parent's, 3x3 */ readonly turn: Float64Array
  /** velocity and turning rate at the origin, 6 */ readonly twist: Float64Array
  /** its own joint's rate taken with velocity and turning rate, 6 */ readonly bias: Float64Array
  readonly axes: Float64Array
  readonly articulated: Float64Array
  readonly force: Float64Array
  readonly torque: Float64Array
  readonly acceleration: Float64Array
  /** D⁻¹ (3x3), G = B·D⁻¹ (3x3), and the free part of the joint's moment (3) */
  /** of the joint's own twisting, kg·m² */ readonly slowing: number
  /** what twisting makes the parent carry: mass by turning (3), and by turning alone */
  readonly twisted: Float64Array
  readonly give: Float64Array
  readonly lever: Float64Array
  readonly free: Float64Array
  readonly wholeMS: Float64Array
  readonly loads: Loads
}

/** The motion of a chain: derivatives, and what the whole of it weighs down on its root. */
export interface ChainMotion {
  /** a derivative over the chain's state numbers */
  readonly rate: (y: Float64Array, dy: Float64Array) => void
  /** the derivative that `rate` just gave, with one more pull at the tie point, N in the world's axes */
  readonly pulled: (y: Float64Array, dy: Float64Array, worldN: ArrayLike<number>) => void
  /** inertia that a force on the root feels, about its centre of gravity, in its axes, 6x6: as `rate` last found it */
  readonly carried: Float64Array
}

/**
 * The motion of rigid links on joints that bend and twist like springs: Kirchhoff's equations for each link, coupled by
 * the articulated-body algorithm (Featherstone, Rigid Body Dynamics Algorithms, ch. 7; here with joints that turn every
 * way, and inertias that hold the water's). In a current the velocities are those through the water, which carries all
 * links at the speed that it has at the root, as it does a rigid rig.
 */
export function chainMotion(
  links: readonly Link[],
  options: ChainLoads,
  { stream, pull, ground }: ChainSurroundings = {},
): ChainMotion {
  const parts = links.map((link, n) => workingOf(link, links[link.parent], n, options))
  const massKg = links.reduce((sum, { body }) => sum + body.geometry.massKg, 0)
  const scratch = { cg: new Float64Array(6), load: new Float64Array(6), momentum: new Float64Array(6) }
  const mean = new Float64Array(3)
  const flow = new Float64Array(2)
  function rate(y: Float64Array, dy: Float64Array): void {
    moveAlong(links, parts, y)
    if (options.viscous) meanVelocity(links, parts, massKg, mean)
    loadLinks(links, parts, y, scratch, ground && overGround(y))
    if (pull) pullRoot(links[0]!.body.tieAt, parts[0]!, pull, scratch.load)
    accelerate(links, parts)
    write(y, dy)
  }
  function pulled(y: Float64Array, dy: Float64Array, worldN: ArrayLike<number>): void {
    pullRoot(links[0]!.body.tieAt, parts[0]!, worldN, scratch.load)
    letGo(links, parts)
    write(y, dy)
  }
  const over = new Float64Array(6)
  const heights = new Float64Array(links.length)
  /** What the ground does, which knows nothing of the water's own speed. */
  function overGround(y: Float64Array): Pressed {
    if (stream) stream(y[2]!, flow)
    return (n, { axes: a, centre: c, onParent }, cg, load) => {
      const on = parts[links[n]!.parent]?.axes
      const joint = on
        ? heights[links[n]!.parent]! + on[0]! * onParent[0] + on[1]! * onParent[1] + on[2]! * onParent[2]
        : y[2]!
      heights[n] = joint
      over.set(cg)
      const [fx, fy] = [flow[0]!, flow[1]!]
      over[0]! += fx * a[3]! + fy * (a[1]! * a[5]! - a[2]! * a[4]!)
      over[1]! += fx * a[4]! + fy * (a[2]! * a[3]! - a[0]! * a[5]!)
      over[2]! += fx * a[5]! + fy * (a[0]! * a[4]! - a[1]! * a[3]!)
      ground!(n, joint + a[0]! * c[0] + a[1]! * c[1] + a[2]! * c[2], y, a, over, load)
    }
  }
  function write(y: Float64Array, dy: Float64Array): void {
    writeRates(links, parts, y, dy)
    if (!stream) return
    stream(y[2]!, flow)
    dy[0]! += flow[0]!
    dy[1]! += flow[1]!
  }
  return { rate, pulled, carried: parts[0]!.articulated }
}

/** Adds a held line's pull, in the world's axes, N, at the root's tie point. @param load overwritten */
function pullRoot(
  [x, y, z]: Vec3,
  { turn: r, force }: Working,
  pull: ArrayLike<number>,
  load: Float64Array,
): void {
  load.fill(0)
  const [fx, fy, fz] = [0, 1, 2].map(k => r[k]! * pull[0]! + r[3 + k]! * pull[1]! + r[6 + k]! * pull[2]!)
  addAt(load, x, y, z, fx!, fy!, fz!)
  for (let i = 0; i < 6; i++) force[i]! -= load[i]!
}

const UNLOADED: ChainLoads = { factors: DEFAULT_FACTORS, viscous: false, gravityMS2: 0 }

/** How links accelerate at rest under moments in their joints alone: for the rates at which a chain swings. */
export function givesWay(links: readonly Link[]): (moments: Float64Array, out: Float64Array) => void {
  const parts = links.map((link, n) => workingOf(link, links[link.parent], n, UNLOADED))
  const y = new Float64Array(chainStateSize(links))
  for (let n = 0; n < links.length; n++) y[n === 0 ? 3 : ROOT_STATE + LINK_STATE * (n - 1)] = 1
  const dy = new Float64Array(y.length)
  return (moments, out) => {
    moveAlong(links, parts, y)
    for (const [n, part] of parts.entries()) {
      part.articulated.set(part.inertia)
      part.force.fill(0)
      for (let k = 0; k < 3; k++) part.torque[k] = n === 0 ? 0 : moments[3 * (n - 1) + k]!
    }
    accelerate(links, parts)
    writeRates(links, parts, y, dy)
    for (let n = 1; n < links.length; n++)
      for (let k = 0; k < 3; k++) out[3 * (n - 1) + k] = dy[ROOT_STATE + LINK_STATE * (n - 1) + 4 + k]!
  }
}

function workingOf(link: Link, parent: Link | undefined, n: number, options: ChainLoads): Working {
  const { body, jointAt, jointOnParent } = link
  const root = parent === undefined
  const centre: Vec3 = root ? [0, 0, 0] : [-jointAt[0], -jointAt[1], -jointAt[2]]
  // the parent's frame begins at its own joint
  const from: Vec3 = root || parent.parent < 0 ? [0, 0, 0] : parent.jointAt
  const wholeMS = new Float64Array(3)
  const { line, tow, ...rest } = options
  return {
    at: n === 0 ? 0 : ROOT_STATE + LINK_STATE * (n - 1),
    centre,
    onParent: [jointOnParent[0] - from[0], jointOnParent[1] - from[1], jointOnParent[2] - from[2]],
    inertia: shifted(body.inertia, centre),
    turn: new Float64Array(9),
    twist: new Float64Array(6),
    bias: new Float64Array(6),
    axes: new Float64Array(6),
    articulated: new Float64Array(36),
    force: new Float64Array(6),
    torque: new Float64Array(3),
    acceleration: new Float64Array(6),
    slowing: link.slowing,
    twisted: new Float64Array(4),
    give: new Float64Array(9),
    lever: new Float64Array(9),
    free: new Float64Array(3),
    wholeMS,
    loads: makeLoads(body, {
      ...rest,
      wholeMS,
      ...(root && line ? { line } : {}),
      ...(root && tow ? { tow } : {}),
    }),
  }
}

/** A 6x6 inertia about a point, taken about another from which that lies at `c`. */
function shifted(about: Float64Array, c: Vec3): Float64Array {
  // velocity there = velocity here + turning rate x c
  const t = new Float64Array(36)
  for (let i = 0; i < 6; i++) t[7 * i] = 1
  t[4] = c[2]
  t[5] = -c[1]
  t[9] = -c[2]
  t[11] = c[0]
  t[15] = c[1]
  t[16] = -c[0]
  const mt = new Float64Array(36)
  const out = new Float64Array(36)
  for (let i = 0; i < 6; i++)
    for (let j = 0; j < 6; j++)
      for (let k = 0; k < 6; k++) mt[6 * i + j]! += about[6 * i + k]! * t[6 * k + j]!
  for (let i = 0; i < 6; i++)
    for (let j = 0; j < 6; j++) for (let k = 0; k < 6; k++) out[6 * i + j]! += t[6 * k + i]! * mt[6 * k + j]!
  return out
}

/** Turns from one frame into another as a matrix (3x3) from a quaternion that is nearly of unit length. */
function turnOf(y: Float64Array, at: number, m: Float64Array): void {
  const w = y[at]!
  const x = y[at + 1]!
  const yy = y[at + 2]!
  const z = y[at + 3]!
  const two = 2 / (w * w + x * x + yy * yy + z * z)
  m[0] = 1 - two * (yy * yy + z * z)
  m[1] = two * (x * yy - w * z)
  m[2] = two * (x * z + w * yy)
  m[3] = two * (x * yy + w * z)
  m[4] = 1 - two * (x * x + z * z)
  m[5] = two * (yy * z - w * x)
  m[6] = two * (x * z - w * yy)
  m[7] = two * (yy * z + w * x)
  m[8] = 1 - two * (x * x + yy * yy)
}

/** Places, attitudes and velocities from the root outward. */
function moveAlong(links: readonly Link[], parts: readonly Working[], y: Float64Array): void {
  const root = parts[0]!
  turnOf(y, 3, root.turn)
  for (let k = 0; k < 6; k++) root.twist[k] = y[7 + k]!
  // the world's up and X in the root's axes
  for (let k = 0; k < 3; k++) {
    root.axes[k] = root.turn[6 + k]!
    root.axes[3 + k] = root.turn[k]!
  }
  for (let n = 1; n < parts.length; n++) {
    const part = parts[n]!
    const { twist: p, axes: a } = parts[links[n]!.parent]!
    const { at, turn, twist, bias, axes } = part
    const [rx, ry, rz] = part.onParent
    turnOf(y, at, turn)
    const vx = p[0]! + p[4]! * rz - p[5]! * ry
    const vy = p[1]! + p[5]! * rx - p[3]! * rz
    const vz = p[2]! + p[3]! * ry - p[4]! * rx
    const wx = y[at + 4]!
    const wy = y[at + 5]!
    const wz = y[at + 6]!
    for (let k = 0; k < 3; k++) {
      twist[k] = turn[k]! * vx + turn[3 + k]! * vy + turn[6 + k]! * vz
      twist[3 + k] = turn[k]! * p[3]! + turn[3 + k]! * p[4]! + turn[6 + k]! * p[5]!
      axes[k] = turn[k]! * a[0]! + turn[3 + k]! * a[1]! + turn[6 + k]! * a[2]!
      axes[3 + k] = turn[k]! * a[3]! + turn[3 + k]! * a[4]! + turn[6 + k]! * a[5]!
    }
    // -w x (velocity), -w x (turning rate of the parent)
    for (const s of [0, 3]) {
      bias[s] = wz * twist[s + 1]! - wy * twist[s + 2]!
      bias[s + 1] = wx * twist[s + 2]! - wz * twist[s]!
      bias[s + 2] = wy * twist[s]! - wx * twist[s + 1]!
    }
    twist[3]! += wx
    twist[4]! += wy
    twist[5]! += wz
  }
}

/** Velocity of the centre of gravity of all, in the axes of every link. */
function meanVelocity(
  links: readonly Link[],
  parts: readonly Working[],
  massKg: number,
  mean: Float64Array,
): void {
  // summed from the tips inward, each in its own axes
  for (const part of parts) part.wholeMS.fill(0)
  for (let n = parts.length - 1; n >= 0; n--) {
    const { twist: t, centre: c, wholeMS: sum, turn } = parts[n]!
    const m = links[n]!.body.geometry.massKg
    sum[0]! += m * (t[0]! + t[4]! * c[2] - t[5]! * c[1])
    sum[1]! += m * (t[1]! + t[5]! * c[0] - t[3]! * c[2])
    sum[2]! += m * (t[2]! + t[3]! * c[1] - t[4]! * c[0])
    if (n === 0) break
    const up = parts[links[n]!.parent]!.wholeMS
    for (let k = 0; k < 3; k++)
      up[k]! += turn[3 * k]! * sum[0]! + turn[3 * k + 1]! * sum[1]! + turn[3 * k + 2]! * sum[2]!
  }
  for (let n = 0; n < parts.length; n++) {
    const { wholeMS: v, turn } = parts[n]!
    if (n === 0) for (let k = 0; k < 3; k++) v[k]! /= massKg
    else {
      mean.set(parts[links[n]!.parent]!.wholeMS)
      for (let k = 0; k < 3; k++)
        v[k] = turn[k]! * mean[0]! + turn[3 + k]! * mean[1]! + turn[6 + k]! * mean[2]!
    }
  }
}

interface Scratch {
  readonly cg: Float64Array
  readonly load: Float64Array
  readonly momentum: Float64Array
}

/** Adds what the ground does to a link about its centre of gravity. @param cg its velocity through the water */
type Pressed = (n: number, part: Working, cg: Float64Array, load: Float64Array) => void

/** What acts on every link, and what its own motion asks for; the moments of its springs. */
function loadLinks(
  links: readonly Link[],
  parts: readonly Working[],
  y: Float64Array,
  { cg, load, momentum }: Scratch,
  press?: Pressed,
): void {
  for (let n = 0; n < parts.length; n++) {
    const part = parts[n]!
    const link = links[n]!
    const { twist: t, centre: c, axes, inertia, force } = part
    cg[0] = t[0]! + t[4]! * c[2] - t[5]! * c[1]
    cg[1] = t[1]! + t[5]! * c[0] - t[3]! * c[2]
    cg[2] = t[2]! + t[3]! * c[1] - t[4]! * c[0]
    cg[3] = t[3]!
    cg[4] = t[4]!
    cg[5] = t[5]!
    const tie = link.body.tieAt
    const depth = -(y[2]! + axes[0]! * tie[0] + axes[1]! * tie[1] + axes[2]! * tie[2])
    part.loads(cg, axes, depth, load)
    press?.(n, part, cg, load)
    const [fx, fy, fz] = [load[0]!, load[1]!, load[2]!]
    load[0] = load[1] = load[2] = 0
    addAt(load, c[0], c[1], c[2], fx, fy, fz)
    for (let i = 0; i < 6; i++) {
      let sum = 0
      for (let k = 0; k < 6; k++) sum += inertia[6 * i + k]! * t[k]!
      momentum[i] = sum
    }
    momentumRate(momentum, 0, t, load, force, 0)
    for (let i = 0; i < 6; i++) force[i] = -force[i]!
    part.articulated.set(inertia)
    if (n > 0) springMoment(link, y, part.at, part.torque)
  }
}

/**
 * Moment of a joint's springs and dampers on the outer link, in its axes. The springs' energy is half of θᵀKθ with the
 * rotation vector θ, so that what is put into them comes back: the moment is −Jᵣ(θ)⁻ᵀKθ (Jᵣ: Chirikjian, Stochastic
 * Models, Information Theory, and Lie Groups, vol. 2, 10.4).
 */
function springMoment(
  { stiffness: k, damping: d }: Link,
  y: Float64Array,
  at: number,
  out: Float64Array,
): void {
  const turn = y[at]! < 0 ? -1 : 1
  const x = turn * y[at + 1]!
  const yy = turn * y[at + 2]!
  const z = turn * y[at + 3]!
  const sin = Math.sqrt(x * x + yy * yy + z * z)
  const angle = 2 * Math.atan2(sin, turn * y[at]!)
  const per = sin > 1e-9 ? angle / sin : 2
  const tx = per * x
  const ty = per * yy
  const tz = per * z
  const kx = k[0] * tx
  const ky = k[1] * ty
  const kz = k[2] * tz
  const cx = ty * kz - tz * ky
  const cy = tz * kx - tx * kz
  const cz = tx * ky - ty * kx
  // 1/θ² − cot(θ/2)/(2θ), which comes to 1/12
  const a = angle < 1e-3 ? 1 / 12 : 1 / (angle * angle) - (turn * y[at]!) / (2 * angle * sin)
  out[0] = -(kx - 0.5 * cx + a * (ty * cz - tz * cy)) - d[0] * y[at + 4]!
  out[1] = -(ky - 0.5 * cy + a * (tz * cx - tx * cz)) - d[1] * y[at + 5]!
  out[2] = -(kz - 0.5 * cz + a * (tx * cy - ty * cx)) - d[2] * y[at + 6]!
}

const root6 = new Float64Array(36)

/** Articulated inertias from the tips inward, then accelerations from the root outward. */
function accelerate(links: readonly Link[], parts: readonly Working[]): void {
  for (let n = parts.length - 1; n > 0; n--) takeIn(parts[n]!, parts[links[n]!.parent]!)
  letGo(links, parts)
}
/** The way outward alone: what forces on the root come to once all that it carries is known. */
function letGo(links: readonly Link[], parts: readonly Working[]): void {
  const root = parts[0]!
  for (let i = 0; i < 6; i++) root.acceleration[i] = -root.force[i]!
  root6.set(root.articulated)
  if (!solveInPlace(root6, root.acceleration)) root.acceleration.fill(NaN)
  for (let n = 1; n < parts.length; n++) giveOut(parts[n]!, parts[links[n]!.parent]!)
}

/** Adds to a parent what a link on its joint makes it carry. */
function takeIn(part: Working, parent: Working): void {
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
function addTwistAt(m: Float64Array, twisted: Float64Array, turn: Float64Array, [x, y, z]: Vec3): void {
  const [tb0, tb1, tb2, jj] = [twisted[0]!, twisted[1]!, twisted[2]!, twisted[3]!]
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
function addMassAt(m: Float64Array, e: Float64Array, [x, y, z]: Vec3): void {
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
function giveOut(part: Working, parent: Working): void {
  const { acceleration: a, articulated: m, give, free, bias, turn, onParent, slowing } = part
  const p = parent.acceleration
  const [x, y, z] = onParent
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

function writeRates(
  links: readonly Link[],
  parts: readonly Working[],
  y: Float64Array,
  dy: Float64Array,
): void {
  const { turn, twist, acceleration } = parts[0]!
  for (let i = 0; i < 3; i++)
    dy[i] = turn[3 * i]! * twist[0]! + turn[3 * i + 1]! * twist[1]! + turn[3 * i + 2]! * twist[2]!
  attitudeRate(y, 3, twist[3]!, twist[4]!, twist[5]!, dy)
  dy.set(acceleration, 7)
  for (let n = 1; n < parts.length; n++) {
    const { at, turn: r, acceleration: a, bias } = parts[n]!
    const p = parts[links[n]!.parent]!.acceleration
    attitudeRate(y, at, y[at + 4]!, y[at + 5]!, y[at + 6]!, dy)
    for (let k = 0; k < 3; k++)
      dy[at + 4 + k] = a[3 + k]! - r[k]! * p[3]! - r[3 + k]! * p[4]! - r[6 + k]! * p[5]! - bias[3 + k]!
  }
}

function attitudeRate(y: Float64Array, at: number, p: number, q: number, r: number, dy: Float64Array): void {
  const w = y[at]!
  const x = y[at + 1]!
  const yy = y[at + 2]!
  const z = y[at + 3]!
  dy[at] = 0.5 * (-x * p - yy * q - z * r)
  dy[at + 1] = 0.5 * (w * p + yy * r - z * q)
  dy[at + 2] = 0.5 * (w * q + z * p - x * r)
  dy[at + 3] = 0.5 * (w * r + x * q - yy * p)
}
