import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
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
  sessionStorage.clear()
  setActivePinia(createPinia())
})

describe('the spread on the sheet', () => {
  it('is changed in steps that can be taken back and made again; a change of nothing is no step', async () => {
    const spread = useSpread()
    await spread.open(undefined)
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
  it('keeps what is not saved on the device until it is acknowledged or thrown away', async () => {
    const spread = useSpread()
    await spread.open(kept(1))
    deepen(spread, 5)
    setActivePinia(createPinia())
    const again = useSpread()
    expect(await again.open(kept(1))).toEqual({ draft: true, outdated: false })
    expect(again.content.water.depthM).toBe(5)
    again.acknowledge({ ...kept(2), content: again.content })
    expect(again.changed).toBe(false)
    setActivePinia(createPinia())
    expect(await useSpread().open(kept(2))).toEqual({ draft: false, outdated: false })
  })
  it('says that work on the device was begun on an older state than the one saved', async () => {
    const spread = useSpread()
    await spread.open(kept(1))
    deepen(spread, 5)
    setActivePinia(createPinia())
    expect(await useSpread().open(kept(2))).toEqual({ draft: true, outdated: true })
  })
  it('would be lost where it was never saved and worked on, and only there', async () => {
    const spread = useSpread()
    await spread.open(undefined)
    expect(spread.unkept).toBe(false)
    deepen(spread, 6)
    expect(spread.unkept).toBe(true)
    await spread.discard()
    expect(spread.unkept).toBe(false)
    await spread.open(kept(1))
    deepen(spread, 6)
    expect(spread.unkept).toBe(false)
  })
  it('a reload keeps the steps that can be undone, but only those of what is on the sheet', async () => {
    const spread = useSpread()
    await spread.open(undefined)
    deepen(spread, 3)
    deepen(spread, 4)
    spread.undo()
    setActivePinia(createPinia())
    const again = useSpread()
    await again.open(undefined)
    expect([again.content.water.depthM, again.canUndo, again.canRedo]).toEqual([3, true, true])
    again.redo()
    expect(again.content.water.depthM).toBe(4)
    again.undo()
    again.undo()
    expect(again.content.water.depthM).toBe(starterContent().water.depthM)
    localStorage.clear()
    setActivePinia(createPinia())
    deepen(again, 9)
    localStorage.clear()
    const fresh = useSpread()
    await fresh.open(undefined)
    expect(fresh.canUndo).toBe(false)
  })
  it('a tab without room for its steps still takes every change', async () => {
    const spread = useSpread()
    await spread.open(undefined)
    const full = vi.spyOn(Storage.prototype, 'setItem').mockImplementation((key: string) => {
      if (key.startsWith('dunecrest.steps')) throw new DOMException('full', 'QuotaExceededError')
    })
    deepen(spread, 7)
    full.mockRestore()
    expect([spread.content.water.depthM, spread.canUndo]).toEqual([7, true])
  })
  it('tells what another tab made of it, and lets the person choose; either can be undone', async () => {
    const spread = useSpread()
    await spread.open(kept(1))
    deepen(spread, 5)
    const key = `dunecrest.draft.${kept(1).id}`
    const draftOf = (depthM: number): string => {
      const content = starterContent()
      content.water.depthM = depthM
      return JSON.stringify({ name: 'Theirs', content, revision: 1 })
    }
    const fromAnotherTab = (newValue: string | null, of = key): boolean =>
      window.dispatchEvent(new StorageEvent('storage', { key: of, newValue }))
    fromAnotherTab(draftOf(8), 'dunecrest.draft.another')
    fromAnotherTab('{ not a draft')
    expect(spread.elsewhere).toBeUndefined()
    fromAnotherTab(draftOf(8))
    await vi.waitFor(() => expect(spread.elsewhere?.content.water.depthM).toBe(8))
    expect(spread.content.water.depthM).toBe(5)
    spread.keepHere()
    expect(spread.elsewhere).toBeUndefined()
    expect(localStorage.getItem(key)).toContain('"depthM":5')
    fromAnotherTab(draftOf(8))
    await vi.waitFor(() => expect(spread.elsewhere).toBeDefined())
    spread.takeElsewhere()
    expect([spread.name, spread.content.water.depthM]).toEqual(['Theirs', 8])
    spread.undo()
    expect(spread.content.water.depthM).toBe(5)
  })
})
