import { createStore, del, entries, set, type UseStore } from 'idb-keyval'
import { shallowReactive } from 'vue'
import { copy } from '../../shared/data'

/** What is kept under an id, as the server tells it. */
export interface Row {
  readonly id: string
  readonly revision: number
}

/**
 * A change of one thing that the server does not have yet. What it was and what it is to be are kept, not the steps
 * between: changed twice it is one change.
 */
export interface Change {
  /** of its kind, as /api/spreads */ readonly path: string
  readonly id: string
  /** as the server last told it; none where it is new */ readonly base?: Row
  /** what it is to be; none where it is to be deleted */ readonly now?: object
  readonly at: string
  /** what was last tried to be sent, in case it came through and the answer did not */ readonly sent?: object
  /** as the server has it meanwhile, where both sides changed the same; null where it is deleted there */
  readonly theirs?: Row | null
  /** why the server will not take it */ readonly why?: string
}

let store: UseStore | undefined
const place = (): UseStore => (store ??= createStore('dunecrest-changes', 'changes'))
const keyOf = ({ path, id }: Pick<Change, 'path' | 'id'>): string => `${path}/${id}`

/** Changes that wait, by path and id. */
export const waiting = shallowReactive(new Map<string, Change>())

const channel =
  typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('dunecrest-changes')
channel?.addEventListener('message', () => void load())

async function load(): Promise<void> {
  const kept = new Map(await entries<string, Change>(place()).catch(() => []))
  for (const key of waiting.keys()) if (!kept.has(key)) waiting.delete(key)
  for (const [key, change] of kept) waiting.set(key, change)
}
let loading: Promise<void> | undefined
/** Resolves once what waits on this device is known. */
export const changesLoaded = (): Promise<void> => (loading ??= load())

export const changeOf = (path: string, id: string): Change | undefined => waiting.get(keyOf({ path, id }))

/**
 * Keeps a change on the device; it is there once this resolves. It is known at once, so that what is sent meanwhile is
 * the newest, and the device writes in the same order.
 */
export async function keepChange(change: Change): Promise<void> {
  const key = keyOf(change)
  const before = waiting.get(key)
  waiting.set(key, change)
  try {
    await set(key, copy(change), place())
  } catch (failure) {
    if (waiting.get(key) === change) {
      if (before) waiting.set(key, before)
      else waiting.delete(key)
    }
    throw failure
  }
  channel?.postMessage('changed')
}

/** Lets a change go: the server has it, or nobody wants it. */
export async function dropChange(change: Pick<Change, 'path' | 'id'>): Promise<void> {
  // what is kept while this is under way stays known
  waiting.delete(keyOf(change))
  await del(keyOf(change), place())
  channel?.postMessage('changed')
}

type Settled = (id: string, row: Row | undefined) => void
const listeners = new Map<string, Set<Settled>>()
/** Hears what became of things of a kind once the server has them: the row, or that it is gone. */
export function onSettled(path: string, run: Settled): void {
  const there = listeners.get(path) ?? new Set()
  listeners.set(path, there.add(run))
}
export const settled = (path: string, id: string, row: Row | undefined): void =>
  listeners.get(path)?.forEach(run => run(id, row))

/** Rows of a kind with what waits on this device in them. @param rowOf a row of what a thing is to be */
export function withChanges<R extends Row>(
  path: string,
  rows: readonly R[],
  rowOf: (id: string, now: object, base: Row | undefined) => R,
): R[] {
  const mine = [...waiting.values()].filter(change => change.path === path)
  const byId = new Map(mine.map(change => [change.id, change]))
  const shown = rows.flatMap((row): R[] => {
    const change = byId.get(row.id)
    byId.delete(row.id)
    if (!change) return [row]
    return change.now ? [rowOf(row.id, change.now, row)] : []
  })
  const added = [...byId.values()].flatMap(({ id, now, base }): R[] => (now ? [rowOf(id, now, base)] : []))
  return [...shown, ...added]
}
