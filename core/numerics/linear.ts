/**
 * Small dense linear algebra on row-major Float64Array matrices (here 6x6 at most).
 * Gaussian elimination with partial pivoting: Golub & Van Loan, Matrix Computations, 3.4.
 */

/**
 * Solves A x = b in place.
 * @param a n*n row-major, destroyed
 * @param b length n, replaced by the solution
 * @returns false when A is singular to working precision
 */
export function solveInPlace(a: Float64Array, b: Float64Array): boolean {
  const n = b.length
  for (let col = 0; col < n; col++) {
    let pivot = col
    for (let row = col + 1; row < n; row++) {
      if (Math.abs(a[row * n + col]!) > Math.abs(a[pivot * n + col]!)) pivot = row
    }
    const head = a[pivot * n + col]!
    if (!(Math.abs(head) > 1e-300)) return false
    if (pivot !== col) swapRows(a, b, pivot, col, n)
    for (let row = col + 1; row < n; row++) {
      const factor = a[row * n + col]! / head
      if (factor === 0) continue
      for (let k = col; k < n; k++) a[row * n + k]! -= factor * a[col * n + k]!
      b[row]! -= factor * b[col]!
    }
  }
  for (let row = n - 1; row >= 0; row--) {
    let sum = b[row]!
    for (let k = row + 1; k < n; k++) sum -= a[row * n + k]! * b[k]!
    b[row] = sum / a[row * n + row]!
  }
  return true
}

function swapRows(a: Float64Array, b: Float64Array, i: number, j: number, n: number): void {
  for (let k = 0; k < n; k++) {
    const keep = a[i * n + k]!
    a[i * n + k] = a[j * n + k]!
    a[j * n + k] = keep
  }
  const keep = b[i]!
  b[i] = b[j]!
  b[j] = keep
}

/**
 * Inverse of an n*n row-major matrix.
 * @throws RangeError when singular
 */
export function invert(matrix: Float64Array, n: number): Float64Array {
  const inverse = new Float64Array(n * n)
  for (let col = 0; col < n; col++) {
    const unit = new Float64Array(n)
    unit[col] = 1
    if (!solveInPlace(matrix.slice(), unit)) throw new RangeError('invert: matrix is singular')
    for (let row = 0; row < n; row++) inverse[row * n + col] = unit[row]!
  }
  return inverse
}
