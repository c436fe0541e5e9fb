import { mean, standardDeviation } from '../numerics/statistics'
import { dropAny, type FallConditions } from './dropAny'
import { SAMPLE_STRIDE, USUAL_START, type Drop, type Start } from './drop'
import { DEFAULT_FACTORS } from './factors'
import type { HydroBody } from './hydroBody'
import type { TetheredWeight } from './tether'

/** Step and depth of the coarse drops that only serve ranges: most rigs have settled within two metres. */
const COARSE = 1.25
const TETHER_COARSE_S = 0.01
export const coarse = (body: HydroBody, tied: boolean): number =>
  tied ? Math.min(TETHER_COARSE_S, COARSE * body.stepS) : COARSE * body.stepS
export const TETHER_DEPTH_M = 1.2
export const COARSE_DEPTH_M = 2
const SCATTER_DEPTH_M = 1.2

/** Starts a hand might give: nose down or up by 30°, leaning to either side, besides the usual. */
const STARTS: readonly Start[] = [
  USUAL_START,
  { heading: 0, pitch: -0.52, roll: 0.3 },
  { heading: 0, pitch: 0.52, roll: 0.3 },
  { heading: 0, pitch: 0, roll: -0.8 },
  { heading: 0, pitch: -0.2, roll: 1.2 },
]

/** Water that is called still moves by about this much, m/s rms, from wind and swell. *Assumed.* */
const STIR_MS = 0.02

/** How little a fall can be repeated. */
export interface Repeats {
  /** scatter of the landing place, m per m fallen */ readonly scatter: number
  /** standard deviation of the fall time over the starts, s, within `SCATTER_DEPTH_M` */
  readonly timeSdS: number
}

/**
 * How little a fall can be repeated: root-mean-square scatter of the way a rig drifts in the lower half of
 * its fall, over `STARTS`, per metre fallen, within the first 1.2 metres; and, in quadrature, how far the
 * stir of still water carries it, which is the stir over the sinking speed (a steady stream carries
 * everything with it). With it goes how much the time differs from start to start.
 */
export function repeatsOf(
  body: HydroBody,
  conditions: FallConditions,
  factors = DEFAULT_FACTORS,
  weight?: TetheredWeight,
): Repeats {
  const depthM = Math.min(conditions.depthM, SCATTER_DEPTH_M)
  const { line, hold } = conditions
  const drifts: [number, number][] = []
  const times: number[] = []
  for (const start of STARTS) {
    const drop = dropAny(body, weight, {
      depthM,
      factors,
      start,
      stepS: coarse(body, weight !== undefined),
      untilWeight: true,
      ...(line ? { line } : {}),
      ...(hold ? { hold } : {}),
    })
    if (!drop.ok) continue
    drifts.push(lateDrift(drop.value))
    times.push(drop.value.timeS)
  }
  if (drifts.length < 2) return { scatter: 0, timeSdS: 0 }
  const middle = [0, 1].map(k => mean(drifts.map(p => p[k]!)))
  const square = mean(drifts.map(p => (p[0] - middle[0]!) ** 2 + (p[1] - middle[1]!) ** 2))
  const stir = (STIR_MS * mean(times)) / depthM
  return { scatter: Math.hypot(Math.sqrt(square), stir), timeSdS: standardDeviation(times) }
}

/**
 * How the scatter of fall times grows with depth beyond where it was tried: as the sum of independent
 * stretches does. *Assumed.*
 */
export const startSdS = ({ timeSdS }: Repeats, depthM: number): number =>
  timeSdS * Math.sqrt(Math.max(1, depthM / SCATTER_DEPTH_M))

/**
 * Least of its last depth that the lower half of a fall is taken for: a bait that rises again at the end does
 * not make its drift endless.
 */
const LEAST_FALLEN = 0.25
/** Sideways displacement, world x y, per metre fallen, from half depth to the bottom. */
function lateDrift({ samples: s }: Drop): [number, number] {
  const last = s.length - SAMPLE_STRIDE
  let half = 0
  while (half < last && s[half + 3]! > s[last + 3]! / 2) half += SAMPLE_STRIDE
  const fallen = Math.max(LEAST_FALLEN * Math.abs(s[last + 3]!), s[half + 3]! - s[last + 3]!)
  return [(s[last + 1]! - s[half + 1]!) / fallen, (s[last + 2]! - s[half + 2]!) / fallen]
}
