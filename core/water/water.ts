/**
 * Density and viscosity of fresh and salt water at atmospheric pressure.
 * Sharqawy, Lienhard & Zubair, "Thermophysical properties of seawater", Desalination and Water Treatment 16
 * (2010)
 * 354-380: density eq. 8 (accuracy 0.1 %), dynamic viscosity eqs. 22-23 (accuracy 1.5 %). Range 0-180 °C,
 * 0-150 g/kg; here held to what can be fished.
 */
export interface Water {
  /** kg/m³ */ readonly densityKgM3: number
  /** Pa·s */ readonly viscosityPaS: number
}

export const TEMPERATURE_RANGE_C = [0, 40] as const
export const SALINITY_RANGE_GKG = [0, 45] as const

/**
 * Salinities offered by name, g/kg. Coastal and open sea 30–36; 35 is the reference composition; brackish is
 * midway.
 */
export const SALINITY_GKG = { fresh: 0, brackish: 12, salt: 35 } as const
export type WaterKind = keyof typeof SALINITY_GKG

/**
 * @param temperatureC 0..40 °C
 * @param salinityGKg 0..45 g/kg
 * @throws RangeError outside that range
 */
export function waterOf(temperatureC: number, salinityGKg: number): Water {
  within('temperatureC', temperatureC, TEMPERATURE_RANGE_C)
  within('salinityGKg', salinityGKg, SALINITY_RANGE_GKG)
  return {
    densityKgM3: density(temperatureC, salinityGKg / 1000),
    viscosityPaS: viscosity(temperatureC, salinityGKg / 1000),
  }
}

function within(name: string, value: number, [low, high]: readonly [number, number]): void {
  if (!(value >= low && value <= high))
    throw new RangeError(`waterOf: ${name} must lie in ${low}..${high}, got ${value}`)
}

function density(t: number, s: number): number {
  const fresh = 999.9 + t * (2.034e-2 + t * (-6.162e-3 + t * (2.261e-5 - t * 4.657e-8)))
  return fresh + s * (802.0 + t * (-2.001 + t * (1.677e-2 - t * 3.06e-5)) - 1.613e-5 * s * t * t)
}

function viscosity(t: number, s: number): number {
  const fresh = 4.2844e-5 + 1 / (0.157 * (t + 64.993) ** 2 - 91.296)
  const a = 1.541 + 1.998e-2 * t - 9.52e-5 * t * t
  const b = 7.974 - 7.561e-2 * t + 4.724e-4 * t * t
  return fresh * (1 + a * s + b * s * s)
}
