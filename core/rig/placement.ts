import { clamp } from '../numerics/clamp'
import type { BaitShape } from './bait'
import { turnAboutEye, type HookPath, type PlanePoint } from './hookPath'
import type { PointRest } from './spec'

/** A hook in a bait, in the pitch plane. Lengths in metres. */
export interface Placement {
  readonly path: HookPath
  /** s where the wire comes out of the back; undefined when it never does */ readonly exitM?: number
  /** s where the wire goes into the belly; undefined when it runs inside from the nose */
  readonly bellyM?: number
  /** opening between point and back: positive stands clear, negative lies under the skin */
  readonly openingM: number
  /** opening the untouched hook would have, before it is pressed to the asked-for rest */
  readonly naturalOpeningM: number
  /** the point could be brought to the rest asked for */ readonly restReached: boolean
}

/**
 * Depth of the point under the back for each way of resting it, m (open stands where the wire leaves it).
 * Typical of hand rigging.
 */
export const REST_DEPTH_M: Readonly<Record<Exclude<PointRest, 'open'>, number>> = {
  flush: 0,
  skin: 0.0012,
  buried: 0.0025,
}

/** For hooks whose point stands where the wire leaves it. */
export const OPEN = { pointRest: 'open' } as const

/** A hand-laid hook may be turned this far about its eye before the bait is bent out of shape. *Assumed.* */
export const MOST_TURN_RAD = 0.3

/**
 * Places a hook whose point goes back toward the bait: turns it about the eye until the tip lies at the rest
 * asked for, as far as the bait allows, the way it is laid by hand. In a slit belly the shank sinks in, and
 * the hook stays as it was turned.
 */
export function layPoint(
  path: HookPath,
  bait: BaitShape,
  { pointRest: rest, slit = false }: { readonly pointRest: PointRest; readonly slit?: boolean },
): Placement {
  if (rest === 'open') return placed(path, path, bait, openingOf(path, bait) > 0)
  const wanted = -REST_DEPTH_M[rest]
  const laid = turnedTo(path, bait, wanted)
  const natural = slit && openingOf(path, bait) < THROUGH_M ? turnedTo(path, bait, THROUGH_M) : path
  return placed(natural, laid, bait, Math.abs(openingOf(laid, bait) - wanted) < 5e-4)
}

/** A point that is pushed through before it is laid back stands so far off the back, m. Typical. */
const THROUGH_M = 0.0015

/**
 * The hook turned about its eye until its tip stands as far off the back as wanted, or as far as it can be
 * turned.
 */
function turnedTo(path: HookPath, bait: BaitShape, wanted: number): HookPath {
  let laid = path
  let turned = 0
  for (let i = 0; i < 8; i++) {
    const lever = laid.tip.s - laid.eye.s
    turned += clamp((wanted - openingOf(laid, bait)) / lever, -MOST_TURN_RAD - turned, MOST_TURN_RAD - turned)
    laid = turnAboutEye(path, turned)
  }
  return laid
}

const openingOf = (path: HookPath, bait: BaitShape): number =>
  path.tip.s >= 0 && path.tip.s <= bait.lengthM ? path.tip.z - bait.topAt(path.tip.s) : path.tip.z

/**
 * The wire goes through the body where the bend of the unturned hook stands: the bait is pushed on to it, the
 * point leg then lies along the back.
 */
function placed(natural: HookPath, path: HookPath, bait: BaitShape, restReached: boolean): Placement {
  const exitM = crossing(natural, bait, bait.topAt)
  const bellyM = crossing(natural, bait, bait.bottomAt)
  return {
    path,
    openingM: openingOf(path, bait),
    naturalOpeningM: openingOf(natural, bait),
    restReached,
    ...(exitM === undefined ? {} : { exitM }),
    ...(bellyM === undefined ? {} : { bellyM }),
  }
}

/** First s, from the bend on, where the wire rises through a surface. */
function crossing(path: HookPath, bait: BaitShape, surface: (s: number) => number): number | undefined {
  const gapTo = (p: PlanePoint): number => p.z - surface(Math.min(Math.max(p.s, 0), bait.lengthM))
  for (let i = path.bendStart; i < path.points.length - 1; i++) {
    const a = path.points[i]!
    const b = path.points[i + 1]!
    const da = gapTo(a)
    const db = gapTo(b)
    if (da < 0 && db >= 0) return a.s + ((b.s - a.s) * da) / (da - db)
  }
  return undefined
}
