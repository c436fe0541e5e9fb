import type { Spread, SpreadSummary } from '#schemas/spread'
import type { Row } from './changes'
import { changeAnswer, forgetAnswer, keepAnswer, keptAnswer } from './copies'
import { summaryOf } from './spreadSummary'

const SPREADS = '/api/spreads'

/** Answers that list a kind's rows under a name of their own. */
type Listed<R> = Readonly<Record<string, readonly R[]>>
const listKey = (path: string): string => (path === '/api/box' ? 'items' : 'documents')

/** A row as the server last told it, from what this device keeps. */
export async function baseOf<R extends Row>(path: string, id: string): Promise<R | undefined> {
  if (path === SPREADS) return (await keptAnswer<R>(`${path}/${id}`))?.answer
  return (await keptAnswer<Listed<R>>(path))?.answer[listKey(path)]?.find(row => row.id === id)
}

/** A list with rows laid in it, in their places; new ones last, those that are gone left out. */
function laid<R extends { readonly id: string }>(
  before: readonly R[],
  rows: ReadonlyMap<string, R | undefined>,
): R[] {
  const known = new Set(before.map(({ id }) => id))
  const there = before.flatMap(one => (rows.has(one.id) ? (rows.get(one.id) ?? []) : one))
  return [
    ...there,
    ...[...rows.values()].filter(row => row !== undefined && !known.has(row.id)).map(row => row!),
  ]
}

/** Notes in what this device keeps what the server has just acknowledged: rows by id, undefined where one is gone. */
export async function notedAll<R extends Row>(
  path: string,
  rows: ReadonlyMap<string, R | undefined>,
): Promise<void> {
  if (path !== SPREADS)
    return changeAnswer<Listed<R>>(path, answer => ({
      ...answer,
      [listKey(path)]: laid(answer[listKey(path)] ?? [], rows),
    }))
  // the list of spreads holds a line of each, and each is kept whole at its own address
  const lines = new Map<string, SpreadSummary | undefined>()
  for (const [id, row] of rows) {
    lines.set(id, row && summaryOf(row as unknown as Spread))
    await (row ? keepAnswer(`${path}/${id}`, row) : forgetAnswer(`${path}/${id}`))
  }
  await changeAnswer<{ spreads: SpreadSummary[] }>(path, ({ spreads }) => ({ spreads: laid(spreads, lines) }))
}
/** The same of one thing. */
export const noted = <R extends Row>(path: string, id: string, row: R | undefined): Promise<void> =>
  notedAll(path, new Map([[id, row]]))
