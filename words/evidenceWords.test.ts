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
  it('slower baits have more drag, faster ones less; near the model nothing is made of it', () => {
    const words = (seconds: number): string => of(...Array.from({ length: 8 }, () => seconds)).sentence
    expect(words(5.2)).toMatch(/^It has \d+ % more drag than the model gives: it falls slower\.$/)
    expect(words(3.1)).toMatch(/^It has \d+ % less drag than the model gives: it falls faster\.$/)
    expect(words(4)).toBe('It falls as the model says, as far as these drops can tell.')
  })
  it('tells how many were used, how many set aside, and how they scatter', () => {
    expect(of(4.6, 4.5, 4.7, 4.6, 1.2).detail).toMatch(/from 4 drops, 1 set aside; they scatter by \d+ %\.$/)
    expect(of(4.6).detail).toMatch(/from 1 drop; /)
  })
})
