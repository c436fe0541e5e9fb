import { and, count, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import type { Spread, SpreadContent, SpreadSummary } from '#schemas/spread'
import type { Database } from '../db/client'
import { spreads } from '../db/schema'

type Row = typeof spreads.$inferSelect

const asSpread = (row: Row): Spread => ({
  id: row.id,
  name: row.name,
  content: row.content,
  revision: row.revision,
  updatedAt: row.updatedAt.toISOString(),
})

/** Saved spreads, the newest first; deleted ones left out. */
export async function listSpreads(db: Database): Promise<SpreadSummary[]> {
  const rows = await db
    .select({
      id: spreads.id,
      name: spreads.name,
      place: sql<string>`${spreads.content} -> 'water' ->> 'place'`,
      rigs: sql<number>`jsonb_array_length(${spreads.content} -> 'lanes')::int`,
      revision: spreads.revision,
      updatedAt: spreads.updatedAt,
    })
    .from(spreads)
    .where(isNull(spreads.deletedAt))
    .orderBy(desc(spreads.updatedAt), desc(spreads.id))
  return rows.map(row => ({ ...row, updatedAt: row.updatedAt.toISOString() }))
}

export async function findSpread(db: Database, id: string): Promise<Spread | undefined> {
  const [row] = await db
    .select()
    .from(spreads)
    .where(and(eq(spreads.id, id), isNull(spreads.deletedAt)))
  return row ? asSpread(row) : undefined
}

/** Makes a spread. Undefined when there is one of this id already, deleted or not. */
export async function insertSpread(
  db: Database,
  name: string,
  content: SpreadContent,
  id?: string,
): Promise<Spread | undefined> {
  const [row] = await db
    .insert(spreads)
    .values({ ...(id ? { id } : {}), name, content })
    .onConflictDoNothing()
    .returning()
  return row && asSpread(row)
}

/** Changes a spread made on `revision`. Undefined when that is no longer the newest, or it is not there. */
export async function updateSpread(
  db: Database,
  id: string,
  revision: number,
  change: { name?: string; content?: SpreadContent },
): Promise<Spread | undefined> {
  const [row] = await db
    .update(spreads)
    .set({ ...change, revision: revision + 1, updatedAt: sql`now()` })
    .where(and(eq(spreads.id, id), eq(spreads.revision, revision), isNull(spreads.deletedAt)))
    .returning()
  return row ? asSpread(row) : undefined
}

/** Marks a spread as deleted. False when it was not there. */
export async function markDeleted(db: Database, id: string): Promise<boolean> {
  const rows = await db
    .update(spreads)
    .set({ deletedAt: sql`now()` })
    .where(and(eq(spreads.id, id), isNull(spreads.deletedAt)))
    .returning({ id: spreads.id })
  return rows.length > 0
}

/** Takes a deletion back. Undefined when nothing of that id is deleted. */
export async function unmarkDeleted(db: Database, id: string): Promise<Spread | undefined> {
  const [row] = await db
    .update(spreads)
    .set({ deletedAt: null })
    .where(and(eq(spreads.id, id), isNotNull(spreads.deletedAt)))
    .returning()
  return row ? asSpread(row) : undefined
}

/** Number of spreads ever saved, deleted ones included. */
export async function countSpreads(db: Database): Promise<number> {
  const [row] = await db.select({ n: count() }).from(spreads)
  return row!.n
}
