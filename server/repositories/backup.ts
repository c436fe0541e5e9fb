import { asc } from 'drizzle-orm'
import type { BackupContent } from '#schemas/backup'
import type { Database } from '../db/client'
import { boxItems, documents, logEntries, logSessions, logTallies, spreads } from '../db/schema'
import { allEntries, rebuildTallies } from './log'

/** Everything kept, in the order it was made, deleted things included. */
export async function readAll(db: Database): Promise<BackupContent> {
  const sheets = await db.select().from(spreads).orderBy(asc(spreads.createdAt), asc(spreads.id))
  const items = await db.select().from(boxItems).orderBy(asc(boxItems.position))
  const papers = await db.select().from(documents).orderBy(asc(documents.position))
  const entries = await allEntries(db)
  return {
    spreads: sheets.map(({ id, revision, deletedAt, name, content, createdAt, updatedAt }) => ({ id, revision, deleted: deletedAt !== null, name, content, createdAt: createdAt.toISOString(), updatedAt: updatedAt.toISOString() })),
    items: items.map(({ id, revision, deletedAt, name, count, tags, notes, details, photo }) => ({ id, revision, deleted: deletedAt !== null, item: { name, count, tags, notes, details }, photo })),
    documents: papers.map(({ id, revision, deletedAt, kind, name, content }) => ({ id, revision, deleted: deletedAt !== null, kind, name, content })) as BackupContent['documents'],
    entries: entries.map(({ voided, excluded, ...entry }) => ({ entry, voided, excluded })),
  }
}

const BATCH = 400
const inBatches = async <T>(list: readonly T[], write: (some: T[]) => Promise<unknown>): Promise<void> => {
  for (let i = 0; i < list.length; i += BATCH) await write(list.slice(i, i + BATCH))
}

/** Puts everything in place of what is there, or, where anything fails, leaves it as it was. */
export async function replaceAll(db: Database, content: BackupContent): Promise<void> {
  await db.transaction(async (tx) => {
    for (const table of [spreads, boxItems, documents, logEntries, logTallies, logSessions]) await tx.delete(table)
    const gone = (deleted: boolean): Date | null => deleted ? new Date() : null
    await inBatches(content.spreads, some => tx.insert(spreads).values(some.map(({ deleted, createdAt, updatedAt, ...s }) => ({ ...s, createdAt: new Date(createdAt), updatedAt: new Date(updatedAt), deletedAt: gone(deleted) }))))
    await inBatches(content.items, some => tx.insert(boxItems).values(some.map(({ deleted, item, id, revision, photo }) => ({ id, revision, photo, ...item, kind: item.details.kind, deletedAt: gone(deleted) }))))
    await inBatches(content.documents, some => tx.insert(documents).values(some.map(({ deleted, ...d }) => ({ ...d, deletedAt: gone(deleted) }))))
    await inBatches(content.entries, some => tx.insert(logEntries).values(some.map(({ entry, voided, excluded }) => ({ ...entry, at: new Date(entry.at), voided, excluded }))))
    await rebuildTallies(tx, content.entries.filter(e => !e.voided))
  })
}
