import { createStore, del, get, set, update, type UseStore } from 'idb-keyval'
import { shallowRef } from 'vue'
import { copy } from '../../shared/data'

/**
 * The last answers of the server to what every view stands on, kept on this device: where the server does not
 * answer, they do.
 */
let store: UseStore | undefined
const place = (): UseStore => (store ??= createStore('dunecrest-copy', 'answers'))

interface Kept {
  readonly at: number
  readonly answer: unknown
}

/** What is kept: box, spots, trips, spreads and their like, what the log comes to, its latest sessions. */
const KEPT =
  /^\/api\/(box|documents\/\w+|spreads(\/[\w-]+)?|log\/evidence|log\/totals|log\/sessions\?.*offset=0|log\/[\w-]+\/entries\?.*)$/
export const isKept = (path: string): boolean => KEPT.test(path)

/** when the oldest answer on show was given, ms since 1970; undefined while the server answers */
export const shownFrom = shallowRef<number>()

/** Keeps an answer. A device that cannot keep it does without. */
export async function keepAnswer(path: string, answer: unknown): Promise<void> {
  try {
    await set(path, { at: Date.now(), answer: copy(answer) } satisfies Kept, place())
  } catch {
    // no room or no store: what is tapped is told of where it is kept, a copy is not missed until it is asked for
  }
}

/** The last answer that was kept. */
export async function keptAnswer<T>(
  path: string,
): Promise<{ readonly at: number; readonly answer: T } | undefined> {
  try {
    return await get<{ at: number; answer: T }>(path, place())
  } catch {
    return undefined
  }
}

/** Lets an answer go: what it told of is no longer there. */
export async function forgetAnswer(path: string): Promise<void> {
  try {
    await del(path, place())
  } catch {
    // as above
  }
}

/** Changes an answer that is kept; nothing where none is. */
export async function changeAnswer<T>(path: string, change: (answer: T) => T): Promise<void> {
  try {
    if ((await keptAnswer(path)) === undefined) return
    await update<Kept>(
      path,
      kept => ({ at: kept?.at ?? Date.now(), answer: copy(change(kept?.answer as T)) }),
      place(),
    )
  } catch {
    // as above
  }
}
