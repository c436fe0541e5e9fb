/**
 * Share of its height a bait gives up when squeezed between jaws before it will give no more.
 * Soft elastomer foams and gels stiffen sharply past about half their height; softer ones later. Linear in
 * Shore 00,
 * 0.55 at 10 and 0.3 at 50. *Assumed*, from hand squeezing; a range of ±0.08 is carried.
 */
export function squeezeShare(shore00: number): {
  readonly value: number
  readonly low: number
  readonly high: number
} {
  const value = 0.55 - ((shore00 - 10) / 40) * 0.25
  return { value, low: value - 0.08, high: value + 0.08 }
}
