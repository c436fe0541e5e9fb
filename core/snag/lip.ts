import { PLASTICS, modulusPa } from '../tackle/materials'
import type { AssembledRig } from '../rig/assemble'
import { guardN } from '../rig/guard'

/** The point as a place where things lodge: an opening between tip and back, on an elliptic section of the bait. Metres. */
export interface PointLip {
  /** opening above the back; negative under the skin */ readonly openingM: number
  readonly halfWidthM: number
  readonly halfHeightM: number
  /** load that presses a guard in front of the point down, N; 0 without one */ readonly guardN: number
  /** how far the plastic gives per newton pressed on it, m/N */ readonly givePerN: number
}

/** Reads the point's lip off an assembled rig. The give is that of a block as wide as the bait under a line load: 1 / (2·E·width). */
export function pointLip(rig: AssembledRig): PointLip {
  const { bait, parts, baitSpec } = rig
  const s = Math.min(bait.lengthM, Math.max(0.02 * bait.lengthM, parts.placement.path.tip.s))
  const width = bait.widthAt(s)
  return {
    openingM: parts.placement.openingM,
    guardN: guardN(rig.spec),
    halfWidthM: width / 2,
    halfHeightM: bait.heightAt(s) / 2,
    givePerN: 1 / (2 * modulusPa(PLASTICS[baitSpec.material].shore00) * width),
  }
}

/**
 * Opening that a long straight thing meets when it slides along the bait touching it at an angle round from the back:
 * height of the tip over the section's tangent there, (b + c)·cos(angle) - sqrt((a·sin)² + (b·cos)²).
 * @param angleRad 0 along the back, ±pi/2 along a flank
 */
export function openingAt(lip: PointLip, angleRad: number): number {
  const cos = Math.cos(angleRad)
  const support = Math.hypot(lip.halfWidthM * Math.sin(angleRad), lip.halfHeightM * cos)
  return (lip.halfHeightM + lip.openingM) * cos - support
}
