import { describe, expect, it } from 'vitest'
import { normal, seededRandom } from '../numerics/random'
import { strangeAmong } from '../numerics/statistics'
import { bareWeight } from '../rig/simpleBodies'
import { BAIT_FORMS, FORM_IDS } from '../tackle/forms'
import { waterOf } from '../water/water'
import { hydroBody } from './hydroBody'
import { mustDrop } from './testing'
import {
  asInOpenWater,
  ballSeconds,
  fitsVessel,
  shownAcrossM,
  tapLag,
  UNTRIED_LAG,
  wallSlowing,
} from './vessel'

const water = waterOf(20, 0)
const OPEN = 1e6
const LEAD = 11340

describe('a ball in a bath', () => {
  it('takes the time that the whole six-degree model gives it in open water', () => {
    for (const [massKg, depthM] of [
      [0.003, 0.4],
      [0.007, 0.4],
      [0.014, 1.2],
    ] as const) {
      const drop = mustDrop(hydroBody(bareWeight('ball', massKg, LEAD), water), { depthM })
      const full = ballSeconds(massKg, LEAD, { depthM, acrossM: OPEN }, water)
      // the model drops its middle from the surface to the touch of its underside: half a ball's width of
      // fast fall apart
      expect(Math.abs(full - drop.timeS)).toBeLessThan(0.02)
    }
  })
  it('is slower than a ball in a vacuum, falls later in salt and cold water, earlier when heavier, and late by the walls', () => {
    const at = (kg: number, acrossM = OPEN, w = water): number =>
      ballSeconds(kg, LEAD, { depthM: 0.4, acrossM }, w)
    expect(at(0.007)).toBeGreaterThan(Math.sqrt((2 * 0.4) / 9.81))
    expect(at(0.014)).toBeLessThan(at(0.007))
    expect(at(0.007, OPEN, waterOf(4, 35))).toBeGreaterThan(at(0.007))
    expect(at(0.007, 0.06)).toBeGreaterThan(at(0.007))
  })
  it('that floats, or fills the bath, is refused', () => {
    expect(() => ballSeconds(0.007, 900, { depthM: 0.4, acrossM: 0.3 }, water)).toThrow(/does not sink/)
    expect(() => ballSeconds(1, LEAD, { depthM: 0.4, acrossM: 0.04 }, water)).toThrow(/wallSlowing/)
  })
})

describe('walls', () => {
  it('slow a sphere as published: a tenth of the width by 3.2 %, half by 35 %', () => {
    expect(wallSlowing(0.03, 0.3)).toBeCloseTo(0.968, 3)
    expect(wallSlowing(0.15, 0.3)).toBeCloseTo(0.646, 3)
    expect(wallSlowing(0, 0.3)).toBe(1)
    expect(() => wallSlowing(0.3, 0.3)).toThrow(/wallSlowing/)
  })
  it('count a bait by what it shows: more of it level than nose down, never more than its length', () => {
    for (const form of FORM_IDS) {
      const lengthM = BAIT_FORMS[form].lengthRangeM[0]
      const spec = { form, lengthM, material: 'plain' } as const
      expect(shownAcrossM(spec, 0)).toBeGreaterThan(shownAcrossM(spec, -1.4))
      expect(shownAcrossM(spec, 0)).toBeLessThan(lengthM)
    }
  })
  it('leave a bait room to turn, or do not', () => {
    expect(fitsVessel({ lengthM: 0.09 }, { depthM: 0.4, acrossM: 0.28 })).toBe(true)
    expect(fitsVessel({ lengthM: 0.25 }, { depthM: 0.4, acrossM: 0.28 })).toBe(false)
  })
})

describe('the thumb', () => {
  const known = ballSeconds(0.007, LEAD, { depthM: 0.4, acrossM: 0.28 }, water)
  it('that is always late by so much is found out, a wrong tap set aside', () => {
    const random = seededRandom(5)
    const taps = Array.from({ length: 8 }, (_, i) => (i === 3 ? 1.9 : known + 0.14 + 0.04 * normal(random)))
    const lag = tapLag(taps, known)
    expect(lag.outliers).toEqual([3])
    expect(lag.used).toBe(7)
    // seven taps that scatter by 0.04 s: their mean lies within two standard errors
    expect(Math.abs(lag.lagS - 0.14)).toBeLessThan((2 * 0.04) / Math.sqrt(7))
    expect(lag.sdS).toBeLessThan(0.03)
  })
  it('that was never tried is late by nothing known; a tap of no length is refused', () => {
    expect(tapLag([], known)).toBe(UNTRIED_LAG)
    expect(tapLag([0.5], known).sdS).toBeLessThanOrEqual(UNTRIED_LAG.sdS)
    expect(() => tapLag([0], known)).toThrow(/tapLag/)
    expect(() => asInOpenWater(0.2, { lagS: 0.3 }, 1)).toThrow(/nothing is left/)
  })
})

it('values far from the rest are told apart only when there are enough', () => {
  expect(strangeAmong([1, 1, 9], 0.1)).toEqual([])
  expect(strangeAmong([1, 1.1, 0.9, 9], 0.1)).toEqual([3])
  expect(strangeAmong([1, 1, 1, 1.2], 0.1)).toEqual([])
})
