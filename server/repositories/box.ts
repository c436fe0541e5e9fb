import { and, asc, count, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm'
import type { BoxItem, ItemInput } from '#schemas/box'
import type { Database } from '../db/client'
import { boxItems } from '../db/schema'
import { inTransaction } from '../db/transaction'
import { batches } from './batches'

/**
 * Everything of a row but the photograph, which is only read when asked for; whether there is one is told.
 */
const columns = {
  id: boxItems.id,
  name: boxItems.name,
  count: boxItems.count,
  tags: boxItems.tags,
  notes: boxItems.notes,
  details: boxItems.details,
  revision: boxItems.revision,
  photographed: sql<boolean>`${boxItems.photo} is not null`,
} as const

const asColumns = ({ details, ...item }: ItemInput) => ({ ...item, kind: details.kind, details })

/** Everything in the box in the order it came in; deleted things left out. */
export async function listItems(db: Database): Promise<BoxItem[]> {
  return db.select(columns).from(boxItems).where(isNull(boxItems.deletedAt)).orderBy(asc(boxItems.position))
}

/** Puts things in, all of them or, where one cannot be written, none. */
export async function insertItems(db: Database, items: readonly ItemInput[]): Promise<BoxItem[]> {
  return inTransaction(db, async tx => {
    const made: BoxItem[] = []
    for (const batch of batches(items))
      made.push(...(await tx.insert(boxItems).values(batch.map(asColumns)).returning(columns)))
    return made
  })
}

export interface ItemChange {
  readonly id: string
  readonly revision: number
  readonly item: ItemInput
}

/**
 * Changes things made on their newest revision, all of them; undefined, and nothing changed, where one is
 * older or gone.
 */
export async function updateItems(
  db: Database,
  changes: readonly ItemChange[],
): Promise<BoxItem[] | undefined> {
  const stale = new Error('stale')
  try {
    return await inTransaction(db, async tx => {
      const made: BoxItem[] = []
      // in one order, so that two changes of several things never wait for each other
      for (const { id, revision, item } of [...changes].sort((a, b) => (a.id < b.id ? -1 : 1))) {
        const [row] = await tx
          .update(boxItems)
          .set({ ...asColumns(item), revision: revision + 1, updatedAt: sql`now()` })
          .where(and(eq(boxItems.id, id), eq(boxItems.revision, revision), isNull(boxItems.deletedAt)))
          .returning(columns)
        if (!row) throw stale
        made.push(row)
      }
      const asked = new Map(changes.map(({ id }, i) => [id, i]))
      return made.sort((a, b) => asked.get(a.id)! - asked.get(b.id)!)
    })
  } catch (error) {
    if (error === stale) return undefined
    throw error
  }
}

/** Marks things as deleted; how many were there. */
export async function markDeleted(db: Database, ids: readonly string[]): Promise<number> {
  return inTransaction(db, async tx => {
    let n = 0
    for (const batch of batches([...new Set(ids)].sort()))
      n += (
        await tx
          .update(boxItems)
          .set({ deletedAt: sql`now()` })
          .where(and(inArray(boxItems.id, batch), isNull(boxItems.deletedAt)))
          .returning({ id: boxItems.id })
      ).length
    return n
  })
}

/** Takes deletions back. */
export async function unmarkDeleted(db: Database, ids: readonly string[]): Promise<BoxItem[]> {
  return inTransaction(db, async tx => {
    const back: BoxItem[] = []
    for (const batch of batches([...new Set(ids)].sort()))
      back.push(
        ...(await tx
          .update(boxItems)
          .set({ deletedAt: null })
          .where(and(inArray(boxItems.id, batch), isNotNull(boxItems.deletedAt)))
          .returning(columns)),
      )
    return back
  })
}

/** Number of things ever put in, deleted ones included. */
export async function countItems(db: Database): Promise<number> {
  const [row] = await db.select({ n: count() }).from(boxItems)
  return row!.n
}

/** Sets or, with null, takes away the photograph of a thing. False when it is not there. */
export async function setPhoto(db: Database, id: string, photo: string | null): Promise<boolean> {
  const rows = await db
    .update(boxItems)
    .set({ photo })
    .where(and(eq(boxItems.id, id), isNull(boxItems.deletedAt)))
    .returning({ id: boxItems.id })
  return rows.length > 0
}

export async function findPhoto(db: Database, id: string): Promise<string | undefined> {
  const [row] = await db
    .select({ photo: boxItems.photo })
    .from(boxItems)
    .where(and(eq(boxItems.id, id), isNull(boxItems.deletedAt)))
  return row?.photo ?? undefined
}
