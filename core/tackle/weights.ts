import { gToKg, ozToKg } from '../units'

/** Weight ladders as sold. Ounce steps as written on the packet, with their value. */
export const OUNCE_LADDER = [
  ['1/64', 1 / 64],
  ['1/32', 1 / 32],
  ['1/20', 1 / 20],
  ['1/16', 1 / 16],
  ['1/15', 1 / 15],
  ['3/32', 3 / 32],
  ['1/10', 1 / 10],
  ['1/8', 1 / 8],
  ['1/6', 1 / 6],
  ['3/16', 3 / 16],
  ['1/5', 1 / 5],
  ['1/4', 1 / 4],
  ['5/16', 5 / 16],
  ['3/8', 3 / 8],
  ['1/2', 1 / 2],
  ['5/8', 5 / 8],
  ['3/4', 3 / 4],
  ['7/8', 7 / 8],
  ['1', 1],
  ['1 1/4', 1.25],
  ['1 1/2', 1.5],
] as const
export const GRAM_LADDER = [0.5, 1, 1.5, 2, 2.5, 3, 4, 5, 6, 7, 8, 10, 12, 14, 18, 21, 28, 35, 42] as const

export const OUNCE_STEPS_KG: readonly number[] = [...OUNCE_LADDER]
  .map(([, oz]) => ozToKg(oz))
  .sort((a, b) => a - b)
export const GRAM_STEPS_KG: readonly number[] = GRAM_LADDER.map(gToKg)

/** Density of weight materials, kg/m³. Lead from handbooks; alloys the middle of their trade range. */
export const WEIGHT_MATERIALS = {
  lead: { name: 'lead', densityKgM3: 11340 },
  tungsten: { name: 'tungsten', densityKgM3: 17700 },
  bismuth: { name: 'bismuth–tin', densityKgM3: 8800 },
  brass: { name: 'brass', densityKgM3: 8500 },
  steel: { name: 'steel', densityKgM3: 7850 },
  tin: { name: 'tin', densityKgM3: 7300 },
} as const
export type WeightMaterial = keyof typeof WEIGHT_MATERIALS

/** Compact weight shapes the model knows. */
export type WeightShape =
  'ball' | 'bullet' | 'belly' | 'mushroom' | 'football' | 'wedge' | 'keel' | 'slab' | 'stick'

/** Size of a compact weight: full extents along x, y, z in metres. */
export interface WeightSize {
  readonly lengthM: number
  readonly widthM: number
  readonly heightM: number
}

/** Extents in proportion, and the share of their box that is filled. */
const PROPORTIONS: Readonly<
  Partial<Record<WeightShape, readonly [x: number, y: number, z: number, filled: number]>>
> = {
  football: [1, 1.7, 1, Math.PI / 6],
  wedge: [1, 1.05, 0.85, 0.6],
  keel: [1.7, 0.85, 1.1, Math.PI / 6],
  slab: [1.5, 0.9, 1, 0.68],
  stick: [5, 1, 1, Math.PI / 4],
}

/**
 * Outer size of a weight of given mass and density.
 * ball: a sphere. bullet: a cone-nosed cylinder, length 1.7 of its width, filling 0.72 of the cylinder.
 * belly: a keel moulded round the shank, an ellipsoid with axes 2.4 : 0.9 : 1.
 * mushroom: a domed disc with a flat face, length 0.45 of its width, filling 0.65 of the cylinder.
 * football: an ellipsoid 1 : 1.7 : 1, long across. wedge: a half-round head on a flat base, 1 : 1.05 : 0.85.
 * keel: a fish's head, an ellipsoid
 * 1.7 : 0.85 : 1.1. slab: a flat-backed bullet, 1.5 : 0.9 : 1. stick: a thin cylinder, 5 : 1 : 1. Proportions
 * are typical of the field.
 */
export function weightSize(shape: WeightShape, massKg: number, densityKgM3: number): WeightSize {
  const volume = massKg / densityKgM3
  const ratio = PROPORTIONS[shape]
  if (ratio) {
    const [x, y, z, filled] = ratio
    const unit = Math.cbrt(volume / (x * y * z * filled))
    return { lengthM: x * unit, widthM: y * unit, heightM: z * unit }
  }
  if (shape === 'ball') {
    const d = Math.cbrt((6 * volume) / Math.PI)
    return { lengthM: d, widthM: d, heightM: d }
  }
  if (shape === 'bullet') {
    const d = Math.cbrt(volume / (1.7 * 0.72 * (Math.PI / 4)))
    return { lengthM: 1.7 * d, widthM: d, heightM: d }
  }
  if (shape === 'mushroom') {
    const d = Math.cbrt(volume / (0.45 * 0.65 * (Math.PI / 4)))
    return { lengthM: 0.45 * d, widthM: d, heightM: d }
  }
  const h = Math.cbrt((6 * volume) / (Math.PI * 2.4 * 0.9))
  return { lengthM: 2.4 * h, widthM: 0.9 * h, heightM: h }
}

/**
 * The next rung of a ladder above or below a mass; the same mass again at either end.
 * @param direction +1 up, -1 down
 */
export function stepWeight(ladder: readonly number[], massKg: number, direction: 1 | -1): number {
  const tolerance = 1e-3
  const sorted = direction > 0 ? ladder : [...ladder].reverse()
  const next = sorted.find(m => (direction > 0 ? m > massKg * (1 + tolerance) : m < massKg * (1 - tolerance)))
  return next ?? massKg
}
