import { ask, ServerRefusal } from './api'
import { changeOf, changesLoaded, type Row } from './changes'
import { broughtBack, kept } from './kept'
import { newId } from './newId'

/** How a row of what is not on the server yet is shown. */
export const rowAs =
  <R extends Row>(extra: object = {}) =>
  (id: string, now: object, base: Row | undefined): R =>
    ({
      ...extra,
      ...base,
      updatedAt: new Date().toISOString(),
      ...now,
      id,
      revision: base?.revision ?? 0,
    }) as unknown as R

/**
 * How everything with a name and a content is kept: made once under an id of the device's own, changed on its newest
 * revision, deleted so that it can be brought back; on this device first where the server cannot be reached.
 * @param path of its kind, as /api/spreads
 * @param extra what a row has besides id, name, content and revision
 * @throws ServerRefusal with a sentence for the person, from every call
 */
export function keptAt<R extends Row, Content extends object>(path: string, extra: object = {}) {
  const rowOf = rowAs<R>(extra)
  return {
    async read(id: string): Promise<R> {
      await changesLoaded()
      const waits = changeOf(path, id)
      if (!waits) return ask<R>(`${path}/${id}`)
      if (!waits.now) throw new ServerRefusal(404, 'It was deleted on this device.', [])
      return rowOf(id, waits.now, waits.base)
    },
    async create(name: string, content: Content, id = newId()): Promise<R> {
      const now = { name, content }
      return (await kept(path, { id, fresh: true, now: () => now }, rowOf, () =>
        ask<R>(path, 'POST', { id, ...now }),
      ))!
    },
    async change(
      { id, revision }: Row,
      change: { readonly name?: string; readonly content?: Content },
    ): Promise<R> {
      return (await kept(path, { id, now: was => ({ ...was, ...change }) }, rowOf, () =>
        ask<R>(`${path}/${id}`, 'PUT', { revision, ...change }),
      ))!
    },
    async remove(id: string): Promise<void> {
      await kept<R>(path, { id }, rowOf, async () => {
        await ask(`${path}/${id}`, 'DELETE')
        return undefined
      })
    },
    restore: (id: string): Promise<R> => broughtBack(path, id, () => ask<R>(`${path}/${id}/restore`, 'POST')),
  }
}
