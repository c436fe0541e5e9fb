/**
 * Monotone piecewise-cubic interpolation (Fritsch & Carlson, SIAM J. Numer. Anal. 17, 1980): passes through
 * every point and never overshoots between them, so that a bait outline given by a short table keeps its
 * shape.
 * @param xs strictly increasing abscissae, at least two
 * @param ys ordinates, as many
 * @returns a function of x; outside the table the end value holds
 * @throws RangeError when the table is too short, uneven or not increasing
 */
export function monotoneCubic(xs: readonly number[], ys: readonly number[]): (x: number) => number {
  const n = xs.length
  if (n < 2 || ys.length !== n)
    throw new RangeError('monotoneCubic: need two or more points, as many xs as ys')
  const slope: number[] = []
  for (let i = 0; i < n - 1; i++) {
    const step = xs[i + 1]! - xs[i]!
    if (!(step > 0)) throw new RangeError('monotoneCubic: xs must increase')
    slope.push((ys[i + 1]! - ys[i]!) / step)
  }
  const tangent = tangents(slope)
  return x => {
    if (x <= xs[0]!) return ys[0]!
    if (x >= xs[n - 1]!) return ys[n - 1]!
    let i = 0
    while (x > xs[i + 1]!) i++
    const step = xs[i + 1]! - xs[i]!
    const t = (x - xs[i]!) / step
    const t2 = t * t
    const t3 = t2 * t
    return (
      (2 * t3 - 3 * t2 + 1) * ys[i]! +
      (t3 - 2 * t2 + t) * step * tangent[i]! +
      (3 * t2 - 2 * t3) * ys[i + 1]! +
      (t3 - t2) * step * tangent[i + 1]!
    )
  }
}

function tangents(slope: readonly number[]): number[] {
  const n = slope.length + 1
  const m = [slope[0]!]
  for (let i = 1; i < n - 1; i++) m.push(slope[i - 1]! * slope[i]! <= 0 ? 0 : (slope[i - 1]! + slope[i]!) / 2)
  m.push(slope[n - 2]!)
  for (let i = 0; i < n - 1; i++) {
    if (slope[i] === 0) {
      m[i] = 0
      m[i + 1] = 0
      continue
    }
    const a = m[i]! / slope[i]!
    const b = m[i + 1]! / slope[i]!
    const radius = a * a + b * b
    if (radius > 9) {
      const limit = 3 / Math.sqrt(radius)
      m[i] = limit * a * slope[i]!
      m[i + 1] = limit * b * slope[i]!
    }
  }
  return m
}
