import type { AssembledRig } from './assemble'
import { FAMILIES } from './families'

/**
 * Skin left on the back when a belly is slit: never cut through. m, and share of the height. Typical of bench
 * practice.
 */
const SKIN_M = 0.003
const SKIN_SHARE = 0.45

/** Where the point passes, kept inside the bait, m from the nose. */
export function pointPlace({ bait, parts }: AssembledRig): number {
  return Math.min(bait.lengthM * 0.98, Math.max(bait.lengthM * 0.02, parts.placement.path.tip.s))
}

/**
 * Height of plastic that stands in the gap where the point passes, m: what the family leaves there, less the
 * share that is hollow, less a slot cast into the belly, or all but the back's skin where the belly is slit.
 */
export function gapFillM(rig: AssembledRig): number {
  const { bait, parts, spec } = rig
  if (parts.inGapM !== undefined) return parts.inGapM
  const s = pointPlace(rig)
  const whole = FAMILIES[spec.family].inGap(bait, s) * (1 - bait.hollowAt(s))
  const { bellySlot, bellySlotDepth = 0 } = bait.form
  const slotted =
    bellySlot && s >= bait.placeOf(bellySlot[0]) && s <= bait.placeOf(bellySlot[1])
      ? Math.max(0, whole - bellySlotDepth * bait.soldM)
      : whole
  return spec.slit ? Math.min(slotted, Math.max(SKIN_M, SKIN_SHARE * whole)) : slotted
}
