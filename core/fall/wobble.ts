import { measure, type Measure } from '../outcome'

/**
 * Beats of a tail that sheds a vortex street, from the Strouhal number: f = St·U/h, with the tail's height
 * for h. Plates and swimming tails keep St between 0.2 and 0.4 (Triantafyllou, Triantafyllou & Grosenbaugh,
 * J. Fluids Struct. 7, 1993); the value stands at 0.27. An estimate of rate only: how far the bait swings is
 * not worked out.
 * @param speedMS speed through the water
 * @throws RangeError unless the height is positive
 */
export function tailBeatHz(speedMS: number, tailHeightM: number): Measure {
  if (!(tailHeightM > 0)) throw new RangeError('tailBeatHz: tailHeightM must be positive')
  const perStrouhal = Math.abs(speedMS) / tailHeightM
  return measure(0.27 * perStrouhal, 0.2 * perStrouhal, 0.4 * perStrouhal)
}
