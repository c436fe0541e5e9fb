import {
  finish,
  rememberedBy,
  screen,
  searchMemory,
  type Candidate,
  type Finalist,
  type SearchMemory,
} from '#core'
import type { FinishJob, Progress, ScreenJob } from './progress'

let kept: SearchMemory = searchMemory()
/** Things remembered at most, so that a long day does not fill the memory of a phone: a few hundred bytes each. */
const MOST_KEPT = 120_000

/** What earlier searches of this worker worked out. */
export function memory(): SearchMemory {
  if (rememberedBy(kept) > MOST_KEPT) kept = searchMemory()
  return kept
}

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

export async function finishPart(
  { day, field, ones, book }: FinishJob,
  { tell, pause }: Progress,
): Promise<(Finalist | undefined)[] | undefined> {
  const done: (Finalist | undefined)[] = []
  for (const one of ones) {
    done.push(finish(day, field.goods, field.riggings, one, { memory: memory(), ...(book ? { book } : {}) }))
    tell(done.length / ones.length)
    if (!(await pause())) return undefined
  }
  return done
}
