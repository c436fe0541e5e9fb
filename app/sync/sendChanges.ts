import { merged, type Side } from '../../shared/merge'
import { sameData } from '../../shared/data'
import { ask, ServerRefusal } from './api'
import { isCounting, noted, type CountingRow } from './noted'
import {
  changeOf,
  changesLoaded,
  dropChange,
  keepChange,
  settled,
  waiting,
  type Change,
  type Row,
} from './changes'

/** How things of a kind are made, changed and read on the server. */
interface Way {
  readonly valueOf: (row: Row) => object
  readonly read: (id: string) => Promise<Row>
  readonly create: (id: string, now: object) => Promise<Row>
  readonly change: (base: Row, now: object) => Promise<Row>
  readonly remove: (id: string) => Promise<unknown>
  readonly restore: (id: string) => Promise<Row>
}

const BOX = '/api/box'
type Box = { readonly items: readonly Row[] }
const gone = (): never => {
  throw new ServerRefusal(404, 'It is no longer there.', [])
}
const only = ({ items }: Box): Row => items[0] ?? gone()
const inBox = async (id: string): Promise<Row> =>
  (await ask<Box>(BOX, 'GET', undefined, { fresh: true })).items.find(item => item.id === id) ?? gone()

const boxWay: Way = {
  valueOf: row => {
    const { id: _, revision: __, photographed: ___, ...item } = row as Row & { photographed?: boolean }
    return item
  },
  read: inBox,
  create: async (id, now) => {
    const { items } = await ask<Box>(BOX, 'POST', { items: [{ ...now, id }] })
    // there under its id already: it came through when it was first sent
    return items[0] ?? inBox(id)
  },
  change: async ({ id, revision }, now) =>
    only(await ask<Box>(BOX, 'PUT', { changes: [{ id, revision, item: now }] })),
  remove: id => ask(`${BOX}/delete`, 'POST', { ids: [id] }),
  restore: async id => {
    await ask(`${BOX}/restore`, 'POST', { ids: [id] })
    return inBox(id)
  },
}

const namedWay = (path: string): Way => ({
  valueOf: row => {
    const { name, content } = row as Row & { name: string; content: object }
    return { name, content }
  },
  read: id =>
    path === '/api/spreads'
      ? ask<Row>(`${path}/${id}`, 'GET', undefined, { fresh: true })
      : ask<{ documents: Row[] }>(path, 'GET', undefined, { fresh: true }).then(
          ({ documents }) => documents.find(row => row.id === id) ?? gone(),
        ),
  create: (id, now) => ask<Row>(path, 'POST', { id, ...now }),
  change: ({ id, revision }, now) => ask<Row>(`${path}/${id}`, 'PUT', { revision, ...now }),
  remove: id => ask(`${path}/${id}`, 'DELETE'),
  restore: id => ask<Row>(`${path}/${id}/restore`, 'POST'),
})

/** Whether a drop or a session of the log counts: it is said anew each time, so that nothing can clash. */
const countingWay = (path: string): Way => ({
  valueOf: row => ({ excluded: (row as CountingRow).excluded }),
  read: gone,
  create: gone,
  change: async (base, now) => {
    await ask(`${path}/${base.id}/exclude`, 'PUT', now)
    return { ...base, ...now }
  },
  remove: gone,
  restore: gone,
})

const wayOf = (path: string): Way =>
  path === BOX ? boxWay : isCounting(path) ? countingWay(path) : namedWay(path)
/** What a person changes of a row, as it is sent. */
export const valueOf = (path: string, row: Row): object => wayOf(path).valueOf(row)

const statusOf = (error: unknown): number => (error instanceof ServerRefusal ? error.status : -1)
/** Statuses after which the same may be taken later; any other says something of the change. */
const LATER: ReadonlySet<number> = new Set([0, 401, 403, 408, 429, 500, 502, 503, 504, 507])

/**
 * Sends one change. Where the server's is newer the two are brought together; where both changed the same it waits
 * for a person.
 * @returns the row as the server has it, undefined where it is gone; 'waits' where a person has to choose
 * @throws ServerRefusal
 */
async function sendOne(change: Change): Promise<Row | undefined | 'waits'> {
  const { path, id, base, now } = change
  const way = wayOf(path)
  if (!now) {
    if (base) await way.remove(id).catch(unlessStatus(404))
    return undefined
  }
  const before = change.sent
  await keepChange({ ...change, sent: now })
  try {
    return base ? await way.change(base, now) : await way.create(id, now)
  } catch (error) {
    if (statusOf(error) !== 409 && statusOf(error) !== 404) throw error
    const theirs = await way.read(id).catch(unlessStatus(404))
    if (!theirs) {
      // deleted there, changed here
      await unlessNewer({ ...change, theirs: null })
      return 'waits'
    }
    if (sameData(now, way.valueOf(theirs))) return theirs
    // it is this device's own, sent before: nobody else has changed it
    if (before && sameData(before, way.valueOf(theirs))) return way.change(theirs, now)
    const { value, clashes } = merged(base && way.valueOf(base), now, way.valueOf(theirs))
    if (clashes.length > 0) {
      await unlessNewer({ ...change, theirs })
      return 'waits'
    }
    return sameData(value, way.valueOf(theirs)) ? theirs : way.change(theirs, value as object)
  }
}
/** Notes what became of a change; where it was changed again meanwhile, that stands and is sent in its turn. */
const unlessNewer = async (change: Change): Promise<void> => {
  if (changeOf(change.path, change.id)?.at === change.at) await keepChange(change)
}
const unlessStatus =
  (status: number) =>
  (error: unknown): undefined => {
    if (statusOf(error) !== status) throw error
  }

let sending: Promise<string | undefined> | undefined
/**
 * Sends what waits, the oldest first, and what came to it meanwhile; what is refused for good is set aside with its
 * reason and holds nothing up. Asked for twice at once it is done once.
 * @returns why it stopped before all were tried
 */
export const sendChanges = (): Promise<string | undefined> =>
  (sending ??= sendAll().finally(() => void (sending = undefined)))

async function sendAll(): Promise<string | undefined> {
  await changesLoaded()
  for (;;) {
    const [change] = [...waiting.values()]
      .filter(({ theirs, why }) => theirs === undefined && why === undefined)
      .sort((a, b) => a.at.localeCompare(b.at))
    if (!change) return undefined
    try {
      const row = await sendOne(change)
      if (row !== 'waits') await acknowledged(change, row)
    } catch (error) {
      if (!(error instanceof ServerRefusal)) throw error
      if (LATER.has(error.status)) return error.message
      await unlessNewer({ ...change, why: error.message })
    }
  }
}

/** What was sent is there. Changed again meanwhile, what is left of it waits on what is there now. */
async function acknowledged(sent: Change, row: Row | undefined): Promise<void> {
  const { path, id } = sent
  const mine = changeOf(path, id)
  if (!mine || mine.at === sent.at) {
    await dropChange(sent)
    await noted(path, id, row)
    settled(path, id, row)
  } else {
    const { base: _, ...rest } = mine
    await keepChange(row ? { ...rest, base: row } : rest)
  }
}

/**
 * Settles a change on which the two sides differ.
 * @param pick by path of a clash; `mine` throughout where the server's was deleted and is to come back
 */
export async function settle(change: Change, pick: ReadonlyMap<string, Side> | Side): Promise<void> {
  const { path, id, base, now, theirs } = change
  const way = wayOf(path)
  const at = new Date().toISOString()
  if (theirs === undefined || !now || pick === 'theirs') {
    await dropChange(change)
    settled(path, id, theirs ?? undefined)
    return
  }
  if (theirs === null) {
    // brought back first, then changed
    const row = await way.restore(id)
    await keepChange({ path, id, base: row, now, at })
    return
  }
  const value =
    pick === 'mine' ? now : merged(base && way.valueOf(base), now, way.valueOf(theirs), pick).value
  await keepChange({ path, id, base: theirs, now: value as object, at })
}
