import { DOCUMENT_SCHEMAS, type DocumentContent, type DocumentKind, type StoredDocument } from '#schemas/spot'
import { database } from '../db/client'
import {
  insertDocuments,
  keptDocuments,
  listDocuments,
  type NewDocument,
  ofKind,
} from '../repositories/documents'
import { keptThings } from './kept'
import { Refused } from './refused'

const CALLED: Readonly<Record<DocumentKind, string>> = {
  spot: 'spot',
  trip: 'trip',
  bath: 'bath',
  fish: 'fish',
  tide: 'tide',
  knotTest: 'knot test',
}

/** A kind as it stands in an address. @throws Refused 404 where there is no such kind */
export function kindOf(text: string | undefined): DocumentKind {
  if (text !== undefined && Object.hasOwn(DOCUMENT_SCHEMAS, text)) return text as DocumentKind
  throw new Refused(404, 'There is nothing of this kind here.')
}

export const allDocuments = (kind: DocumentKind): Promise<StoredDocument[]> => listDocuments(database(), kind)

/** Documents of a kind: made, changed, deleted, brought back. */
export function documents(kind: DocumentKind) {
  const called = CALLED[kind]
  const kept = keptThings(
    keptDocuments,
    {
      gone: `This ${called} is no longer there.`,
      none: `There is no deleted ${called} to bring back.`,
      another: `There is another ${called} under this id. Add yours as a new one.`,
      elsewhere: () =>
        `This ${called} was changed elsewhere meanwhile. Load it again; nothing of this change was kept.`,
    },
    ofKind(kind),
  )
  return { ...kept, create: (asked: NewDocument<DocumentKind>) => kept.create({ ...asked, kind }) }
}

/** Fills a kind of which there was never one. Returns what is there now. */
export async function fillDocuments<K extends DocumentKind>(
  kind: K,
  given: readonly { readonly name: string; readonly content: DocumentContent[K] }[],
): Promise<StoredDocument[]> {
  if ((await keptDocuments.count(database(), ofKind(kind))) === 0)
    await insertDocuments(database(), kind, given)
  return allDocuments(kind)
}
