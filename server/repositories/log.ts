import { and, asc, count, desc, eq, inArray, sql } from 'drizzle-orm'
import { COUNTED, type CountedKind, type LogEntry, type LogReceipt, type SessionRow, type StoredDrop, type TallyRow } from '#schemas/log'
import type { Database } from '../db/client'
import { logEntries, logSessions, logTallies } from '../db/schema'

type Tx = Parameters<Parameters<Database['transaction']>[0]>[0]
const counted: ReadonlySet<string> = new Set(COUNTED)
const BATCH = 500

/**
 * Writes entries, each once whatever how often it is sent, all of a request or none; tallies and sessions follow in the same transaction.
 * An id that is there with other content is a conflict: what is there stays, and the id is told.
 */
export async function insertEntries(db: Database, entries: readonly LogEntry[]): Promise<LogReceipt> {
  return db.transaction(async (tx) => {
    const fresh: LogEntry[] = []
    for (let i = 0; i < entries.length; i += BATCH) {
      const batch = entries.slice(i, i + BATCH)
      const made = await tx.insert(logEntries).values(batch.map(e => ({ ...e, at: new Date(e.at) }))).onConflictDoNothing().returning({ id: logEntries.id })
      const ids = new Set(made.map(m => m.id))
      for (const e of batch) if (ids.delete(e.id)) fresh.push(e)
    }
    const leftOut = await countSessions(tx, fresh, 1)
    await markLeftOut(tx, fresh.filter(e => leftOut.has(e.session)))
    await countRigs(tx, fresh.filter(e => !leftOut.has(e.session)), 1)
    for (const e of fresh) if (e.kind === 'void' && e.data?.of) await takeBack(tx, e.data.of)
    const known = entries.filter(e => !fresh.includes(e))
    return { added: fresh.length, known: known.length, conflicts: await conflictsAmong(tx, known) }
  })
}

async function conflictsAmong(tx: Tx, known: readonly LogEntry[]): Promise<string[]> {
  if (known.length === 0) return []
  const rows = await tx.select({ id: logEntries.id, kind: logEntries.kind, at: logEntries.at, session: logEntries.session }).from(logEntries).where(inArray(logEntries.id, known.map(e => e.id)))
  const there = new Map(rows.map(r => [r.id, r]))
  return [...new Set(known.flatMap((e) => {
    const row = there.get(e.id)
    return row && (row.kind !== e.kind || row.session !== e.session || row.at.getTime() !== new Date(e.at).getTime()) ? [e.id] : []
  }))]
}

/** Takes one entry back, once: it stays, marked, and is counted no more. */
async function takeBack(tx: Tx, id: string): Promise<void> {
  const [row] = await tx.update(logEntries).set({ voided: true }).where(and(eq(logEntries.id, id), eq(logEntries.voided, false))).returning()
  if (!row) return
  await countSessions(tx, [asEntry(row)], -1)
  if (!row.excluded) await countRigs(tx, [asEntry(row)], -1)
}

/** What comes later for a session that is left out is left out with it. */
async function markLeftOut(tx: Tx, entries: readonly LogEntry[]): Promise<void> {
  const ids = entries.filter(e => counted.has(e.kind)).map(e => e.id)
  for (let i = 0; i < ids.length; i += BATCH) await tx.update(logEntries).set({ excluded: true }).where(inArray(logEntries.id, ids.slice(i, i + BATCH)))
}

/** Adds entries to the tallies by rig and place, or takes them off. */
async function countRigs(tx: Tx, entries: readonly LogEntry[], sign: 1 | -1): Promise<void> {
  const tallies = new Map<string, { rigKey: string, placeKey: string, kind: CountedKind, n: number }>()
  for (const e of entries) {
    if (!counted.has(e.kind) || !e.rigKey) continue
    const key = `${e.rigKey}\n${e.placeKey ?? ''}\n${e.kind}`
    const t = tallies.get(key) ?? { rigKey: e.rigKey, placeKey: e.placeKey ?? '', kind: e.kind as CountedKind, n: 0 }
    tallies.set(key, { ...t, n: t.n + sign })
  }
  for (const t of tallies.values()) {
    await tx.insert(logTallies).values(t).onConflictDoUpdate({ target: [logTallies.rigKey, logTallies.placeKey, logTallies.kind], set: { n: sql`${logTallies.n} + ${t.n}` } })
  }
}

/** Adds entries to their sessions, or takes them off. @returns those of the sessions that are left out of the tallies */
async function countSessions(tx: Tx, entries: readonly LogEntry[], sign: 1 | -1): Promise<ReadonlySet<string>> {
  const leftOut = new Set<string>()
  const sessions = new Map<string, { place: string, from: number, to: number, counts: Record<string, number> }>()
  for (const e of entries) {
    const at = new Date(e.at).getTime()
    const s = sessions.get(e.session) ?? { place: '', from: at, to: at, counts: {} }
    sessions.set(e.session, { place: e.data?.place ?? s.place, from: Math.min(s.from, at), to: Math.max(s.to, at), counts: counted.has(e.kind) ? { ...s.counts, [e.kind]: (s.counts[e.kind] ?? 0) + sign } : s.counts })
  }
  for (const [session, s] of sessions) {
    const [now] = await tx.select().from(logSessions).where(eq(logSessions.session, session))
    if (now?.excluded) leftOut.add(session)
    const counts: Record<string, number> = { ...now?.counts }
    for (const [kind, n] of Object.entries(s.counts)) counts[kind] = (counts[kind] ?? 0) + n
    const row = { session, place: s.place || now?.place || '', fromAt: new Date(Math.min(s.from, now?.fromAt.getTime() ?? Infinity)), toAt: new Date(Math.max(s.to, now?.toAt.getTime() ?? -Infinity)), counts }
    await tx.insert(logSessions).values(row).onConflictDoUpdate({ target: logSessions.session, set: { place: row.place, fromAt: row.fromAt, toAt: row.toAt, counts } })
  }
  return leftOut
}

/** Tallies and sessions of entries that were written by other means, as by a restore. A session all of whose taps are left out is left out. */
export async function rebuildTallies(tx: Tx, entries: readonly { readonly entry: LogEntry, readonly excluded: boolean }[]): Promise<void> {
  await countSessions(tx, entries.map(e => e.entry), 1)
  await countRigs(tx, entries.filter(e => !e.excluded).map(e => e.entry), 1)
  const taps = entries.filter(e => counted.has(e.entry.kind))
  const kept = new Set(taps.filter(e => !e.excluded).map(e => e.entry.session))
  const out = [...new Set(taps.map(e => e.entry.session))].filter(session => !kept.has(session))
  for (let i = 0; i < out.length; i += BATCH) await tx.update(logSessions).set({ excluded: true }).where(inArray(logSessions.session, out.slice(i, i + BATCH)))
}

/** Leaves a whole session out of the tallies by rig, or takes it in again. False when there is none. */
export async function setSessionExcluded(db: Database, session: string, excluded: boolean): Promise<boolean> {
  return db.transaction(async (tx) => {
    const [row] = await tx.update(logSessions).set({ excluded }).where(eq(logSessions.session, session)).returning({ session: logSessions.session })
    if (!row) return false
    const changed = await tx.update(logEntries).set({ excluded }).where(and(eq(logEntries.session, session), eq(logEntries.excluded, !excluded), inArray(logEntries.kind, [...COUNTED]))).returning()
    await countRigs(tx, changed.filter(e => !e.voided).map(asEntry), excluded ? -1 : 1)
    return true
  })
}

type Row = typeof logEntries.$inferSelect
const asEntry = ({ id, session, at, kind, rod, rigKey, placeKey, data }: Row): LogEntry =>
  ({ id, session, at: at.toISOString(), kind, ...(rod === null ? {} : { rod }), ...(rigKey === null ? {} : { rigKey }), ...(placeKey === null ? {} : { placeKey }), ...(data === null ? {} : { data: data! }) })

/** Entries of a session in the order they were made, a page at a time; those taken back left out. */
export async function listEntries(db: Database, session: string, limit: number, offset: number): Promise<LogEntry[]> {
  const rows = await db.select().from(logEntries).where(and(eq(logEntries.session, session), eq(logEntries.voided, false))).orderBy(asc(logEntries.at), asc(logEntries.position)).limit(limit).offset(offset)
  return rows.map(asEntry)
}

/** Every entry, taken back or not, as it came; for a backup. */
export async function allEntries(db: Database): Promise<(LogEntry & { readonly voided: boolean, readonly excluded: boolean })[]> {
  const rows = await db.select().from(logEntries).orderBy(asc(logEntries.position))
  return rows.map(row => ({ ...asEntry(row), voided: row.voided, excluded: row.excluded }))
}

/** Sessions, the newest first, a page at a time; and how many there are. */
export async function listSessions(db: Database, limit: number, offset: number): Promise<{ readonly sessions: SessionRow[], readonly total: number }> {
  const rows = await db.select().from(logSessions).orderBy(desc(logSessions.fromAt), asc(logSessions.session)).limit(limit).offset(offset)
  const [all] = await db.select({ n: count() }).from(logSessions)
  return { sessions: rows.map(r => ({ session: r.session, place: r.place, from: r.fromAt.toISOString(), to: r.toAt.toISOString(), counts: r.counts, excluded: r.excluded })), total: all!.n }
}

/** Every session with its counts. */
export const allSessions = (db: Database): Promise<(typeof logSessions.$inferSelect)[]> => db.select().from(logSessions).orderBy(asc(logSessions.fromAt))

/** Counts by rig and place. */
export async function listTallies(db: Database): Promise<TallyRow[]> {
  const rows = await db.select().from(logTallies).orderBy(asc(logTallies.rigKey), asc(logTallies.placeKey))
  const found = new Map<string, { rigKey: string, placeKey: string, counts: Record<string, number> }>()
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
  const rows = await db.select().from(logEntries).where(and(eq(logEntries.kind, 'drop'), eq(logEntries.voided, false))).orderBy(asc(logEntries.position))
  return rows.flatMap(({ id, at, data, excluded }) => data?.drop ? [{ id, at: at.toISOString(), drop: data.drop, excluded }] : [])
}

/** Leaves an entry out of the evidence, or takes it in again. False when it is not there. */
export async function setExcluded(db: Database, id: string, excluded: boolean): Promise<boolean> {
  const rows = await db.update(logEntries).set({ excluded }).where(eq(logEntries.id, id)).returning({ id: logEntries.id })
  return rows.length > 0
}

export async function countEntries(db: Database): Promise<number> {
  const [row] = await db.select({ n: count() }).from(logEntries)
  return row!.n
}
