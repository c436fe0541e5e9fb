import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import type { BoxItem, ItemInput } from '#schemas/box'
import type { Database } from '../db/client'
import { boxItems } from '../db/schema'
import { inTransaction } from '../db/transaction'
import { keeping } from './kept'

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

/** A thing to be put in; `id` where the device that asks made one. */
export type NewItem = ItemInput & { readonly id?: string | undefined }
const asColumns = ({ details, id, ...item }: NewItem) => ({
  ...(id ? { id } : {}),
  ...item,
  kind: details.kind,
  details,
})

export const keptItems = keeping<BoxItem, ReturnType<typeof asColumns>>(boxItems, columns)

/** Everything in the box in the order it came in; deleted things left out. */
export const listItems = (db: Database): Promise<BoxItem[]> => keptItems.list(db, [asc(boxItems.position)])

/** Puts things in, all of them or, where one cannot be written, none. */
export const insertItems = (db: Database, items: readonly NewItem[]): Promise<BoxItem[]> =>
  keptItems.insert(db, items.map(asColumns))

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
      const made = new Map<string, BoxItem>()
      // in one order, so that two changes of several things never wait for each other
      for (const { id, revision, item } of [...changes].sort((a, b) => (a.id < b.id ? -1 : 1))) {
        const changed = await keptItems.change(tx, { id, revision, set: asColumns(item) })
        if (!changed) throw stale
        made.set(id, changed)
      }
      return changes.map(({ id }) => made.get(id)!)
    })
  } catch (error) {
    if (error === stale) return undefined
    throw error
  }
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
