import { PARAMETERS } from '../uncertainty/parameters'

/**
 * What the fall does not know exactly, as multipliers or values. Their ranges stand in the register of what
 * is uncertain; drop tests may move them.
 */
export interface FallFactors {
  /** multiplies cross-flow drag */ readonly crossDrag: number
  /** multiplies axial drag, tails and heads included */ readonly axialDrag: number
  /** share of the potential-flow body moment that real, separated flow delivers */ readonly eta: number
  /** the same for the part of that moment that rolls the bait about its long axis */ readonly etaRoll: number
  /** share of a thin fin's lift that a soft tail delivers */ readonly tailLift: number
  /** side force of lopsided shedding on a crooked bait, as a share of its cross-flow drag at the nose */
  readonly vortexSide: number
  /** share of the sunken line of an open spool that is dragged broadside rather than along itself */
  readonly lineBow: number
  /** multiplies the drag of a held line across itself */ readonly lineDrag: number
  /** tension of a light pull as a share of the rig's weight in water */ readonly fingerPull: number
}

/**
 * eta: 0.6 (0.3–1), *assumed*: separated flow delivers part of the ideal moment of attached flow, and drop
 * tests move it. It is
 * not the eta of slender-body reports, which is the cross-flow drag of a finite body over that of an endless
 * one. etaRoll: 0.1 (0.02–0.4), *assumed*. The ideal moment that turns an upright section flat to the flow
 * belongs to attached flow round a thin ellipse; bait sections are thick (breadth over chord 0.5–0.9) and
 * separate early, which leaves less of it than of the slender-body moment. With the same factor a deep bait
 * could never be kept upright by a belly weight, which is against what is seen. tailLift: Jones's slender
 * wing (NACA TR-835, 1946), pi/4·rho·span²·U²·angle; a soft fin bends away and keeps 0.5 (0.2–1) of it,
 * *assumed*. vortexSide: bodies at 25–65° to the flow shed their vortices lopsidedly and feel a side force of
 * up to the normal force itself, its side set by the least flaw of the nose (Lamont & Hunt, J. Fluid Mech.
 * 76, 1976; Ericsson & Reding, AIAA 1981-0040). How much of that a soft, blunt bait gets is not known: 0.6
 * (0–1), *assumed*, and taken to the side to which the bend already turns the bait. crossDrag: scatter of
 * finite-cylinder data in Hoerner, about ±15 %. axialDrag: ±30 %, *assumed*, since tails are soft. lineBow:
 * *assumed*; a line following its own track would give 0, one pulled sideways 1. lineDrag: White's curve for
 * a smooth cylinder is within 10 %; braid is rough, not round, and wet. 1 (0.8–1.25), *assumed*. fingerPull:
 * the line leaves the spool under a finger. 0.2 (0.1–0.35), *assumed*.
 */
export const FALL_FACTORS: Readonly<
  Record<keyof FallFactors, { readonly value: number; readonly low: number; readonly high: number }>
> = {
  crossDrag: fromRegister('crossDrag'),
  axialDrag: fromRegister('axialDrag'),
  eta: fromRegister('eta'),
  etaRoll: fromRegister('etaRoll'),
  tailLift: fromRegister('tailLift'),
  vortexSide: fromRegister('vortexSide'),
  lineBow: fromRegister('lineBow'),
  lineDrag: fromRegister('lineDrag'),
  fingerPull: fromRegister('fingerPull'),
}

function fromRegister(id: keyof FallFactors): {
  readonly value: number
  readonly low: number
  readonly high: number
} {
  const { middle, low, high } = PARAMETERS[id]
  return { value: middle, low, high }
}

export const DEFAULT_FACTORS: FallFactors = {
  crossDrag: FALL_FACTORS.crossDrag.value,
  axialDrag: FALL_FACTORS.axialDrag.value,
  eta: FALL_FACTORS.eta.value,
  etaRoll: FALL_FACTORS.etaRoll.value,
  tailLift: FALL_FACTORS.tailLift.value,
  vortexSide: FALL_FACTORS.vortexSide.value,
  lineBow: FALL_FACTORS.lineBow.value,
  lineDrag: FALL_FACTORS.lineDrag.value,
  fingerPull: FALL_FACTORS.fingerPull.value,
}
