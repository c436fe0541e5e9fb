import type { BaitShape } from './bait'
import type { Placement } from './placement'
import type { RigSpec } from './spec'

/**
 * Plastic that is too long or short between its two anchors mostly squeezes or stretches; this share of it
 * bends the bait. *Assumed.*
 */
const BENDS = 0.3

/** Least bow that is worth bending a bait for, m. */
const LEAST_M = 2e-4

/**
 * How far a hook that does not lie to the bait draws the tail up (+) or down, m. Where the point cannot be
 * turned to its rest the back is drawn to it; where the point is brought out ahead of or behind its mark, the
 * plastic between the anchors is too short or too long, and buckles like a strut of that length: height
 * sqrt(3·S·d/8) for an excess d over a span S (arch of small rise), twice that at the tail.
 */
export function bowOf(
  { path, openingM, restReached, exitM }: Placement,
  bait: BaitShape,
  spec: RigSpec,
): number {
  if (spec.pointRest === 'open') return 0
  const tipS = Math.max(path.tip.s, 0.2 * bait.lengthM)
  const drawn = restReached ? 0 : openingM * Math.min(2, (bait.lengthM / tipS) ** 2) * BENDS
  const spare = spec.exitAtM === undefined || exitM === undefined ? 0 : spec.exitAtM - exitM
  const buckled = 2 * Math.sign(spare) * Math.sqrt((3 / 8) * (exitM ?? 0) * BENDS * Math.abs(spare))
  const bow = Math.max(-0.3 * bait.lengthM, Math.min(0.3 * bait.lengthM, drawn + buckled))
  return Math.abs(bow) < LEAST_M ? 0 : bow
}
