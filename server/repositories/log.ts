import { and, asc, count, desc, eq, exists, inArray, isNotNull, max, notInArray, sql } from 'drizzle-orm'
import { COUNTED, type CountedKind } from '#schemas/ranges'
import type { LogEntry, LogReceipt, SessionRow, StoredDrop, TallyRow } from '#schemas/log'
import type { Database } from '../db/client'
import { logEntries, logSessionCounts, logSessions, logTallies } from '../db/schema'
import { inTransaction, type Tx } from '../db/transaction'
import { batches } from './batches'
import { sameContent } from './sameContent'
import { leftOutOf, namePlaces, stretchSessions, tallyRigs, tallySessions, type EntryRow } from './tallies'

/** Names the lock that one writer of the log holds at a time. */
const LOG_WRITER = 0x6475_6e65

/**
 * Lets one transaction at a time write to the log, on any PostgreSQL: an entry and the one that takes it
 * back, coming at once by different ways, must see each other.
 */
const oneWriter = sql`pg_advisory_xact_lock(${sql.raw(String(LOG_WRITER))})`
const asOneWriter = <T>(db: Database, work: (tx: Tx) => Promise<T>): Promise<T> =>
  inTransaction(db, async tx => {
    await tx.execute(sql`select ${oneWriter}`)
    return work(tx)
  })

/**
 * Writes entries, each once whatever how often it is sent, all of a request or none; tallies and sessions
 * follow in the same transaction. An id that is there with other content is a conflict: what is there stays,
 * and the id is told. An entry that was taken back before it came stays taken back.
 */
export const insertEntries = async (db: Database, entries: readonly LogEntry[]): Promise<LogReceipt> =>
  (await insertRequests(db, [entries]))[0]!

/**
 * Writes the entries of several requests in one transaction, as if one had come after the other.
 * @returns a receipt for each
 */
export async function insertRequests(
  db: Database,
  requests: readonly (readonly LogEntry[])[],
): Promise<LogReceipt[]> {
  return inTransaction(db, async tx => {
    const first = new Map<string, LogEntry>()
    for (const e of requests.flat()) if (!first.has(e.id)) first.set(e.id, e)
    const fresh = await insertFresh(tx, [...first.values()], await takePositions(tx, first.size))
    const voided = await takeBack(tx, fresh)
    const leftOut = await stretchSessions(tx, [...fresh, ...voided])
    await tallySessions(tx, fresh, voided)
    const kept = (rows: readonly EntryRow[]): EntryRow[] => rows.filter(e => !leftOut.has(e.session))
    await tallyRigs(tx, kept(fresh), kept(voided))
    await namePlaces(
      tx,
      [...fresh, ...voided].filter(e => e.data?.place !== undefined).map(e => e.session),
    )
    const freshIds = new Set(fresh.map(e => e.id))
    const isKnown = (e: LogEntry): boolean => !freshIds.has(e.id) || first.get(e.id) !== e
    const differs = await differing(tx, requests.flat().filter(isKnown))
    return requests.map((entries): LogReceipt => {
      const known = entries.filter(isKnown)
      const conflicts = [...new Set(known.filter(e => differs.has(e)).map(e => e.id))]
      return { added: entries.length - known.length, known: known.length, conflicts }
    })
  })
}

/** Becomes the one writer, and takes so many places in the order of the log. */
async function takePositions(tx: Tx, n: number): Promise<number[]> {
  const { rows } = (await tx.execute(sql`with writer as materialized (select ${oneWriter})
    select nextval('log_entries_position_seq')::float8 as n from writer, generate_series(1, ${n}::int)`)) as unknown as {
    rows: { n: number }[]
  }
  return rows.map(row => row.n)
}

/**
 * Inserts those that are not there yet. Rows are written in the order of their ids, and stand in the order
 * they came.
 */
async function insertFresh(
  tx: Tx,
  entries: readonly LogEntry[],
  positions: readonly number[],
): Promise<EntryRow[]> {
  const values = entries
    .map((e, i) => ({
      ...e,
      at: new Date(e.at),
      position: positions[i]!,
      voids: e.kind === 'void' ? (e.data?.of ?? null) : null,
    }))
    .sort((a, b) => (a.id < b.id ? -1 : 1))
  const fresh: EntryRow[] = []
  for (const some of batches(values)) {
    fresh.push(...(await tx.insert(logEntries).values(some).onConflictDoNothing().returning()))
  }
  return fresh
}

/**
 * Marks what fresh entries take back, and fresh entries that were taken back before.
 * @returns those that stood until now
 */
async function takeBack(tx: Tx, fresh: readonly EntryRow[]): Promise<EntryRow[]> {
  const gone = new Set(fresh.flatMap(e => e.voids ?? []))
  for (const some of batches(fresh.map(e => e.id))) {
    const voids = await tx
      .select({ of: logEntries.voids })
      .from(logEntries)
      .where(inArray(logEntries.voids, some))
    for (const { of } of voids) gone.add(of!)
  }
  const voided: EntryRow[] = []
  for (const some of batches([...gone].sort())) {
    voided.push(
      ...(await tx
        .update(logEntries)
        .set({ voided: true })
        .where(and(inArray(logEntries.id, some), eq(logEntries.voided, false)))
        .returning()),
    )
  }
  return voided
}

/** Those of some entries whose ids are there with other content. */
async function differing(tx: Tx, known: readonly LogEntry[]): Promise<ReadonlySet<LogEntry>> {
  const there = new Map<string, LogEntry>()
  for (const some of batches(known.map(e => e.id))) {
    for (const row of await tx.select().from(logEntries).where(inArray(logEntries.id, some)))
      there.set(row.id, asEntry(row))
  }
  return new Set(known.filter(e => !sameContent(there.get(e.id), { ...e, at: new Date(e.at).toISOString() })))
}

/** Leaves a whole session out of the tallies by rig, or takes it in again. False when there is none. */
export async function setSessionExcluded(db: Database, session: string, excluded: boolean): Promise<boolean> {
  return asOneWriter(db, async tx => {
    const [now] = await tx.select().from(logSessions).where(eq(logSessions.session, session))
    if (!now) return false
    if (now.excluded === excluded) return true
    await tx.update(logSessions).set({ excluded }).where(eq(logSessions.session, session))
    const standing = await tx
      .select()
      .from(logEntries)
      .where(
        and(
          eq(logEntries.session, session),
          eq(logEntries.voided, false),
          inArray(logEntries.kind, [...COUNTED]),
        ),
      )
    await (excluded ? tallyRigs(tx, [], standing) : tallyRigs(tx, standing, []))
    return true
  })
}

/** Leaves an entry out of the evidence and the tallies, or takes it in again. False when it is not there. */
export async function setExcluded(db: Database, id: string, excluded: boolean): Promise<boolean> {
  return asOneWriter(db, async tx => {
    const [now] = await tx.select().from(logEntries).where(eq(logEntries.id, id))
    if (!now) return false
    if (now.excluded === excluded) return true
    await tx.update(logEntries).set({ excluded }).where(eq(logEntries.id, id))
    if (now.voided || (await leftOutOf(tx, [now.session])).has(now.session)) return true
    const entry = [{ ...now, excluded: false }]
    await (excluded ? tallyRigs(tx, [], entry) : tallyRigs(tx, entry, []))
    return true
  })
}

const asEntry = ({ id, session, at, kind, rod, rigKey, placeKey, data }: EntryRow): LogEntry => ({
  id,
  session,
  at: at.toISOString(),
  kind,
  ...(rod === null ? {} : { rod }),
  ...(rigKey === null ? {} : { rigKey }),
  ...(placeKey === null ? {} : { placeKey }),
  ...(data === null ? {} : { data: data! }),
})

/** Entries of a session in the order they were made, a page at a time; those taken back left out. */
export async function listEntries(
  db: Database,
  session: string,
  limit: number,
  offset: number,
): Promise<LogEntry[]> {
  const rows = await db
    .select()
    .from(logEntries)
    .where(and(eq(logEntries.session, session), eq(logEntries.voided, false)))
    .orderBy(asc(logEntries.at), asc(logEntries.position))
    .limit(limit)
    .offset(offset)
  return rows.map(asEntry)
}

type SessionCounts = Partial<Record<CountedKind, number>>

/** Counts of some sessions, or of all. */
async function countsOf(
  db: Database,
  sessions?: readonly string[],
): Promise<ReadonlyMap<string, SessionCounts>> {
  const found = new Map<string, SessionCounts>()
  const which = sessions && inArray(logSessionCounts.session, [...sessions])
  for (const { session, kind, n } of await db.select().from(logSessionCounts).where(which)) {
    if (n === 0) continue
    const counts = found.get(session) ?? {}
    counts[kind as CountedKind] = n
    found.set(session, counts)
  }
  return found
}

/** Sessions on the water, the newest first, a page at a time; and how many there are. */
export async function listSessions(
  db: Database,
  limit: number,
  offset: number,
): Promise<{ readonly sessions: SessionRow[]; readonly total: number }> {
  // a drop that was timed is no day on the water
  const fished = exists(
    db
      .select({ one: sql`1` })
      .from(logEntries)
      .where(and(eq(logEntries.session, logSessions.session), notInArray(logEntries.kind, ['drop', 'void']))),
  )
  const rows = await db
    .select()
    .from(logSessions)
    .where(fished)
    .orderBy(desc(logSessions.fromAt), asc(logSessions.session))
    .limit(limit)
    .offset(offset)
  const [all] = await db.select({ n: count() }).from(logSessions).where(fished)
  const ids = rows.map(r => r.session)
  const counts = ids.length > 0 ? await countsOf(db, ids) : new Map<string, SessionCounts>()
  const revisions = await revisionsOf(db, ids)
  const sessions = rows.map(({ session, place, fromAt, toAt, excluded }): SessionRow => ({
    session,
    place,
    from: fromAt.toISOString(),
    to: toAt.toISOString(),
    counts: counts.get(session) ?? {},
    excluded,
    revision: revisions.get(session) ?? 0,
  }))
  return { sessions, total: all!.n }
}

/** The place in the log of the newest entry of each of some sessions. */
async function revisionsOf(db: Database, sessions: readonly string[]): Promise<ReadonlyMap<string, number>> {
  if (sessions.length === 0) return new Map()
  const rows = await db
    .select({ session: logEntries.session, last: max(logEntries.position) })
    .from(logEntries)
    .where(inArray(logEntries.session, [...sessions]))
    .groupBy(logEntries.session)
  return new Map(rows.map(({ session, last }) => [session, last ?? 0]))
}

/** Every session with its counts. */
export async function allSessions(
  db: Database,
): Promise<(typeof logSessions.$inferSelect & { readonly counts: SessionCounts })[]> {
  const counts = await countsOf(db)
  const rows = await db.select().from(logSessions).orderBy(asc(logSessions.fromAt))
  return rows.map(row => ({ ...row, counts: counts.get(row.session) ?? {} }))
}

/** Counts by rig and place. */
export async function listTallies(db: Database): Promise<TallyRow[]> {
  const rows = await db.select().from(logTallies).orderBy(asc(logTallies.rigKey), asc(logTallies.placeKey))
  const found = new Map<string, { rigKey: string; placeKey: string; counts: Record<string, number> }>()
  for (const { rigKey, placeKey, kind, n } of rows) {
    const key = `${rigKey}\n${placeKey}`
    const row = found.get(key) ?? { rigKey, placeKey, counts: {} }
    if (n !== 0) row.counts[kind] = n
    found.set(key, row)
  }
  return [...found.values()]
}

/** Timed drops in the order they were made; those taken back left out, those excluded marked. */
export async function listDrops(db: Database): Promise<StoredDrop[]> {
  const rows = await db
    .select()
    .from(logEntries)
    .where(and(eq(logEntries.kind, 'drop'), eq(logEntries.voided, false), isNotNull(logEntries.data)))
    .orderBy(asc(logEntries.position))
  return rows.flatMap(({ id, at, data, excluded }) =>
    data?.drop ? [{ id, at: at.toISOString(), drop: data.drop, excluded }] : [],
  )
}

export async function countEntries(db: Database): Promise<number> {
  const [row] = await db.select({ n: count() }).from(logEntries)
  return row!.n
}
