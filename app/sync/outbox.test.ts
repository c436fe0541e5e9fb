import 'fake-indexeddb/auto'
import { ofetch } from 'ofetch'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { LogEntry, LogReceipt } from '#schemas/log'
import { newId } from './newId'
import { changeBank, readBank } from './bankState'
import { asideEntries, dropAside, keepEntries, mendAside, sendWaiting, waitingEntries } from './outbox'

vi.mock('ofetch', () => ({ ofetch: vi.fn() }))

const session = newId()
const entry = (n: number, more: Partial<LogEntry> = {}): LogEntry => ({
  id: newId(),
  session,
  at: new Date(Date.UTC(2026, 10, 1, 8, 0, n)).toISOString(),
  kind: 'cast',
  ...more,
})
const list = (n: number): LogEntry[] => Array.from({ length: n }, (_, i) => entry(i))

interface Refusal {
  readonly statusCode?: number
  readonly data?: { message: string; data?: { fields: { path: string; message: string }[] } }
}

/** A server that keeps each id once, refuses what it is told to, and can be made to fail at a request. */
function server() {
  const kept = new Map<string, LogEntry>()
  const requests: LogEntry[][] = []
  let failAt = Infinity
  let clock: string | undefined
  const bad = new Map<string, string>()
  let named = true
  const refusal = (body: readonly LogEntry[]): Refusal | undefined => {
    const fields = body.flatMap((e, i) =>
      bad.has(e.id) ? [{ path: `entries[${i}].at`, message: bad.get(e.id)! }] : [],
    )
    return fields.length === 0
      ? undefined
      : { statusCode: 422, data: { message: 'It does not fit.', data: { fields: named ? fields : [] } } }
  }
  const answer = (_path: string, { body }: { body: { entries: LogEntry[] } }): Promise<LogReceipt> => {
    requests.push(body.entries)
    const fails: Refusal | undefined =
      requests.length >= failAt
        ? failAt === 1
          ? {}
          : { statusCode: 503, data: { message: 'Not now.' } }
        : refusal(body.entries)
    if (fails) return Promise.reject(Object.assign(new Error('gone'), fails))
    const conflicts = body.entries
      .filter(e => kept.has(e.id) && kept.get(e.id)!.kind !== e.kind)
      .map(e => e.id)
    let added = 0
    for (const e of body.entries) if (!kept.has(e.id)) added = (kept.set(e.id, e), added + 1)
    return Promise.resolve({
      added,
      known: body.entries.length - added,
      conflicts,
      ...(clock ? { now: clock } : {}),
    })
  }
  vi.mocked(ofetch).mockImplementation(answer as never)
  return {
    kept,
    requests,
    fail: (at: number) => void (failAt = at),
    heal: () => void (failAt = Infinity),
    refuse: (e: LogEntry, why: string) => void bad.set(e.id, why),
    forgive: () => bad.clear(),
    refuseWithoutNames: () => void (named = false),
    says: (now: string) => void (clock = now),
  }
}

describe('entries that wait on the device', () => {
  let there: ReturnType<typeof server>
  beforeEach(() => void (there = server()))
  afterEach(async () => {
    there.heal()
    there.forgive()
    await sendWaiting()
    await dropAside((await asideEntries()).map(a => a.entry.id))
  })

  it('go out oldest first, some hundreds at a time, and leave the device once the server has them', async () => {
    const all = list(1200)
    await keepEntries([...all].reverse())
    expect(await sendWaiting()).toEqual({ left: 0, conflicts: [] })
    expect(there.requests.map(r => r.length)).toEqual([500, 500, 200])
    expect(there.requests.flat().map(e => e.id)).toEqual(all.map(e => e.id))
    expect(await waitingEntries()).toEqual([])
  })
  it('stay where the server does not answer, with a sentence, and go later, once', async () => {
    const all = list(2)
    await keepEntries(all)
    there.fail(1)
    expect(await sendWaiting()).toMatchObject({
      left: 2,
      error: expect.stringContaining('does not answer') as string,
    })
    expect(await waitingEntries()).toEqual(all)
    there.heal()
    expect(await sendWaiting()).toMatchObject({ left: 0 })
    expect([...there.kept.keys()]).toEqual(all.map(e => e.id))
  })
  it('those that were acknowledged before it broke off are gone, the others stay', async () => {
    const all = list(700)
    await keepEntries(all)
    there.fail(2)
    expect(await sendWaiting()).toMatchObject({ left: 200, error: 'Not now.' })
    expect((await waitingEntries()).map(e => e.id)).toEqual(all.slice(500).map(e => e.id))
    there.heal()
    await sendWaiting()
    expect(there.kept.size).toBe(700)
  })
  it('sent twice are kept once; an id that is there with other content is told', async () => {
    const one = entry(3)
    await keepEntries([one])
    await keepEntries([one])
    expect(await waitingEntries()).toHaveLength(1)
    await sendWaiting()
    await keepEntries([{ ...one, kind: 'snag' }])
    expect(await sendWaiting()).toEqual({ left: 0, conflicts: [one.id] })
    expect(there.kept.get(one.id)!.kind).toBe('cast')
  })
  it('share nothing with what they were made from', async () => {
    const data = { text: 'before' }
    await keepEntries([entry(4, { kind: 'note', data })])
    data.text = 'after'
    expect((await waitingEntries())[0]!.data!.text).toBe('before')
  })

  it('one that is refused is set aside with its reason; all others go their way', async () => {
    const all = list(20)
    there.refuse(all[3]!, 'Time: later than tomorrow.')
    there.refuse(all[11]!, 'Time: before the year 2000.')
    await keepEntries(all)
    expect(await sendWaiting()).toEqual({ left: 0, conflicts: [] })
    expect(there.kept.size).toBe(18)
    expect(await asideEntries()).toEqual([
      { entry: all[3], why: 'Time: later than tomorrow.' },
      { entry: all[11], why: 'Time: before the year 2000.' },
    ])
  })
  it('where a refusal names none of several, the one it is about is found by halves', async () => {
    const all = list(40)
    there.refuse(all[27]!, 'whatever')
    there.refuseWithoutNames()
    await keepEntries(all)
    expect(await sendWaiting()).toEqual({ left: 0, conflicts: [] })
    expect(there.kept.size).toBe(39)
    expect(await asideEntries()).toEqual([{ entry: all[27], why: 'It does not fit.' }])
    // one search of five halvings, not one request an entry
    expect(there.requests.length).toBeLessThan(20)
  })
  it('mended, it goes; dropped, it is gone', async () => {
    const [one, two] = list(2) as [LogEntry, LogEntry]
    there.refuse(one, 'Time: later than tomorrow.')
    there.refuse(two, 'Time: later than tomorrow.')
    await keepEntries([one, two])
    await sendWaiting()
    there.forgive()
    const mended = { ...one, at: '2026-11-02T08:00:00.000Z' }
    await mendAside(mended)
    await dropAside([two.id])
    expect(await asideEntries()).toEqual([])
    expect(await waitingEntries()).toEqual([mended])
    await sendWaiting()
    expect([...there.kept.values()]).toEqual([mended])
  })
  it('tells how far this clock is off', async () => {
    there.says(new Date(Date.now() - 3 * 3_600_000).toISOString())
    await keepEntries(list(1))
    const { clockAheadMs } = await sendWaiting()
    expect(Math.abs(clockAheadMs! - 3 * 3_600_000)).toBeLessThan(60_000)
  })
  it('one tab sends at a time', async () => {
    const held = new Set<string>()
    // as browsers do it: at most one holder of a name, others are told at once
    const request = async (
      name: string,
      _options: object,
      run: (lock: object | null) => Promise<unknown>,
    ): Promise<unknown> => {
      if (held.has(name)) return run(null)
      held.add(name)
      return run({}).finally(() => held.delete(name))
    }
    vi.stubGlobal('navigator', { locks: { request } })
    await keepEntries(list(5))
    const both = await Promise.all([sendWaiting(), sendWaiting()])
    expect(both.filter(s => s.elsewhere)).toHaveLength(1)
    expect(there.requests).toHaveLength(1)
    expect(there.kept.size).toBe(5)
  })
})

describe('what bank mode is doing', () => {
  interface State {
    readonly session: string
    readonly log: readonly number[]
  }
  const add =
    (n: number) =>
    (now: State | undefined): State | undefined =>
      now && { ...now, log: [...now.log, n] }
  it('is there again, and gone once it ended', async () => {
    await changeBank<State>(() => ({ session, log: [1] }))
    expect(await readBank<State>()).toEqual({ session, log: [1] })
    await changeBank<State>(() => undefined)
    expect(await readBank()).toBeUndefined()
  })
  it("two tabs change it from what is there, and neither loses the other's part", async () => {
    await changeBank<State>(() => ({ session, log: [] }))
    await Promise.all(Array.from({ length: 40 }, (_, n) => changeBank(add(n))))
    expect([...(await readBank<State>())!.log].sort((a, b) => a - b)).toEqual(
      Array.from({ length: 40 }, (_, n) => n),
    )
  })
  it('what a tab does to a session that ended does not bring it back', async () => {
    await changeBank<State>(() => undefined)
    expect(await changeBank(add(1))).toBeUndefined()
    expect(await readBank()).toBeUndefined()
  })
})
