import { describe, expect, it } from 'vitest'
import { AIR_KGM3, GRAVITY_MS2 } from '../constants'
import { farthest, fly } from './flight'

const level = { fromM: 0, windMS: 0 } as const

describe('flight', () => {
  it('without drag and line is the parabola', () => {
    for (const angleRad of [0.2, 0.5, Math.PI / 4, 1]) {
      const { distanceM, timeS, speedMS, steepRad } = fly(
        { massKg: 0.01, dragAreaM2: 0 },
        { ...level, speedMS: 20, angleRad },
      )
      expect(distanceM / ((400 * Math.sin(2 * angleRad)) / GRAVITY_MS2)).toBeCloseTo(1, 3)
      expect(timeS).toBeCloseTo((40 * Math.sin(angleRad)) / GRAVITY_MS2, 2)
      expect(speedMS).toBeCloseTo(20, 2)
      expect(steepRad).toBeCloseTo(angleRad, 3)
    }
  })
  it('with drag falls at last at the speed where drag holds its weight', () => {
    const [massKg, dragAreaM2] = [0.002, 8e-4]
    const terminal = Math.sqrt((2 * massKg * GRAVITY_MS2) / (AIR_KGM3 * dragAreaM2))
    const { speedMS, steepRad } = fly(
      { massKg, dragAreaM2 },
      { speedMS: 5, angleRad: 0.3, fromM: 60, windMS: 0 },
    )
    expect(speedMS / terminal).toBeCloseTo(1, 2)
    expect(steepRad).toBeCloseTo(Math.PI / 2, 2)
  })
  it('of a lobbed body straight up and down obeys the closed form for quadratic drag', () => {
    const [massKg, dragAreaM2, speedMS] = [0.01, 2e-4, 22]
    const square = (2 * massKg * GRAVITY_MS2) / (AIR_KGM3 * dragAreaM2)
    const back = fly({ massKg, dragAreaM2 }, { ...level, speedMS, angleRad: Math.PI / 2 - 1e-6 })
    // it returns at v / sqrt(1 + v² / vt²)
    expect(back.speedMS).toBeCloseTo(speedMS / Math.sqrt(1 + speedMS ** 2 / square), 1)
  })
  it('across a steady wind goes as straight through moving air, to the lee by what the air takes along', () => {
    const [massKg, dragAreaM2] = [0.004, 3e-4]
    const across = fly({ massKg, dragAreaM2 }, { ...level, speedMS: 22, angleRad: 0.5, acrossMS: 6 })
    const still = fly({ massKg, dragAreaM2 }, { ...level, speedMS: 22, angleRad: 0.5 })
    expect(still.asideM).toBe(0)
    expect(across.asideM).toBeGreaterThan(0.5)
    expect(across.asideM).toBeLessThan(6 * across.timeS)
    expect(across.distanceM).toBeLessThan(still.distanceM)
    // dropped straight down it is the drift of a body that is slowly taken along: to a tenth at the wind's own speed
    const dropped = fly(
      { massKg, dragAreaM2 },
      { fromM: 60, windMS: 0, speedMS: 1e-6, angleRad: 0, acrossMS: 3 },
    )
    const along = fly({ massKg, dragAreaM2 }, { fromM: 60, windMS: 3, speedMS: 1e-6, angleRad: 0 })
    expect(dropped.asideM).toBeCloseTo(along.distanceM, 1)
  })
  it('across no wind is the same to the last digit', () => {
    const thrown = { ...level, speedMS: 20, angleRad: 0.6 }
    const body = { massKg: 0.007, dragAreaM2: 2e-4 }
    expect(fly(body, { ...thrown, acrossMS: 0 })).toEqual(fly(body, thrown))
  })
  it('a line brings it down sooner, a thicker one sooner still', () => {
    const of = (diameterM?: number) =>
      farthest(
        {
          massKg: 0.008,
          dragAreaM2: 2e-4,
          ...(diameterM
            ? {
                line: {
                  diameterM,
                  kgPerM: 1000 * (Math.PI / 4) * diameterM ** 2,
                  spool: 1,
                  steadyN: 0.01,
                },
              }
            : {}),
        },
        { speedMS: 25, fromM: 1.8, windMS: 0 },
      ).distanceM
    expect(of(0.00015)).toBeLessThan(of())
    expect(of(0.00035)).toBeLessThan(0.85 * of(0.00015))
  })
  it('takes the rise that gets farthest: lower into the wind than with it', () => {
    const flyer = { massKg: 0.008, dragAreaM2: 4e-4 }
    const of = (windMS: number) => farthest(flyer, { speedMS: 25, fromM: 1.8, windMS })
    expect(of(-8).angleRad).toBeLessThan(of(8).angleRad)
    expect(of(-8).distanceM).toBeLessThan(of(0).distanceM)
    expect(of(0).distanceM).toBeLessThan(of(8).distanceM)
  })
  it('refuses what has no mass', () => {
    expect(() => fly({ massKg: 0, dragAreaM2: 1e-4 }, { ...level, speedMS: 10, angleRad: 0.5 })).toThrow(
      /massKg/,
    )
  })
})
