import { obstaclesOf } from '../snag/cover'
import type { RetrieveId } from '../snag/retrieve'
import type { Line } from '../tackle/lines'
import type { Water } from '../water/water'
import { MOVED_MS, type Day } from './day'

/**
 * Line out when a rig is worked, m, and the drag of a line across its way (Hoerner 3-9) and of a rig end-on,
 * against its side area. *Assumed* middling.
 */
const OUT_M = 16
const LINE_CD = 1.2
const RIG_CD = 0.25
/** Half of the sideways drag of a straight line held at both ends pulls at the lower one. */
const AT_RIG = 1 / 2

/**
 * Upward pull on a rig that is worked near the bottom, N: the drag of line and rig along the line, times the
 * sine of the angle at which the line comes down. What lifts it must be less than its weight in water, or it
 * swims up.
 */
export function liftN(
  { depthM }: Pick<Day, 'depthM'>,
  sideM2: number,
  retrieve: RetrieveId,
  line: Line,
  water: Water,
): number {
  const u = MOVED_MS[retrieve]
  const sine = depthM / Math.hypot(depthM, OUT_M)
  const q = 0.5 * water.densityKgM3 * u * u
  return (q * RIG_CD * sideM2 + q * LINE_CD * line.diameterM * OUT_M * sine ** 2 * AT_RIG) * sine
}

/**
 * Tension in a line that lies slack from the rod's tip, N; friction of line on bark or stone; and the turn of
 * a line draped over a thing, rad. *Assumed.*
 */
const SLACK_N = 0.035
const BARK = 0.35
const DRAPED_RAD = 2
/** A thing this strong holds a line up; weaker ones bend away. N */
const FIRM_N = 30

/**
 * Force that firm things lying across the way down hold a falling rig's line with, N: Euler's rope friction
 * for each thing met in the fall.
 */
export function drapeN({ cover, bottom, depthM }: Pick<Day, 'cover' | 'bottom' | 'depthM'>): number {
  const met =
    obstaclesOf(cover, bottom).reduce(
      (sum, o) =>
        sum +
        (o.on === 'cover' && o.strengthN >= FIRM_N ? o.perM * (o.kind === 'rod' ? 1 - o.upright : 1) : 0),
      0,
    ) * depthM
  return SLACK_N * met * (Math.exp(BARK * DRAPED_RAD) - 1)
}
