import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { COUNTED } from '#schemas/ranges'
import type { LogEntry } from '#schemas/log'
import { DEMO_BOX } from '../../demo/box'
import type { Database } from '../../server/db/client'
import * as backup from '../../server/repositories/backup'
import * as box from '../../server/repositories/box'
import * as log from '../../server/repositories/log'
import { ENGINES } from './engines'
import { seeded } from './random'

const SESSIONS = Array.from({ length: 4 }, () => crypto.randomUUID())
const RIGS = ['stick|O1', 'craw|L1', 'shad|E1']
const PLACES = ['open/sand', 'reeds/silt']

/** What one writer sends: taps of all sessions and rigs, some taken back, some of them before they come. */
function taps(seed: number, n: number): LogEntry[] {
  const random = seeded(seed)
  const of = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  const made: LogEntry[] = []
  for (let i = 0; i < n; i++) {
    const at = new Date(Date.UTC(2026, 4, 1 + Math.floor(random() * 20), 6, 0, i)).toISOString()
    const entry: LogEntry = {
      id: crypto.randomUUID(),
      session: of(SESSIONS),
      at,
      kind: of(COUNTED),
      rod: 'A',
      rigKey: of(RIGS),
      placeKey: of(PLACES),
    }
    const back: LogEntry = {
      id: crypto.randomUUID(),
      session: entry.session,
      at,
      kind: 'void',
      data: { of: entry.id },
    }
    made.push(...(random() < 0.15 ? (random() < 0.5 ? [back, entry] : [entry, back]) : [entry]))
  }
  return made
}

/** Counts by rig, place and kind, from the entries alone. */
function counted(
  entries: readonly LogEntry[],
  leftOut: ReadonlySet<string>,
  excluded: ReadonlySet<string>,
): Record<string, number> {
  const gone = new Set(entries.flatMap(e => (e.kind === 'void' ? [e.data!.of!] : [])))
  const sums: Record<string, number> = {}
  for (const e of entries) {
    if (e.kind === 'void' || gone.has(e.id) || leftOut.has(e.session) || excluded.has(e.id)) continue
    const key = `${e.rigKey!} ${e.placeKey!} ${e.kind}`
    sums[key] = (sums[key] ?? 0) + 1
  }
  return sums
}

describe.each(ENGINES)('many writers at once on $name', ({ open }) => {
  let db: Database
  let close: () => Promise<void>
  beforeAll(async () => void ({ db, close } = await open()))
  afterAll(() => close())

  it('count what a recount counts, whatever order they come in', async () => {
    const all = Array.from({ length: 8 }, (_, w) => taps(100 + w, 60))
    // the same pairs of entry and taking back by different writers, in opposite orders
    const shared = taps(7, 40)
    const excluded = new Set(
      shared
        .filter(e => e.kind !== 'void')
        .slice(0, 5)
        .map(e => e.id),
    )
    const writers = all.map(async (mine, w) => {
      const own = w % 2 === 0 ? [...mine, ...shared] : [...[...shared].reverse(), ...mine]
      for (let i = 0; i < own.length; i += 7) {
        const some = own.slice(i, i + 7)
        await log.insertEntries(db, w % 2 === 0 ? some : [...some].reverse())
      }
    })
    const leaver = (async () => {
      for (let i = 0; i < 6; i++) await log.setSessionExcluded(db, SESSIONS[0]!, i % 2 === 0)
      while (!(await log.setSessionExcluded(db, SESSIONS[1]!, true)))
        await new Promise(resolve => setTimeout(resolve, 5))
      for (const id of excluded)
        while (!(await log.setExcluded(db, id, true))) await new Promise(resolve => setTimeout(resolve, 5))
    })()
    await Promise.all([...writers, leaver])

    const entries = [...all.flat(), ...shared]
    const out = new Set(
      (await log.listSessions(db, 10, 0)).sessions.filter(s => s.excluded).map(s => s.session),
    )
    expect(out.has(SESSIONS[1]!)).toBe(true)
    const tallied = Object.fromEntries(
      (await log.listTallies(db)).flatMap(({ rigKey, placeKey, counts }) =>
        Object.entries(counts).map(([kind, n]) => [`${rigKey} ${placeKey} ${kind}`, n]),
      ),
    )
    expect(tallied).toEqual(counted(entries, out, excluded))
    const gone = new Set(entries.flatMap(e => (e.kind === 'void' ? [e.data!.of!] : [])))
    for (const { session, counts, from, to } of (await log.listSessions(db, 10, 0)).sessions) {
      const mine = entries.filter(e => e.session === session)
      for (const kind of COUNTED)
        expect(counts[kind] ?? 0).toBe(mine.filter(e => e.kind === kind && !gone.has(e.id)).length)
      const times = mine.map(e => e.at).sort()
      expect([from, to]).toEqual([times[0], times.at(-1)])
    }
  })

  it("change several things at once in opposite orders without standing in each other's way", async () => {
    const made = await box.insertItems(db, DEMO_BOX.slice(0, 12))
    const change = (w: number) =>
      made.map(({ id }, i) => ({ id, revision: 1, item: { ...DEMO_BOX[i]!, notes: `by ${w}` } }))
    const done = await Promise.all(
      Array.from({ length: 8 }, (_, w) => box.updateItems(db, w % 2 === 0 ? change(w) : change(w).reverse())),
    )
    expect(done.filter(Boolean)).toHaveLength(1)
    expect(new Set((await box.listItems(db)).map(i => i.notes)).size).toBe(1)
  })

  it('a backup is of one state, whatever is written meanwhile', async () => {
    const pair = (n: number): LogEntry[] =>
      ['cast', 'bite'].map(kind => ({
        id: crypto.randomUUID(),
        session: SESSIONS[2]!,
        at: new Date(Date.UTC(2026, 6, 1, 0, 0, n)).toISOString(),
        kind: kind as 'cast',
        rod: 'P',
      }))
    let writing = true
    let n = 0
    const writer = (async () => {
      while (writing) await log.insertEntries(db, pair(n++))
    })()
    for (let round = 0; round < 12; round++) {
      const kinds: Record<string, number> = {}
      await db.transaction(
        async tx => {
          for await (const next of backup.readAll(tx)) {
            if (next.section === 'entries' && next.record.entry.rod === 'P')
              kinds[next.record.entry.kind] = (kinds[next.record.entry.kind] ?? 0) + 1
          }
        },
        { isolationLevel: 'repeatable read', accessMode: 'read only' },
      )
      expect(kinds.cast ?? 0).toBe(kinds.bite ?? 0)
    }
    writing = false
    await writer
    expect(n).toBeGreaterThan(3)
  })
})
