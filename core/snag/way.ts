import { pitchOf } from '../numerics/quaternion'
import type { Drop } from '../fall/drop'
import type { RetrieveId } from './retrieve'

/** A stretch of the way of a rig: along the cast from the splash, and above the bottom. Metres, radians. */
export interface Leg {
  readonly fromM: number
  readonly toM: number
  readonly fromHighM: number
  readonly toHighM: number
  /** drawn by the line; else it falls on a slack one */ readonly tight: boolean
  /** nose up positive */ readonly pitchRad: number
}

/** How a rig falls on a slack line. */
export interface FallWay {
  /** metres toward the rod for each metre fallen */ readonly glide: number
  readonly pitchRad: number
}

/**
 * How a rig is moved in each way of working it: lifted so far from the bottom (m, or a part of the depth) while it comes
 * so far along, then left to fall; or kept at a height all the way, among what stands there. For drawing alone: no figure
 * rests on it. *Assumed*, from how each is fished.
 */
const MOVES: Readonly<
  Record<
    RetrieveId,
    | { readonly liftM: number; readonly alongM: number; readonly ofDepth?: number }
    | { readonly keepM: number }
  >
> = {
  hop: { liftM: 0.35, alongM: 0.7 },
  drag: { keepM: 0 },
  slowRoll: { keepM: 0.12 },
  shake: { liftM: 0.06, alongM: 0.12 },
  swim: { keepM: 0.45 },
  snap: { liftM: 0.8, alongM: 0.8 },
  fallInto: { liftM: 0, alongM: 1, ofDepth: 0.6 },
  punch: { liftM: 0, alongM: 1.6, ofDepth: 1 },
}

/** Nothing glides further than this for each metre it falls. */
const MOST_GLIDE = 3
/** Furthest that the fall from the splash takes toward the rod, share of the cast. */
const FIRST_FALL = 0.2

/** How a rig falls, off the last half of a drop: where it has settled. */
export function fallWayOf({ samples }: Pick<Drop, 'samples'>): FallWay {
  const n = samples.length / 8
  const first = Math.floor(n / 2)
  const at = (i: number, k: number): number => samples[8 * i + k]!
  const fallen = at(first, 3) - at(n - 1, 3)
  const aside = Math.hypot(at(n - 1, 1) - at(first, 1), at(n - 1, 2) - at(first, 2))
  let pitch = 0
  for (let i = first; i < n; i++) pitch += pitchOf([at(i, 4), at(i, 5), at(i, 6), at(i, 7)])
  return {
    glide: fallen > 1e-3 ? Math.min(MOST_GLIDE, aside / fallen) : 0,
    pitchRad: pitch / (n - first),
  }
}

/**
 * The way of a rig from the splash to the end of a cast, as legs that join: its own fall between the moves, its own
 * posture on a tight line and on a slack one.
 * @param fall how it falls; left out for what floats, which comes in on top
 * @param tightPitchRad posture on a tight line, nose up positive
 */
export function retrievePath(
  id: RetrieveId,
  depthM: number,
  castM: number,
  fall: FallWay | undefined,
  tightPitchRad: number,
): Leg[] {
  if (!(depthM > 0 && castM > 0)) throw new RangeError('retrievePath: depthM and castM must be above 0')
  if (!fall)
    return [
      { fromM: 0, toM: castM, fromHighM: depthM, toHighM: depthM, tight: true, pitchRad: tightPitchRad },
    ]
  const move = MOVES[id]
  const legs: Leg[] = []
  let at = 0
  let high = depthM
  const go = (toM: number, toHighM: number, tight: boolean): void => {
    const end = Math.min(castM, toM)
    const part = toM > at ? (end - at) / (toM - at) : 1
    const reached = high + part * (toHighM - high)
    const pitchRad = tight ? tightPitchRad : fall.pitchRad
    legs.push({ fromM: at, toM: end, fromHighM: high, toHighM: reached, tight, pitchRad })
    at = end
    high = reached
  }
  const drop = (toHighM: number, most = Infinity): void =>
    go(at + Math.min(most, fall.glide * (high - toHighM)), toHighM, false)
  if ('keepM' in move) {
    const keep = Math.min(depthM, move.keepM)
    drop(keep, FIRST_FALL * castM)
    go(castM, keep, true)
    return legs
  }
  const lift = Math.min(depthM, move.liftM + (move.ofDepth ?? 0) * depthM)
  drop(0, FIRST_FALL * castM)
  while (at < castM) {
    go(at + move.alongM, lift, true)
    if (at < castM) drop(0)
  }
  return legs
}

/** Where a rig is when it has come so far: height above the bottom, and how it lies. */
export function onPath(
  legs: readonly Leg[],
  alongM: number,
): { readonly highM: number; readonly pitchRad: number } {
  const leg = legs.find(l => alongM <= l.toM) ?? legs.at(-1)!
  const part =
    leg.toM > leg.fromM ? Math.max(0, Math.min(1, (alongM - leg.fromM) / (leg.toM - leg.fromM))) : 1
  return { highM: leg.fromHighM + part * (leg.toHighM - leg.fromHighM), pitchRad: leg.pitchRad }
}
