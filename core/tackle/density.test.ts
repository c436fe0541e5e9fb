import { describe, expect, it } from 'vitest'
import { densityByFloating, densityByWeighing, underWaterKg } from './density'

const FRESH = 998.2
/** Weights of a plastic of known density and volume. */
const weighed = (densityKgM3: number, volumeM3: number) => ({
  airKg: densityKgM3 * volumeM3,
  waterKg: (densityKgM3 - FRESH) * volumeM3,
})

describe('weigh and float', () => {
  it('finds the density it was weighed from, heavier and lighter than water', () => {
    for (const d of [780, 985, 1060, 1320]) {
      const found = densityByWeighing({ ...weighed(d, 8e-6), stepKg: 1e-9 }, FRESH)
      expect(found.value).toBeCloseTo(d, 3)
      expect(found.basis).toBe('measured')
    }
  })
  it('is as sure as the scale is fine: rounded weights keep the truth inside the range', () => {
    for (const d of [880, 1060, 1200]) {
      for (const stepKg of [1e-5, 1e-4]) {
        const { airKg, waterKg } = weighed(d, 8.3e-6)
        const round = (kg: number): number => Math.round(kg / stepKg) * stepKg
        const { low, high } = densityByWeighing(
          { airKg: round(airKg), waterKg: round(waterKg), stepKg },
          FRESH,
        )
        expect(low).toBeLessThanOrEqual(d + 1e-6)
        expect(high).toBeGreaterThanOrEqual(d - 1e-6)
      }
    }
  })
  it('weighs a floating bait with a sinker', () => {
    const { airKg, waterKg } = weighed(780, 8e-6)
    const sinker = 0.01
    expect(
      densityByWeighing({ airKg, waterKg: underWaterKg(sinker + waterKg, sinker), stepKg: 1e-6 }, FRESH)
        .value,
    ).toBeCloseTo(780, 1)
  })
  it('refuses weights that cannot be', () => {
    expect(() => densityByWeighing({ airKg: 0, waterKg: 0, stepKg: 1e-5 }, FRESH)).toThrow(/in air/)
    expect(() => densityByWeighing({ airKg: 0.01, waterKg: 0.01, stepKg: 1e-5 }, FRESH)).toThrow(
      /less than in air/,
    )
  })
  it('bounds it by what it does in fresh and salt water', () => {
    expect(
      densityByFloating([
        { waterKgM3: FRESH, did: 'sinks' },
        { waterKgM3: 1025, did: 'floats' },
      ]),
    ).toEqual({ low: FRESH, high: 1025 })
    expect(densityByFloating([{ waterKgM3: FRESH, did: 'floats' }])).toEqual({ high: FRESH })
    expect(densityByFloating([{ waterKgM3: 1025, did: 'hangs' }])).toEqual({ low: 1022, high: 1028 })
    expect(densityByFloating([])).toEqual({})
    expect(() =>
      densityByFloating([
        { waterKgM3: FRESH, did: 'floats' },
        { waterKgM3: 1025, did: 'sinks' },
      ]),
    ).toThrow(/cannot float/)
  })
})
