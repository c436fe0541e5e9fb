import type { Spread, SpreadSummary } from '#schemas/spread'
import type { Row } from './changes'
import { changeAnswer, forgetAnswer, keepAnswer, keptAnswer } from './copies'
import { SESSIONS_PATH } from './logCopy'
import { waitingEntries } from './outbox'
import { summaryOf } from './spreadSummary'

const SPREADS = '/api/spreads'

/** Whether a drop or a session counts. */
export interface CountingRow extends Row {
  readonly name?: string
  readonly excluded: boolean
}

/** Answers that list a kind's rows under a name of their own. */
type Listed<R> = Readonly<Record<string, readonly R[]>>
const listKey = (path: string): string => (path === '/api/box' ? 'items' : 'documents')

/** Where it is told whether a drop or a session counts: what it is that is left out or taken in again. */
const COUNTING: Readonly<
  Record<string, { readonly answer: string; readonly list: string; readonly id: string }>
> = {
  '/api/log': { answer: '/api/log/evidence', list: 'drops', id: 'id' },
  '/api/log/sessions': { answer: SESSIONS_PATH, list: 'sessions', id: 'session' },
}
export const isCounting = (path: string): boolean => path in COUNTING
type Lists = Readonly<Record<string, readonly Readonly<Record<string, unknown>>[]>>

/** A drop or a session of which the server does not know yet: it waits here, and goes there first. */
async function onlyHere(id: string): Promise<Readonly<Record<string, unknown>> | undefined> {
  const entry = (await waitingEntries().catch(() => [])).find(e => e.id === id || e.session === id)
  return entry && { at: entry.at, place: entry.session === id ? entry.data?.place : undefined }
}

async function countingBase(path: string, id: string): Promise<CountingRow | undefined> {
  const { answer, list, id: key } = COUNTING[path]!
  const found =
    (await keptAnswer<Lists>(answer))?.answer[list]?.find(row => row[key] === id) ?? (await onlyHere(id))
  if (!found) return undefined
  const name = typeof found.place === 'string' ? found.place : String(found.at).slice(0, 10)
  return { id, revision: 0, name, excluded: found.excluded === true }
}
const notedCounting = (path: string, row: CountingRow): Promise<void> => {
  const { answer, list, id: key } = COUNTING[path]!
  return changeAnswer<Lists>(answer, lists => ({
    ...lists,
    [list]: (lists[list] ?? []).map(one => (one[key] === row.id ? { ...one, excluded: row.excluded } : one)),
  }))
}

/** A row as the server last told it, from what this device keeps. */
export async function baseOf<R extends Row>(path: string, id: string): Promise<R | undefined> {
  if (isCounting(path)) return (await countingBase(path, id)) as R | undefined
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
  if (isCounting(path)) {
    for (const row of rows.values()) if (row) await notedCounting(path, row as unknown as CountingRow)
    return
  }
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
