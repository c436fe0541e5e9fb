/** The value held between two limits. For geometry; never to hide a bad input. */
export const clamp = (value: number, low: number, high: number): number =>
  Math.min(high, Math.max(low, value))
