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

/** Notes in what this device keeps what the server has just acknowledged. */
export async function noted<R extends Row>(path: string, id: string, row: R | undefined): Promise<void> {
  if (path === '/api/spreads') return row ? keepAnswer(`${path}/${id}`, row) : undefined
  await changeAnswer<Listed<R>>(path, answer => {
    const rows = answer[listKey(path)] ?? []
    const there = rows.some(one => one.id === id)
    const others = row
      ? there
        ? rows.map(one => (one.id === id ? row : one))
        : [...rows, row]
      : rows.filter(one => one.id !== id)
    return { ...answer, [listKey(path)]: others }
  })
}
