/**
 * Soft-plastic materials. Densities are the ranges in trade use: plain plastisol 0.98–1.08, salted 1.12–1.30,
 * floating elastomer 0.86–0.95 g/cm³; the value is a middle of the range.
 */
export type PlasticId = 'plain' | 'salted' | 'heavySalted' | 'floating' | 'airCell'

export interface Plastic {
  readonly id: PlasticId
  readonly name: string
  /** kg/m³ */ readonly density: { readonly value: number; readonly low: number; readonly high: number }
  /** Shore 00 hardness, 10 (very soft) to 50 (firm) */ readonly shore00: number
  /** an elastomer melts together with plastisol in one box */ readonly elastomer?: true
  /**
   * resistance to the point working out and to tearing, 1 for plain plastisol; assumed from "soft tears after
   * 1–3 fish, elastomer lasts 10+"
   */
  readonly toughness: number
}

export const PLASTICS: Readonly<Record<PlasticId, Plastic>> = {
  plain: {
    id: 'plain',
    name: 'plain plastisol',
    density: { value: 1030, low: 980, high: 1080 },
    shore00: 25,
    toughness: 1,
  },
  salted: {
    id: 'salted',
    name: 'salted plastisol',
    density: { value: 1200, low: 1120, high: 1300 },
    shore00: 20,
    toughness: 0.6,
  },
  heavySalted: {
    id: 'heavySalted',
    name: 'heavy salted plastisol',
    density: { value: 1310, low: 1270, high: 1350 },
    shore00: 18,
    toughness: 0.45,
  },
  floating: {
    id: 'floating',
    name: 'floating elastomer',
    density: { value: 905, low: 860, high: 950 },
    shore00: 35,
    toughness: 5,
    elastomer: true,
  },
  airCell: {
    id: 'airCell',
    name: 'plastisol with air cells',
    density: { value: 940, low: 890, high: 990 },
    shore00: 22,
    toughness: 0.7,
  },
}

export const PLASTIC_IDS = Object.keys(PLASTICS) as PlasticId[]

/**
 * Young's modulus of a soft plastic from its hardness, Pa.
 * Shore 00 readings against modulus for soft elastomers follow log10(E/Pa) ≈ 4.24 + 0.020·S within a factor
 * of 1.5 over 10..60 (about 30 kPa at 10, 85 kPa at 35, 175 kPa at 50); a straight fit to published silicone
 * and gel data sheets, so *assumed* for plastisol.
 * @throws RangeError outside 5..70
 */
export function modulusPa(shore00: number): number {
  if (!(shore00 >= 5 && shore00 <= 70))
    throw new RangeError(`modulusPa: shore00 must lie in 5..70, got ${shore00}`)
  return 10 ** (4.24 + 0.02 * shore00)
}
