import { sendChanges } from './sendChanges'

/**
 * Sends what changed, in one tab at a time; where another is at it there is nothing to do.
 * @returns why it stopped before all were tried
 */
export async function sendChangesInTurn(): Promise<string | undefined> {
  const { locks } = navigator as Partial<Navigator>
  if (!locks) return sendChanges()
  return locks.request('dunecrest-changes', { ifAvailable: true }, lock => (lock ? sendChanges() : undefined))
}
