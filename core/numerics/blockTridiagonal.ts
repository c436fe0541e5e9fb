/** Numbers of a 3×3 block, row-major. */
const BLOCK = 9

/**
 * Solver of symmetric, positive definite block-tridiagonal systems with 3×3 blocks, by block elimination from
 * the first block on (Golub & Van Loan, Matrix Computations, 4.5.1). It keeps its working space; one call
 * allocates nothing.
 */
export interface BlockTridiagonal {
  /**
   * Solves A·x = b for `count` blocks: A has `diagonal` blocks (9 numbers each, overwritten) and, between
   * block i and i + 1, the symmetric block −`coupling` (9 numbers each, count − 1 of them). `x` holds b (3
   * numbers a block) and becomes the solution.
   */
  readonly solve: (count: number, diagonal: Float64Array, coupling: Float64Array, x: Float64Array) => void
}

/** @param most greatest number of blocks that will be asked for */
export function blockTridiagonal(most: number): BlockTridiagonal {
  const inverses = new Float64Array(BLOCK * most)

  function eliminate(i: number, diagonal: Float64Array, coupling: Float64Array, x: Float64Array): void {
    const c = BLOCK * (i - 1)
    const d = BLOCK * i
    const before = 3 * (i - 1)
    const bx = x[before]!
    const by = x[before + 1]!
    const bz = x[before + 2]!
    for (let a = 0; a < 3; a++) {
      const u = coupling[c + 3 * a]!
      const v = coupling[c + 3 * a + 1]!
      const w = coupling[c + 3 * a + 2]!
      // a row of C · D⁻¹ of the block before
      const p = u * inverses[c]! + v * inverses[c + 3]! + w * inverses[c + 6]!
      const q = u * inverses[c + 1]! + v * inverses[c + 4]! + w * inverses[c + 7]!
      const r = u * inverses[c + 2]! + v * inverses[c + 5]! + w * inverses[c + 8]!
      const row = d + 3 * a
      diagonal[row]! -= p * coupling[c]! + q * coupling[c + 3]! + r * coupling[c + 6]!
      diagonal[row + 1]! -= p * coupling[c + 1]! + q * coupling[c + 4]! + r * coupling[c + 7]!
      diagonal[row + 2]! -= p * coupling[c + 2]! + q * coupling[c + 5]! + r * coupling[c + 8]!
      x[3 * i + a]! += p * bx + q * by + r * bz
    }
  }

  return {
    solve(count, diagonal, coupling, x) {
      for (let i = 0; i < count; i++) {
        if (i > 0) eliminate(i, diagonal, coupling, x)
        invertSymmetric(diagonal, inverses, BLOCK * i)
      }
      for (let i = count - 1; i >= 0; i--) {
        const at = 3 * i
        if (i < count - 1) addTimes(coupling, BLOCK * i, x, at + 3, x, at)
        applyInPlace(inverses, BLOCK * i, x, at)
      }
    },
  }
}

/** Inverse of a symmetric 3×3 block by its adjugate. */
function invertSymmetric(m: Float64Array, out: Float64Array, at: number): void {
  const a = m[at]!
  const b = m[at + 1]!
  const c = m[at + 2]!
  const d = m[at + 4]!
  const e = m[at + 5]!
  const f = m[at + 8]!
  const A = d * f - e * e
  const B = c * e - b * f
  const C = b * e - c * d
  const by = 1 / (a * A + b * B + c * C)
  out[at] = A * by
  out[at + 1] = out[at + 3] = B * by
  out[at + 2] = out[at + 6] = C * by
  out[at + 4] = (a * f - c * c) * by
  out[at + 5] = out[at + 7] = (b * c - a * e) * by
  out[at + 8] = (a * d - b * b) * by
}

function addTimes(
  m: Float64Array,
  at: number,
  x: Float64Array,
  from: number,
  out: Float64Array,
  to: number,
): void {
  const p = x[from]!
  const q = x[from + 1]!
  const r = x[from + 2]!
  for (let a = 0; a < 3; a++)
    out[to + a]! += m[at + 3 * a]! * p + m[at + 3 * a + 1]! * q + m[at + 3 * a + 2]! * r
}

function applyInPlace(m: Float64Array, at: number, x: Float64Array, to: number): void {
  const p = x[to]!
  const q = x[to + 1]!
  const r = x[to + 2]!
  for (let a = 0; a < 3; a++) x[to + a] = m[at + 3 * a]! * p + m[at + 3 * a + 1]! * q + m[at + 3 * a + 2]! * r
}
