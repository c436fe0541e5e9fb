import type { AssembledRig } from '../rig/assemble'
import { gapFillM } from '../rig/gap'
import { guardN } from '../rig/guard'
import { PLASTICS, modulusPa } from '../tackle/materials'
import { squeezeShare } from '../fit/squeeze'
import { openingLoadN } from '../fit/wireStrength'
import type { Line } from '../tackle/lines'

/** What a bite meets, read off the rig once. SI. */
export interface StrikeRig {
  /** plastic over the point, m; 0 when it stands open or flush */ readonly coverM: number
  /** height of plastic standing in the gap, m */ readonly filledM: number
  /** load that presses a guard down, N; 0 without one */ readonly guardN: number
  readonly gapM: number
  readonly wireM: number
  readonly modulusPa: number
  readonly squeezeMost: number
  readonly openingLoadN: number
  /** point, bend and tail, m from the nose */ readonly pointM: number
  readonly bendM: number
  readonly lengthM: number
}

/** What the angler brings to the set. */
export interface Tackle {
  readonly line: Line
  /** line out at the bite, m */ readonly distanceM: number
  /** stiffness of the bent rod at its tip, N/m */ readonly rodNPerM: number
  /** travel of the rod tip in a firm sweep, m */ readonly sweepM: number
  /** most a rod of this power pulls before it only bends, N */ readonly rodMostN: number
}

/** A medium rod, a firm sweep, a usual distance. *Assumed* typical; changed with the rod. */
export const USUAL_TACKLE: Omit<Tackle, 'line'> = { distanceM: 18, rodNPerM: 45, sweepM: 1.1, rodMostN: 28 }

/**
 * Medians and geometric standard deviations of what a bite brings. All *assumed*, with the doubt in each median as a
 * factor either way: bite force and jaw from school-size sea bass and zander; slack of a moving lure; needed bite of
 * hook in a jaw edge.
 */
export const BITE = {
  forceN: { median: 14, gsd: 1.7, doubt: 1.4 },
  /** load that drives a sharp 1 mm wire past its barb into a jaw, N */ penetrationN: { median: 4.5, gsd: 1.5, doubt: 1.3 },
  needM: { median: 0.0035, gsd: 1.3, doubt: 1.15 },
  slackM: { median: 0.15, gsd: 1.8, doubt: 1.3 },
  /** area of plastic a jaw presses on, m² */ jawM2: 2e-4,
  /** a bite within this of the point squeezes it at once, m */ reachM: 0.01,
  /** elsewhere the bait is drawn through the jaws first; least share of the bite force still held then */ gripLeast: 0.2,
  /** share of bites that take head, middle, tail */ place: { head: 0.45, middle: 0.42, tail: 0.13 },
} as const

/** Reads what a bite meets off an assembled rig. */
export function strikeRig(rig: AssembledRig): StrikeRig {
  const { bait, parts, baitSpec, spec } = rig
  const plastic = PLASTICS[baitSpec.material]
  return {
    coverM: Math.max(0, -parts.placement.openingM),
    filledM: gapFillM(rig),
    guardN: guardN(spec),
    gapM: parts.dims.gapM,
    wireM: parts.dims.wireM,
    modulusPa: modulusPa(plastic.shore00),
    squeezeMost: squeezeShare(plastic.shore00).value,
    openingLoadN: openingLoadN(parts.dims).value,
    pointM: parts.placement.path.tip.s,
    bendM: Math.max(...parts.placement.path.points.map(p => p.s)),
    lengthM: bait.lengthM,
  }
}
