/** Arithmetic mean. @throws RangeError on an empty list */
export function mean(xs: ArrayLike<number>): number {
  if (xs.length === 0) throw new RangeError('mean: empty list')
  let sum = 0
  for (let i = 0; i < xs.length; i++) sum += xs[i]!
  return sum / xs.length
}

/** Sample standard deviation (n - 1). @throws RangeError with fewer than two values */
export function standardDeviation(xs: ArrayLike<number>): number {
  if (xs.length < 2) throw new RangeError('standardDeviation: need two values')
  const m = mean(xs)
  let sum = 0
  for (let i = 0; i < xs.length; i++) sum += (xs[i]! - m) ** 2
  return Math.sqrt(sum / (xs.length - 1))
}

/** Standard normal quantile used for the ranges shown: about nine times in ten the truth lies inside. */
export const Z90 = 1.645

/**
 * Wilson's score interval for a share (Wilson, JASA 22, 1927).
 * @param hits successes, 0..trials
 * @returns [low, high] in 0..1
 */
export function wilson(hits: number, trials: number, z = Z90): readonly [number, number] {
  if (!(trials > 0)) throw new RangeError('wilson: trials must be positive')
  const p = hits / trials
  const z2 = z * z / trials
  const middle = (p + z2 / 2) / (1 + z2)
  const half = z * Math.sqrt(p * (1 - p) / trials + z2 / (4 * trials)) / (1 + z2)
  return [Math.max(0, middle - half), Math.min(1, middle + half)]
}
