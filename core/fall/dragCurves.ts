/**
 * Drag coefficients, each from a published curve. All take a Reynolds number on the stated length and return
 * a coefficient on the stated area. Re is floored at RE_FLOOR, where drag of anything here is lost in
 * rounding.
 */
const RE_FLOOR = 1e-3

/**
 * Sphere, on frontal area, Re on diameter. Brown & Lawler, J. Environ. Eng. 129 (2003) 222–231, eq. 19;
 * within 2.5 % of their corrected data for Re < 2e5.
 */
export function sphereCd(re: number): number {
  const r = Math.max(re, RE_FLOOR)
  return (24 / r) * (1 + 0.15 * Math.exp(0.681 * Math.log(r))) + 0.407 / (1 + 8710 / r)
}

/**
 * Long round cylinder across the flow, on length times diameter, Re on diameter. White, Viscous Fluid Flow
 * (3rd ed.), eq. 3-225: 1 + 10 Re^(-2/3), for 1 < Re < 2e5 within about 10 % of data.
 */
export const cylinderCd = (re: number): number => cylinderCdOfSquare(re * re)

/** The same from the square of Re, which saves a root where the square is at hand. */
const cylinderCdOfSquare = (reSquared: number): number =>
  1 + 10 / Math.cbrt(Math.max(reSquared, RE_FLOOR * RE_FLOOR))

/**
 * x^(-1/3) from a value known to be near it, such as that of the slice before: two steps of a fourth-order
 * Householder iteration, within
 * 2e-12 relative, at half the cost of Math.cbrt; from Math.cbrt where `near` is more than about a twelfth
 * off.
 */
export function inverseCubeRoot(x: number, near: number): number {
  const h = 1 - x * near * near * near
  if (!(h > -0.25 && h < 0.25)) return 1 / Math.cbrt(x)
  const y = near + near * h * (1 / 3 + h * (2 / 9 + h * (14 / 81)))
  const g = 1 - x * y * y * y
  return y + y * g * (1 / 3 + g * (2 / 9 + g * (14 / 81)))
}

/** Least square of Re that the curves are asked for. */
export const LEAST_RE_SQUARED = RE_FLOOR * RE_FLOOR

/**
 * A smooth cylinder's drag coefficient below its drag crisis, where the sections below were measured (Hoerner
 * p. 3-9).
 */
const ROUND_CD = 1.1

/** Flat plate across the flow (Hoerner p. 3-15). */
const PLATE_CD = 1.98

/** Friction on a flat section's sides, for each breadth and chord of it (Hoerner p. 3-11). */
const SIDES_CD = 0.015

/**
 * Ellipse across the flow relative to a circle of the same breadth, on breadth. Thinner than long: Hoerner,
 * Fluid-Dynamic Drag (1965), p. 3-11, 0.015·(1 + chord/breadth) + 1.1·breadth/chord. Broadside: from the
 * circle's 1.1 to the plate's 1.98, in proportion to chord over breadth, which leaves 1.54 at 2:1. Delany &
 * Sorensen, NACA TN 3038 (1953), measured 1.6 there and 0.6 with the long axis along the flow.
 * @param breadth extent across the flow
 * @param chord extent along the flow
 */
export function ellipseFactor(breadth: number, chord: number): number {
  if (breadth >= chord) return (PLATE_CD - ((PLATE_CD - ROUND_CD) * chord) / breadth) / ROUND_CD
  const sides = 2 * SIDES_CD
  return (
    (SIDES_CD * (1 + Math.min(MOST_FLAT, chord / breadth)) +
      ROUND_CD * Math.max(1 / MOST_FLAT, breadth / chord)) /
    (ROUND_CD + sides)
  )
}

/** The least drag of a thin section is met here: beyond, friction brings it up again. */
const MOST_FLAT = 8

/**
 * Loss of cross-flow drag round the ends of a short cylinder, against length over diameter. Hoerner p. 3-16,
 * fig. 28; the same curve as Jorgensen, NASA TR R-474 (1977), fig. 4. Linear in log(length/diameter) between
 * 0.55 at 2 and 0.82 at 40.
 */
export function finiteLengthFactor(slenderness: number): number {
  const t = Math.log(Math.min(40, Math.max(2, slenderness)) / 2) / Math.log(20)
  return 0.55 + 0.27 * t
}

/**
 * Laminar skin friction on both faces' wetted area, Re on length (Blasius; White ch. 4), held at 1 below Re =
 * 1.8.
 */
export const frictionCf = (re: number): number => Math.min(1, 1.328 / Math.sqrt(Math.max(re, RE_FLOOR)))

/**
 * Form drag of a streamlined body of revolution as a multiple of its skin friction (Hoerner p. 6-17), d/l =
 * diameter over length.
 */
export const formFactor = (dOverL: number): number => 1 + 1.5 * dOverL ** 1.5 + 7 * dOverL ** 3
