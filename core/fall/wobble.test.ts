import { describe, expect, it } from 'vitest'
import { tailBeatHz } from './wobble'

describe('tail beat', () => {
  it('follows Strouhal: half a metre a second past a 12 mm paddle is some eleven beats a second', () => {
    const beat = tailBeatHz(0.5, 0.012)
    expect(beat.value).toBeCloseTo(11.25, 6)
    expect([beat.low, beat.high].map(x => Number(x.toFixed(2)))).toEqual([8.33, 16.67])
  })
  it('stands still in still water, and needs a tail', () => {
    expect(tailBeatHz(0, 0.01).high).toBe(0)
    expect(() => tailBeatHz(1, 0)).toThrow(/tailBeatHz/)
  })
})
