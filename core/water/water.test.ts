import { describe, expect, it } from 'vitest'
import { waterOf } from './water'

describe('waterOf', () => {
  // Density: IAPWS-95 values for pure water at 1 atm; UNESCO EOS-80 for 35 g/kg. Tolerance is the formula's
  // stated 0.1 %.
  it.each([
    [5, 0, 999.97],
    [10, 0, 999.7],
    [20, 0, 998.21],
    [30, 0, 995.65],
    [10, 35, 1026.95],
    [20, 35, 1024.76],
  ])('density at %f °C and %f g/kg', (t, s, expected) => {
    expect(Math.abs(waterOf(t, s).densityKgM3 / expected - 1)).toBeLessThan(1e-3)
  })
  // Viscosity: IAPWS 2008 for pure water; ITTC 7.5-02-01-03 (2011) for sea water at 35.16 g/kg. Stated
  // accuracy 1.5 %.
  it.each([
    [10, 0, 1.3059e-3],
    [20, 0, 1.0016e-3],
    [30, 0, 0.7972e-3],
    [15, 35.16, 1.2202e-3],
  ])('viscosity at %f °C and %f g/kg', (t, s, expected) => {
    expect(Math.abs(waterOf(t, s).viscosityPaS / expected - 1)).toBeLessThan(0.015)
  })
  it('refuses what it was not made for', () => {
    expect(() => waterOf(-1, 0)).toThrow(/waterOf: temperatureC/)
    expect(() => waterOf(10, 60)).toThrow(/waterOf: salinityGKg/)
    expect(() => waterOf(Number.NaN, 0)).toThrow(RangeError)
  })
})
