/** What lies underneath. Soft mud holds nothing; the harder the bottom, the more edges. */
export type BottomId = 'mud' | 'sand' | 'gravel' | 'rock' | 'shell'

/** Undrained shear strength of a soft bed, growing with depth below its face. */
export interface Bed {
  /** at the face, Pa */ readonly shearPa: number
  /** growth with depth, Pa/m */ readonly shearPaPerM: number
}

/**
 * Soft beds. The growth with depth is that of young, normally consolidated mud, 1–3 kPa per metre (Randolph &
 * Gourvenec, Offshore Geotechnical Engineering, 2011, ch. 5); the strength of the face is *assumed*. Beds
 * that are not here carry any lure on their face.
 */
export const SOFT_BEDS: Readonly<Partial<Record<BottomId, Bed>>> = { mud: { shearPa: 30, shearPaPerM: 1500 } }

/**
 * Bearing capacity over shear strength of a buried footing (Skempton, Building Research Congress, 1951: 9 at
 * depth).
 */
const BEARING_FACTOR = 9

/** Pressure a bed can bear at a depth below its face, Pa. */
export const bearingPa = (bed: Bed, depthM: number): number =>
  BEARING_FACTOR * (bed.shearPa + bed.shearPaPerM * depthM)

/** The same summed over the way down to a depth: the work of pressing a unit of area in, J/m². */
export const bearingWork = (bed: Bed, depthM: number): number =>
  BEARING_FACTOR * depthM * (bed.shearPa + (bed.shearPaPerM * depthM) / 2)

/**
 * How deep a ball sinks until the bed bears it, m.
 * @param loadN its weight in water
 */
export function ballSinksM(bed: Bed, loadN: number, diameterM: number): number {
  const borne = (d: number): number =>
    bearingPa(bed, d) * Math.PI * (d < diameterM / 2 ? diameterM * d - d * d : diameterM ** 2 / 4)
  let low = 0
  let high = diameterM
  while (borne(high) < loadN) high *= 2
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    if (borne(middle) < loadN) low = middle
    else high = middle
  }
  return high
}
