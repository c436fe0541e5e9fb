import { sameData } from './data'

/** A place where two changes of one thing say different, and both differ from what it was. */
export interface Clash {
  /** from the top, with dots: `content.water.depthM` */ readonly path: string
  readonly base: unknown
  readonly mine: unknown
  readonly theirs: unknown
}
export type Side = 'mine' | 'theirs'

interface Merged {
  readonly value: unknown
  readonly clashes: readonly Clash[]
}

type Fields = Readonly<Record<string, unknown>>
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Rows that go by a letter of their own are fields by that letter: two changes of two of them do not clash. */
const isLettered = (value: unknown): value is readonly { readonly letter: string }[] =>
  Array.isArray(value) &&
  value.length > 0 &&
  value.every(row => isFields(row) && typeof row.letter === 'string')
const byLetter = (rows: readonly { readonly letter: string }[]): Fields =>
  Object.fromEntries(rows.map(row => [row.letter, row]))

/**
 * Brings two changes of one thing together (three-way): what only one side changed is taken from it; where both did
 * and differ, the side that was picked for the place is taken, mine where none was, and the place is told. A list
 * counts as one value, but rows that go by a letter of their own.
 * @param base as both sides had it; plain data throughout
 * @param pick by path, as in `Clash`
 */
export function merged(
  base: unknown,
  mine: unknown,
  theirs: unknown,
  pick: ReadonlyMap<string, Side> = new Map(),
  path = '',
): Merged {
  const whole = (value: unknown): Merged => ({ value, clashes: [] })
  if (sameData(mine ?? null, theirs ?? null) || sameData(theirs ?? null, base ?? null)) return whole(mine)
  if (sameData(mine ?? null, base ?? null)) return whole(theirs)
  if (isLettered(mine) && isLettered(theirs)) {
    const rows = merged(isLettered(base) ? byLetter(base) : {}, byLetter(mine), byLetter(theirs), pick, path)
    return { value: Object.values(rows.value as Fields), clashes: rows.clashes }
  }
  if (isFields(mine) && isFields(theirs)) {
    const was = isFields(base) ? base : {}
    const value: Record<string, unknown> = {}
    const clashes: Clash[] = []
    for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
      const inner = merged(was[key], mine[key], theirs[key], pick, path === '' ? key : `${path}.${key}`)
      if (inner.value !== undefined) value[key] = inner.value
      clashes.push(...inner.clashes)
    }
    return { value, clashes }
  }
  return { value: pick.get(path) === 'theirs' ? theirs : mine, clashes: [{ path, base, mine, theirs }] }
}
