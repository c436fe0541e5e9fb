import { z } from 'zod'
import { checked } from '#schemas/checked'
import { logEntrySchema, type LogEntry } from '#schemas/log'
import { cellsOf, type RowError, csvLine } from './cells'

/** `data` holds as JSON what has no column of its own, so that a table read back is the same log. */
export const LOG_COLUMNS = [
  'at',
  'session',
  'kind',
  'rod',
  'rig',
  'place',
  'text',
  'weight_g',
  'drop_depth_m',
  'drop_s',
  'id',
  'data',
] as const
export type LogRow = Partial<Record<(typeof LOG_COLUMNS)[number], string>>

const grams = (kg: number | undefined): string =>
  kg === undefined ? '' : String(Number((1000 * kg).toFixed(9)))

/** Entries as a table, times in UTC. */
export const logCsv = (entries: readonly LogEntry[]): string =>
  [
    LOG_COLUMNS.join(','),
    ...entries.map(({ at, session, kind, rod, rigKey, placeKey, id, data }) => {
      const { text, weightKg, ...rest } = data ?? {}
      return csvLine([
        at,
        session,
        kind,
        rod ?? '',
        rigKey ?? '',
        placeKey ?? '',
        text ?? '',
        grams(weightKg),
        rest.drop ? String(rest.drop.depthM) : '',
        rest.drop ? String(rest.drop.seconds) : '',
        id,
        Object.keys(rest).length > 0 ? JSON.stringify(rest) : '',
      ])
    }),
    '',
  ].join('\r\n')

/** Column that a field of an entry is read from. */
const COLUMN_OF: Readonly<Record<string, (typeof LOG_COLUMNS)[number]>> = {
  at: 'at',
  session: 'session',
  kind: 'kind',
  rod: 'rod',
  rigKey: 'rig',
  placeKey: 'place',
  id: 'id',
}

/**
 * A row of the table as an entry of the log.
 * @param row number as a spreadsheet counts it, for its errors
 * @param fresh id for a row that brings none
 */
export function entryOf(
  given: LogRow,
  row: number,
  fresh: () => string,
): { readonly entry?: LogEntry; readonly errors: readonly RowError[] } {
  const { errors, cell, figure } = cellsOf<(typeof LOG_COLUMNS)[number]>(given, row)
  let rest: Record<string, unknown> = {}
  try {
    rest = z.record(z.string(), z.unknown()).parse(JSON.parse(cell('data') ?? '{}'))
  } catch {
    return { errors: [{ row, column: 'data', message: 'Expected JSON, or nothing.' }] }
  }
  const weightKg = figure('weight_g', g => g / 1000)
  if (errors.length > 0) return { errors }
  const text = cell('text')
  const data = { ...rest, ...(text ? { text } : {}), ...(weightKg === undefined ? {} : { weightKg }) }
  const time = new Date(cell('at') ?? '')
  const result = checked(logEntrySchema, {
    id: cell('id') ?? fresh(),
    session: cell('session'),
    at: Number.isNaN(time.getTime()) ? cell('at') : time.toISOString(),
    kind: cell('kind'),
    ...(cell('rod') ? { rod: cell('rod') } : {}),
    ...(cell('rig') ? { rigKey: cell('rig') } : {}),
    ...(cell('place') ? { placeKey: cell('place') } : {}),
    ...(Object.keys(data).length > 0 ? { data } : {}),
  })
  if (result.ok) return { entry: result.data, errors: [] }
  return {
    errors: result.errors.map(({ path, message }) => ({
      row,
      column: COLUMN_OF[path.split(/[.[]/)[0]!] ?? 'data',
      message,
    })),
  }
}
