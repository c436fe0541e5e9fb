import { ask } from './api'
import { newId } from './newId'

/** What has a name, a content and a revision on the server. */
interface Kept {
  readonly id: string
  readonly revision: number
}

/**
 * How everything with a name and a content is kept: made once under an id of the device's own, changed on its newest
 * revision, deleted so that it can be brought back.
 * @param path of its kind, as /api/spreads
 * @throws ServerRefusal with a sentence for the person, from every call
 */
export const keptAt = <Row extends Kept, Content extends object>(path: string) => ({
  read: (id: string) => ask<Row>(`${path}/${id}`),
  create: (name: string, content: Content, id = newId()) => ask<Row>(path, 'POST', { id, name, content }),
  change: ({ id, revision }: Kept, change: { readonly name?: string; readonly content?: Content }) =>
    ask<Row>(`${path}/${id}`, 'PUT', { revision, ...change }),
  remove: (id: string) => ask<unknown>(`${path}/${id}`, 'DELETE'),
  restore: (id: string) => ask<Row>(`${path}/${id}/restore`, 'POST'),
})
