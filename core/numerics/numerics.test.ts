import { describe, expect, it } from 'vitest'
import { monotoneCubic } from './interpolate'
import { invert, solveInPlace } from './linear'
import { fromHeadingPitchRoll, pitchOf, rollOf, rotate } from './quaternion'
import { logNormal, normal, poisson, seededRandom } from './random'
import { rungeKutta4 } from './rk4'
import { mean, standardDeviation, wilson } from './statistics'

describe('seeded random', () => {
  const draw = (n: number, one: () => number): Float64Array => Float64Array.from({ length: n }, one)
  it('repeats for a seed and differs between seeds', () => {
    expect([...draw(5, seededRandom(7))]).toEqual([...draw(5, seededRandom(7))])
    expect([...draw(5, seededRandom(7))]).not.toEqual([...draw(5, seededRandom(8))])
  })
  it('normal, log-normal and Poisson numbers have their moments, within four standard errors', () => {
    const random = seededRandom(11)
    const n = 40_000
    const z = draw(n, () => normal(random))
    expect(Math.abs(mean(z))).toBeLessThan(4 / Math.sqrt(n))
    expect(Math.abs(standardDeviation(z) - 1)).toBeLessThan(4 / Math.sqrt(2 * n))
    const logs = draw(n, () => Math.log(logNormal(random, 3, 1.5)))
    expect(Math.abs(mean(logs) - Math.log(3))).toBeLessThan((4 * Math.log(1.5)) / Math.sqrt(n))
    const counts = draw(n, () => poisson(random, 2.5))
    expect(Math.abs(mean(counts) - 2.5)).toBeLessThan(4 * Math.sqrt(2.5 / n))
  })
})

describe('linear algebra', () => {
  it('solves and inverts a matrix that needs pivoting', () => {
    const a = Float64Array.of(0, 2, 1, 1, 1, 1, 2, 0, 3)
    const b = Float64Array.of(7, 6, 11) // of x = 1, 2, 3
    expect(solveInPlace(a.slice(), b)).toBe(true)
    expect([...b].map(x => Number(x.toFixed(12)))).toEqual([1, 2, 3])
    const inverse = invert(a, 3)
    for (let i = 0; i < 3; i++) {
      for (let j = 0; j < 3; j++) {
        const sum = [0, 1, 2].reduce((s, k) => s + a[3 * i + k]! * inverse[3 * k + j]!, 0)
        expect(sum).toBeCloseTo(i === j ? 1 : 0, 12)
      }
    }
  })
  it('says when a matrix is singular', () => {
    expect(solveInPlace(Float64Array.of(1, 2, 2, 4), Float64Array.of(1, 2))).toBe(false)
    expect(() => invert(Float64Array.of(1, 2, 2, 4), 2)).toThrow(/invert: matrix is singular/)
  })
})

describe('attitude', () => {
  it('gives back pitch and roll, and carries the nose where heading and pitch point', () => {
    const q = fromHeadingPitchRoll(0.7, -0.4, 1.1)
    expect(pitchOf(q)).toBeCloseTo(-0.4, 12)
    expect(rollOf(q)).toBeCloseTo(1.1, 12)
    const nose = rotate(q, [1, 0, 0])
    const expected = [Math.cos(0.7) * Math.cos(0.4), Math.sin(0.7) * Math.cos(0.4), -Math.sin(0.4)]
    nose.forEach((x, k) => expect(x).toBeCloseTo(expected[k]!, 12))
  })
})

describe('Runge–Kutta', () => {
  it('is of fourth order on a swing with a known answer', () => {
    const errorAt = (step: number): number => {
      const y = Float64Array.of(1, 0)
      const advance = rungeKutta4(2, (s, d) => {
        d[0] = s[1]!
        d[1] = -s[0]!
      })
      for (let i = 0; i < Math.round(2 / step); i++) advance(y, step)
      return Math.abs(y[0]! - Math.cos(2))
    }
    expect(errorAt(0.05) / errorAt(0.025)).toBeGreaterThan(15)
    expect(errorAt(0.05) / errorAt(0.025)).toBeLessThan(17)
  })
})

describe('interpolation', () => {
  it('passes through its points and never overshoots', () => {
    const f = monotoneCubic([0, 1, 2, 3, 5], [0, 0, 1, 1, 4])
    expect([0, 1, 2, 3, 5].map(f)).toEqual([0, 0, 1, 1, 4])
    for (let x = 0; x <= 1; x += 0.05) expect(f(x)).toBe(0)
    for (let x = 2; x <= 3; x += 0.05) expect(f(x)).toBeCloseTo(1, 12)
    expect(f(-1)).toBe(0)
    expect(f(9)).toBe(4)
  })
  it('refuses tables it cannot use', () => {
    expect(() => monotoneCubic([0], [1])).toThrow(/monotoneCubic/)
    expect(() => monotoneCubic([0, 0], [1, 2])).toThrow(/increase/)
  })
})

describe('statistics', () => {
  it('matches hand-worked numbers', () => {
    expect(mean([1, 2, 3, 6])).toBe(3)
    expect(standardDeviation([2, 4, 4, 4, 5, 5, 7, 9])).toBeCloseTo(Math.sqrt(32 / 7), 12)
    // Wilson 95 % for 8 of 10, as tabulated: 0.490 to 0.943
    const [low, high] = wilson(8, 10, 1.96)
    expect(low).toBeCloseTo(0.49, 2)
    expect(high).toBeCloseTo(0.943, 3)
    expect(() => mean([])).toThrow(/mean: empty/)
    expect(() => wilson(0, 0)).toThrow(/trials/)
  })
})
