import { createStore, delMany, entries as allEntries, setMany, type UseStore } from 'idb-keyval'
import type { LogEntry, LogReceipt } from '#schemas/log'
import type { FieldError } from '#schemas/spread'
import { ask, ServerRefusal } from './api'
import { copy } from '../../shared/data'

/**
 * Entries on their way from this device to the server, in a store of the browser that outlives the page and
 * that all tabs share. One that is refused for good is set aside with its reason, and never holds up the
 * rest.
 */
let waitingStore: UseStore | undefined
const waiting = (): UseStore => (waitingStore ??= createStore('dunecrest-log', 'waiting'))
let asideStore: UseStore | undefined
const aside = (): UseStore => (asideStore ??= createStore('dunecrest-aside', 'entries'))

/** An entry that the server will not take as it is, and why. */
export interface AsideEntry {
  readonly entry: LogEntry
  readonly why: string
}

/** Tells the other tabs, and hears from them, that the outbox changed. */
const NEWS = 'dunecrest-outbox'
let news: BroadcastChannel | undefined
const channel = (): BroadcastChannel | undefined =>
  typeof BroadcastChannel === 'undefined' ? undefined : (news ??= new BroadcastChannel(NEWS))
const changed = (): void => channel()?.postMessage('changed')
/** Runs something whenever another tab changed the outbox. @returns stops it */
export function onOutboxChange(run: () => void): () => void {
  const heard = channel()
  heard?.addEventListener('message', run)
  return () => heard?.removeEventListener('message', run)
}

/** Keeps entries on the device, all of them or none; they are there once this resolves. */
export async function keepEntries(list: readonly LogEntry[]): Promise<void> {
  if (list.length === 0) return
  await setMany(
    list.map(e => [e.id, copy(e)]),
    waiting(),
  )
  changed()
}

export async function waitingEntries(): Promise<LogEntry[]> {
  const list = (await allEntries<string, LogEntry>(waiting())).map(([, entry]) => entry)
  return list.sort((a, b) => a.at.localeCompare(b.at))
}

/** Entries that were set aside, the oldest first. */
export async function asideEntries(): Promise<AsideEntry[]> {
  const list = (await allEntries<string, AsideEntry>(aside())).map(([, entry]) => entry)
  return list.sort((a, b) => a.entry.at.localeCompare(b.entry.at))
}

/** Sets entries aside, each with its reason. */
export async function setAside(list: readonly AsideEntry[]): Promise<void> {
  // first where it goes, then where it was: what breaks off in between is there twice, never nowhere
  await setMany(
    list.map(a => [a.entry.id, copy(a)]),
    aside(),
  )
  await delMany(
    list.map(a => a.entry.id),
    waiting(),
  )
  changed()
}

/** Puts an entry that was set aside among those that wait again, mended. */
export async function mendAside(entry: LogEntry): Promise<void> {
  await keepEntries([entry])
  await delMany([entry.id], aside())
  changed()
}

/** Lets entries that were set aside go. */
export async function dropAside(ids: readonly string[]): Promise<void> {
  await delMany([...ids], aside())
  changed()
}

/** Entries sent in one request, and how long an answer may take, ms. */
const AT_ONCE = 500
const ANSWER_MS = 15_000
/** Statuses that say something of what was sent; after any other the same may be taken later. */
const FOR_GOOD: ReadonlySet<number> = new Set([400, 409, 413, 415, 422])

/** What came of sending. */
export interface Sent {
  /** how many still wait */
  readonly left: number
  /** ids that the server holds with other content; those were kept */
  readonly conflicts: readonly string[]
  /** why it stopped before all were gone */
  readonly error?: string
  /** how far this device's clock is ahead of the server's, ms */
  readonly clockAheadMs?: number
  /** another tab is sending at this moment */
  readonly elsewhere?: boolean
}

/**
 * Runs something in one tab at a time; undefined where another tab is at it. Browsers without such locks run
 * it in each: what is sent twice is kept once.
 */
async function inOneTab<T>(run: () => Promise<T>): Promise<T | undefined> {
  const { locks } =
    typeof navigator === 'undefined' ? { locks: undefined } : (navigator as Partial<Navigator>)
  if (!locks) return run()
  return locks.request('dunecrest-outbox', { ifAvailable: true }, async lock => (lock ? run() : undefined))
}

/**
 * Sends what waits, oldest first. An entry leaves the device only once the server has acknowledged it; sent
 * twice, it is kept once.
 */
export async function sendWaiting(): Promise<Sent> {
  const sent = await inOneTab(sendAll)
  return sent ?? { left: (await waitingEntries()).length, conflicts: [], elsewhere: true }
}

async function sendAll(): Promise<Sent> {
  const conflicts: string[] = []
  let clockAheadMs: number | undefined
  let most = AT_ONCE
  for (;;) {
    const list = await waitingEntries()
    const told = { conflicts, ...(clockAheadMs === undefined ? {} : { clockAheadMs }) }
    if (list.length === 0) return { left: 0, ...told }
    const some = list.slice(0, most)
    try {
      const receipt = await post(some)
      conflicts.push(...receipt.conflicts)
      if (receipt.now !== undefined) clockAheadMs = Date.now() - Date.parse(receipt.now)
      await delMany(
        some.map(e => e.id),
        waiting(),
      )
      changed()
      most = AT_ONCE
    } catch (error) {
      const refusal = error instanceof ServerRefusal ? error : new ServerRefusal(0, String(error), [])
      if (!FOR_GOOD.has(refusal.status)) return { left: list.length, ...told, error: refusal.message }
      const bad = refusedAmong(some, refusal)
      if (bad.length > 0) await setAside(bad)
      else most = Math.ceil(some.length / 2)
    }
  }
}

/** Sends some entries in one request. @throws ServerRefusal */
export const post = (entries: readonly LogEntry[]): Promise<LogReceipt> =>
  ask<LogReceipt>('/api/log/entries', 'POST', { entries }, { timeoutMs: ANSWER_MS })

/**
 * Those that a refusal names, with its words; the only one, if it was alone; none where the refusal names
 * none of several.
 */
function refusedAmong(some: readonly LogEntry[], { message, fields }: ServerRefusal): AsideEntry[] {
  const found = new Map<number, string>()
  for (const { path, message: why } of fields as readonly FieldError[]) {
    const at = /^entries\[(\d+)\]/.exec(path)?.[1]
    if (at !== undefined && !found.has(Number(at))) found.set(Number(at), why)
  }
  if (found.size === 0 && some.length === 1) found.set(0, message)
  return [...found].flatMap(([at, why]) => (some[at] ? [{ entry: some[at], why }] : []))
}
