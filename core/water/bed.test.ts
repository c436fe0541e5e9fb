import { describe, expect, it } from 'vitest'
import { ballSinksM, bearingPa, bearingWork, SOFT_BEDS } from './bed'

const mud = SOFT_BEDS.mud!

describe('a soft bed', () => {
  it('the work of pressing in is the pressure summed over the way down', () => {
    let sum = 0
    const steps = 2000
    for (let i = 0; i < steps; i++) sum += (bearingPa(mud, ((i + 0.5) * 0.05) / steps) * 0.05) / steps
    // midpoint rule on a straight line: exact but for rounding
    expect(bearingWork(mud, 0.05)).toBeCloseTo(sum, 9)
  })
  it('a ball stops where the bed bears its weight: past its middle, load over area solved by hand', () => {
    const load = 0.12
    const area = (Math.PI * 0.0134 ** 2) / 4
    const byHand = (load / area / 9 - mud.shearPa) / mud.shearPaPerM
    expect(byHand).toBeGreaterThan(0.0067)
    expect(ballSinksM(mud, load, 0.0134)).toBeCloseTo(byHand, 6)
  })
  it('a heavier ball of the same stuff sinks deeper', () => {
    const sinks = (grams: number): number =>
      ballSinksM(mud, (grams / 1000) * 9.81 * 0.91, Math.cbrt((6 * grams) / 1000 / 11340 / Math.PI))
    expect(sinks(14)).toBeGreaterThan(sinks(3.5))
    expect(sinks(3.5)).toBeGreaterThan(sinks(0.9))
  })
})
