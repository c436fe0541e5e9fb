/**
 * Standard normal distribution function, by Abramowitz & Stegun 7.1.26 for the error function (absolute error
 * below 1.5e-7).
 * @returns P(Z <= x), 0..1
 */
export function normalBelow(x: number): number {
  const z = Math.abs(x) / Math.SQRT2
  const t = 1 / (1 + 0.3275911 * z)
  const erf =
    1 -
    ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) *
      t *
      Math.exp(-z * z)
  return x >= 0 ? (1 + erf) / 2 : (1 - erf) / 2
}

/**
 * Standard normal quantile, by Acklam's rational approximation (relative error below 1.2e-9).
 * @throws RangeError unless 0 < p < 1
 */
export function normalQuantile(p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`normalQuantile: expected 0 < p < 1, got ${p}`)
  if (p > 1 - TAIL_P) return -normalQuantile(1 - p)
  if (p < TAIL_P) {
    const q = Math.sqrt(-2 * Math.log(p))
    return polynomial(C, q) / (polynomial(D, q) * q + 1)
  }
  const q = p - 0.5
  const r = q * q
  return (polynomial(A, r) * q) / (polynomial(B, r) * r + 1)
}

const TAIL_P = 0.02425
const A = [
  -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716,
  2.506628277459239,
]
const B = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572]
const C = [
  -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
  2.938163982698783,
]
const D = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416]

/** Horner's rule, the highest power first. */
const polynomial = (coefficients: readonly number[], x: number): number =>
  coefficients.reduce((sum, c) => sum * x + c, 0)
