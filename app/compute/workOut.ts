import { fieldOf, sizeOf, type Day, type Goods, type SearchMemory } from '#core'
import type { Progress } from './progress'
import { memory, roomToRemember } from './searchMemory'
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

/** For which days a box was looked through last, as long as that is remembered. */
const looked = new WeakMap<SearchMemory, { readonly box: string; readonly days: Set<string> }>()

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
  const before = looked.get(memory())
  const done = before?.box === box ? before : { box, days: new Set<string>() }
  looked.set(memory(), done)
  for (const [nth, day] of days.entries()) {
    const key = JSON.stringify(day)
    if (done.days.has(key)) continue
    if (!roomToRemember()) return { days: nth }
    const field = fieldOf(day, goods, {})
    const total = Math.max(1, sizeOf(field))
    const found = await lookThrough(day, field, progress, n => progress.tell((nth + n / total) / days.length))
    if (!found) return undefined
    done.days.add(key)
  }
  return { days: days.length }
}
