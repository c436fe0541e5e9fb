import {
  bestOnTop,
  finish,
  lookCloser,
  screen,
  together,
  type Candidate,
  type Day,
  type Field,
  type Finalist,
  type OnTopPick,
} from '#core'
import type { CloserJob, FinishJob, OnTopJob, Progress, ScreenJob } from './progress'
import { memory } from './searchMemory'

/** Time between two looks for a cancellation, ms. */
const SLICE_MS = 60

/** Runs a stepwise search to its end, telling how far it is. @returns undefined when it was called off */
async function runThrough<Step, Result>(
  steps: Generator<Step, Result>,
  { tell, pause }: Progress,
  partOf: (step: Step) => number,
): Promise<Result | undefined> {
  let step = steps.next()
  for (let last = performance.now(); !step.done; step = steps.next()) {
    if (performance.now() - last < SLICE_MS) continue
    tell(partOf(step.value))
    if (!(await pause())) return undefined
    last = performance.now()
  }
  return step.value
}

export const screenPart = (
  { day, field, share }: ScreenJob,
  progress: Progress,
): Promise<Candidate[] | undefined> =>
  runThrough(screen({ day, ...field, share, memory: memory() }), progress, () => 0)

/** Does one after another, telling how far it is. @returns undefined when it was called off */
async function oneByOne<Done>(
  ones: readonly Candidate[],
  { tell, pause }: Progress,
  work: (one: Candidate) => Done,
): Promise<Done[] | undefined> {
  const done: Done[] = []
  for (const one of ones) {
    done.push(work(one))
    tell(done.length / ones.length)
    if (!(await pause())) return undefined
  }
  return done
}

export const closerPart = (
  { day, field: { goods, riggings }, ones, book, rough }: CloserJob,
  progress: Progress,
): Promise<Candidate[] | undefined> =>
  oneByOne(ones, progress, one =>
    lookCloser(day, goods, riggings, one, {
      memory: memory(),
      rough,
      ...(book ? { book } : {}),
    }),
  )

export const finishPart = (
  { day, field: { goods, riggings }, ones, book }: FinishJob,
  progress: Progress,
): Promise<(Finalist | undefined)[] | undefined> =>
  oneByOne(ones, progress, one =>
    finish(day, goods, riggings, one, { memory: memory(), ...(book ? { book } : {}) }),
  )

/** The best that floats on a day, where anything does. */
export const onTopPart = ({ day, field: { goods, riggings } }: OnTopJob): (OnTopPick | undefined)[] => [
  bestOnTop(day, goods, riggings, memory()),
]

/** A progress that tells the second worker, too, when nobody waits any more. */
export function watching(progress: Progress): { readonly watched: Progress; readonly signal: AbortSignal } {
  const off = new AbortController()
  return {
    watched: { ...progress, pause: async () => (await progress.pause()) || (off.abort(), false) },
    signal: off.signal,
  }
}

/**
 * Looks through a field for a day, a second worker taking its part where there is one.
 * @param told how many candidates have been looked at
 * @returns undefined when it was called off
 */
export async function lookThrough(
  day: Day,
  field: Field,
  progress: Progress,
  told: (looked: number) => void,
): Promise<Candidate[] | undefined> {
  const { watched, signal } = watching(progress)
  let looked = 0
  const screened = await shareOut(
    PARTS,
    watched,
    (nth, mine) => {
      const job = { day, field, share: { nth, of: PARTS } }
      return mine
        ? screenPart(job, { ...watched, tell: () => told(looked) })
        : progress.helper!.screenPart(job, signal)
    },
    part => told((looked += part.length)),
    PARTS / 2,
  )
  return screened && together(screened)
}

/**
 * Parts that a search is cut into: half of them for each worker, and always the same, as each remembers what it
 * worked out itself.
 */
const PARTS = 4
/** So many parts are on their way to the helper at once: it need not wait until this worker looks up from its own. */
const AHEAD = 2

/**
 * Parts of one work done by this worker, from the first on, and by the helper, from the last back, until they
 * meet. Without a helper, or with one that fails, this one does what is left.
 * @param work does one part; `mine` says that it is done here
 * @param own so many of them are this worker's and the others the helper's, however fast either is
 * @returns the results in order; undefined when it was called off
 */
export async function shareOut<T>(
  parts: number,
  { helper, pause }: Progress,
  work: (nth: number, mine: boolean) => Promise<T | undefined>,
  each: (part: T) => void,
  own?: number,
): Promise<T[] | undefined> {
  const results: (T | undefined)[] = Array.from({ length: parts }, () => undefined)
  let [next, last] = [0, parts - 1]
  let off = false
  const put = (nth: number, part: T | undefined): boolean => {
    if (part === undefined) return false
    results[nth] = part
    each(part)
    return true
  }
  // of the last ones neither is left waiting for the other
  const theirs = async (_: unknown, ahead: number): Promise<void> => {
    while (helper && !off && Math.max(next, own ?? 0) + ahead <= last) {
      const nth = last--
      if (!put(nth, await work(nth, false).catch(() => undefined))) return
    }
  }
  const asked = Promise.all(Array.from({ length: AHEAD }, theirs))
  while (next <= (helper && own !== undefined ? own - 1 : last)) {
    const nth = next++
    if (!put(nth, await work(nth, true)) || !(await pause())) {
      off = true
      return undefined
    }
  }
  await asked
  // what a helper that failed has left
  for (const [nth, part] of results.entries())
    if (part === undefined && !put(nth, await work(nth, true))) return undefined
  return results as T[]
}
