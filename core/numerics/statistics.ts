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
  const z2 = (z * z) / trials
  const middle = (p + z2 / 2) / (1 + z2)
  const half = (z * Math.sqrt((p * (1 - p)) / trials + z2 / (4 * trials))) / (1 + z2)
  return [Math.max(0, middle - half), Math.min(1, middle + half)]
}

/** Middle of a list. @throws RangeError on an empty list */
export function median(xs: readonly number[]): number {
  if (xs.length === 0) throw new RangeError('median: empty list')
  const sorted = [...xs].sort((p, q) => p - q)
  const half = sorted.length >> 1
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

/**
 * Scaled median deviations beyond which a value is set aside, and how many values it takes to tell (Rousseeuw
 * & Hubert, WIREs Data Mining 1, 2011).
 */
const STRANGE = 3.5
const ENOUGH = 4
/** Median deviation to standard deviation, for normal scatter. */
const MAD_TO_SD = 1.4826

/**
 * Places of values that lie far from the median of all.
 * @param least scatter that is always allowed, one standard deviation
 */
export function strangeAmong(xs: readonly number[], least: number): number[] {
  if (xs.length < ENOUGH) return []
  const middle = median(xs)
  const width = Math.max(MAD_TO_SD * median(xs.map(x => Math.abs(x - middle))), least)
  return xs.flatMap((x, i) => (Math.abs(x - middle) > STRANGE * width ? [i] : []))
}
