import { createStore, get, set, update, type UseStore } from 'idb-keyval'
import { copy } from '../../shared/data'

/** What bank mode is doing, on this device and for all its tabs, so that closing the page loses nothing. */
let store: UseStore | undefined
const place = (): UseStore => (store ??= createStore('dunecrest-bank', 'state'))
const KEY = 'now'
/** The session that was ended last, to be opened again. */
const ENDED = 'ended'

let news: BroadcastChannel | undefined
const channel = (): BroadcastChannel | undefined =>
  typeof BroadcastChannel === 'undefined' ? undefined : (news ??= new BroadcastChannel('dunecrest-bank'))

/** Runs something whenever another tab changed what is going on. @returns stops it */
export function onBankChange(run: () => void): () => void {
  const heard = channel()
  heard?.addEventListener('message', run)
  return () => heard?.removeEventListener('message', run)
}

export const readBank = async <T>(): Promise<T | undefined> =>
  (await get<T | null>(KEY, place())) ?? undefined

/** The session that was ended last on this device. */
export const readEnded = async <T>(): Promise<T | undefined> =>
  (await get<T | null>(ENDED, place())) ?? undefined
export const keepEnded = (ended: object | undefined): Promise<void> =>
  set(ENDED, ended === undefined ? null : copy(ended), place())

/**
 * Changes what is going on, from what is there at that moment, whichever tab put it there.
 * @param change what is there (nothing between sessions) to what is to be there; must not look at anything
 * else
 * @returns what is there now
 */
export async function changeBank<T>(change: (now: T | undefined) => T | undefined): Promise<T | undefined> {
  let after: T | undefined
  await update<T | null>(
    KEY,
    now => {
      after = change(now ?? undefined)
      return after === undefined ? null : copy(after)
    },
    place(),
  )
  channel()?.postMessage('changed')
  return after
}
