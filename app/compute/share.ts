import { finish, screen, type Candidate, type Finalist } from '#core'
import type { FinishJob, Progress, ScreenJob } from './progress'
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
