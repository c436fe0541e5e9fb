import { describe, expect, it } from 'vitest'
import { blockTridiagonal } from './blockTridiagonal'
import { solveInPlace } from './linear'
import { seededRandom } from './random'

describe('a block-tridiagonal system', () => {
  it.each([1, 2, 7])('of %i blocks has the solution of the dense one', count => {
    const random = seededRandom(count)
    const size = 3 * count
    const diagonal = new Float64Array(9 * count)
    const coupling = new Float64Array(9 * count)
    const dense = new Float64Array(size * size)
    const put = (row: number, column: number, value: number): void => {
      dense[row * size + column]! += value
    }
    for (let i = 0; i < count; i++) {
      // a spring of random direction and stiffness to the next block, and to the ground
      for (const to of [-1, i + 1]) {
        if (to >= count) continue
        const n = [random() - 0.5, random() - 0.5, random() - 0.5]
        const k = 10 ** (4 * random())
        for (let a = 0; a < 3; a++) {
          for (let b = 0; b < 3; b++) {
            const s = k * n[a]! * n[b]! + (a === b ? 1 : 0)
            for (const j of to < 0 ? [i] : [i, to]) {
              diagonal[9 * j + 3 * a + b]! += s
              put(3 * j + a, 3 * j + b, s)
            }
            if (to < 0) continue
            coupling[9 * i + 3 * a + b]! += s
            put(3 * i + a, 3 * to + b, -s)
            put(3 * to + a, 3 * i + b, -s)
          }
        }
      }
    }
    const right = Float64Array.from({ length: size }, () => random() - 0.5)
    const x = right.slice()
    blockTridiagonal(count).solve(count, diagonal, coupling, x)
    expect(solveInPlace(dense, right)).toBe(true)
    for (let i = 0; i < size; i++) expect(x[i]).toBeCloseTo(right[i]!, 10)
  })
})
