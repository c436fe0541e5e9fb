import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Readable } from 'node:stream'
import type { BackupRecord } from '#schemas/backup'
import { DEMO_BOX } from '../../demo/box'
import { seasons } from '../../demo/seasons'
import { DEMO_BATHS } from '../../demo/baths'
import { DEMO_SPOTS } from '../../demo/spots'
import type { Database } from '../../server/db/client'
import * as backup from '../../server/repositories/backup'
import * as box from '../../server/repositories/box'
import * as documents from '../../server/repositories/documents'
import { keptDocuments } from '../../server/repositories/documents'
import * as log from '../../server/repositories/log'
import { keptSpreads, listSpreads } from '../../server/repositories/spreads'
import { ENGINES, startPostgres } from './engines'
import { call, content, dataFolder, runServer } from './support'

/** Everything that is kept, as a backup reads it. */
const everything = (db: Database): Promise<BackupRecord[]> =>
  db.transaction(
    async tx => {
      const all: BackupRecord[] = []
      for await (const record of backup.readAll(tx)) all.push(record)
      return all
    },
    { isolationLevel: 'repeatable read' },
  )
const putBack = (db: Database, records: readonly BackupRecord[]): Promise<void> =>
  db.transaction(async tx => {
    await backup.holdAll(tx)
    await backup.replaceAll(tx, Readable.from(records))
  })

describe.each(ENGINES)('on $name', ({ open }) => {
  let db: Database
  let close: () => Promise<void>
  beforeAll(async () => void ({ db, close } = await open()))
  afterAll(() => close())

  describe('spreads repository', () => {
    it('returns domain objects: ISO times, no internal columns', async () => {
      const made = (await keptSpreads.insert(db, [{ name: 'one', content: content() }]))[0]!
      expect(Object.keys(made).sort()).toEqual(['content', 'id', 'name', 'revision', 'updatedAt'])
      expect(new Date(made.updatedAt).toISOString()).toBe(made.updatedAt)
      expect(await keptSpreads.find(db, made.id)).toEqual(made)
    })

    it('leaves deleted spreads out of lists and finds, but counts them', async () => {
      const before = await keptSpreads.count(db)
      const made = (await keptSpreads.insert(db, [{ name: 'two', content: content() }]))[0]!
      expect(await keptSpreads.mark(db, [made.id], true)).toEqual([made])
      expect(await keptSpreads.mark(db, [made.id], true)).toEqual([])
      expect(await keptSpreads.find(db, made.id)).toBeUndefined()
      expect((await listSpreads(db)).some(s => s.id === made.id)).toBe(false)
      expect(await keptSpreads.count(db)).toBe(before + 1)
      expect(await keptSpreads.change(db, { id: made.id, revision: 1, set: { name: 'x' } })).toBeUndefined()
    })

    it('lets one of two changes on the same revision through', async () => {
      const made = (await keptSpreads.insert(db, [{ name: 'three', content: content() }]))[0]!
      const both = await Promise.all(
        ['a', 'b'].map(name => keptSpreads.change(db, { id: made.id, revision: 1, set: { name } })),
      )
      expect(both.filter(Boolean)).toHaveLength(1)
    })
  })

  describe('box and documents', () => {
    it('keeps the demo box in its order, and a change of two things or none', async () => {
      const made = await box.insertItems(db, DEMO_BOX)
      expect((await box.listItems(db)).map(i => i.name)).toEqual(DEMO_BOX.map(i => i.name))
      const { id, revision } = made[0]!
      expect(
        await box.updateItems(db, [
          { id, revision, item: DEMO_BOX[1]! },
          { id: made[1]!.id, revision: 9, item: DEMO_BOX[0]! },
        ]),
      ).toBeUndefined()
      expect((await box.listItems(db))[0]!.name).toBe(DEMO_BOX[0]!.name)
    })
    it('keeps spots, deleted and brought back', async () => {
      const made = await documents.insertDocuments(db, 'spot', DEMO_SPOTS)
      await keptDocuments.mark(db, [made[0]!.id], true, documents.ofKind('spot'))
      expect(await documents.listDocuments(db, 'spot')).toHaveLength(DEMO_SPOTS.length - 1)
      await keptDocuments.mark(db, [made[0]!.id], false, documents.ofKind('spot'))
      expect(await documents.listDocuments(db, 'spot')).toEqual(made)
    })
    it('changes on the newest revision only, finds by kind, and counts deleted ones', async () => {
      const [bath] = await documents.insertDocuments(db, 'bath', DEMO_BATHS)
      const set = { name: 'Tub', content: { ...DEMO_BATHS[0]!.content, depthM: 0.5 } }
      const change = (revision: number) =>
        keptDocuments.change(db, { id: bath!.id, revision, set }, documents.ofKind('bath'))
      expect(await change(bath!.revision)).toEqual({
        ...bath,
        ...set,
        revision: bath!.revision + 1,
      })
      expect(await change(bath!.revision)).toBeUndefined()
      expect(
        await keptDocuments.change(
          db,
          { id: bath!.id, revision: bath!.revision + 1, set: { name: 'x' } },
          documents.ofKind('spot'),
        ),
      ).toBeUndefined()
      expect(await keptDocuments.find(db, bath!.id, documents.ofKind('spot'))).toBeUndefined()
      expect((await keptDocuments.find(db, bath!.id, documents.ofKind('bath')))!.name).toBe('Tub')
      await keptDocuments.mark(db, [bath!.id], true)
      expect(await keptDocuments.find(db, bath!.id, documents.ofKind('bath'))).toBeUndefined()
      expect(await keptDocuments.count(db, documents.ofKind('bath'))).toBe(1)
    })
  })

  describe('log', () => {
    const entries = seasons(11, 8)
    it('counts as it writes: tallies and sessions equal what the entries say, taken back ones left out', async () => {
      await log.insertEntries(db, entries)
      expect((await log.insertEntries(db, entries)).added).toBe(0)
      const cast = entries.find(e => e.kind === 'cast')!
      await log.insertEntries(db, [
        { id: crypto.randomUUID(), session: cast.session, at: cast.at, kind: 'void', data: { of: cast.id } },
      ])
      const standing = entries.filter(e => e.id !== cast.id)
      for (const row of await log.listTallies(db)) {
        for (const [kind, n] of Object.entries(row.counts))
          expect(n).toBe(
            standing.filter(e => e.kind === kind && e.rigKey === row.rigKey && e.placeKey === row.placeKey)
              .length,
          )
      }
      for (const s of (await log.listSessions(db, 100, 0)).sessions)
        expect(s.counts.cast ?? 0).toBe(
          standing.filter(e => e.session === s.session && e.kind === 'cast').length,
        )
    })
    it('pages entries in the order they were made, and lists drops with those left out marked', async () => {
      const [one] = (await log.listSessions(db, 1, 0)).sessions
      const first = await log.listEntries(db, one!.session, 3, 0)
      const next = await log.listEntries(db, one!.session, 3, 3)
      const times = [...first, ...next].map(e => e.at)
      expect([...times].sort()).toEqual(times)
      expect(new Set([...first, ...next].map(e => e.id)).size).toBe(first.length + next.length)
      const drops = await log.listDrops(db)
      expect(drops.length).toBe(entries.filter(e => e.kind === 'drop').length)
      expect(await log.setExcluded(db, drops[0]!.id, true)).toBe(true)
      expect((await log.listDrops(db)).filter(d => d.excluded).map(d => d.id)).toEqual([drops[0]!.id])
      expect(await log.setExcluded(db, crypto.randomUUID(), true)).toBe(false)
    })
    it('a session left out leaves the tallies as if it had not been, through a restore too', async () => {
      const { sessions } = await log.listSessions(db, 100, 0)
      const fished = sessions.filter(s => (s.counts.cast ?? 0) > 0)
      const [out] = fished
      const casts = async (): Promise<number> =>
        (await log.listTallies(db)).reduce((sum, t) => sum + (t.counts.cast ?? 0), 0)
      const before = await casts()
      expect(await log.setSessionExcluded(db, out!.session, true)).toBe(true)
      expect(await casts()).toBe(before - out!.counts.cast!)
      await putBack(db, await everything(db))
      expect(await casts()).toBe(before - out!.counts.cast!)
      expect(
        (await log.listSessions(db, 100, 0)).sessions.filter(s => s.excluded).map(s => s.session),
      ).toEqual([out!.session])
      expect(await log.setSessionExcluded(db, out!.session, false)).toBe(true)
      expect(await casts()).toBe(before)
      expect(await log.setSessionExcluded(db, crypto.randomUUID(), true)).toBe(false)
    })
    it('is replaced whole by a restore, or not at all', async () => {
      const all = await everything(db)
      // the same thing twice, at the very end
      await expect(putBack(db, [...all, all[0]!])).rejects.toThrow()
      expect(await everything(db)).toEqual(all)
      await putBack(db, all)
      expect(await everything(db)).toEqual(all)
    })
  })
})

it('the whole application runs on a PostgreSQL server, and finds its data there again', async () => {
  const postgres = await startPostgres()
  const folder = dataFolder()
  process.env.DATABASE_URL = postgres.url
  try {
    const first = await runServer(folder.path)
    expect(
      (await call(`${first.url}/api/spreads`, 'POST', { name: 'kept', content: content() })).status,
    ).toBe(201)
    await first.stop('SIGKILL')
    const second = await runServer(folder.path)
    expect(
      ((await call(`${second.url}/api/spreads`, 'GET')).body.spreads as { name: string }[]).map(s => s.name),
    ).toEqual(['kept'])
    await second.stop()
  } finally {
    delete process.env.DATABASE_URL
    await postgres.stop()
    folder.clear()
  }
})
