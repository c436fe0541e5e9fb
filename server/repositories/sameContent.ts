/**
 * A value with its keys in order and nothing undefined, so that the same content always gives the same text.
 */
function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered)
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, inner]) => inner !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, inner]) => [key, ordered(inner)]),
  )
}

export const canonical = (value: unknown): string => JSON.stringify(ordered(value))

/**
 * True when two plain values hold the same, whatever the order of their keys (the database orders them its
 * own way).
 */
export const sameContent = (a: unknown, b: unknown): boolean => canonical(a) === canonical(b)
