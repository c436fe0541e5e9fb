/**
 * How fast the quickest motion of a body dies away or swings: what an explicit integration step must follow.
 * A damper or spring that acts along a direction n at a place r enters the 6×6 matrix of its kind as k·j·jᵀ
 * with j = (n, r × n); the rates are the eigenvalues of that matrix times the inverse inertia.
 */
type Three = ArrayLike<number>

/**
 * Adds k·j·jᵀ for something that acts along `n` at `r` (body axes, about the centre of gravity). `matrix` is
 * 6×6, row-major.
 */
export function addActing(matrix: Float64Array, r: Three, n: Three, k: number): void {
  const j = [
    n[0]!,
    n[1]!,
    n[2]!,
    r[1]! * n[2]! - r[2]! * n[1]!,
    r[2]! * n[0]! - r[0]! * n[2]!,
    r[0]! * n[1]! - r[1]! * n[0]!,
  ]
  for (let a = 0; a < 6; a++) {
    const ka = k * j[a]!
    if (ka === 0) continue
    for (let b = 0; b < 6; b++) matrix[6 * a + b]! += ka * j[b]!
  }
}

/**
 * Power iterations: the largest eigenvalue is met within a per cent where it stands apart, and bounded from
 * below otherwise.
 */
const ITERATIONS = 24

/**
 * Largest eigenvalue of inverse × matrix, both symmetric and not negative, 6×6, row-major: by power iteration
 * from a start that no motion of a body is blind to.
 */
export function largestRate(inverse: ArrayLike<number>, matrix: ArrayLike<number>): number {
  let x = [1, 0.9, 1.1, 40, 45, 50]
  let rate = 0
  for (let n = 0; n < ITERATIONS; n++) {
    const y = times(inverse, times(matrix, x))
    const size = Math.hypot(...y)
    if (!(size > 0)) return 0
    rate = size / Math.hypot(...x)
    x = y.map(v => v / size)
  }
  return rate
}

function times(matrix: ArrayLike<number>, x: readonly number[]): number[] {
  return x.map((_, a) => {
    let sum = 0
    for (let b = 0; b < 6; b++) sum += matrix[6 * a + b]! * x[b]!
    return sum
  })
}

/**
 * Greatest give of a place to a unit force in any direction, 1/kg: the largest eigenvalue of its 3×3 inverse
 * inertia.
 */
export function giveAt(inverse: ArrayLike<number>, r: Three): number {
  const unit = new Float64Array(36)
  for (const n of [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ])
    addActing(unit, r, n, 1)
  return largestRate(inverse, unit)
}
