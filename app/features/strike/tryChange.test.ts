import { describe, expect, it } from 'vitest'
import type { ChangeId } from '#core'
import { contentSchema, type SpreadContent } from '#schemas/spread'
import { starterContent } from '~/sheet/starter'
import { changeOnSheet } from './tryChange'

const IDS: readonly ChangeId[] = [
  'finerWire',
  'lighterSkin',
  'slit',
  'stifferRod',
  'keepMoving',
  'nearer',
  'noStretch',
  'softer',
  'smallerBait',
  'trailingHook',
  'scent',
]
const made = (id: ChangeId, content: SpreadContent): SpreadContent | undefined => {
  const make = changeOnSheet(id, content, content.lanes[0]!)
  const draft = structuredClone(content)
  make?.(draft)
  return make && draft
}

describe('a change made on the sheet', () => {
  const content = starterContent()
  it('leaves a sheet that can be kept, other than it was, with the other rigs as they were', () => {
    for (const id of IDS) {
      const draft = made(id, content)
      if (!draft) continue
      expect(contentSchema.safeParse(draft).success, id).toBe(true)
      expect(draft, id).not.toEqual(content)
      expect(draft.lanes.slice(1), id).toEqual(content.lanes.slice(1))
    }
  })
  it('is not offered where the sheet has no place for it, or it is so already', () => {
    expect(made('softer', content)).toBeUndefined()
    expect(made('trailingHook', content)).toBeUndefined()
    const slit = made('slit', content)!
    expect(slit.lanes[0]!.slit).toBe(true)
    expect(made('slit', slit)).toBeUndefined()
    const scented = made('scent', content)!
    expect(made('scent', scented)).toBeUndefined()
    const fine = made('finerWire', content)!
    expect(fine.lanes[0]!.wire).toBe('fine')
    expect(made('finerWire', fine)).toBeUndefined()
  })
  it('steps a rod up to the heaviest and no further', () => {
    let now: SpreadContent | undefined = content
    const rods: unknown[] = []
    while ((now = made('stifferRod', now))) rods.push(now.fishing?.rod)
    expect(rods).toEqual(['mediumHeavy', 'heavy'])
  })
})
