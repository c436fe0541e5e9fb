import { describe, expect, it } from 'vitest'
import { movedWords } from './movedWords'

const own = {
  rigKey: 'slimShad 90 plain|W1|4/0|skin',
  placeKey: 'thickWeed/sand',
  casts: 60,
  snags: 12,
  touches: 20,
  hooked: 7,
}
const head = { ...own, rigKey: 'slimShad 90 plain|E1|3/0|open', casts: 80, snags: 50, touches: 1 }
const of = { rigKey: own.rigKey, letters: new Map([[head.rigKey, 'C']]) }

describe('what moved a figure', () => {
  it("names the rig's own log first, then others here by their letter", () => {
    expect(movedWords('snag', { logged: [head, own] }, 0.046, of)).toBe(
      'Moved from 5 % by 12 snags in 60 casts with it here and 80 casts with C here.',
    )
    expect(movedWords('snag', { logged: [head] }, 0.046, of)).toBe('Moved from 5 % by 80 casts with C here.')
  })
  it('of hook-ups tells touches', () => {
    expect(movedWords('hook', { logged: [own, head] }, 0.48, of)).toBe(
      'Moved from 48 % by 7 hooked of 20 touches with it here and 1 touch with C here.',
    )
  })
  it('sums up what is left when there are many, and names a rig that is not on the sheet', () => {
    const more = ['1', '2', '3', '4'].map(size => ({
      ...own,
      rigKey: `slimShad 90 plain|O1|${size}|skin`,
      casts: 10,
    }))
    expect(movedWords('snag', { logged: more }, 0.1, of)).toMatch(
      /^Moved from 10 % by 10 casts with .* 1, skin here, 10 casts with .* 2, skin here and 20 casts with 2 others\.$/,
    )
  })
  it('of nothing is silent', () => {
    expect(movedWords('snag', { logged: [{ ...own, casts: 0 }] }, 0.1, of)).toBeUndefined()
    expect(movedWords('snag', { logged: [own] }, undefined, of)).toBeUndefined()
    expect(movedWords('hook', undefined, undefined, of)).toBeUndefined()
  })
})
