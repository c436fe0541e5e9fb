import { createStore, entries as allEntries, setMany, delMany, set, get, type UseStore } from 'idb-keyval'
import type { LogEntry, LogReceipt } from '#schemas/log'
import { ask, ServerRefusal } from '~/utils/api'
import { copy } from '~/utils/data'

/** Entries waiting on this device for the server, in a store of the browser that outlives the page. */
let store: UseStore | undefined
const waiting = (): UseStore => store ??= createStore('dunecrest-log', 'waiting')

/** Keeps an entry on the device; it is there once this resolves. */
export const keepEntry = (entry: LogEntry): Promise<void> => set(entry.id, copy(entry), waiting())
export const keepEntries = (list: readonly LogEntry[]): Promise<void> => setMany(list.map(e => [e.id, copy(e)]), waiting())
export async function waitingEntries(): Promise<LogEntry[]> {
  const list = (await allEntries<string, LogEntry>(waiting())).map(([, entry]) => entry)
  return list.sort((a, b) => a.at.localeCompare(b.at))
}

/** Entries sent in one request. */
const AT_ONCE = 500

/**
 * Sends what waits, oldest first. An entry leaves the device only once the server has acknowledged it; sent twice, it is kept once.
 * @returns how many still wait, ids the server holds with other content, and why it stopped
 */
export async function sendWaiting(): Promise<{ readonly left: number, readonly conflicts: readonly string[], readonly error?: string }> {
  const conflicts: string[] = []
  for (;;) {
    const list = await waitingEntries()
    if (list.length === 0) return { left: 0, conflicts }
    const some = list.slice(0, AT_ONCE)
    try {
      const receipt = await ask<LogReceipt>('/api/log/entries', 'POST', { entries: some })
      conflicts.push(...receipt.conflicts)
      await delMany(some.map(e => e.id), waiting())
    }
    catch (error) {
      return { left: list.length, conflicts, error: error instanceof ServerRefusal ? error.message : String(error) }
    }
  }
}

/** What bank mode was doing, so that closing the page loses nothing. */
let bank: UseStore | undefined
const place = (): UseStore => bank ??= createStore('dunecrest-bank', 'state')
export const keepBank = (state: unknown): Promise<void> => set('now', copy(state), place())
export const readBank = <T>(): Promise<T | undefined> => get<T>('now', place())
