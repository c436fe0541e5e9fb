import { fieldOf, sizeOf, type Day, type Goods } from '#core'
import type { Progress } from './progress'
import { lookThrough } from './share'

/** A box to be worked out before anybody asks for a pick, for a day like this. */
export interface WorkOutJob {
  readonly day: Day
  readonly goods: Goods
}
export interface WorkOutAnswer {
  /** ways of rigging what is in it that were looked through */ readonly candidates: number
}

/**
 * Looks through a box for what is remembered of it: which hook fits which bait, how that falls, what it meets and
 * which bites it hooks. Only what is new since the last time takes any while.
 * @returns undefined when it was called off
 */
export async function workOut(
  { day, goods }: WorkOutJob,
  progress: Progress,
): Promise<WorkOutAnswer | undefined> {
  const field = fieldOf(day, goods, {})
  const total = Math.max(1, sizeOf(field))
  const looked = await lookThrough(day, field, progress, n => progress.tell(n / total))
  return looked && { candidates: looked.length }
}
