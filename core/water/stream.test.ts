import { describe, expect, it } from 'vitest'
import { streamAt } from './stream'

describe('a current', () => {
  const flow = streamAt({ surfaceMS: 0.8, towardRad: Math.PI / 6, depthM: 4 })
  const at = (z: number): readonly [number, number] => {
    const out = new Float64Array(2)
    flow(z, out)
    return [out[0]!, out[1]!]
  }
  it('has its surface speed and direction at the surface, and stands at the bottom', () => {
    expect(at(0)[0]).toBeCloseTo(0.8 * Math.cos(Math.PI / 6), 12)
    expect(at(0)[1]).toBeCloseTo(0.4, 12)
    expect(Math.hypot(...at(-4))).toBe(0)
  })
  it('carries on average seven eighths of the surface speed (the integral of the seventh-root law)', () => {
    let sum = 0
    for (let i = 0; i < 10_000; i++) sum += Math.hypot(...at((-4 * (i + 0.5)) / 10_000)) / 10_000
    expect(sum / 0.8).toBeCloseTo(7 / 8, 3)
  })
})
