import type { Row } from './changes'
import { changeAnswer, keepAnswer, keptAnswer } from './copies'

/** Answers that list a kind's rows under a name of their own. */
type Listed<R> = Readonly<Record<string, readonly R[]>>
const listKey = (path: string): string => (path === '/api/box' ? 'items' : 'documents')

/** A row as the server last told it, from what this device keeps. */
export async function baseOf<R extends Row>(path: string, id: string): Promise<R | undefined> {
  if (path === '/api/spreads') return (await keptAnswer<R>(`${path}/${id}`))?.answer
  return (await keptAnswer<Listed<R>>(path))?.answer[listKey(path)]?.find(row => row.id === id)
}

/** Notes in what this device keeps what the server has just acknowledged: rows by id, undefined where one is gone. */
export async function notedAll<R extends Row>(
  path: string,
  rows: ReadonlyMap<string, R | undefined>,
): Promise<void> {
  if (path === '/api/spreads') {
    for (const [id, row] of rows) if (row) await keepAnswer(`${path}/${id}`, row)
    return
  }
  await changeAnswer<Listed<R>>(path, answer => {
    const before = answer[listKey(path)] ?? []
    const known = new Set(before.map(({ id }) => id))
    const there = before.flatMap(one => (rows.has(one.id) ? (rows.get(one.id) ?? []) : one))
    const added = [...rows.values()].filter(row => row !== undefined).filter(({ id }) => !known.has(id))
    return { ...answer, [listKey(path)]: [...there, ...added] }
  })
}
/** The same of one thing. */
export const noted = <R extends Row>(path: string, id: string, row: R | undefined): Promise<void> =>
  notedAll(path, new Map([[id, row]]))
