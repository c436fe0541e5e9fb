/** A copy that shares nothing with the original. For plain data. */
export const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/**
 * True when two plain values hold the same, whatever the order of their keys (the server's store orders them
 * its own way).
 */
export const sameData = (a: unknown, b: unknown): boolean => ordered(a) === ordered(b)

const ordered = (value: unknown): string =>
  JSON.stringify(value, (_, inner: unknown) =>
    inner && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([x], [y]) => (x < y ? -1 : 1)))
      : inner,
  )
