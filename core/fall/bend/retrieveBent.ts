import { DEFAULT_FACTORS } from '../factors'
import { stepAt, type HydroBody } from '../hydroBody'
import { STANDARD_GRAVITY, type Tow } from '../loads'
import { finely, lineRate, ON_THE_LINE, ridesAs, type RetrievePosture } from '../retrieve'
import { chainMotion, type Link } from './chain'
import { chainStart, quickestSwing, shapeOf, stepperFor } from './dropBent'

/** How a bait that bends rides, and the shape in which it does. */
export interface BentRide extends RetrievePosture {
  readonly bent: Float64Array
}

/**
 * Tows a bait that bends as `retrievePosture` tows a rig of one body: posture is that of the part that the hook holds.
 * On a light one the line is no stiffer than the quickest of its own motions: it only keeps the speed.
 * @returns undefined where the motion cannot be followed
 */
export function retrieveBent(links: readonly Link[], whole: HydroBody, tow: Tow): BentRide | undefined {
  const stopped =
    Math.max(...links.map(({ body }) => body.dampingPerM)) * Math.max(whole.quickMS, tow.speedMS)
  const quickest = stopped + quickestSwing(links)
  const line = lineRate(links[0]!.body, tow)
  const soft = Math.min(1, quickest / line)
  const { rate } = chainMotion(links, {
    factors: DEFAULT_FACTORS,
    viscous: true,
    gravityMS2: STANDARD_GRAVITY,
    tow: { ...tow, newtonPerMS: soft * tow.newtonPerMS },
  })
  const advance = stepperFor(links, rate)
  return finely(Math.min(stepAt(quickest), 1 / (soft * line)), perNote => {
    const y = chainStart(links, ON_THE_LINE)
    const ride = ridesAs(y, advance, perNote)
    return ride && { ...ride, bent: shapeOf(links, y) }
  })
}
