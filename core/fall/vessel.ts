import { mean, standardDeviation, strangeAmong } from '../numerics/statistics'
import { rungeKutta4 } from '../numerics/rk4'
import { shapeBait } from '../rig/bait'
import type { BaitSpec } from '../rig/spec'
import type { Water } from '../water/water'
import { GRAVITY_MS2 } from '../constants'
import { sphereCd } from './dragCurves'

/** A bath, bucket or pool that drops are timed in. Metres. */
export interface Vessel {
  readonly depthM: number
  /** from wall to wall, the narrower way */ readonly acrossM: number
}

/** A bait longer than this part of the way across touches the walls as it turns. *Assumed.* */
const TOO_LONG = 0.8

/**
 * Speed between walls over that in open water, 0..1: 1 − (d/D)^1.5 for a sphere of diameter d in a tube of
 * width D where drag goes with the square of speed (Munroe 1888, in Clift, Grace & Weber, Bubbles, Drops and
 * Particles, 1978, ch. 9). Other bodies by the circle of the area they show (*assumed*).
 * @throws RangeError unless 0 <= bodyM < acrossM
 */
export function wallSlowing(bodyM: number, acrossM: number): number {
  if (!(bodyM >= 0 && bodyM < acrossM))
    throw new RangeError(`wallSlowing: a body of ${bodyM} m does not fall between walls ${acrossM} m apart`)
  return 1 - (bodyM / acrossM) ** 1.5
}

const SLICES = 40
/**
 * Diameter of the circle whose area a bait shows to the water it falls through, m.
 * @param pitchRad of the fall; steep ones show less
 */
export function shownAcrossM(spec: BaitSpec, pitchRad: number): number {
  const bait = shapeBait(spec)
  let plan = 0
  let front = 0
  for (let i = 0; i < SLICES; i++) {
    const s = ((i + 0.5) * bait.lengthM) / SLICES
    plan += (bait.widthAt(s) * bait.lengthM) / SLICES
    front = Math.max(front, (Math.PI / 4) * bait.widthAt(s) * bait.heightAt(s))
  }
  return Math.sqrt(
    (4 / Math.PI) * (Math.abs(Math.cos(pitchRad)) * plan + Math.abs(Math.sin(pitchRad)) * front),
  )
}

/** Whether a bait can turn freely between the walls. */
export const fitsVessel = ({ lengthM }: Pick<BaitSpec, 'lengthM'>, { acrossM }: Vessel): boolean =>
  lengthM <= TOO_LONG * acrossM

/** Step of the ball's fall, s: halving it changes the time by less than 1e-5 of it. */
const STEP_S = 0.002
/** A ball that needs longer does not sink. */
const MOST_S = 120

/**
 * Seconds that a bare ball takes from rest under the surface until it touches the bottom of a vessel, with
 * half its own volume of water moved along (Lamb) and drag by the sphere curve; walls slow it. This is the
 * clock that taps are held against.
 * @throws RangeError when the ball does not sink, or is wider than the vessel
 */
export function ballSeconds(
  massKg: number,
  densityKgM3: number,
  { depthM, acrossM }: Vessel,
  water: Water,
): number {
  const diameterM = ballDiameterM(massKg, densityKgM3)
  if (!(densityKgM3 > water.densityKgM3))
    throw new RangeError(`ballSeconds: ${densityKgM3} kg/m³ does not sink in this water`)
  const slowed = wallSlowing(diameterM, acrossM)
  const displaced = (massKg * water.densityKgM3) / densityKgM3
  const area = (Math.PI / 4) * diameterM ** 2
  const y = new Float64Array(2)
  const step = rungeKutta4(2, ([, v], dy) => {
    const free = v! / slowed
    const drag =
      0.5 *
      water.densityKgM3 *
      sphereCd((free * diameterM * water.densityKgM3) / water.viscosityPaS) *
      area *
      free *
      free
    dy[0] = v!
    dy[1] = ((massKg - displaced) * GRAVITY_MS2 - drag) / (massKg + displaced / 2)
  })
  const wayM = Math.max(0, depthM - diameterM)
  for (let t = 0; t < MOST_S; t += STEP_S) {
    const before = y[0]!
    step(y, STEP_S)
    if (y[0]! >= wayM) return t + (STEP_S * (wayM - before)) / (y[0]! - before)
  }
  throw new RangeError('ballSeconds: the ball does not reach the bottom')
}

const ballDiameterM = (massKg: number, densityKgM3: number): number =>
  Math.cbrt((6 * massKg) / densityKgM3 / Math.PI)

/** How late a thumb is, s: what it taps over what the fall takes. */
export interface TapLag {
  readonly lagS: number
  /** how sure that is, one standard deviation: shared by every drop in this vessel */ readonly sdS: number
  /** taps that were used, and places in the list of those set aside */ readonly used: number
  readonly outliers: readonly number[]
}

/** A thumb that was never held against a ball: late by nothing, give or take this, s. *Assumed.* */
export const UNTRIED_LAG: TapLag = { lagS: 0, sdS: 0.08, used: 0, outliers: [] }
/** Least scatter of one tap, s. *Assumed.* */
const TAP_LEAST_S = 0.03

/**
 * Lag of taps of a ball whose fall is known: the mean of those near their median. Untried where there are
 * none.
 * @throws RangeError when a tap is not positive
 */
export function tapLag(taps: readonly number[], knownS: number): TapLag {
  if (taps.some(t => !(t > 0))) throw new RangeError('tapLag: taps must be positive')
  if (taps.length === 0) return UNTRIED_LAG
  const outliers = strangeAmong(taps, TAP_LEAST_S)
  const kept = taps.filter((_, i) => !outliers.includes(i))
  const scatter = kept.length < 2 ? UNTRIED_LAG.sdS : Math.max(TAP_LEAST_S, standardDeviation(kept))
  // one tap tells its lag no better than an untried thumb is known
  return {
    lagS: mean(kept) - knownS,
    sdS: Math.min(UNTRIED_LAG.sdS, scatter / Math.sqrt(kept.length)),
    used: kept.length,
    outliers,
  }
}

/**
 * What a tapped time would be on open water: the thumb's lag taken off, the walls' slowing undone.
 * @throws RangeError when nothing is left of it
 */
export function asInOpenWater(tappedS: number, { lagS }: Pick<TapLag, 'lagS'>, slowed: number): number {
  const seconds = (tappedS - lagS) * slowed
  if (!(seconds > 0))
    throw new RangeError(
      `asInOpenWater: nothing is left of ${tappedS} s once the thumb's ${lagS} s are taken off`,
    )
  return seconds
}
