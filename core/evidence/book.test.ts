import { describe, expect, it } from 'vitest'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { bookOf, evidenceOf, touchTally, type LoggedCounts, type LoggedDrop } from './book'
import { fitDrops, pooledPrior, type DropModel } from './drops'
import { baitKey, kindKey, placeKey, rigKey } from './keys'

const shad: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const rig: RigSpec = {
  family: 'W1',
  hookSize: '4/0',
  weightKg: 0.0035,
  weightMaterial: 'lead',
  pointRest: 'skin',
}
const model: DropModel = {
  seconds: 4,
  byDrag: 0.45,
  byEta: 0.1,
  pitchRad: -0.2,
  pitchByDrag: 0.02,
  pitchByEta: 0.1,
}
const drops = (bait: BaitSpec, ...seconds: readonly number[]): LoggedDrop[] =>
  seconds.map(s => ({ bait, seconds: s, model }))
const counts = (more: Partial<LoggedCounts> = {}): LoggedCounts => ({
  rigKey: rigKey(shad, rig),
  placeKey: placeKey('thickWeed', 'shell'),
  casts: 80,
  snags: 6,
  bites: 9,
  bumps: 11,
  hooked: 5,
  ...more,
})

describe('what is gathered together', () => {
  it('a bait within half a step of five millimetres is the same; another plastic, form or an own outline is not', () => {
    expect(baitKey({ ...shad, lengthM: 0.0917 })).toBe(baitKey(shad))
    expect(baitKey({ ...shad, lengthM: 0.096 })).not.toBe(baitKey(shad))
    expect(baitKey({ ...shad, material: 'salted' })).not.toBe(baitKey(shad))
    expect(baitKey({ ...shad, own: { at: [0, 1], width: [0.1, 0], height: [0.1, 0] } })).toBe(
      `${baitKey(shad)} own`,
    )
    expect(kindKey({ ...shad })).toBe('slimShad plain')
  })
  it('a rig whatever its weight; another hook, point or peg is another', () => {
    expect(rigKey(shad, { ...rig, weightKg: 0.02, weightMaterial: 'tungsten' })).toBe(rigKey(shad, rig))
    for (const other of [
      { hookSize: '5/0' },
      { pointRest: 'buried' },
      { family: 'O2' },
      { family: 'L1', peg: 'free' },
    ] as const)
      expect(rigKey(shad, { ...rig, ...other })).not.toBe(rigKey(shad, rig))
  })
  it('a bump counts as a touch that was lost, and no more are hooked than were touched', () => {
    expect(touchTally({ bites: 9, bumps: 11, hooked: 5 })).toEqual({ tries: 20, hits: 5 })
    expect(touchTally({ bites: 9, hooked: 5 })).toEqual({ tries: 9, hits: 5 })
    expect(touchTally({ bites: 1, hooked: 5 })).toEqual({ tries: 1, hits: 1 })
  })
})

describe('the book', () => {
  const book = bookOf(
    [...drops(shad, 4.6, 4.5, 4.7, 4.6, 4.55), ...drops({ ...shad, lengthM: 0.12 }, 4.4, 4.5)],
    [counts()],
  )
  it('says of a bait what its own drops say, of its kind what all say, of another nothing', () => {
    const own = evidenceOf(book, shad, rig, 'open', 'sand')!
    expect(own.fall!.drag).toBeGreaterThan(1.1)
    expect(own.fall!.pooled).toBeUndefined()
    expect(own.fall!.drops).toBe(5)
    expect(own.snag).toBeUndefined()
    const kin = evidenceOf(book, { ...shad, lengthM: 0.06 }, rig, 'open', 'sand')!
    expect(kin.fall).toMatchObject({ pooled: true, drops: 7 })
    expect(Math.abs(Math.log(kin.fall!.drag))).toBeLessThan(Math.abs(Math.log(own.fall!.drag)))
    expect(evidenceOf(book, { ...shad, material: 'salted' }, rig, 'open', 'sand')).toBeUndefined()
    // where others were counted, that is what is known of it
    expect(evidenceOf(book, { ...shad, material: 'salted' }, rig, 'thickWeed', 'shell')).toEqual({
      logged: book.logged,
    })
  })
  it('says of a rig in its place what was counted there, and of the same rig elsewhere nothing', () => {
    expect(evidenceOf(book, shad, rig, 'thickWeed', 'shell')).toMatchObject({
      snag: { tries: 80, hits: 6 },
      hook: { tries: 20, hits: 5 },
    })
    expect(evidenceOf(book, shad, rig, 'thickWeed', 'sand')!.snag).toBeUndefined()
    expect(book.logged).toEqual([
      { rigKey: rigKey(shad, rig), placeKey: 'thickWeed/shell', casts: 80, snags: 6, touches: 20, hooked: 5 },
    ])
    const none = bookOf([], [counts({ casts: 0, snags: 0, bites: 0, bumps: 0, hooked: 0 })])
    expect(evidenceOf(none, shad, rig, 'thickWeed', 'shell')).toEqual({})
  })
  it('of nothing is empty', () =>
    expect(bookOf([], [])).toEqual({ falls: {}, pooled: {}, tallies: {}, logged: [] }))
})

describe('pooling', () => {
  const fit = (seconds: number) => fitDrops(drops(shad, ...Array.from({ length: 6 }, () => seconds)))
  it('of nobody is the model itself; of many alike leans far to them, of many unlike hardly', () => {
    expect(pooledPrior([]).lnDrag).toBe(0)
    const alike = pooledPrior([fit(4.6), fit(4.62), fit(4.58), fit(4.6)])
    const unlike = pooledPrior([fit(5.6), fit(3.2), fit(5.4), fit(3.4)])
    expect(alike.lnDrag).toBeGreaterThan(2 * Math.abs(unlike.lnDrag))
    expect(alike.vDrag).toBeLessThan(unlike.vDrag)
    expect(unlike.vDrag).toBeLessThanOrEqual(pooledPrior([]).vDrag)
  })
})
