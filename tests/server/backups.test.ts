import { createHash } from 'node:crypto'
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import type { PGlite } from '@electric-sql/pglite'
import { drizzle } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { BackupList, KeptBackup } from '#schemas/backup'
import type { EvidenceAnswer, LogEntry, SessionRow } from '#schemas/log'
import { DEMO_BOX } from '../../demo/box'
import { seasons } from '../../demo/seasons'
import { useDatabase } from '../../server/db/client'
import { createEngine } from '../../server/db/durableEngine'
import { canonical } from '../../server/repositories/sameContent'
import { insertEntries, listSessions, listTallies, setSessionExcluded } from '../../server/repositories/log'
import {
  dailyIsDue,
  keepBackup,
  keepBackupsIn,
  keepDaily,
  KEPT,
  listBackups,
  restoreBackup,
} from '../../server/services/backup'
import { begun, madeFolder } from '../made'
import { ENGINES, MIGRATIONS } from './engines'
import { call, content, dataFolder, ownServer, runServer, type Answer } from './support'

type Whole = Record<string, unknown> & {
  hash: string
  entries: { entry: LogEntry; voided: boolean; excluded: boolean }[]
}
const wholeOf = async (url: string): Promise<Whole> =>
  (await call(`${url}/api/backup`, 'GET')).body as unknown as Whole
const listOf = async (url: string): Promise<BackupList> =>
  (await call(`${url}/api/backups`, 'GET')).body as unknown as BackupList
const bring = (url: string, whole: object): Promise<Answer> =>
  call(`${url}/api/backups/upload`, 'POST', whole)
const putBack = (url: string, name: unknown): Promise<Answer> =>
  call(`${url}/api/backups/${String(name)}/restore`, 'POST')
const evidenceOf = async (url: string): Promise<EvidenceAnswer> =>
  (await call(`${url}/api/log/evidence`, 'GET')).body as unknown as EvidenceAnswer
const sessionsOf = async (url: string): Promise<SessionRow[]> =>
  ((await call(`${url}/api/log/sessions?limit=500`, 'GET')).body as unknown as { sessions: SessionRow[] })
    .sessions
const hashOf = (value: unknown): string => createHash('sha256').update(canonical(value)).digest('hex')

const empties: { stop: () => Promise<void>; clear: () => void }[] = []
async function emptyServer(): Promise<string> {
  const data = dataFolder()
  const server = await runServer(data.path)
  empties.push({ stop: () => server.stop(), clear: data.clear })
  return server.url
}
afterAll(async () => {
  for (const { stop, clear } of empties) {
    await stop()
    clear()
  }
})

describe('a backup', () => {
  const server = ownServer(true)

  it('put back after everything was lost gives the same content, flags and all', async () => {
    const { url } = server.now
    // a session left out, a cast left out by itself, a start taken back, something deleted
    const [first, second] = (await sessionsOf(url)).filter(s => (s.counts.cast ?? 0) > 3) as [
      SessionRow,
      SessionRow,
    ]
    await call(`${url}/api/log/sessions/${first.session}/exclude`, 'PUT', { excluded: true })
    const entries = (
      (await call(`${url}/api/log/${second.session}/entries?limit=500`, 'GET')).body as unknown as {
        entries: LogEntry[]
      }
    ).entries
    await call(`${url}/api/log/${entries.find(e => e.kind === 'cast')!.id}/exclude`, 'PUT', {
      excluded: true,
    })
    await call(`${url}/api/log/entries`, 'POST', {
      entries: [
        {
          id: crypto.randomUUID(),
          session: second.session,
          at: second.to,
          kind: 'void',
          data: { of: entries.find(e => e.kind === 'start')!.id },
        },
      ],
    })
    const { drops } = await evidenceOf(url)
    await call(`${url}/api/log/${drops[0]!.id}/exclude`, 'PUT', { excluded: true })
    const [spread] = (await call(`${url}/api/spreads`, 'GET')).body.spreads as { id: string }[]
    await call(`${url}/api/spreads/${spread!.id}`, 'DELETE')

    const made = await wholeOf(url)
    expect(made).toMatchObject({ format: 'dunecrest-backup', version: 3, leftOut: [first.session] })
    const other = await emptyServer()
    const brought = await bring(other, made)
    expect(brought.status).toBe(201)
    // nothing is put in place of anything before it is asked for
    expect((await listOf(other)).here.entries).toBe(0)
    expect((await putBack(other, brought.body.name)).status).toBe(200)
    expect({ ...(await wholeOf(other)), madeAt: '' }).toEqual({ ...made, madeAt: '' })
    expect(await evidenceOf(other)).toEqual(await evidenceOf(url))
    expect(await sessionsOf(other)).toEqual(await sessionsOf(url))
    expect((await call(`${other}/api/spreads/${spread!.id}/restore`, 'POST')).status).toBe(200)
    await call(`${url}/api/log/sessions/${first.session}/exclude`, 'PUT', { excluded: false })
  })
  it('is kept with what it holds, can be saved as a file, and is for its owner alone', async () => {
    const { url, folder } = server.now
    const kept = (await call(`${url}/api/backups`, 'POST')).body as unknown as KeptBackup
    const list = await listOf(url)
    expect(list.backups[0]).toEqual(kept)
    expect(kept.counts).toEqual(list.here)
    const saved = (await call(`${url}/api/backups/${kept.name}`, 'GET')).body as unknown as Whole
    expect(saved.hash).toBe((await wholeOf(url)).hash)
    const home = `${folder}.backups`
    expect(statSync(home).mode & 0o777).toBe(0o700)
    for (const name of readdirSync(home))
      expect([name, statSync(join(home, name)).mode & 0o777]).toEqual([name, 0o600])
    for (const name of readdirSync(folder, { recursive: true, encoding: 'utf8' }))
      expect([name, statSync(join(folder, name)).mode & 0o077]).toEqual([name, 0])
  })
  it('put back keeps first what was there, and can be taken back', async () => {
    const { url } = server.now
    const kept = (await call(`${url}/api/backups`, 'POST')).body
    const { hash } = await wholeOf(url)
    await call(`${url}/api/spreads`, 'POST', { name: 'after the copy', content: content() })
    const later = (await wholeOf(url)).hash
    const { before, restored } = (await putBack(url, kept.name)).body as {
      before: KeptBackup
      restored: KeptBackup
    }
    expect(restored.name).toBe(kept.name)
    expect((await wholeOf(url)).hash).toBe(hash)
    expect(before.kind).toBe('restore')
    await putBack(url, before.name)
    expect((await wholeOf(url)).hash).toBe(later)
  })
  it('keeps the newest seven of a kind', async () => {
    const { url } = server.now
    const names: string[] = []
    for (let i = 0; i < KEPT + 2; i++)
      names.push((await call(`${url}/api/backups`, 'POST')).body.name as string)
    const asked = (await listOf(url)).backups.filter(b => b.kind === 'asked').map(b => b.name)
    expect(asked).toEqual(names.slice(-KEPT).reverse())
    expect((await putBack(url, names[0])).status).toBe(404)
  })
  it('damaged, of another kind or half wrong is told and changes nothing', async () => {
    const { url, folder } = server.now
    const made = await wholeOf(url)
    const wrongKind = made.entries.map((e, i) =>
      i === 7 ? { ...e, entry: { ...e.entry, kind: 'dance' } } : e,
    )
    const bad: [object | string, RegExp][] = [
      [{ ...made, entries: made.entries.slice(1) }, /does not match its hash/],
      [{ format: 'something' }, /not a backup/],
      [{ ...made, entries: wrongKind }, /entries\[7\]\.entry\.kind/],
      [{ ...made, version: 9 }, /not a backup/],
      [JSON.stringify(made).slice(0, -20), /not a backup/],
      ['', /not a backup/],
      ['[]', /not a backup/],
      [`${JSON.stringify(made)}{}`, /not a backup/],
    ]
    const before = (await listOf(url)).backups.length
    for (const [one, why] of bad) {
      const { status, body } = await call(`${url}/api/backups/upload`, 'POST', one)
      expect([status, body.message]).toEqual([422, expect.stringMatching(why)])
    }
    expect((await listOf(url)).backups).toHaveLength(before)
    expect(readdirSync(`${folder}.backups`).filter(name => name.endsWith('.part'))).toEqual([])
    expect((await wholeOf(url)).hash).toBe(made.hash)
  })
  it('damaged on the disk is not put back', async () => {
    const { url, folder } = server.now
    const { name } = (await call(`${url}/api/backups`, 'POST')).body as unknown as KeptBackup
    const file = join(`${folder}.backups`, `${name}.json.gz`)
    const text = gunzipSync(readFileSync(file)).toString('utf8')
    writeFileSync(file, gzipSync(text.replace('"cast"', '"snag"')))
    const { hash } = await wholeOf(url)
    expect((await putBack(url, name)).status).toBe(422)
    writeFileSync(file, readFileSync(file).subarray(0, 500))
    expect((await putBack(url, name)).status).toBe(422)
    expect((await wholeOf(url)).hash).toBe(hash)
  })
  it.each(['..%2f..%2fdata', '2026-01-01T00-00-00-000Z-daily', 'x', '%00'])(
    'of the name %s is not there',
    async name => {
      const { url } = server.now
      expect((await putBack(url, name)).status).toBe(404)
      expect((await call(`${url}/api/backups/${name}`, 'GET')).status).toBe(404)
    },
  )
  it('of older versions is brought up to date', async () => {
    const made = await wholeOf(server.now.url)
    const other = await emptyServer()
    const { spreads, items, documents } = made
    const first = {
      format: 'dunecrest-backup',
      version: 1,
      madeAt: made.madeAt,
      hash: hashOf({ spreads, items }),
      spreads,
      items,
    }
    const one = await bring(other, first)
    expect(one.body).toMatchObject({
      counts: { entries: 0, documents: 0, spreads: (spreads as object[]).length },
    })
    expect(
      (await bring(other, { ...first, hash: first.hash.replace(/^./, c => (c === '0' ? '1' : '0')) })).status,
    ).toBe(422)
    // the second told a session that was left out by its taps
    const session = made.entries.find(e => e.entry.kind === 'cast')!.entry.session
    const entries = made.entries.map(e =>
      e.entry.session === session && e.entry.kind !== 'start'
        ? { ...e, excluded: true }
        : { ...e, excluded: false },
    )
    const two = await bring(other, {
      format: 'dunecrest-backup',
      version: 2,
      madeAt: made.madeAt,
      hash: hashOf({ spreads, items, documents, entries }),
      spreads,
      items,
      documents,
      entries,
    })
    expect(two.status).toBe(201)
    await putBack(other, two.body.name)
    const rows = await sessionsOf(other)
    expect(rows.filter(s => s.excluded).map(s => s.session)).toEqual([session])
    expect(
      (await call(`${other}/api/log/sessions/${session}/exclude`, 'PUT', { excluded: false })).status,
    ).toBe(200)
    const casts = (await evidenceOf(other)).tallies.reduce((sum, t) => sum + (t.counts.cast ?? 0), 0)
    expect(casts).toBe(
      made.entries.filter(e => e.entry.kind === 'cast' && !e.voided && e.entry.rigKey).length,
    )
  })
})

describe('a copy by the day', () => {
  const at = (text: string) => ({ kind: 'daily' as const, madeAt: new Date(text).toISOString() })
  it.each([
    ['none yet', [], true],
    ['one of today', [at('2026-05-02T00:10:00')], false],
    ['one of yesterday evening', [at('2026-05-01T23:50:00')], true],
    ['one of today by hand only', [{ ...at('2026-05-02T09:00:00'), kind: 'asked' as const }], true],
  ])('%s', (_, made, due) => expect(dailyIsDue(made, new Date('2026-05-02T10:00:00'))).toBe(due))
})

describe.each(ENGINES)('kept by itself on $name', ({ open }) => {
  let engine: Awaited<ReturnType<typeof open>>
  const home = mkdtempSync(join(tmpdir(), 'dunecrest-kept-'))
  beforeAll(async () => {
    engine = await open()
    useDatabase({ ...engine, needRoom: () => Promise.resolve() })
    keepBackupsIn(home)
  })
  afterAll(async () => {
    useDatabase(undefined)
    await engine.close()
    rmSync(home, { recursive: true, force: true })
  })

  it('nothing while there is nothing; then once a day', async () => {
    expect(await keepDaily()).toBeUndefined()
    await insertEntries(engine.db, seasons(5, 6))
    const first = await keepDaily()
    expect(first).toMatchObject({ kind: 'daily', counts: { entries: seasons(5, 6).length } })
    expect(await keepDaily()).toBeUndefined()
    expect(await keepDaily(new Date(Date.now() + 86_400_000))).toMatchObject({ kind: 'daily' })
  })
  it('put back, it is what was there, tallies too; a second piece of such work waits its turn', async () => {
    const tallies = await listTallies(engine.db)
    const kept = await keepBackup('asked')
    const [{ session }] = (await listSessions(engine.db, 1, 0)).sessions as [SessionRow]
    await setSessionExcluded(engine.db, session, true)
    await insertEntries(engine.db, seasons(6, 3))
    const restoring = restoreBackup(kept.name)
    await expect(keepBackup('asked')).rejects.toThrow('Try again when it is done')
    const { before } = await restoring
    expect(await listTallies(engine.db)).toEqual(tallies)
    expect((await listBackups()).here).toEqual(kept.counts)
    expect(before.counts).toMatchObject({ leftOut: 1 })
  })
})

describe('before a new version changes the tables', () => {
  /** The migrations up to one, as an older version of the application had them. */
  function olderMigrations(upTo: number): string {
    const folder = mkdtempSync(join(tmpdir(), 'dunecrest-older-'))
    mkdirSync(join(folder, 'meta'))
    const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta', '_journal.json'), 'utf8')) as {
      entries: { tag: string }[]
    }
    const entries = journal.entries.slice(0, upTo)
    writeFileSync(join(folder, 'meta', '_journal.json'), JSON.stringify({ ...journal, entries }))
    for (const { tag } of entries)
      writeFileSync(join(folder, `${tag}.sql`), readFileSync(join(MIGRATIONS, `${tag}.sql`)))
    return folder
  }
  async function older(
    path: string,
    upTo: number,
    fill: (engine: PGlite) => Promise<unknown>,
  ): Promise<void> {
    const engine = await createEngine(begun(path, false))
    await engine.exec('drop schema drizzle cascade; drop schema public cascade; create schema public')
    const migrationsFolder = olderMigrations(upTo)
    await migrate(drizzle(engine), { migrationsFolder })
    await fill(engine)
    await engine.close()
    rmSync(migrationsFolder, { recursive: true })
  }
  const SESSIONS = ['aaaaaaaa-0000-4000-8000-000000000001', 'aaaaaaaa-0000-4000-8000-000000000002'] as const
  const entry = (n: number, session: string, kind: string, more = '{}'): string =>
    `('bbbbbbbb-0000-4000-8000-${String(n).padStart(12, '0')}', '${session}', '2026-05-01T08:0${n}:00Z', '${kind}', 'A', 'stick|O1', 'open/sand', '${more}'::jsonb`

  it('a copy of what an older version left is kept, and the counts are made anew', async () => {
    const data = dataFolder()
    await older(data.path, 5, engine =>
      engine.exec(`
      insert into log_entries (id, session, at, kind, rod, rig_key, place_key, data, voided, excluded) values
        ${entry(1, SESSIONS[0], 'start', '{"place":"Pier"}')}, false, false), ${entry(2, SESSIONS[0], 'cast')}, false, true), ${entry(3, SESSIONS[0], 'snag')}, false, true),
        ${entry(4, SESSIONS[1], 'cast')}, false, false), ${entry(5, SESSIONS[1], 'cast')}, false, false),
        ${entry(6, SESSIONS[1], 'void', '{"of":"bbbbbbbb-0000-4000-8000-000000000005"}')}, false, false);
      insert into log_sessions values ('${SESSIONS[0]}', 'Pier', '2026-05-01T08:01:00Z', '2026-05-01T08:03:00Z', '{"cast":1,"snag":1}', true), ('${SESSIONS[1]}', '', '2026-05-01T08:04:00Z', '2026-05-01T08:06:00Z', '{"cast":7}', false);
      insert into log_tallies values ('stick|O1', 'open/sand', 'cast', 7)`),
    )
    const server = await runServer(data.path)
    try {
      expect((await evidenceOf(server.url)).tallies).toEqual([
        { rigKey: 'stick|O1', placeKey: 'open/sand', counts: { cast: 1 } },
      ])
      expect(await sessionsOf(server.url)).toMatchObject([
        { session: SESSIONS[1], counts: { cast: 1 } },
        { session: SESSIONS[0], place: 'Pier', excluded: true, counts: { cast: 1, snag: 1 } },
      ])
      const [copy] = (await listOf(server.url)).backups
      expect(copy).toMatchObject({ kind: 'change', counts: { entries: 6, leftOut: 1, spreads: 0 } })
      const { hash } = await wholeOf(server.url)
      expect((await putBack(server.url, copy!.name)).status).toBe(200)
      const again = await wholeOf(server.url)
      // but for the one that was taken back before it came, which the older version had counted
      expect({ ...again, hash: '', madeAt: '' }).toMatchObject({ leftOut: [SESSIONS[0]] })
      expect(again.entries.map(e => e.excluded)).toEqual([false, false, false, false, false, false])
      expect([hash, again.hash].every(h => h.length === 64)).toBe(true)
    } finally {
      await server.stop()
      data.clear()
    }
  })
  it('one that had no log yet is kept too', async () => {
    const data = dataFolder()
    const [{ name, count, tags, notes, details }] = DEMO_BOX as [(typeof DEMO_BOX)[number]]
    await older(data.path, 2, engine =>
      engine.query(
        'insert into box_items (kind, name, count, tags, notes, details) values ($1, $2, $3, $4, $5, $6)',
        [details.kind, name, count, tags, notes, details],
      ),
    )
    const server = await runServer(data.path)
    try {
      expect((await listOf(server.url)).backups).toMatchObject([
        { kind: 'change', counts: { items: 1, entries: 0 } },
      ])
      expect((await call(`${server.url}/api/box`, 'GET')).body.items).toMatchObject([{ name }])
    } finally {
      await server.stop()
      data.clear()
    }
  })
  it('a new folder needs none', () => {
    expect(readdirSync(`${madeFolder(false)}.backups`)).toEqual([])
  })
})
