import 'fake-indexeddb/auto'
import { ofetch } from 'ofetch'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ask, ServerRefusal } from './api'
import { changeOf, dropChange, keepChange, onSettled, waiting, withChanges, type Row } from './changes'
import { keptAt, rowAs } from './keptAt'
import { leaveOutOfLog } from './leaveOut'
import { newId } from './newId'
import { keepEntries } from './outbox'
import { sendChanges, settle } from './sendChanges'

vi.mock('ofetch', () => ({ ofetch: vi.fn() }))

const PATH = '/api/documents/spot'
interface Spot extends Row {
  readonly name: string
  readonly content: { readonly depthM: number; readonly cover: string }
}
type Init = {
  method: string
  body?: { id?: string; revision?: number; name?: string; content?: Spot['content'] }
}

/** A server that keeps spots as the real one does, and can be out of reach or lose its answer. */
function server() {
  const rows = new Map<string, Spot>()
  const deleted = new Map<string, Spot>()
  const state = { away: false, loseAnswer: false, refuse: undefined as string | undefined, requests: 0 }
  const refusal = (statusCode: number, message = 'no') =>
    Object.assign(new Error(message), { statusCode, data: { message } })
  const answer = (path: string, { method, body = {} }: Init): unknown => {
    if (state.away) throw new TypeError('fetch failed')
    state.requests++
    const [, , , , id, act] = path.split('/')
    if (method === 'GET') return { documents: [...rows.values()] }
    if (state.refuse) throw refusal(422, state.refuse)
    if (method === 'POST' && act === 'restore') {
      const row = deleted.get(id!)
      if (!row) throw refusal(404)
      deleted.delete(id!)
      rows.set(id!, row)
      return row
    }
    if (method === 'POST') {
      if (rows.has(body.id!)) throw refusal(409)
      const row = { id: body.id!, revision: 1, name: body.name!, content: body.content! }
      rows.set(row.id, row)
      return row
    }
    const there = rows.get(id!)
    if (!there) throw refusal(404)
    if (method === 'DELETE') {
      rows.delete(id!)
      deleted.set(id!, there)
      return {}
    }
    if (there.revision !== body.revision) throw refusal(409)
    const { revision: _, ...change } = body
    const row = { ...there, ...change, id: there.id, revision: there.revision + 1 }
    rows.set(row.id, row)
    return row
  }
  vi.mocked(ofetch).mockImplementation(((path: string, init: Init) => {
    try {
      const given = answer(path, init)
      return state.loseAnswer && init.method !== 'GET'
        ? Promise.reject(new TypeError('the answer was lost'))
        : Promise.resolve(given)
    } catch (error) {
      return Promise.reject(error as Error)
    }
  }) as never)
  return { rows, state }
}

const content = { depthM: 2, cover: 'open' }
const spots = keptAt<Spot, Spot['content']>(PATH)
const listed = async (): Promise<Spot[]> =>
  withChanges(PATH, (await ask<{ documents: Spot[] }>(PATH)).documents, rowAs<Spot>())

describe('without a server', () => {
  let there: ReturnType<typeof server>
  let one: Spot
  beforeEach(async () => {
    vi.stubGlobal('navigator', { onLine: true })
    setActivePinia(createPinia())
    there = server()
    one = await spots.create('Mussel edge', content)
    await listed()
  })
  afterEach(async () => {
    for (const change of [...waiting.values()]) await dropChange(change)
    vi.unstubAllGlobals()
  })

  it('what was read last is read again, with what was changed here in it, and the server has it later', async () => {
    there.state.away = true
    const changed = await spots.change(one, { content: { ...content, depthM: 3 } })
    expect(changed).toMatchObject({ id: one.id, revision: 1, content: { depthM: 3 } })
    const made = await spots.create('Heron point', content, newId())
    expect((await listed()).map(s => [s.name, s.content.depthM])).toEqual(
      expect.arrayContaining([
        ['Mussel edge', 3],
        ['Heron point', 2],
      ]),
    )
    expect(await spots.read(made.id)).toMatchObject({ name: 'Heron point' })
    expect(await sendChanges()).toMatch(/does not answer/)
    there.state.away = false
    const heard: [string, number | undefined][] = []
    onSettled(PATH, (id, row) => void heard.push([id, row?.revision]))
    expect(await sendChanges()).toBeUndefined()
    expect(waiting.size).toBe(0)
    expect(there.rows.get(one.id)).toMatchObject({ revision: 2, content: { depthM: 3 } })
    expect(there.rows.get(made.id)).toMatchObject({ name: 'Heron point' })
    expect(heard).toEqual([
      [one.id, 2],
      [made.id, 1],
    ])
  })
  it('changed twice it is one change; made and deleted it is none', async () => {
    there.state.away = true
    await spots.change(one, { content: { ...content, depthM: 3 } })
    await spots.change(one, { name: 'Mussel bank' })
    expect(waiting.size).toBe(1)
    const made = await spots.create('Heron point', content, newId())
    await spots.remove(made.id)
    expect(waiting.size).toBe(1)
    there.state.away = false
    const before = there.state.requests
    await sendChanges()
    expect(there.state.requests - before).toBe(1)
    expect(there.rows.get(one.id)).toMatchObject({ name: 'Mussel bank', content: { depthM: 3 } })
  })
  it('what was deleted here is brought back here, and otherwise deleted there', async () => {
    there.state.away = true
    await spots.remove(one.id)
    expect((await listed()).some(s => s.id === one.id)).toBe(false)
    await expect(spots.read(one.id)).rejects.toThrow(/deleted on this device/)
    expect(await spots.restore(one.id)).toMatchObject({ name: 'Mussel edge' })
    expect(waiting.size).toBe(0)
    await spots.remove(one.id)
    there.state.away = false
    await sendChanges()
    expect(there.rows.has(one.id)).toBe(false)
  })
  it('an answer that was lost costs nothing: the same is there once', async () => {
    there.state.loseAnswer = true
    const made = await spots.create('Heron point', content, newId())
    await spots.change(one, { content: { ...content, depthM: 4 } })
    expect(waiting.size).toBe(2)
    there.state.loseAnswer = false
    await sendChanges()
    expect(waiting.size).toBe(0)
    expect(there.rows.get(made.id)).toMatchObject({ revision: 1 })
    expect(there.rows.get(one.id)).toMatchObject({ revision: 2, content: { depthM: 4 } })
  })
  it('an answer that was lost, and then changed again: it is this device’s own, nobody is asked', async () => {
    there.state.loseAnswer = true
    const made = await spots.create('Heron point', content, newId())
    there.state.away = true
    await spots.change(made, { content: { ...content, depthM: 7 } })
    there.state.away = there.state.loseAnswer = false
    expect(there.rows.get(made.id)!.content.depthM).toBe(2)
    await sendChanges()
    expect(waiting.size).toBe(0)
    expect(there.rows.get(made.id)!.content.depthM).toBe(7)
  })
  it('different fields of both sides come together by themselves', async () => {
    there.state.away = true
    await spots.change(one, { content: { ...content, depthM: 3 } })
    there.rows.set(one.id, { ...one, revision: 5, content: { ...content, cover: 'wood' } })
    there.state.away = false
    await sendChanges()
    expect(there.rows.get(one.id)).toMatchObject({ revision: 6, content: { depthM: 3, cover: 'wood' } })
  })
  it.each([
    ['mine', 3],
    ['theirs', 9],
  ] as const)(
    'the same field of both waits for a person, holds nothing up, and is settled: %s',
    async (pick, depthM) => {
      there.state.away = true
      await spots.change(one, { name: 'Mussel bank', content: { ...content, depthM: 3 } })
      const other = await spots.create('Heron point', content, newId())
      there.rows.set(one.id, { ...one, revision: 5, content: { ...content, depthM: 9 } })
      there.state.away = false
      await sendChanges()
      expect(there.rows.has(other.id)).toBe(true)
      const clash = changeOf(PATH, one.id)!
      expect(clash.theirs).toMatchObject({ content: { depthM: 9 } })
      await sendChanges()
      expect(there.rows.get(one.id)!.revision).toBe(5)
      await settle(clash, new Map([['content.depthM', pick]]))
      await sendChanges()
      expect(there.rows.get(one.id)).toMatchObject({ name: 'Mussel bank', content: { depthM } })
      expect(waiting.size).toBe(0)
    },
  )
  it('what is changed while a clash is looked into stands, and is not written over', async () => {
    there.state.away = true
    await spots.change(one, { content: { ...content, depthM: 3 } })
    there.rows.set(one.id, { ...one, revision: 5, content: { ...content, depthM: 9 } })
    there.state.away = false
    const read = vi.mocked(ofetch).getMockImplementation()!
    let edited = false
    vi.mocked(ofetch).mockImplementation((async (path: string, init: Init) => {
      if (init.method === 'GET' && !edited) {
        edited = true
        await new Promise(resolve => setTimeout(resolve, 2))
        await spots.change(one, { content: { ...content, depthM: 4 } })
      }
      return read(path, init as never)
    }) as never)
    await sendChanges()
    expect(changeOf(PATH, one.id)).toMatchObject({ now: { content: { depthM: 4 } }, theirs: { revision: 5 } })
  })
  it('deleted there and changed here: it comes back as it is here, or stays deleted', async () => {
    there.state.away = true
    await spots.change(one, { name: 'Mussel bank' })
    there.state.away = false
    await ask(`${PATH}/${one.id}`, 'DELETE')
    await sendChanges()
    const clash = changeOf(PATH, one.id)!
    expect(clash.theirs).toBeNull()
    await settle(clash, 'mine')
    await sendChanges()
    expect(there.rows.get(one.id)).toMatchObject({ name: 'Mussel bank' })
  })
  it('what the server refuses is set aside with its reason, the rest goes', async () => {
    there.state.away = true
    await spots.change(one, { name: '' })
    there.state.away = false
    there.state.refuse = 'Give it a name.'
    expect(await sendChanges()).toBeUndefined()
    expect(changeOf(PATH, one.id)!.why).toBe('Give it a name.')
  })
  it('what this device does not keep cannot be changed without a server, and says so', async () => {
    there.state.away = true
    await expect(spots.change({ id: newId(), revision: 3 }, { name: 'x' })).rejects.toThrow(ServerRefusal)
    await expect(ask('/api/instruments')).rejects.toThrow(ServerRefusal)
    expect(waiting.size).toBe(0)
  })

  it('what is kept is known at once: what is sent or let go meanwhile is never what was there before', async () => {
    const id = newId()
    const change = (depthM: number) => ({
      path: PATH,
      id,
      now: { name: 'Flat', content: { depthM, cover: 'open' } },
      at: `2026-11-28T08:00:0${depthM}.000Z`,
    })
    const [first, second] = [change(1), change(2)]
    const keeping = keepChange(first)
    expect(changeOf(PATH, id)).toBe(first)
    await keeping
    const going = dropChange(first)
    const anew = keepChange(second)
    await Promise.all([going, anew])
    expect(changeOf(PATH, id)).toBe(second)
  })

  it('a drop that only waits here can be left out all the same', async () => {
    const id = newId()
    await keepEntries([{ id, session: newId(), at: '2026-11-28T08:00:00.000Z', kind: 'drop' }])
    there.state.away = true
    await leaveOutOfLog('/api/log', id, true)
    expect(changeOf('/api/log', id)!.now).toEqual({ excluded: true })
  })
})
