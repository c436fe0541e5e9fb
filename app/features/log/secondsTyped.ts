/** Shortest time that is taken for a drop, s. */
export const LEAST_S = 0.25
/** Longest time that is taken for a drop, s. */
const MOST_S = 600

/**
 * Times as people type them: "3.2 3,4; 3.1". A comma between figures is a decimal one, one with a gap behind it
 * parts them.
 */
export function secondsTyped(text: string): number[] | undefined {
  const times = text
    .split(/[;\s]+/)
    .map(part => part.replace(/,$/, '').replace(',', '.'))
    .filter(part => part !== '')
    .map(Number)
  return times.length > 0 && times.every(s => s >= LEAST_S && s <= MOST_S) ? times : undefined
}
