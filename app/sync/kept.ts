import { copy } from '../../shared/data'
import { ServerRefusal } from './api'
import { changeOf, changesLoaded, dropChange, keepChange, type Change, type Row } from './changes'
import { baseOf, noted, notedAll } from './noted'
import { valueOf } from './sendChanges'
import { useOutbox } from './outboxStore'

/** One thing of what is asked for. */
interface Asked {
  readonly id: string
  /** what it is to be, from what it was; none where it is to go */
  readonly now?: (was: object | undefined) => object
  /** it is made, so that nothing was before */ readonly fresh?: boolean
}
/** The row of a thing as it is shown until the server has it. */
type RowOf<R extends Row> = (id: string, now: object, base: Row | undefined) => R

const isAway = (error: unknown): boolean => error instanceof ServerRefusal && error.status === 0

/**
 * Does something to things of a kind on the server, all or none; where it cannot be reached, or an earlier change of
 * one of them still waits, the changes are kept on this device and go to the server with the rest.
 * @param direct does it on the server
 * @returns the rows as they are from now on, in the order asked for; undefined where one is gone
 * @throws ServerRefusal as the server refuses, or where this device does not know a thing
 */
export async function keptAll<R extends Row>(
  path: string,
  asked: readonly Asked[],
  rowOf: RowOf<R>,
  direct: () => Promise<readonly (R | undefined)[]>,
): Promise<readonly (R | undefined)[]> {
  await changesLoaded()
  let away: unknown
  if (asked.every(({ id }) => !changeOf(path, id))) {
    try {
      const rows = await direct()
      void notedAll(path, new Map(asked.map(({ id }, i) => [id, rows[i]])))
      return rows
    } catch (error) {
      if (!isAway(error)) throw error
      away = error
    }
  }
  const at = new Date().toISOString()
  const changes = await Promise.all(
    asked.map(async ({ id, now, fresh = false }): Promise<Change> => {
      const waits = changeOf(path, id)
      const base = waits ? waits.base : fresh ? undefined : await baseOf<R>(path, id)
      if (!waits && !base && !fresh) throw away ?? new ServerRefusal(404, NOT_KNOWN, [])
      const next = now?.(waits ? waits.now : base && valueOf(path, base))
      // what was tried just now may have come through, though its answer did not
      const sent = waits ? waits.sent : next
      return {
        path,
        id,
        ...(base ? { base } : {}),
        ...(next ? { now: copy(next) } : {}),
        ...(sent ? { sent: copy(sent) } : {}),
        at,
      }
    }),
  )
  for (const change of changes) {
    // it may have begun to be sent just now
    const sent = changeOf(path, change.id)?.sent ?? change.sent
    // made and deleted before the server heard of it: nothing is left to tell
    await (change.now || change.base
      ? keepChange({ ...change, ...(sent ? { sent } : {}) })
      : dropChange(change))
  }
  void useOutbox().send()
  return changes.map(({ id, now, base }) => (now ? rowOf(id, now, base) : undefined))
}
const NOT_KNOWN = 'This device does not keep it, and the server does not answer.'

/** The same for one thing. */
export const kept = async <R extends Row>(
  path: string,
  one: Asked,
  rowOf: RowOf<R>,
  direct: () => Promise<R | undefined>,
): Promise<R | undefined> => (await keptAll(path, [one], rowOf, async () => [await direct()]))[0]

/**
 * Brings a deleted thing back: one whose deletion still waits here is just not deleted.
 * @throws ServerRefusal
 */
export async function broughtBack<R extends Row>(
  path: string,
  id: string,
  direct: () => Promise<R>,
): Promise<R> {
  await changesLoaded()
  const waits = changeOf(path, id)
  if (waits?.base && !waits.now) {
    await dropChange(waits)
    return waits.base as R
  }
  const row = await direct()
  void noted(path, id, row)
  return row
}
