import { describe, expect, it } from 'vitest'
import { DEMO_SPREADS } from '../../demo/spreads'
import { fieldErrors, pathText } from './problems'
import { contentSchema, contentShape, createSchema } from './spread'

describe('spread documents', () => {
  it('take every demo spread', () => {
    for (const spread of DEMO_SPREADS) expect(createSchema.safeParse(spread).success).toBe(true)
  })
  it('keep a draft whose rig cannot be built, but do not save it', () => {
    const draft = structuredClone(DEMO_SPREADS[0]!.content)
    draft.bait.lengthM = 0.03
    expect(contentShape.safeParse(draft).success).toBe(true)
    const saved = contentSchema.safeParse(draft)
    expect(saved.success).toBe(false)
    expect(fieldErrors(saved.error!).map(e => e.path)).toEqual([
      'lanes[0].hookSize',
      'lanes[1].hookSize',
      'lanes[2].hookSize',
    ])
  })
  it('refuse what is not a number', () => {
    const bad = structuredClone(DEMO_SPREADS[0]!) as unknown as { content: { water: { depthM: unknown } } }
    for (const depth of [Number.NaN, Infinity, '2', null]) {
      bad.content.water.depthM = depth
      expect(createSchema.safeParse(bad).success, String(depth)).toBe(false)
    }
  })
  it('writes paths as they are read', () => {
    expect(pathText(['lanes', 1, 'hookSize'])).toBe('lanes[1].hookSize')
    expect(pathText([])).toBe('(top)')
  })
})
