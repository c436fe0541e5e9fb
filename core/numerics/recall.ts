/**
 * Gives what was worked out before under a key, or works it out. What is made must follow from its key alone.
 */
export type Recall = <T>(key: string, make: () => T) => T

/** Remembers nothing. */
export const forgetful: Recall = (_, make) => make()

/** Remembers the last so many things asked for. @throws RangeError unless at least one is kept */
export function makeRecall(most: number): Recall {
  if (!(most >= 1)) throw new RangeError(`makeRecall: expected at least 1, got ${most}`)
  const kept = new Map<string, unknown>()
  return <T>(key: string, make: () => T): T => {
    const found = kept.has(key) ? (kept.get(key) as T) : make()
    kept.delete(key)
    kept.set(key, found)
    if (kept.size > most) kept.delete(kept.keys().next().value!)
    return found
  }
}
