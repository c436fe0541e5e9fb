import { describe, expect, it } from 'vitest'
import { riggingsOf, screen, searchMemory, type SearchMemory, toTheEnd } from '#core'
import type { KeptSearch, SearchStore } from './searchMemory'
import { day, fileServer as server, goods } from './testing'
import type { Fetch } from './serverFile'
import { alsoOnServer, readBack, writtenOut } from './workedOut'

function searched(): Omit<SearchMemory, 'drawn' | 'recall'> {
  const memory = searchMemory()
  toTheEnd(screen({ day, goods, riggings: riggingsOf(goods), memory }))
  const { drawn: _, recall: __, ...plain } = memory
  return plain
}
const making = 'http://home:3000/_nuxt/calc.worker-abc.js'

/** A device's own store. */
function device(): SearchStore & { kept?: KeptSearch } {
  const store: SearchStore & { kept?: KeptSearch } = {
    making,
    read: () => Promise.resolve(store.kept),
    write: async kept => {
      store.kept = kept
      await Promise.resolve()
    },
  }
  return store
}

describe('what searches worked out, for other devices', () => {
  it('comes back from text to the last digit', () => {
    const memory = searched()
    expect(
      Math.min(memory.laid.size, memory.bodies.size, memory.met.size, memory.hooked.size),
    ).toBeGreaterThan(0)
    expect(readBack(JSON.parse(writtenOut(memory)))).toStrictEqual(memory)
  })
  it('is given to a device that has nothing, half by half and making by making', async () => {
    const memory = searched()
    const { call, calls } = server()
    await alsoOnServer(device(), 'first', call).write({ making, memory })
    expect(await alsoOnServer(device(), 'first', call).read()).toStrictEqual({ making, memory })
    expect(await alsoOnServer(device(), 'helper', call).read()).toBeUndefined()
    const newer = { ...device(), making: making.replace('abc', 'def') }
    expect(await alsoOnServer(newer, 'first', call).read()).toBeUndefined()
    // a device that has its own asks nobody
    const own = device()
    own.kept = { making, memory }
    const before = calls.length
    expect(await alsoOnServer(own, 'first', call).read()).toBe(own.kept)
    expect(calls).toHaveLength(before)
  })
  it('goes there again once it has grown by a tenth', async () => {
    const memory = searched()
    const { call, calls } = server()
    const store = alsoOnServer(device(), 'first', call)
    await store.write({ making, memory })
    await store.write({ making, memory })
    expect(calls).toHaveLength(1)
    const grown = { ...memory, met: new Map(memory.met) }
    for (let n = 0; n < 0.2 * memory.met.size + memory.laid.size + memory.hooked.size; n++)
      grown.met.set(`more ${n}`, { minutesLeft: 60, snagPerCast: 0 })
    await store.write({ making, memory: grown })
    expect(calls).toHaveLength(2)
  })
  it('stays on the device where nobody answers; a file that is none is not taken', async () => {
    const memory = searched()
    const gone: Fetch = () => Promise.reject(new TypeError('no network'))
    const own = device()
    await alsoOnServer(own, 'first', gone).write({ making, memory })
    expect(own.kept).toEqual({ making, memory })
    await expect(alsoOnServer(device(), 'first', gone).read()).rejects.toThrow('no network')
    for (const file of [null, {}, [], [[], [], [], []], [1, 2, 3, 4, 5]])
      expect(() => readBack(file)).toThrow(TypeError)
  })
})
