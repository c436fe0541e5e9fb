import { describe, expect, it } from 'vitest'
import { fitDrops, type BaitSpec, type DropModel } from '#core'
import { fallWords } from './evidenceWords'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const model: DropModel = {
  seconds: 4,
  byDrag: 0.45,
  byEta: 0.1,
  pitchRad: -0.2,
  pitchByDrag: 0.02,
  pitchByEta: 0.1,
}
const of = (...seconds: readonly number[]) =>
  fallWords(fitDrops(seconds.map(s => ({ bait, seconds: s, model }))))

describe('what drops say of a bait', () => {
  it('says whose figures changed by it', () => {
    const fit = fitDrops(Array.from({ length: 8 }, () => ({ bait, seconds: 3.1, model })))
    expect(fallWords(fit, ['A', 'B', 'C']).sentence).toMatch(/model: figures changed on A, B and C\.$/)
    expect(fallWords(fit, ['A']).sentence).toMatch(/figures changed on A\.$/)
  })
  it('baits that take longer are slower, others faster; near the model nothing is made of it', () => {
    const words = (seconds: number): string => of(...Array.from({ length: 8 }, () => seconds)).sentence
    expect(words(5.2)).toMatch(/^It falls \d+ % slower than the model\.$/)
    expect(words(3.1)).toMatch(/^It falls \d+ % faster than the model\.$/)
    expect(words(4)).toBe('It falls as the model says, as far as these drops can tell.')
  })
  it('tells how many were used, how many set aside, and how they scatter', () => {
    expect(of(4.6, 4.5, 4.7, 4.6, 1.2).detail).toMatch(/from 4 drops, 1 set aside; they scatter by \d+ %\.$/)
    expect(of(4.6).detail).toMatch(/from 1 drop; /)
  })
})
