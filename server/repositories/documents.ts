import { asc, eq, type SQL } from 'drizzle-orm'
import type { DocumentContent, DocumentKind, StoredDocument } from '#schemas/spot'
import type { Database } from '../db/client'
import { documents } from '../db/schema'
import { keeping } from './kept'

/** A document as it is asked for; `id` where the device that asks made one. */
export interface NewDocument<K extends DocumentKind> {
  readonly id?: string | undefined
  readonly name: string
  readonly content: DocumentContent[K]
}

export const keptDocuments = keeping<StoredDocument, NewDocument<DocumentKind> & { kind: DocumentKind }>(
  documents,
  {
    id: documents.id,
    kind: documents.kind,
    name: documents.name,
    content: documents.content,
    revision: documents.revision,
  },
)

export const ofKind = (kind: DocumentKind): SQL => eq(documents.kind, kind)

/** Documents of a kind in the order they were made; deleted ones left out. */
export const listDocuments = (db: Database, kind: DocumentKind): Promise<StoredDocument[]> =>
  keptDocuments.list(db, [asc(documents.position)], ofKind(kind))

/** Writes several, all of them or none; what is there under its id already is left, and not given back. */
export const insertDocuments = <K extends DocumentKind>(
  db: Database,
  kind: K,
  made: readonly NewDocument<K>[],
): Promise<StoredDocument[]> =>
  keptDocuments.insert(
    db,
    made.map(({ id, name, content }) => ({ ...(id ? { id } : {}), name, content, kind })),
  )
