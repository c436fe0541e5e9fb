import { rememberedBy, searchMemory, type SearchMemory } from '#core'

/** Keeps what searches worked out from one page to the next. */
export interface SearchStore {
  /** the making of the model: another works it out anew */ readonly making: string
  readonly read: () => Promise<KeptSearch | undefined>
  readonly write: (kept: KeptSearch) => Promise<void>
}
/** What was worked out, by which making of the model. */
export interface KeptSearch {
  readonly making: string
  readonly memory: Omit<SearchMemory, 'drawn' | 'recall'>
}

let kept: SearchMemory = searchMemory()
/** Things remembered at most, a box of a thousand comes to two thirds of it; less than a kilobyte each. */
const MOST_KEPT = 200_000

/** What earlier searches of this worker worked out. */
export function memory(): SearchMemory {
  if (rememberedBy(kept) > MOST_KEPT) kept = searchMemory()
  return kept
}

/** Whether there is room to work out what nobody has asked for yet. */
export const roomToRemember = (): boolean => rememberedBy(kept) < MOST_KEPT / 2

/** Things that stand in the store already. */
let stored = 0

let reading: Promise<void> | undefined

/** Takes what an earlier page worked out from the store, once there is nothing here yet. */
export const recallSearches = (store: SearchStore | undefined): Promise<void> =>
  (reading ??= store ? readFrom(store) : Promise.resolve())

async function readFrom(store: SearchStore): Promise<void> {
  if (rememberedBy(kept) > 0) return
  const found = await store.read().catch(() => undefined)
  // another question may have begun meanwhile
  if (found?.making !== store.making || rememberedBy(kept) > 0) return
  kept = { ...searchMemory(), ...found.memory }
  stored = rememberedBy(kept)
}

/** So many things more are worth writing. */
const WORTH_KEEPING = 100

/** Leaves what was worked out in the store, where that is more than is there. */
export async function keepSearches(store: SearchStore | undefined): Promise<void> {
  if (!store) return
  const now = rememberedBy(kept)
  if (Math.abs(now - stored) < WORTH_KEEPING) return
  stored = now
  const { drawn: _, recall: __, ...plain } = kept
  // a store that is full or shut costs time, nothing else
  await store.write({ making: store.making, memory: plain }).catch(() => undefined)
}

/** Forgets everything, as a worker that was just started. */
export function forgetSearches(): void {
  kept = searchMemory()
  stored = 0
  reading = undefined
}
