import { describe, expect, it } from 'vitest'
import { bareWeight, rod } from '../rig/simpleBodies'
import { SAMPLE_STRIDE } from './drop'
import { hydroBody } from './hydroBody'
import { mustDrop } from './testing'

const G = 9.80665

/**
 * Independent terminal speed: bisection on weight against drag with the published correlation typed out again
 * here (Brown & Lawler 2003), so that a slip in the core's own curve shows.
 */
function sphereTerminal(d: number, rhoS: number, rho: number, mu: number): number {
  const weight = ((rhoS - rho) * G * Math.PI * d ** 3) / 6
  const drag = (v: number): number => {
    const re = (rho * v * d) / mu
    const cd = (24 / re) * (1 + 0.15 * re ** 0.681) + 0.407 / (1 + 8710 / re)
    return (cd * 0.5 * rho * v * v * Math.PI * d * d) / 4
  }
  let [low, high] = [1e-6, 20]
  for (let i = 0; i < 80; i++) {
    const v = (low + high) / 2
    if (drag(v) > weight) high = v
    else low = v
  }
  return (low + high) / 2
}

function endSpeed(samples: Float64Array): number {
  const n = samples.length
  return (
    (samples[n - 3 * SAMPLE_STRIDE + 3]! - samples[n - 2 * SAMPLE_STRIDE + 3]!) /
    (samples[n - 2 * SAMPLE_STRIDE]! - samples[n - 3 * SAMPLE_STRIDE]!)
  )
}

describe('a sphere falls at the speed of the published correlation', () => {
  // Re from about 1 to about 2e5: from a bead in syrup-thick liquid to a cannon ball in water.
  const cases = [
    { massKg: 2e-6, density: 2500, rho: 1000, mu: 0.02 },
    { massKg: 2e-5, density: 2500, rho: 1000, mu: 0.005 },
    { massKg: 5e-5, density: 7850, rho: 1000, mu: 0.001 },
    { massKg: 0.0035, density: 11340, rho: 1000, mu: 0.001 },
    { massKg: 0.042, density: 11340, rho: 1000, mu: 0.001 },
    { massKg: 1.2, density: 11340, rho: 1000, mu: 0.001 },
  ]
  it.each(cases)('$massKg kg at viscosity $mu', ({ massKg, density, rho, mu }) => {
    const d = Math.cbrt((6 * massKg) / density / Math.PI)
    const expected = sphereTerminal(d, density, rho, mu)
    const body = hydroBody(bareWeight('ball', massKg, density), { densityKgM3: rho, viscosityPaS: mu })
    const drop = mustDrop(body, { depthM: Math.max(0.5, (30 * d * density) / rho), stepS: 0.002 })
    expect(Math.abs(endSpeed(drop.samples) / expected - 1)).toBeLessThan(0.03)
  })

  it('covers Re 1 to 2e5', () => {
    const re = cases.map(({ massKg, density, rho, mu }) => {
      const d = Math.cbrt((6 * massKg) / density / Math.PI)
      return (rho * sphereTerminal(d, density, rho, mu) * d) / mu
    })
    expect(Math.min(...re)).toBeLessThan(3)
    expect(Math.max(...re)).toBeGreaterThan(1.2e5)
  })
})

describe('a rod falling broadside obeys its own drag curve', () => {
  it.each([0.002, 0.005, 0.01])('diameter %f m', d => {
    const [rho, mu, density, length] = [1000, 0.001, 1300, 40 * d]
    const body = hydroBody(rod(length, d, density), { densityKgM3: rho, viscosityPaS: mu })
    const speed = endSpeed(mustDrop(body, { depthM: 3, start: { heading: 0, pitch: 0, roll: 0 } }).samples)
    const re = (rho * speed * d) / mu
    const cd = (1 + 10 * re ** (-2 / 3)) * 0.82 // White's curve, and Hoerner's end loss at forty diameters
    const drag = cd * 0.5 * rho * speed * speed * length * d
    const weight = (((density - rho) * G * Math.PI * d * d) / 4) * length
    expect(Math.abs(drag / weight - 1)).toBeLessThan(0.03)
  })
})
