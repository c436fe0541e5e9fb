import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { LogEntry, LogReceipt } from '#schemas/log'
import { newId } from './newId'
import { keepBank, keepEntries, keepEntry, readBank, sendWaiting, waitingEntries } from './queue'

const session = newId()
const entry = (n: number, more: Partial<LogEntry> = {}): LogEntry => ({ id: newId(), session, at: new Date(Date.UTC(2026, 10, 1, 8, 0, n)).toISOString(), kind: 'cast', ...more })

/** A server that keeps each id once, and can be made to fail at a request. */
function server() {
  const kept = new Map<string, LogEntry>()
  const requests: LogEntry[][] = []
  let failAt = Infinity
  const answer = (_path: string, { body }: { body: { entries: LogEntry[] } }): Promise<LogReceipt> => {
    if (requests.length + 1 >= failAt) return Promise.reject(Object.assign(new Error('gone'), failAt === 1 ? {} : { statusCode: 503, data: { message: 'Not now.' } }))
    requests.push(body.entries)
    const conflicts = body.entries.filter(e => kept.has(e.id) && kept.get(e.id)!.kind !== e.kind).map(e => e.id)
    let added = 0
    for (const e of body.entries) if (!kept.has(e.id)) added = (kept.set(e.id, e), added + 1)
    return Promise.resolve({ added, known: body.entries.length - added, conflicts })
  }
  vi.stubGlobal('$fetch', answer)
  return { kept, requests, fail: (at: number) => void (failAt = at), heal: () => void (failAt = Infinity) }
}

describe('entries that wait on the device', () => {
  let there: ReturnType<typeof server>
  beforeEach(() => void (there = server()))
  afterEach(async () => {
    there.heal()
    await sendWaiting()
    vi.unstubAllGlobals()
  })

  it('go out oldest first, some hundreds at a time, and leave the device once the server has them', async () => {
    const list = Array.from({ length: 1200 }, (_, n) => entry(n))
    await keepEntries([...list].reverse())
    expect(await sendWaiting()).toEqual({ left: 0, conflicts: [] })
    expect(there.requests.map(r => r.length)).toEqual([500, 500, 200])
    expect(there.requests.flat().map(e => e.id)).toEqual(list.map(e => e.id))
    expect(await waitingEntries()).toEqual([])
  })
  it('stay where the server does not answer, with a sentence, and go later, once', async () => {
    const list = [entry(1), entry(2)]
    await keepEntries(list)
    there.fail(1)
    const first = await sendWaiting()
    expect(first).toMatchObject({ left: 2, error: expect.stringContaining('does not answer') as string })
    expect(await waitingEntries()).toEqual(list)
    there.heal()
    expect(await sendWaiting()).toMatchObject({ left: 0 })
    expect([...there.kept.keys()]).toEqual(list.map(e => e.id))
  })
  it('those that were acknowledged before it broke off are gone, the others stay', async () => {
    const list = Array.from({ length: 700 }, (_, n) => entry(n))
    await keepEntries(list)
    there.fail(2)
    expect(await sendWaiting()).toMatchObject({ left: 200, error: 'Not now.' })
    expect((await waitingEntries()).map(e => e.id)).toEqual(list.slice(500).map(e => e.id))
    there.heal()
    await sendWaiting()
    expect(there.kept.size).toBe(700)
  })
  it('sent twice are kept once; an id that is there with other content is told', async () => {
    const one = entry(3)
    await keepEntry(one)
    await keepEntry(one)
    expect(await waitingEntries()).toHaveLength(1)
    await sendWaiting()
    await keepEntry({ ...one, kind: 'snag' })
    expect(await sendWaiting()).toEqual({ left: 0, conflicts: [one.id] })
    expect(there.kept.get(one.id)!.kind).toBe('cast')
  })
  it('share nothing with what they were made from', async () => {
    const data = { text: 'before' }
    const one = entry(4, { kind: 'note', data })
    await keepEntry(one)
    data.text = 'after'
    expect((await waitingEntries())[0]!.data!.text).toBe('before')
  })
})

describe('what bank mode was doing', () => {
  it('is there again, and gone once it ended', async () => {
    await keepBank({ session, log: [entry(1)] })
    expect(await readBank<{ session: string }>()).toMatchObject({ session })
    await keepBank(null)
    expect(await readBank()).toBeNull()
  })
})
