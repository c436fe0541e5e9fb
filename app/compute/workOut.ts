import { fieldOf, sizeOf, type Day, type Goods } from '#core'
import type { Progress } from './progress'
import { roomToRemember } from './searchMemory'
import { lookThrough } from './share'

/** A box to be worked out before anybody asks for a pick, for days like these. */
export interface WorkOutJob {
  readonly days: readonly Day[]
  readonly goods: Goods
}
export interface WorkOutAnswer {
  /** days that were looked through; not all where there is no room to remember more */
  readonly days: number
}

/** The box that this worker looked through last, and for which days. */
let done: { readonly box: string; readonly days: Set<string> } = { box: '', days: new Set() }

/**
 * Looks through a box for what is remembered of it: which hook fits which bait, how that falls, what it meets and
 * which bites it hooks. Only what is new since the last time takes any while.
 * @returns undefined when it was called off
 */
export async function workOut(
  { days, goods }: WorkOutJob,
  progress: Progress,
): Promise<WorkOutAnswer | undefined> {
  const box = JSON.stringify(goods)
  if (done.box !== box) done = { box, days: new Set() }
  for (const [nth, day] of days.entries()) {
    const key = JSON.stringify(day)
    if (done.days.has(key)) continue
    if (!roomToRemember()) return { days: nth }
    const field = fieldOf(day, goods, {})
    const total = Math.max(1, sizeOf(field))
    const looked = await lookThrough(day, field, progress, n =>
      progress.tell((nth + n / total) / days.length),
    )
    if (!looked) return undefined
    done.days.add(key)
  }
  return { days: days.length }
}
