import { describe, expect, it } from 'vitest'
import { answerMemory, type AnswerStore, type KeptAnswer } from './answerMemory'
import type { PickJob } from './pick'
import type { QuestionId, Questions, Reply } from './protocol'
import { serve } from './serve'
import { day, goods } from './testing'

type Store = AnswerStore & { readonly kept: Map<QuestionId, KeptAnswer>; reads: number; writes: number }
function storeOf(making = 'one', kept = new Map<QuestionId, KeptAnswer>()): Store {
  const store: Store = {
    making,
    kept,
    reads: 0,
    writes: 0,
    read: about => {
      store.reads++
      return Promise.resolve(structuredClone(kept.get(about)))
    },
    write: (about, answer) => {
      store.writes++
      return Promise.resolve(void kept.set(about, structuredClone(answer)))
    },
  }
  return store
}
const job = (depthM = 2): PickJob => ({ day: { ...day, depthM }, goods, beyond: false })
const answerOf = (ms: number) => ({ ms }) as Questions['pick']['answer']

describe('what was answered', () => {
  it('stands at once when just the same is asked, and not when anything differs', async () => {
    const memory = answerMemory(storeOf())
    memory.keep('pick', job(), answerOf(1))
    expect(await memory.recall('pick', job())).toEqual({ ms: 1 })
    expect(await memory.recall('pick', job(2.1))).toBeUndefined()
    expect(await memory.recall('pick', { ...job(), beyond: true })).toBeUndefined()
  })
  it('is found on the next page: the last of each kind, read once', async () => {
    const store = storeOf()
    const before = answerMemory(store)
    before.keep('pick', job(2), answerOf(2))
    before.keep('pick', job(3), answerOf(3))
    await before.layDown()
    await before.layDown()
    expect(store.writes).toBe(1)
    const after = answerMemory(store)
    const reads = store.reads
    expect(await after.recall('pick', job(3))).toEqual({ ms: 3 })
    expect(await after.recall('pick', job(2))).toBeUndefined()
    expect(store.reads).toBe(reads + 1)
  })
  it('is worked out anew by another making, and where the store is shut', async () => {
    const store = storeOf()
    const before = answerMemory(store)
    before.keep('pick', job(), answerOf(1))
    await before.layDown()
    expect(await answerMemory(storeOf('another', store.kept)).recall('pick', job())).toBeUndefined()
    const shut = answerMemory({
      making: 'one',
      read: () => Promise.reject(new Error('shut')),
      write: () => Promise.reject(new Error('shut')),
    })
    shut.keep('pick', job(), answerOf(1))
    await shut.layDown()
    expect(await shut.recall('pick', job())).toEqual({ ms: 1 })
  })
  it('is forgotten after some others', async () => {
    const memory = answerMemory()
    for (let i = 0; i < 8; i++) memory.keep('pick', job(1 + i), answerOf(i))
    expect(await memory.recall('pick', job(1))).toBeUndefined()
    expect(await memory.recall('pick', job(8))).toEqual({ ms: 7 })
  })
  it('comes from a worker whole and at once the second time, word for word', async () => {
    const sent: Reply[] = []
    const handle = serve(reply => void sent.push(reply))
    const ask = async (id: number): Promise<Reply[]> => {
      sent.length = 0
      await handle({ type: 'ask', id, about: 'pick', job: job() })
      return [...sent]
    }
    const first = await ask(1)
    expect(first.some(reply => reply.type === 'early')).toBe(true)
    const again = await ask(2)
    expect(again.map(reply => reply.type)).toEqual(['answer'])
    expect(again[0]).toEqual({ ...first.at(-1)!, id: 2 })
  })
})
