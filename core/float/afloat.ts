import type { Vec3 } from '../numerics/quaternion'
import type { RigGeometry } from '../rig/geometry'
import { submergedOf } from './submerged'

/** How a rig sits on the water. SI. */
export interface Afloat {
  /** unit vector of the body that points up */ readonly up: Vec3
  /** height of the surface over its centre of gravity, m */ readonly surfaceM: number
  /** its deepest point under the surface, m, and its highest over it */ readonly draftM: number
  readonly freeboardM: number
  /** nose up, rad, and leaning to its left, rad: π is belly up */ readonly pitchRad: number
  readonly rollRad: number
  /** part of its volume under water */ readonly underShare: number
  /** work that it takes to roll it over from where it sits, over weight and length: 0 is none */
  readonly stiffness: number
}

const norm = ([x, y, z]: Vec3): Vec3 => {
  const r = Math.hypot(x, y, z)
  return [x / r, y / r, z / r]
}

/** How near its own mass a body's displacement is brought, and in how many steps at most. */
const CLOSE = 1e-9
const TRIES = 60

/**
 * Height of the surface at which a body of this attitude displaces its own mass, m along `up`: regula falsi with
 * the stale end halved (Illinois; Dowell & Jarratt 1971).
 * @throws RangeError when it sinks
 */
export function levelOf(geometry: RigGeometry, up: Vec3, waterKgM3: number): number {
  const volume = geometry.massKg / waterKgM3
  if (!(volume < geometry.displacedM3)) throw new RangeError('levelOf: it is heavier than what it displaces')
  const { low, high } = extentAlong(geometry, up)
  let [a, b] = [low, high]
  let [fa, fb] = [-volume, geometry.displacedM3 - volume]
  for (let i = 0; i < TRIES; i++) {
    const level = (a * fb - b * fa) / (fb - fa)
    const f = submergedOf(geometry, up, level).volumeM3 - volume
    if (Math.abs(f) < CLOSE * volume) return level
    if (f > 0) {
      b = level
      fb = f
      fa /= 2
    } else {
      a = level
      fa = f
      fb /= 2
    }
  }
  return (a + b) / 2
}

/** Lowest and highest of what displaces water, along a direction. */
function extentAlong(
  { strips, compacts }: RigGeometry,
  up: Vec3,
): { readonly low: number; readonly high: number } {
  let low = Infinity
  let high = -Infinity
  const put = (at: Vec3, reach: number): void => {
    const h = dot(at, up)
    low = Math.min(low, h - reach)
    high = Math.max(high, h + reach)
  }
  for (const s of strips)
    if (s.displacedM3 > 0)
      put(
        s.at,
        Math.hypot((s.widthM / 2) * dot(s.side, up), (s.heightM / 2) * dot(s.up, up)) +
          (s.lengthM / 2) * Math.abs(dot(s.axis, up)),
      )
  for (const { at, size, displacedM3 } of compacts)
    if (displacedM3 > 0)
      put(at, Math.hypot((size[0] / 2) * up[0], (size[1] / 2) * up[1], (size[2] / 2) * up[2]))
  return { low, high }
}
const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

/**
 * Energy of a floating body in an attitude, over its weight, m: how high its centre of gravity stands over the
 * middle of what is under water. Afloat it rests where this is least (at a constant displacement the two are
 * equal up to a constant: Rawson & Tupper, Basic Ship Theory I, ch. 4).
 */
function energyOf(
  geometry: RigGeometry,
  up: Vec3,
  waterKgM3: number,
): { readonly energy: number; readonly arm: Vec3 } {
  const { middle } = submergedOf(geometry, up, levelOf(geometry, up, waterKgM3))
  const arm: Vec3 = [
    geometry.centre[0] - middle[0]!,
    geometry.centre[1] - middle[1]!,
    geometry.centre[2] - middle[2]!,
  ]
  return { energy: dot(arm, up), arm }
}

/** Attitudes from which the resting one is looked for: back up, belly up, on a side, nose up and down. */
const STARTS: readonly Vec3[] = [
  [0, 0, 1],
  [0, 0, -1],
  [0, 1, 0.1],
  [0, -1, 0.1],
  [1, 0, 0.1],
  [-1, 0, 0.1],
]
/** Longest turn of the search and the last, rad; a turn for the slope of the arm; and how many there may be. */
const LONGEST_RAD = 0.5
const LAST_RAD = 1e-6
const PROBE_RAD = 1e-3
const TURNS = 60

/** Two directions across a unit vector and each other. */
function acrossOf(up: Vec3): readonly [Vec3, Vec3] {
  const one = norm(cross(up, Math.abs(up[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0]))
  return [one, cross(up, one)]
}
const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
const turned = (up: Vec3, one: Vec3, two: Vec3, i: number, j: number): Vec3 =>
  norm([up[0] + i * one[0] + j * two[0], up[1] + i * one[1] + j * two[1], up[2] + i * one[2] + j * two[2]])

/**
 * Turns the way its righting moment turns it until nothing turns it any more: Newton's steps where the energy
 * is a bowl, down the slope where it is not, each halved until it lowers. The slope is the arm across `up`.
 */
function settle(
  geometry: RigGeometry,
  start: Vec3,
  waterKgM3: number,
): { readonly up: Vec3; readonly energy: number } {
  let up = norm(start)
  let at = energyOf(geometry, up, waterKgM3)
  for (let n = 0; n < TURNS; n++) {
    const [one, two] = acrossOf(up)
    const slope = (arm: Vec3): readonly [number, number] => [dot(arm, one), dot(arm, two)]
    const here = slope(at.arm)
    const probed = ([i, j]: readonly [number, number]): readonly [number, number] =>
      slope(energyOf(geometry, turned(up, one, two, i, j), waterKgM3).arm)
    const [p, q] = [probed([PROBE_RAD, 0]), probed([0, PROBE_RAD])]
    // the arm turns with the body: its own part along `up` leaves the slope with the turn
    const a = (p[0] - here[0]) / PROBE_RAD - at.energy
    const d = (q[1] - here[1]) / PROBE_RAD - at.energy
    const b = ((p[1] - here[1]) / PROBE_RAD + (q[0] - here[0]) / PROBE_RAD) / 2
    const bowl = a * d - b * b
    const [x, y] =
      a > 0 && bowl > 0
        ? [(b * here[1] - d * here[0]) / bowl, (b * here[0] - a * here[1]) / bowl]
        : [-LONGEST_RAD * here[0], -LONGEST_RAD * here[1]].map(v => v / (Math.hypot(...here) || 1))
    let turn = Math.min(1, LONGEST_RAD / (Math.hypot(x!, y!) || 1))
    let better = false
    for (; turn * Math.hypot(x!, y!) > LAST_RAD; turn /= 2) {
      const next = turned(up, one, two, turn * x!, turn * y!)
      const there = energyOf(geometry, next, waterKgM3)
      if (there.energy >= at.energy) continue
      up = next
      at = there
      better = true
      break
    }
    if (!better) break
  }
  return { up, energy: at.energy }
}

/**
 * How a rig that is lighter than the water sits on it: the attitude of least energy of those that it settles in
 * from six ways of landing.
 * @throws RangeError when it sinks
 */
export function afloat(geometry: RigGeometry, waterKgM3: number): Afloat {
  const rests = STARTS.map(start => settle(geometry, start, waterKgM3))
  const { up, energy } = rests.reduce((a, b) => (b.energy < a.energy - 1e-9 ? b : a))
  const levelM = levelOf(geometry, up, waterKgM3)
  const { low, high } = extentAlong(geometry, up)
  const rolled: Vec3 = norm([up[0], up[1] + ROLLED, up[2]])
  return {
    up,
    surfaceM: levelM - dot(geometry.centre, up),
    draftM: Math.max(0, levelM - low),
    freeboardM: Math.max(0, high - levelM),
    pitchRad: Math.asin(Math.max(-1, Math.min(1, up[0]))),
    rollRad: Math.atan2(up[1], up[2]),
    underShare: geometry.massKg / waterKgM3 / geometry.displacedM3,
    stiffness: Math.max(0, energyOf(geometry, rolled, waterKgM3).energy - energy) / geometry.lengthM,
  }
}
/** A little roll, for how stiffly it stands. */
const ROLLED = 0.2
