/** Natural logarithm of the gamma function (Lanczos, g = 7, n = 9; relative error below 1e-13). x > 0. */
export function logGamma(x: number): number {
  const c = [0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7]
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x)
  const t = x + 6.5
  let sum = c[0]!
  for (let i = 1; i < 9; i++) sum += c[i]! / (x - 1 + i)
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(sum)
}

/** Steps of the continued fraction at most, and when it has come near enough. */
const MOST = 300
const NEAR = 1e-14

/**
 * Regularised incomplete beta function: P(share <= x) for Beta(a, b). Lentz's continued fraction (Press et al., Numerical Recipes, 6.4).
 * @throws RangeError unless a and b are positive and x lies in 0..1
 */
export function betaBelow(x: number, a: number, b: number): number {
  if (!(a > 0 && b > 0 && x >= 0 && x <= 1)) throw new RangeError(`betaBelow: expected a, b > 0 and 0 <= x <= 1, got ${a}, ${b}, ${x}`)
  if (x === 0 || x === 1) return x
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x))
  return x < (a + 1) / (a + b + 2) ? front * fraction(x, a, b) / a : 1 - front * fraction(1 - x, b, a) / b
}

function fraction(x: number, a: number, b: number): number {
  const tiny = 1e-300
  const safe = (v: number): number => Math.abs(v) < tiny ? tiny : v
  let c = 1
  let d = 1 / safe(1 - (a + b) * x / (a + 1))
  let h = d
  for (let m = 1; m <= MOST; m++) {
    const even = m * (b - m) * x / ((a + 2 * m - 1) * (a + 2 * m))
    d = 1 / safe(1 + even * d)
    c = safe(1 + even / c)
    h *= d * c
    const odd = -(a + m) * (a + b + m) * x / ((a + 2 * m) * (a + 2 * m + 1))
    d = 1 / safe(1 + odd * d)
    c = safe(1 + odd / c)
    const step = d * c
    h *= step
    if (Math.abs(step - 1) < NEAR) break
  }
  return h
}

/** The share below which a part p of Beta(a, b) lies (bisection). @throws RangeError unless 0 < p < 1 */
export function betaQuantile(p: number, a: number, b: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`betaQuantile: expected 0 < p < 1, got ${p}`)
  let low = 0
  let high = 1
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (betaBelow(middle, a, b) < p) low = middle
    else high = middle
  }
  return (low + high) / 2
}
