import { and, eq, inArray, sql } from 'drizzle-orm'
import { COUNTED, type LogKind } from '#schemas/ranges'
import { logEntries, logSessionCounts, logSessions, logTallies } from '../db/schema'
import type { Tx } from '../db/transaction'
import { batches } from './batches'

/**
 * Counts kept beside the log, so that no page counts it anew. They change by increments that the database
 * makes, in the transaction that writes the entries; rows are always taken in the order of their keys, so
 * that no two transactions wait for each other.
 */
export type EntryRow = typeof logEntries.$inferSelect
/** What counting asks of an entry. */
export type Counted = Pick<EntryRow, 'session' | 'at' | 'kind' | 'rigKey' | 'placeKey' | 'excluded'>

const counted: ReadonlySet<string> = new Set(COUNTED)
const inOrder = <T>(rows: ReadonlyMap<string, T>): T[] =>
  [...rows].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, row]) => row)

/** Sums by key, those that come to nothing left out. */
function sums<K extends object>(
  entries: readonly Counted[],
  sign: 1 | -1,
  keyOf: (entry: Counted) => K,
  into = new Map<string, K & { n: number }>(),
): Map<string, K & { n: number }> {
  for (const entry of entries) {
    const key = keyOf(entry)
    const name = Object.values(key).join('\0')
    into.set(name, { ...key, n: (into.get(name)?.n ?? 0) + sign })
  }
  return into
}
const changed = <T extends { n: number }>(rows: ReadonlyMap<string, T>): T[] =>
  inOrder(rows).filter(({ n }) => n !== 0)

/**
 * Adds some entries to the tallies by rig and place, and takes others off. Entries of sessions left out must
 * not be given.
 */
export async function tallyRigs(tx: Tx, added: readonly Counted[], taken: readonly Counted[]): Promise<void> {
  const counts = ({ kind, rigKey, excluded }: Counted): boolean => counted.has(kind) && !!rigKey && !excluded
  const keyOf = ({ rigKey, placeKey, kind }: Counted) => ({ rigKey: rigKey!, placeKey: placeKey ?? '', kind })
  const rows = changed(sums(taken.filter(counts), -1, keyOf, sums(added.filter(counts), 1, keyOf)))
  for (const some of batches(rows)) {
    await tx
      .insert(logTallies)
      .values(some)
      .onConflictDoUpdate({
        target: [logTallies.rigKey, logTallies.placeKey, logTallies.kind],
        set: { n: sql`${logTallies.n} + excluded.n` },
      })
  }
}

/** Adds some entries to the counts of their sessions, and takes others off. */
export async function tallySessions(
  tx: Tx,
  added: readonly Counted[],
  taken: readonly Counted[],
): Promise<void> {
  const counts = ({ kind }: Counted): boolean => counted.has(kind)
  const keyOf = ({ session, kind }: Counted) => ({ session, kind })
  const rows = changed(sums(taken.filter(counts), -1, keyOf, sums(added.filter(counts), 1, keyOf)))
  for (const some of batches(rows)) {
    await tx
      .insert(logSessionCounts)
      .values(some)
      .onConflictDoUpdate({
        target: [logSessionCounts.session, logSessionCounts.kind],
        set: { n: sql`${logSessionCounts.n} + excluded.n` },
      })
  }
}

/**
 * Makes the sessions that entries belong to, or stretches them over their times.
 * @returns those that are left out of the tallies
 */
export async function stretchSessions(tx: Tx, entries: readonly Counted[]): Promise<ReadonlySet<string>> {
  const leftOut = new Set<string>()
  const spans = new Map<string, { session: string; fromAt: Date; toAt: Date }>()
  for (const { session, at } of entries) {
    const span = spans.get(session) ?? { session, fromAt: at, toAt: at }
    spans.set(session, {
      session,
      fromAt: at < span.fromAt ? at : span.fromAt,
      toAt: at > span.toAt ? at : span.toAt,
    })
  }
  for (const some of batches(inOrder(spans))) {
    const rows = await tx
      .insert(logSessions)
      .values(some)
      .onConflictDoUpdate({
        target: logSessions.session,
        set: {
          fromAt: sql`least(${logSessions.fromAt}, excluded.from_at)`,
          toAt: sql`greatest(${logSessions.toAt}, excluded.to_at)`,
        },
      })
      .returning({ session: logSessions.session, excluded: logSessions.excluded })
    for (const { session, excluded } of rows) if (excluded) leftOut.add(session)
  }
  return leftOut
}

/** The newest standing entry of a session that names a place. */
const placeOf = sql`coalesce((
  select e.data ->> 'place' from ${logEntries} e
  where e.session = ${logSessions.session} and not e.voided and e.data ? 'place'
  order by e.at desc, e.position desc limit 1), '')`

/** Names the places of sessions anew, by what stands in the log. */
export async function namePlaces(tx: Tx, sessions: readonly string[]): Promise<void> {
  for (const some of batches([...new Set(sessions)].sort())) {
    await tx.update(logSessions).set({ place: placeOf }).where(inArray(logSessions.session, some))
  }
}

/** Those of some sessions that are left out of the tallies. */
export async function leftOutOf(tx: Tx, sessions: readonly string[]): Promise<ReadonlySet<string>> {
  const out = new Set<string>()
  for (const some of batches([...new Set(sessions)])) {
    const rows = await tx
      .select({ session: logSessions.session })
      .from(logSessions)
      .where(and(inArray(logSessions.session, some), eq(logSessions.excluded, true)))
    for (const { session } of rows) out.add(session)
  }
  return out
}

/**
 * Counts everything anew from the entries, as after they were written by other means. Sessions left out are
 * marked as given.
 */
export async function recount(tx: Tx, leftOut: readonly string[]): Promise<void> {
  const kinds = [...COUNTED] as LogKind[]
  await tx.delete(logTallies)
  await tx.delete(logSessionCounts)
  await tx.delete(logSessions)
  await tx.execute(sql`insert into ${logSessions} (session, from_at, to_at)
    select session, min(at), max(at) from ${logEntries} group by session`)
  await tx.update(logSessions).set({ place: placeOf })
  for (const some of batches([...leftOut].sort())) {
    await tx.update(logSessions).set({ excluded: true }).where(inArray(logSessions.session, some))
  }
  const standing = and(eq(logEntries.voided, false), inArray(logEntries.kind, kinds))
  await tx.execute(sql`insert into ${logSessionCounts} (session, kind, n)
    select session, kind, count(*)::int from ${logEntries} where ${standing} group by session, kind`)
  await tx.execute(sql`insert into ${logTallies} (rig_key, place_key, kind, n)
    select rig_key, coalesce(place_key, ''), kind, count(*)::int from ${logEntries}
    where ${standing} and not excluded and rig_key <> ''
      and session not in (select session from ${logSessions} where excluded)
    group by 1, 2, 3`)
}
