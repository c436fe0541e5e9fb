import { measure, type Measure } from '../outcome'

/** What was weighed of one bait, kg. */
export interface Weighing {
  readonly airKg: number
  /** as it hangs under water; below nothing where it floats up */ readonly waterKg: number
  /** smallest step of the scale, kg */ readonly stepKg: number
}

/**
 * What hangs under water of a bait alone, from a sinker with and without it: the way to weigh what floats.
 */
export const underWaterKg = (withSinkerKg: number, sinkerKg = 0): number => withSinkerKg - sinkerKg

/**
 * Density of a plastic from its weight in air and hanging in water (Archimedes): water's density times weight
 * in air over weight lost. The range is that of one step of the scale at each weighing, told apart by nothing
 * finer. Buoyancy in air, a thousandth, is left out.
 * @param waterKgM3 density of the water it hung in
 * @returns kg/m³, measured
 * @throws RangeError when nothing was weighed, or it weighs no less under water
 */
export function densityByWeighing({ airKg, waterKg, stepKg }: Weighing, waterKgM3: number): Measure {
  if (!(airKg > 0)) throw new RangeError('densityByWeighing: the weight in air must be above nothing')
  const lost = airKg - waterKg
  if (!(lost > 0)) throw new RangeError('densityByWeighing: under water it must weigh less than in air')
  const of = (air: number, water: number): number => (waterKgM3 * air) / (air - water)
  const half = stepKg / 2
  const corners = [
    of(airKg + half, waterKg + half),
    of(airKg + half, waterKg - half),
    of(airKg - half, waterKg + half),
    of(airKg - half, waterKg - half),
  ].filter(d => d > 0 && Number.isFinite(d))
  const value = of(airKg, waterKg)
  return measure(value, Math.min(value, ...corners), Math.max(value, ...corners), 'measured')
}

/** What a bait did in a water of known density. */
export interface FloatTest {
  readonly waterKgM3: number
  readonly did: 'floats' | 'hangs' | 'sinks'
}

/** A bait that hangs neither rises nor sinks: within this of the water, kg/m³. *Assumed.* */
const HANGS_WITHIN = 3

/**
 * Bounds of a plastic's density from what it did in waters of known density: it floats in the lighter and
 * sinks in the heavier.
 * @returns kg/m³; undefined bounds where no test sets one
 * @throws RangeError when the tests contradict each other
 */
export function densityByFloating(tests: readonly FloatTest[]): {
  readonly low?: number
  readonly high?: number
} {
  let low = -Infinity
  let high = Infinity
  for (const { waterKgM3, did } of tests) {
    if (did !== 'floats') low = Math.max(low, did === 'sinks' ? waterKgM3 : waterKgM3 - HANGS_WITHIN)
    if (did !== 'sinks') high = Math.min(high, did === 'floats' ? waterKgM3 : waterKgM3 + HANGS_WITHIN)
  }
  if (low > high)
    throw new RangeError('densityByFloating: it cannot float in the lighter water and sink in the heavier')
  return { ...(Number.isFinite(low) ? { low } : {}), ...(Number.isFinite(high) ? { high } : {}) }
}
