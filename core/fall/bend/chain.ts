import type { Vec3 } from '../../numerics/quaternion'
import { addAt } from '../addAt'
import { DEFAULT_FACTORS } from '../factors'
import type { HydroBody } from '../hydroBody'
import { makeLoads, type LoadOptions, type Loads } from '../loads'
import { momentumRate, type Surroundings } from '../motion'
import { accelerate, letGo, type Articulated } from './articulated'

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

/**
 * Adds the force that a link's own wake brings about, at its centre of gravity, in its axes.
 * @param n which link
 * @param v velocity of its centre of gravity through the water and turning rate, its axes (6)
 */
export type Waking = (n: number, y: Float64Array, v: Float64Array, out: Float64Array) => void

/** What surrounds a chain: as a rigid rig, the ground that it lies on, and what its links shed. */
export interface ChainSurroundings extends Surroundings {
  readonly ground?: Pressing
  readonly wake?: Waking
}

/** Work space of one link. */
interface Working extends Articulated {
  readonly at: number
  /** centre of gravity from the frame's origin */ readonly centre: Vec3
  /** inertia about the origin, 6x6 */ readonly inertia: Float64Array
  /** velocity and turning rate at the origin, 6 */ readonly twist: Float64Array
  readonly axes: Float64Array
  readonly wholeMS: Float64Array
  readonly loads: Loads
}

/** The motion of a chain: derivatives, and what the whole of it weighs down on its root. */
export interface ChainMotion {
  /** a derivative over the chain's state numbers */
  readonly rate: (y: Float64Array, dy: Float64Array) => void
  /** the derivative that `rate` just gave, with one more pull at the tie point, N in the world's axes */
  readonly pulled: (y: Float64Array, dy: Float64Array, worldN: ArrayLike<number>) => void
  /** how the centre of gravity of a link goes faster, m/s², in its axes (3): as `rate` last found it */
  readonly hastens: (n: number, out: Float64Array) => void
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
  { stream, pull, ground, wake }: ChainSurroundings = {},
): ChainMotion {
  const parts = links.map((link, n) => workingOf(link, links[link.parent], n, options))
  const massKg = links.reduce((sum, { body }) => sum + body.geometry.massKg, 0)
  const scratch = { cg: new Float64Array(6), load: new Float64Array(6), momentum: new Float64Array(6) }
  const mean = new Float64Array(3)
  const flow = new Float64Array(2)
  function rate(y: Float64Array, dy: Float64Array): void {
    moveAlong(links, parts, y)
    if (options.viscous) meanVelocity(links, parts, massKg, mean)
    loadLinks(links, parts, y, scratch, ground ? overGround(y) : wake && inWake(y))
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
  const inWake =
    (y: Float64Array): Pressed =>
    (n, _, cg, load) =>
      wake!(n, y, cg, load)
  function hastens(n: number, out: Float64Array): void {
    const {
      acceleration: a,
      twist: t,
      centre: [x, yy, z],
    } = parts[n]!
    const [p, q, r] = [t[3]!, t[4]!, t[5]!]
    // of the velocity's own numbers, and of the axes in which they stand
    const vx = t[0]! + q * z - r * yy
    const vy = t[1]! + r * x - p * z
    const vz = t[2]! + p * yy - q * x
    out[0] = a[0]! + a[4]! * z - a[5]! * yy + q * vz - r * vy
    out[1] = a[1]! + a[5]! * x - a[3]! * z + r * vx - p * vz
    out[2] = a[2]! + a[3]! * yy - a[4]! * x + p * vy - q * vx
  }
  function write(y: Float64Array, dy: Float64Array): void {
    writeRates(links, parts, y, dy)
    if (!stream) return
    stream(y[2]!, flow)
    dy[0]! += flow[0]!
    dy[1]! += flow[1]!
  }
  return { rate, pulled, hastens, carried: parts[0]!.articulated }
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
    const rx = part.onParent[0]
    const ry = part.onParent[1]
    const rz = part.onParent[2]
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
    bias[0] = wz * twist[1]! - wy * twist[2]!
    bias[1] = wx * twist[2]! - wz * twist[0]!
    bias[2] = wy * twist[0]! - wx * twist[1]!
    bias[3] = wz * twist[4]! - wy * twist[5]!
    bias[4] = wx * twist[5]! - wz * twist[3]!
    bias[5] = wy * twist[3]! - wx * twist[4]!
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
    const fx = load[0]!
    const fy = load[1]!
    const fz = load[2]!
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
