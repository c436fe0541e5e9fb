import { describe, expect, it } from 'vitest'
import { lineFromLb } from '../tackle/lines'
import { rungeKutta4 } from '../numerics/rk4'
import { SAMPLE_STRIDE, startState } from './drop'
import { dropTethered, type TetheredDrop } from './dropTethered'
import type { HydroBody } from './hydroBody'
import { bodyOf, mustDrop } from './testing'
import { coupleTether, TETHERED_SIZE, tetheredState, tiedBody, type TetheredWeight } from './tether'

const line = lineFromLb('braid', 15)
const lead = (grams: number, tetherM: number, lineOnWeight = true): TetheredWeight => ({
  massKg: grams / 1000,
  displacedKg: grams / 11340,
  diameterM: Math.cbrt((6 * grams) / 1000 / 11340 / Math.PI),
  dragFactor: 1,
  tetherM,
  lineOnWeight,
})
const must = (
  body: HydroBody,
  weight: TetheredWeight,
  options: Partial<Parameters<typeof dropTethered>[2]> = {},
): TetheredDrop => {
  const drop = dropTethered(body, weight, { depthM: 2, line, ...options })
  if (!drop.ok) throw new Error(drop.message)
  return drop.value
}
/** Distance from the weight to the bait's tie point, sample by sample. */
function gaps(body: HydroBody, drop: TetheredDrop): number[] {
  return Array.from({ length: drop.samples.length / SAMPLE_STRIDE }, (_, i) => {
    const [, x, y, z, w, qx, qy, qz] = drop.samples.subarray(i * SAMPLE_STRIDE, (i + 1) * SAMPLE_STRIDE)
    const [a, b, c] = body.tieAt
    const R = [
      [1 - 2 * (qy! ** 2 + qz! ** 2), 2 * (qx! * qy! - w! * qz!), 2 * (qx! * qz! + w! * qy!)],
      [2 * (qx! * qy! + w! * qz!), 1 - 2 * (qx! ** 2 + qz! ** 2), 2 * (qy! * qz! - w! * qx!)],
      [2 * (qx! * qz! - w! * qy!), 2 * (qy! * qz! + w! * qx!), 1 - 2 * (qx! ** 2 + qy! ** 2)],
    ]
    const tie = [x!, y!, z!].map((p, k) => p + R[k]![0]! * a + R[k]![1]! * b + R[k]![2]! * c)
    return Math.hypot(...tie.map((p, k) => p - drop.weightPath[3 * i + k]!))
  })
}

describe('a tether', () => {
  const bait = bodyOf({ family: 'O2', form: 'stick', lengthM: 0.125, size: '3/0' })

  it.each([0.01, 0.1, 0.4])(
    'of %f m is never longer than it is, within half a percent and a fifth of a millimetre',
    tetherM => {
      for (const gap of gaps(bait, must(bait, lead(7, tetherM))))
        expect(gap).toBeLessThan(tetherM * 1.005 + 2e-4)
    },
  )

  it('gives answers that do not hang on the step', () => {
    for (const weight of [lead(7, 0.01), lead(10, 0.4), lead(7, 0.3, false)]) {
      const [a, b] = [0.005, 0.00125].map(stepS => must(bait, weight, { stepS }))
      expect(Math.abs(a!.timeS / b!.timeS - 1)).toBeLessThan(0.01)
      expect(Math.abs(a!.weightTimeS / b!.weightTimeS - 1)).toBeLessThan(0.01)
    }
  })

  it('swings like a pendulum of its length: a weight below a body that nothing moves', () => {
    const still: HydroBody = {
      ...bait,
      water: { densityKgM3: 1e-9, viscosityPaS: 1e-3 },
      inverse: new Float64Array(36),
    }
    const weight = { ...lead(5, 0.25), displacedKg: 0 }
    const { rate, afterStep } = coupleTether(
      tiedBody(still, (_, dy) => void dy.fill(0)),
      weight,
      {
        gravityMS2: 9.80665,
        surroundings: {},
      },
    )
    const y = tetheredState(still, startState(still, { heading: 0, pitch: 0, roll: 0 }), weight, 0.25)
    const swing = 0.2
    const hinge = [y[13]!, y[14]!, y[15]! + 0.25]
    y[13] = hinge[0]! + 0.25 * Math.sin(swing)
    y[15] = hinge[2]! - 0.25 * Math.cos(swing)
    const advance = rungeKutta4(TETHERED_SIZE, rate)
    afterStep(y)
    const crossings: number[] = []
    for (let n = 1; n <= 2500; n++) {
      const before = y[13]! - hinge[0]!
      advance(y, 0.002)
      afterStep(y)
      const now = y[13]! - hinge[0]!
      if (before * now < 0) crossings.push(0.002 * (n - now / (now - before)))
    }
    const period = (2 * (crossings[crossings.length - 1]! - crossings[0]!)) / (crossings.length - 1)
    // the series of the plain pendulum to second order in its swing
    const expected = 2 * Math.PI * Math.sqrt(0.25 / 9.80665) * (1 + swing ** 2 / 16)
    expect(Math.abs(period / expected - 1)).toBeLessThan(1e-3)
  })
})

describe('what is seen of rigs of two bodies', () => {
  const stick = (material: 'plain' | 'salted' | 'floating') =>
    bodyOf({
      family: 'O2',
      form: 'stick',
      lengthM: 0.125,
      size: '3/0',
      densityKgM3: { plain: 1030, salted: 1200, floating: 905 }[material],
    })

  it('a free weight arrives first; a pegged weight and its bait arrive together', () => {
    const free = must(stick('plain'), lead(7, Infinity))
    expect(free.timeS).toBeGreaterThan(3 * free.weightTimeS)
    const pegged = mustDrop(bodyOf({ family: 'L1', form: 'stick', lengthM: 0.125, size: '3/0', oz: 0.247 }), {
      depthM: 2,
      line,
    }).timeS
    expect(pegged).toBeLessThan(2 * free.weightTimeS)
  })
  it('on a leader the weight is down first and the bait follows within seconds', () => {
    const drop = must(stick('plain'), lead(10, 0.4))
    expect(drop.timeS - drop.weightTimeS).toBeGreaterThan(0.4)
    expect(drop.timeS - drop.weightTimeS).toBeLessThan(4)
  })
  it('a floating bait hangs over its weight at the height of its leader, a salted one lies down', () => {
    const hangs = must(stick('floating'), lead(10, 0.4))
    expect(hangs.ending).toBe('hovers')
    const gap = gaps(stick('floating'), hangs)
    expect(gap[gap.length - 1]!).toBeCloseTo(0.4, 2)
    expect(must(stick('salted'), lead(10, 0.4)).ending).toBe('bottom')
  })
  it('says that a free weight under a floating bait leaves it afloat', () => {
    expect(dropTethered(stick('floating'), lead(7, Infinity), { depthM: 2 })).toMatchObject({
      ok: false,
      code: 'floats',
    })
    expect(() => dropTethered(stick('plain'), lead(7, 0.1), { depthM: 0 })).toThrow(/dropTethered/)
  })
})
