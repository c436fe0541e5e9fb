import { describe, expect, it } from 'vitest'
import { dipOf, noseHoleM } from './raft'

const G = 9.80665

describe('a raft under a load', () => {
  it('that goes on gives as a plate on water does: its dent lifts its load, and a stiffer one gives less', () => {
    // Kelvin's function kei is the whole dent: w(r) = -w0 (4/π) kei(r/λ); over the plane it displaces the load
    const spreadM = 0.08
    const w0 = dipOf({ spreadM, freeboardM: 0.01, holeM: 0.1, holeGsd: 2 }, 0.02, 1000)
    let volume = 0
    for (let x = 0.005; x < 14; x += 0.01)
      volume += 2 * Math.PI * x * spreadM ** 2 * w0 * (-4 / Math.PI) * kei(x) * 0.01
    expect((volume * 1000) / 0.02).toBeCloseTo(1, 2)
  })
  it('of one leaf sinks until it displaces the load', () => {
    const leaf = { radiusM: 0.09, spreadM: 0.5, freeboardM: 0.004, holeM: 0.1, holeGsd: 2 }
    expect(dipOf(leaf, 0.0254, 1000) * Math.PI * 0.0081 * 1000).toBeCloseTo(0.0254, 9)
  })
})

describe('a hole under a bait', () => {
  it('crept over takes the nose once the centre is past the edge', () =>
    expect(noseHoleM(0.05, 0.03, 0.01, 0.001)).toBeCloseTo(0.05, 3))
  it('taken fast asks for the time in which it tips: a cube root of the drop over the speed', () => {
    // while the way past the edge is small against the gyration: angle = g v t³ / 6 k²
    const [before, k, v] = [0.5, 0.5, 0.2]
    const down = 1e-4
    const t = ((6 * k * k * (down / before)) / (G * v)) ** (1 / 3)
    expect(noseHoleM(before, k, down, v) - before).toBeCloseTo(v * t, 3)
  })
  it('has to be longer for a faster, a longer and a thicker bait', () => {
    const usual = noseHoleM(0.05, 0.03, 0.01, 0.4)
    expect(noseHoleM(0.05, 0.03, 0.01, 0.8)).toBeGreaterThan(usual)
    expect(noseHoleM(0.08, 0.05, 0.01, 0.4)).toBeGreaterThan(usual)
    expect(noseHoleM(0.05, 0.03, 0.02, 0.4)).toBeGreaterThan(usual)
  })
})

/** kei of order 0 by its integral: -∫ over u of sin-like decay (Abramowitz & Stegun 9.9): Im K0(x e^{iπ/4}). */
function kei(x: number): number {
  let sum = 0
  const step = 0.002
  for (let u = step / 2; u < 8; u += step) {
    // K0(z) = ∫ exp(-z cosh u) du
    const c = (x * Math.cosh(u)) / Math.SQRT2
    if (c > 40) break
    sum -= Math.exp(-c) * Math.sin(c) * step
  }
  return sum
}
