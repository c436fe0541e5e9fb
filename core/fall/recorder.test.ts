import { describe, expect, it } from 'vitest'
import { recorder, SAMPLE_S, SAMPLE_STRIDE } from './recorder'
import { bodyOf, mustDrop } from './testing'

describe('moments of a drop', () => {
  it.each([0.02, 0.0189, 0.013, 0.005, 0.05])(
    'are 20 ms apart at steps of %s s, and the last one at the end',
    stepS => {
      const record = recorder()
      // a place that moves evenly, an attitude that turns a quarter
      const at = (t: number): number[] => [t, 2 * t, -3 * t, Math.cos(t / 4), Math.sin(t / 4), 0, 0]
      const n = 50
      for (let i = 0; i < n; i++) record(i * stepS, at(i * stepS))
      const samples = record(n * stepS, at(n * stepS), true)
      const count = samples.length / SAMPLE_STRIDE
      for (let i = 0; i < count - 1; i++) {
        const [t, x, y, z, ...q] = samples.subarray(
          i * SAMPLE_STRIDE,
          (i + 1) * SAMPLE_STRIDE,
        ) as unknown as number[]
        expect(t).toBeCloseTo(i * SAMPLE_S, 12)
        expect([x, y, z].map((v, k) => Math.abs(v! - at(t!)[k]!) < 1e-12)).toEqual([true, true, true])
        expect(Math.hypot(...q)).toBeCloseTo(1, 12)
        expect(Math.abs(q[0]! - Math.cos(t! / 4))).toBeLessThan(1e-5)
      }
      expect(samples[(count - 1) * SAMPLE_STRIDE]).toBeCloseTo(n * stepS, 12)
      expect(samples[(count - 2) * SAMPLE_STRIDE]).toBeLessThan(n * stepS)
    },
  )
  it('are so for a rig whose own step is another', () => {
    const body = bodyOf({ family: 'W1', lengthM: 0.06, size: '1/0' })
    expect(body.stepS).toBeLessThan(SAMPLE_S)
    const { samples, timeS } = mustDrop(body, { depthM: 2 })
    const count = samples.length / SAMPLE_STRIDE
    expect(count).toBe(Math.ceil(timeS / SAMPLE_S) + 1)
    for (let i = 0; i < count - 1; i++) expect(samples[i * SAMPLE_STRIDE]).toBeCloseTo(i * SAMPLE_S, 9)
  })
})
