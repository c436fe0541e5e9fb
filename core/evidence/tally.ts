import { Z90 } from '../numerics/statistics'
import { measure, type Measure } from '../outcome'

/** What was counted: so many tries, so many of them a hit. */
export interface Tally {
  readonly tries: number
  readonly hits: number
}

/** A share as Beta(a, b), and what it rests on. */
export interface Posterior {
  readonly a: number
  readonly b: number
}

/** Prior and tally together (beta-binomial). @throws RangeError when more hits than tries are given */
export function updated({ a, b }: Posterior, { tries, hits }: Tally): Posterior {
  if (!(hits >= 0 && tries >= hits))
    throw new RangeError(`updated: expected 0 <= hits <= tries, got ${hits} of ${tries}`)
  return { a: a + hits, b: b + tries - hits }
}

const meanOf = ({ a, b }: Posterior): number => a / (a + b)
export const varianceOf = ({ a, b }: Posterior): number => (a * b) / ((a + b) ** 2 * (a + b + 1))

/**
 * How two chances compare: their difference with a range, and how many more tries of each would settle it.
 */
export interface Comparison {
  readonly difference: Measure
  readonly settled: boolean
  /** undefined where they are too alike for any number that can be fished */ readonly triesToSettle?: number
}

/** More tries than anyone makes. */
const BEYOND = 20_000

/**
 * Compares two posteriors by the normal approximation of their difference. With n more tries of each the
 * spread shrinks as the square root of all that was tried; settled when nine in ten of the difference lie on
 * one side of nothing on both ends.
 */
export function compare(one: Posterior, other: Posterior): Comparison {
  const gap = meanOf(one) - meanOf(other)
  const half = Z90 * Math.sqrt(varianceOf(one) + varianceOf(other))
  const difference = measure(gap, gap - half, gap + half, 'logged')
  if (Math.abs(gap) > half) return { difference, settled: true, triesToSettle: 0 }
  const after = (n: number): number =>
    Z90 *
    Math.sqrt([one, other].reduce((sum, p) => sum + (meanOf(p) * (1 - meanOf(p))) / (p.a + p.b + 1 + n), 0))
  if (after(BEYOND) > Math.abs(gap)) return { difference, settled: false }
  let [low, high] = [0, BEYOND]
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2)
    if (after(middle) > Math.abs(gap)) low = middle
    else high = middle
  }
  return { difference, settled: false, triesToSettle: high }
}
