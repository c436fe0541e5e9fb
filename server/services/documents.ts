import { DOCUMENT_SCHEMAS, type DocumentContent, type DocumentKind, type StoredDocument } from '#schemas/spot'
import { database } from '../db/client'
import * as repository from '../repositories/documents'
import { sameContent } from '../repositories/sameContent'
import { Refused } from './refused'

const CALLED: Readonly<Record<DocumentKind, string>> = { spot: 'spot', trip: 'trip', bath: 'bath' }

/** A kind as it stands in an address. @throws Refused 404 where there is no such kind */
export function kindOf(text: string | undefined): DocumentKind {
  if (text !== undefined && Object.hasOwn(DOCUMENT_SCHEMAS, text)) return text as DocumentKind
  throw new Refused(404, 'There is nothing of this kind here.')
}

export const allDocuments = (kind: DocumentKind): Promise<StoredDocument[]> =>
  repository.listDocuments(database(), kind)

/**
 * Makes a document, once however often it is asked for under one id.
 * @throws Refused 409 when there is another under this id
 */
export async function createDocument<K extends DocumentKind>(
  kind: K,
  asked: repository.NewDocument<K>,
): Promise<StoredDocument> {
  const [made] = await repository.insertDocuments(database(), kind, [asked])
  if (made) return made
  const there = await repository.findDocument(database(), kind, asked.id!)
  const { name, content } = asked
  if (there && sameContent({ name, content }, { name: there.name, content: there.content })) return there
  throw new Refused(409, `There is another ${CALLED[kind]} under this id. Add yours as a new one.`)
}

/** @throws Refused 404 when it is gone, 409 when it was changed since the revision the caller holds */
export async function changeDocument<K extends DocumentKind>(
  kind: K,
  id: string,
  {
    revision,
    ...change
  }: { readonly name: string; readonly content: DocumentContent[K]; readonly revision: number },
): Promise<StoredDocument> {
  const changed = await repository.updateDocument(database(), kind, id, revision, change)
  if (changed) return changed
  if (await repository.findDocument(database(), kind, id))
    throw new Refused(
      409,
      `This ${CALLED[kind]} was changed elsewhere meanwhile. Load it again; nothing of this change was kept.`,
    )
  throw new Refused(404, `This ${CALLED[kind]} is no longer there.`)
}

/** @throws Refused 404 when there is none to delete, or to bring back */
export async function markDocument(
  kind: DocumentKind,
  id: string,
  deleted: boolean,
): Promise<StoredDocument> {
  const marked = await repository.markDocument(database(), kind, id, deleted)
  if (!marked)
    throw new Refused(
      404,
      deleted
        ? `This ${CALLED[kind]} is no longer there.`
        : `There is no deleted ${CALLED[kind]} to bring back.`,
    )
  return marked
}

/** Fills a kind of which there was never one. Returns what is there now. */
export async function fillDocuments<K extends DocumentKind>(
  kind: K,
  given: readonly { readonly name: string; readonly content: DocumentContent[K] }[],
): Promise<StoredDocument[]> {
  if ((await repository.countDocuments(database(), kind)) === 0)
    await repository.insertDocuments(database(), kind, given)
  return allDocuments(kind)
}
