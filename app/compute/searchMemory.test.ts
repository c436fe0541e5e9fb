import { describe, expect, it } from 'vitest'
import { riggingsOf, screen, type Candidate, type Goods, type SearchMemory, toTheEnd } from '#core'
import {
  forgetSearches,
  keepSearches,
  memory,
  recallSearches,
  type KeptSearch,
  type SearchStore,
} from './searchMemory'
import { day, goods } from './testing'

/** Enough hooks that what was worked out is worth keeping. */
const more: Goods = {
  ...goods,
  hooks: (['1/0', '2/0', '3/0', '4/0', '5/0'] as const).map(size => ({ id: size, style: 'wideGap', size })),
}
const search = (remembered: SearchMemory): Candidate[] => {
  return toTheEnd(screen({ day, goods: more, riggings: riggingsOf(more), memory: remembered }))
}
/** A store that holds what can be written into a browser's. */
function storeOf(making = 'one'): SearchStore & { kept?: KeptSearch; written: number } {
  const store: SearchStore & { kept?: KeptSearch; written: number } = {
    making,
    written: 0,
    read: () => Promise.resolve(store.kept && structuredClone(store.kept)),
    write: async kept => {
      store.kept = structuredClone(kept)
      store.written++
      await Promise.resolve()
    },
  }
  return store
}

describe('what searches worked out', () => {
  it('is kept from one page to the next, and comes to the same', async () => {
    forgetSearches()
    const store = storeOf()
    const first = search(memory())
    await keepSearches(store)
    expect(store.written).toBe(1)
    await keepSearches(store)
    expect(store.written).toBe(1)
    forgetSearches()
    await recallSearches(store)
    const { laid, bodies, met, hooked } = memory()
    const sizes = [laid, bodies, met, hooked].map(map => map.size)
    expect(Math.min(...sizes)).toBeGreaterThan(0)
    expect(search(memory())).toEqual(first)
    // nothing of it was worked out again
    expect([laid, bodies, met, hooked].map(map => map.size)).toEqual(sizes)
  })
  it('is worked out anew by another making, and where the store is shut', async () => {
    forgetSearches()
    const store = storeOf()
    search(memory())
    await keepSearches(store)
    forgetSearches()
    await recallSearches({ ...store, making: 'another' })
    expect(memory().laid.size).toBe(0)
    const shut: SearchStore = {
      making: 'one',
      read: () => Promise.reject(new Error('shut')),
      write: () => Promise.reject(new Error('shut')),
    }
    forgetSearches()
    await recallSearches(shut)
    expect(memory().laid.size).toBe(0)
    search(memory())
    await keepSearches(shut)
    expect(memory().laid.size).toBeGreaterThan(0)
  })
})
