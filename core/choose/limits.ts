import { loadOf } from '../cast/launch'
import type { FitRule } from '../fit/rules'
import type { Problem } from '../rig/spec'
import type { Line } from '../tackle/lines'
import type { Water } from '../water/water'
import { ROOFS, zoneOf, type Day } from './day'

/** What puts a rig out, whatever its score. */
export type LimitId = 'fit' | 'floats' | 'reach' | 'current' | 'cast' | 'roof' | 'match'
/** The same with what stands in the way. SI. */
export type Limit =
  | { readonly id: 'fit'; readonly rule: FitRule }
  | { readonly id: 'fit'; readonly problem: Problem }
  | { readonly id: 'fit'; readonly misfit: 'hollow' | 'folds' | 'tooLong' | 'tooShort' }
  | { readonly id: 'floats' | 'match' }
  | { readonly id: 'reach'; readonly seconds: number; readonly depthM: number }
  | { readonly id: 'current'; readonly driftM: number }
  | {
      readonly id: 'current'
      /** what the flow pulls with at line and rig, and what the rig holds, N */ readonly pullN: number
      readonly holdsN: number
    }
  | { readonly id: 'cast'; readonly massKg: number }
  | {
      readonly id: 'roof'
      /** its weight goes through and leaves it behind */ readonly leftBehind: boolean
      readonly hasJ: number
      readonly needsJ: number
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

/**
 * Reaches the fish, holds the current, goes through what lies over them.
 * @returns the first limit that stands in the way
 */
export function limitOf(day: Day, load: Load, line: Line, water: Water): Limit | undefined {
  const { fromM } = zoneOf(day)
  const seconds = fromM / load.sinkMS
  if (seconds > PATIENT_S) return { id: 'reach', seconds, depthM: fromM }
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
  if (drift > UPSTREAM_M) return { id: 'current', driftM: drift }
  const half = 0.5 * water.densityKgM3
  const onLine = half * LINE_CD * line.diameterM * depthM * (MEAN_SHARE * surface) ** 2 * BORNE
  const onRig = half * RIG_CD * sideM2 * (NEAR_BED_SHARE * surface) ** 2
  const holds = GRIP * wetN
  return onLine + onRig > holds ? { id: 'current', pullN: onLine + onRig, holdsN: holds } : undefined
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
  return has < needs ? { id: 'roof', leftBehind: aloneKg !== undefined, hasJ: has, needsJ: needs } : undefined
}

/** Within what a rod casts, with a little over either end. */
export const castable = (massKg: number, range: readonly [number, number]): boolean =>
  loadOf(massKg, range) === 'within'
