import { and, count, eq, inArray, isNotNull, isNull, sql, type SQL } from 'drizzle-orm'
import type { PgColumn, PgTable } from 'drizzle-orm/pg-core'
import type { Database } from '../db/client'
import { inTransaction, type Tx } from '../db/transaction'
import { batches } from './batches'

/** A table of things that are kept. */
type KeptTable = PgTable & Readonly<Record<'id' | 'revision' | 'updatedAt' | 'deletedAt', PgColumn>>

/** One change, made on the revision that whoever asks for it holds. */
export interface KeptChange<Set> {
  readonly id: string
  readonly revision: number
  readonly set: Set
}

/**
 * How everything of the angler's is kept: made once under its id, changed on its newest revision only, deleted by
 * a mark that can be taken back.
 * @typeParam Row what is read, as `columns` select it
 * @typeParam New what is written
 */
export function keeping<Row extends { readonly id: string }, New extends object>(
  table: KeptTable,
  columns: Readonly<Record<string, PgColumn | SQL>>,
) {
  // the builder's own types cannot follow a table that is given; rows are what `columns` say
  const rows = async (query: PromiseLike<unknown>): Promise<Row[]> => (await query) as Row[]
  const standing = (...also: readonly (SQL | undefined)[]) => and(isNull(table.deletedAt), ...also)

  return {
    /** Those not deleted, in an order. */
    list: (db: Database, order: readonly (SQL | PgColumn)[], only?: SQL): Promise<Row[]> =>
      rows(
        db
          .select(columns)
          .from(table)
          .where(standing(only))
          .orderBy(...order),
      ),

    find: async (db: Database, id: string, only?: SQL): Promise<Row | undefined> =>
      (
        await rows(
          db
            .select(columns)
            .from(table)
            .where(standing(eq(table.id, id), only)),
        )
      )[0],

    /** Writes all or none; what is there under its id already is left as it is, and not given back. */
    insert: (db: Database, made: readonly New[]): Promise<Row[]> =>
      inTransaction(db, async tx => {
        const written: Row[] = []
        for (const batch of batches(made))
          written.push(
            ...(await rows(
              tx
                .insert(table)
                .values(batch as never)
                .onConflictDoNothing()
                .returning(columns),
            )),
          )
        return written
      }),

    /** Undefined when `revision` is no longer the newest, or there is nothing of that id. */
    change: async (
      db: Database | Tx,
      { id, revision, set }: KeptChange<Partial<New>>,
      only?: SQL,
    ): Promise<Row | undefined> =>
      (
        await rows(
          db
            .update(table)
            .set({ ...set, revision: revision + 1, updatedAt: sql`now()` } as never)
            .where(standing(eq(table.id, id), eq(table.revision, revision), only))
            .returning(columns),
        )
      )[0],

    /** Marks as deleted, or takes that back. @returns those that were marked by it */
    mark: (db: Database, ids: readonly string[], deleted: boolean, only?: SQL): Promise<Row[]> =>
      inTransaction(db, async tx => {
        const marked: Row[] = []
        // in one order, so that two changes of several things never wait for each other
        for (const batch of batches([...new Set(ids)].sort())) {
          const there = deleted ? isNull(table.deletedAt) : isNotNull(table.deletedAt)
          marked.push(
            ...(await rows(
              tx
                .update(table)
                .set({ deletedAt: deleted ? sql`now()` : null } as never)
                .where(and(inArray(table.id, batch), there, only))
                .returning(columns),
            )),
          )
        }
        return marked
      }),

    /** How many there ever were, deleted ones included. */
    count: async (db: Database, only?: SQL): Promise<number> =>
      (await db.select({ n: count() }).from(table).where(only))[0]!.n,
  }
}
