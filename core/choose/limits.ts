import { STANDARD_GRAVITY } from '../fall/loads'
import type { Line } from '../tackle/lines'
import type { Water } from '../water/water'
import { ROOFS, zoneOf, type Day } from './day'

/** What puts a rig out, whatever its score. */
export type LimitId = 'fit' | 'floats' | 'reach' | 'current' | 'cast' | 'roof' | 'match'
export interface Limit {
  readonly id: LimitId
  readonly sentence: string
}

/**
 * Longest that anyone waits for a rig to come down, s; and how far a cast can be put upstream, m. *Assumed.*
 */
const PATIENT_S = 40
const UPSTREAM_M = 15
/**
 * Drag of a line across a flow (Hoerner 3-9, cylinder at Re of 50 to 500), and the part of it that pulls up
 * at the rig when both ends hold it.
 */
const LINE_CD = 1.2
const BORNE = 0.5
/** Friction of a rig on the bottom, share of its weight in water. *Assumed.* */
const GRIP = 0.6
/** Speed of a rig flipped or pitched onto a mat, m/s. Typical. */
const FLIPPED_MS = 3
/** Drag of a rig that its line points into the flow, against its side area. *Assumed.* */
const RIG_CD = 0.25
/**
 * Mean of the seventh-root profile over the depth, and at a hand's breadth over the bottom, shares of the
 * surface speed.
 */
const MEAN_SHARE = 7 / 8
const NEAR_BED_SHARE = 0.6

/** What the limits need to know of a rig. SI. */
export interface Load {
  readonly massKg: number
  /** weight in water, N */ readonly wetN: number
  readonly sinkMS: number
  /** area it shows a flow along the bottom, m² */ readonly sideM2: number
  /** area that must go through a roof, m² */ readonly frontM2: number
  /**
   * the bait must break through a roof by itself: its weight runs on, or hangs too far off to pull it through
   */
  readonly aloneKg?: number
}

const n1 = (x: number): string => x.toFixed(1)

/**
 * Reaches the fish, holds the current, goes through what lies over them.
 * @returns the first limit that stands in the way
 */
export function limitOf(day: Day, load: Load, line: Line, water: Water): Limit | undefined {
  const { fromM } = zoneOf(day)
  const seconds = fromM / load.sinkMS
  if (seconds > PATIENT_S)
    return { id: 'reach', sentence: `too light: ${Math.round(seconds)} s to come down to ${n1(fromM)} m` }
  return currentLimit(day, load, line, water, seconds) ?? roofLimit(day, load)
}

function currentLimit(
  { stream, depthM }: Day,
  { wetN, sideM2 }: Load,
  line: Line,
  water: Water,
  seconds: number,
): Limit | undefined {
  const surface = stream?.surfaceMS ?? 0
  if (surface < 0.02) return undefined
  const drift = MEAN_SHARE * surface * seconds
  if (drift > UPSTREAM_M)
    return {
      id: 'current',
      sentence: `too light for this current: it drifts ${Math.round(drift)} m on the way down`,
    }
  const half = 0.5 * water.densityKgM3
  const onLine = half * LINE_CD * line.diameterM * depthM * (MEAN_SHARE * surface) ** 2 * BORNE
  const onRig = half * RIG_CD * sideM2 * (NEAR_BED_SHARE * surface) ** 2
  const holds = GRIP * wetN
  return onLine + onRig > holds
    ? {
        id: 'current',
        sentence: `too light for this current: flow pulls at line and rig with ${n1((1000 * (onLine + onRig)) / STANDARD_GRAVITY)} g, it holds ${n1((1000 * holds) / STANDARD_GRAVITY)} g`,
      }
    : undefined
}

/**
 * The energy of a flipped rig, and its weight on the way, against the work of tearing a hole its own size.
 */
function roofLimit({ cover }: Day, { massKg, wetN, frontM2, aloneKg }: Load): Limit | undefined {
  const roof = ROOFS[cover]
  if (!roof) return undefined
  const has =
    aloneKg === undefined
      ? (massKg * FLIPPED_MS ** 2) / 2 + wetN * roof.thicknessM
      : (aloneKg * FLIPPED_MS ** 2) / 2
  const needs = roof.tearPa * frontM2 * roof.thicknessM
  return has < needs
    ? {
        id: 'roof',
        sentence: `${aloneKg === undefined ? 'does not break through the mat' : 'the weight runs on and leaves the bait on the mat'}: ${n1(1000 * has)} mJ against ${n1(1000 * needs)} mJ to tear a hole its size`,
      }
    : undefined
}

/** Within what a rod casts, with a little over either end. */
export const castable = (massKg: number, [low, high]: readonly [number, number]): boolean =>
  massKg >= 0.8 * low && massKg <= 1.15 * high
