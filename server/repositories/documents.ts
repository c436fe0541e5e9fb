import { and, asc, count, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import type { DocumentContent, DocumentKind, StoredDocument } from '#schemas/spot'
import type { Database } from '../db/client'
import { documents } from '../db/schema'

const columns = {
  id: documents.id,
  kind: documents.kind,
  name: documents.name,
  content: documents.content,
  revision: documents.revision,
} as const
type Row = {
  readonly id: string
  readonly kind: DocumentKind
  readonly name: string
  readonly content: DocumentContent[DocumentKind]
  readonly revision: number
}

/** Documents of a kind in the order they were made; deleted ones left out. */
export async function listDocuments(db: Database, kind: DocumentKind): Promise<StoredDocument[]> {
  return db
    .select(columns)
    .from(documents)
    .where(and(eq(documents.kind, kind), isNull(documents.deletedAt)))
    .orderBy(asc(documents.position)) as Promise<Row[]>
}

/** A document as it is asked for; `id` where the device that asks made one. */
export interface NewDocument<K extends DocumentKind> {
  readonly id?: string | undefined
  readonly name: string
  readonly content: DocumentContent[K]
}

/**
 * Writes several, all of them or none; what is there under its id already is left as it is, and not given
 * back.
 */
export async function insertDocuments<K extends DocumentKind>(
  db: Database,
  kind: K,
  made: readonly NewDocument<K>[],
): Promise<StoredDocument[]> {
  if (made.length === 0) return []
  const rows = made.map(({ id, name, content }) => ({ ...(id ? { id } : {}), name, content, kind }))
  return db.insert(documents).values(rows).onConflictDoNothing().returning(columns) as Promise<Row[]>
}

/** Changes one made on `revision`. Undefined when that is no longer the newest, or it is not there. */
export async function updateDocument<K extends DocumentKind>(
  db: Database,
  kind: K,
  id: string,
  revision: number,
  change: { readonly name: string; readonly content: DocumentContent[K] },
): Promise<StoredDocument | undefined> {
  const [row] = await db
    .update(documents)
    .set({ ...change, revision: revision + 1, updatedAt: sql`now()` })
    .where(
      and(
        eq(documents.id, id),
        eq(documents.kind, kind),
        eq(documents.revision, revision),
        isNull(documents.deletedAt),
      ),
    )
    .returning(columns)
  return row as Row | undefined
}

export async function findDocument(
  db: Database,
  kind: DocumentKind,
  id: string,
): Promise<StoredDocument | undefined> {
  const [row] = await db
    .select(columns)
    .from(documents)
    .where(and(eq(documents.id, id), eq(documents.kind, kind), isNull(documents.deletedAt)))
  return row as Row | undefined
}

/** Marks one as deleted, or takes that back. Undefined when there is none to mark. */
export async function markDocument(
  db: Database,
  kind: DocumentKind,
  id: string,
  deleted: boolean,
): Promise<StoredDocument | undefined> {
  const [row] = await db
    .update(documents)
    .set({ deletedAt: deleted ? sql`now()` : null })
    .where(
      and(
        eq(documents.id, id),
        eq(documents.kind, kind),
        deleted ? isNull(documents.deletedAt) : isNotNull(documents.deletedAt),
      ),
    )
    .returning(columns)
  return row as Row | undefined
}

/** Documents of a kind ever made, deleted ones included. */
export async function countDocuments(db: Database, kind: DocumentKind): Promise<number> {
  const [row] = await db.select({ n: count() }).from(documents).where(eq(documents.kind, kind))
  return row!.n
}
