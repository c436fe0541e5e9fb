import { and, asc, count, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm'
import type { BoxItem, ItemInput } from '#schemas/box'
import type { Database } from '../db/client'
import { boxItems } from '../db/schema'

/** Everything of a row but the photograph, which is only read when asked for; whether there is one is told. */
const columns = {
  id: boxItems.id, name: boxItems.name, count: boxItems.count, tags: boxItems.tags, notes: boxItems.notes, details: boxItems.details, revision: boxItems.revision,
  photographed: sql<boolean>`${boxItems.photo} is not null`,
} as const

const asColumns = ({ details, ...item }: ItemInput) => ({ ...item, kind: details.kind, details })

/** Rows written in one statement. */
const BATCH = 500

const batches = <T>(list: readonly T[]): T[][] => Array.from({ length: Math.ceil(list.length / BATCH) }, (_, i) => list.slice(i * BATCH, (i + 1) * BATCH))

/** Everything in the box in the order it came in; deleted things left out. */
export async function listItems(db: Database): Promise<BoxItem[]> {
  return db.select(columns).from(boxItems).where(isNull(boxItems.deletedAt)).orderBy(asc(boxItems.position))
}

/** Puts things in, all of them or, where one cannot be written, none. */
export async function insertItems(db: Database, items: readonly ItemInput[]): Promise<BoxItem[]> {
  return db.transaction(async (tx) => {
    const made: BoxItem[] = []
    for (const batch of batches(items)) made.push(...await tx.insert(boxItems).values(batch.map(asColumns)).returning(columns))
    return made
  })
}

export interface ItemChange { readonly id: string, readonly revision: number, readonly item: ItemInput }

/** Changes things made on their newest revision, all of them; undefined, and nothing changed, where one is older or gone. */
export async function updateItems(db: Database, changes: readonly ItemChange[]): Promise<BoxItem[] | undefined> {
  const stale = new Error('stale')
  try {
    return await db.transaction(async (tx) => {
      const made: BoxItem[] = []
      for (const { id, revision, item } of changes) {
        const [row] = await tx.update(boxItems).set({ ...asColumns(item), revision: revision + 1, updatedAt: sql`now()` })
          .where(and(eq(boxItems.id, id), eq(boxItems.revision, revision), isNull(boxItems.deletedAt))).returning(columns)
        if (!row) throw stale
        made.push(row)
      }
      return made
    })
  }
  catch (error) {
    if (error === stale) return undefined
    throw error
  }
}

/** Marks things as deleted; how many were there. */
export async function markDeleted(db: Database, ids: readonly string[]): Promise<number> {
  return db.transaction(async (tx) => {
    let n = 0
    for (const batch of batches(ids)) n += (await tx.update(boxItems).set({ deletedAt: sql`now()` }).where(and(inArray(boxItems.id, batch), isNull(boxItems.deletedAt))).returning({ id: boxItems.id })).length
    return n
  })
}

/** Takes deletions back. */
export async function unmarkDeleted(db: Database, ids: readonly string[]): Promise<BoxItem[]> {
  return db.transaction(async (tx) => {
    const back: BoxItem[] = []
    for (const batch of batches(ids)) back.push(...await tx.update(boxItems).set({ deletedAt: null }).where(and(inArray(boxItems.id, batch), isNotNull(boxItems.deletedAt))).returning(columns))
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
  const rows = await db.update(boxItems).set({ photo }).where(and(eq(boxItems.id, id), isNull(boxItems.deletedAt))).returning({ id: boxItems.id })
  return rows.length > 0
}

export async function findPhoto(db: Database, id: string): Promise<string | undefined> {
  const [row] = await db.select({ photo: boxItems.photo }).from(boxItems).where(and(eq(boxItems.id, id), isNull(boxItems.deletedAt)))
  return row?.photo ?? undefined
}
