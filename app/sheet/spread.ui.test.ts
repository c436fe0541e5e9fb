import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Spread } from '#schemas/spread'
import { useSpread } from './spread'
import { starterContent } from './starter'

const kept = (revision: number): Spread => ({
  id: '11111111-1111-4111-8111-111111111111',
  name: 'Kept',
  revision,
  content: starterContent(),
  updatedAt: '2026-11-01T08:00:00.000Z',
})
const deepen = (spread: ReturnType<typeof useSpread>, depthM: number): void =>
  spread.edit(draft => void (draft.water.depthM = depthM))

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
})

describe('the spread on the sheet', () => {
  it('is changed in steps that can be taken back and made again; a change of nothing is no step', () => {
    const spread = useSpread()
    spread.open(undefined)
    const before = spread.content.water.depthM
    deepen(spread, 3)
    deepen(spread, 3)
    deepen(spread, 4)
    spread.undo()
    expect(spread.content.water.depthM).toBe(3)
    spread.undo()
    expect(spread.content.water.depthM).toBe(before)
    expect(spread.canUndo).toBe(false)
    spread.redo()
    spread.redo()
    expect(spread.content.water.depthM).toBe(4)
  })
  it('keeps what is not saved on the device until it is acknowledged or thrown away', () => {
    const spread = useSpread()
    spread.open(kept(1))
    deepen(spread, 5)
    setActivePinia(createPinia())
    const again = useSpread()
    expect(again.open(kept(1))).toEqual({ draft: true, outdated: false })
    expect(again.content.water.depthM).toBe(5)
    again.acknowledge({ ...kept(2), content: again.content })
    expect(again.changed).toBe(false)
    setActivePinia(createPinia())
    expect(useSpread().open(kept(2))).toEqual({ draft: false, outdated: false })
  })
  it('says that work on the device was begun on an older state than the one saved', () => {
    const spread = useSpread()
    spread.open(kept(1))
    deepen(spread, 5)
    setActivePinia(createPinia())
    expect(useSpread().open(kept(2))).toEqual({ draft: true, outdated: true })
  })
  it('would be lost where it was never saved and worked on, and only there', () => {
    const spread = useSpread()
    spread.open(undefined)
    expect(spread.unkept).toBe(false)
    deepen(spread, 6)
    expect(spread.unkept).toBe(true)
    spread.discard()
    expect(spread.unkept).toBe(false)
    spread.open(kept(1))
    deepen(spread, 6)
    expect(spread.unkept).toBe(false)
  })
})
