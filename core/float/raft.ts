import { GRAVITY_MS2 } from '../constants'
import { normalBelow } from '../numerics/normal'
import type { Vec3 } from '../numerics/quaternion'
import type { RigGeometry } from '../rig/geometry'

/** What lies on the water and carries a bait: leaves, or a layer of weed. SI. */
export interface Raft {
  /** radius of one piece; undefined where it goes on */ readonly radiusM?: number
  /** length over which its stiffness spreads a load: fourth root of stiffness over weight of water */
  readonly spreadM: number
  /** how high its rim or its top stands over the water */ readonly freeboardM: number
  /** median width of the holes in it, and their geometric spread */ readonly holeM: number
  readonly holeGsd: number
}

/** How a rig lies on a raft, and which holes it drops into. SI. */
export interface OnRaft {
  readonly pitchRad: number
  /** 0 back up */ readonly rollRad: number
  readonly point: 'up' | 'side' | 'down'
  /** how far the raft gives under it */ readonly dipM: number
  /** it stays over water */ readonly carried: boolean
  /** shortest hole that its nose drops into while it is worked on, and that takes it whole when it is stopped */
  readonly noseInM: number
  readonly wholeInM: number
  /** share of the holes met that are as long */ readonly noseInShare: number
  readonly wholeInShare: number
}

/**
 * How far a raft gives under a load, m. One that goes on: a plate on water under a load at a point, w = P / 8 k λ²
 * (Timoshenko & Woinowsky-Krieger, Theory of Plates and Shells, § 57). A leaf smaller than it spreads: a stiff disc
 * that the water lifts.
 */
export function dipOf({ radiusM, spreadM }: Raft, loadKg: number, waterKgM3: number): number {
  const plate = loadKg / (8 * waterKgM3 * spreadM ** 2)
  return radiusM === undefined ? plate : Math.max(plate, loadKg / (waterKgM3 * Math.PI * radiusM ** 2))
}

/** Step of the tipping and longest that it is followed, s. */
const STEP_S = 5e-4
const LONGEST_S = 3

/**
 * Shortest hole that a bait's nose drops into while it is drawn over it, m: once its centre of gravity has passed
 * the edge it tips about that edge by its own weight, and is in when the nose is a given way down before it is
 * across. Drawn slowly that is the length before its centre.
 * @param beforeM from the centre of gravity to the nose, m
 * @param gyrationM radius of gyration about the centre of gravity, across the bait, m
 * @param downM how far the nose has to drop, m
 */
export function noseHoleM(beforeM: number, gyrationM: number, downM: number, speedMS: number): number {
  let [angle, rate] = [0, 0]
  for (let t = 0; t < LONGEST_S; t += STEP_S) {
    const past = speedMS * (t + STEP_S / 2)
    // its centre slides away from the edge it turns about: the moment of inertia there grows, and takes its turn
    const inertia = gyrationM ** 2 + past ** 2
    rate += (STEP_S * (GRAVITY_MS2 * past * Math.cos(angle) - 2 * past * speedMS * rate)) / inertia
    angle += STEP_S * rate
    const ahead = beforeM + speedMS * (t + STEP_S)
    if (ahead * Math.sin(Math.min(angle, Math.PI / 2)) >= downM) return ahead
  }
  return beforeM + speedMS * LONGEST_S
}

/** Radius of gyration about the axis across, m. */
const gyration = ({ inertia, massKg }: RigGeometry): number => Math.sqrt(inertia[4]! / massKg)

/** How far the outline reaches along a direction from the centre of gravity, m. */
function reach({ outline, centre }: RigGeometry, way: Vec3): number {
  let most = -Infinity
  for (let i = 0; i < outline.length; i += 3)
    most = Math.max(
      most,
      way[0] * (outline[i]! - centre[0]) +
        way[1] * (outline[i + 1]! - centre[1]) +
        way[2] * (outline[i + 2]! - centre[2]),
    )
  return most
}

const shareOver = ({ holeM, holeGsd }: Raft, m: number): number =>
  1 - normalBelow(Math.log(m / holeM) / Math.log(holeGsd))

/**
 * How a rig lies on a raft and drops into its holes.
 * @param up the rig's direction that points up as it lies, a unit vector
 * @param speedMS it is worked at
 */
export function onRaft(
  geometry: RigGeometry,
  raft: Raft,
  up: Vec3,
  speedMS: number,
  waterKgM3: number,
): OnRaft {
  const dipM = dipOf(raft, geometry.massKg, waterKgM3)
  const before = reach(geometry, [1, 0, 0])
  const high = reach(geometry, [-up[0], -up[1], -up[2]])
  const noseInM = noseHoleM(before, gyration(geometry), high, speedMS)
  const wholeInM = before + reach(geometry, [-1, 0, 0])
  return {
    pitchRad: Math.asin(Math.max(-1, Math.min(1, up[0]))),
    rollRad: Math.atan2(up[1], up[2]),
    point: up[2] > 0.5 ? 'up' : up[2] < -0.5 ? 'down' : 'side',
    dipM,
    carried: dipM <= raft.freeboardM,
    noseInM,
    wholeInM,
    noseInShare: shareOver(raft, noseInM),
    wholeInShare: shareOver(raft, wholeInM),
  }
}
