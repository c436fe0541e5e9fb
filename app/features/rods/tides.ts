import Papa from 'papaparse'
import { CONSTITUENTS, ftToM, oddRows, type ConstituentName } from '#core'
import { DOCUMENT_SCHEMAS, type TideContent } from '#schemas/spot'
import { cellsOf, csvLine, type RowError } from '../../../shared/cells'
import { turnsOf } from '../../../shared/tide'

export type TideTable = Extract<TideContent, { kind: 'table' }>
export type TideConstants = Extract<TideContent, { kind: 'constants' }>

/** What of a table looks wrong: the row, as it stands in the whole table, and why. */
export function doubtsOf(table: TideTable): readonly string[] {
  const { gaps, between } = oddRows(turnsOf(table))
  const row = (i: number): string => table.turns[i]!.at.replace('T', ' ')
  return [
    ...gaps.map(i => `Before ${row(i)} there are over 14 hours without a turn: a row may be missing.`),
    ...between.map(i => `${row(i)} is neither a high nor a low water: the levels go on the same way there.`),
  ]
}

const TABLE_COLUMNS = ['at', 'height_m'] as const
const CONSTANT_COLUMNS = ['constituent', 'amplitude_m', 'phase_deg', 'mean_level_m'] as const

export const tideCsv = (content: TideContent): string =>
  (content.kind === 'table'
    ? [TABLE_COLUMNS.join(','), ...content.turns.map(t => csvLine([t.at, String(t.heightM)]))]
    : [
        CONSTANT_COLUMNS.join(','),
        ...content.constants.map((c, i) =>
          csvLine([c.name, String(c.amplitudeM), String(c.phaseDeg), i === 0 ? String(content.meanM) : '']),
        ),
      ]
  ).join('\r\n') + '\r\n'

export type TideRead =
  | { readonly content: TideContent; readonly errors?: undefined }
  | { readonly content?: undefined; readonly errors: readonly RowError[] }

/**
 * A table of high and low waters (`at`, or `date` and `time`, and `height_m` or `height_ft`), or harmonic
 * constants (`constituent`, `amplitude_m`, `phase_deg`, and `mean_level_m` in one row), as CSV.
 */
export function tideFromCsv(text: string): TideRead {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: name => name.trim().toLowerCase(),
  })
  const has = (column: string): boolean => meta.fields?.includes(column) ?? false
  if (has('constituent')) return constantsFrom(data)
  if ((has('at') || (has('date') && has('time'))) && (has('height_m') || has('height_ft')))
    return tableFrom(data)
  return {
    errors: [
      {
        row: 1,
        column: 'heading',
        message:
          'expected “at” (or “date” and “time”) and “height_m”, or “constituent”, “amplitude_m” and “phase_deg”.',
      },
    ],
  }
}

/** "2026-11-28 6:05", "2026-11-28T06:05:00" to the minute. */
function minuteOf(text: string): string | undefined {
  const found = /^(\d{4}-\d{2}-\d{2})[T ]+(\d{1,2}):(\d{2})/.exec(text.trim())
  return found ? `${found[1]}T${found[2]!.padStart(2, '0')}:${found[3]}` : undefined
}

function tableFrom(rows: readonly Record<string, string>[]): TideRead {
  const errors: RowError[] = []
  const turns = rows.flatMap((given, i) => {
    const read = cellsOf(given, i + 2)
    const at = minuteOf(read.cell('at') ?? `${read.cell('date') ?? ''} ${read.cell('time') ?? ''}`)
    const heightM = read.figure('height_m') ?? read.figure('height_ft', ftToM)
    errors.push(...read.errors)
    if (!at) errors.push({ row: i + 2, column: 'at', message: 'expected a time as 2026-11-28 06:05.' })
    else if (heightM === undefined && read.errors.length === 0)
      errors.push({ row: i + 2, column: 'height_m', message: 'expected a height.' })
    return at && heightM !== undefined ? [{ at, heightM }] : []
  })
  return errors.length > 0
    ? { errors }
    : checked({ kind: 'table', turns: turns.sort((a, b) => (a.at < b.at ? -1 : 1)) })
}

function constantsFrom(rows: readonly Record<string, string>[]): TideRead {
  const errors: RowError[] = []
  let meanM = 0
  const constants = rows.flatMap((given, i) => {
    const read = cellsOf(given, i + 2)
    const name = (read.cell('constituent') ?? '').toUpperCase()
    const [amplitudeM, phaseDeg] = [read.figure('amplitude_m'), read.figure('phase_deg')]
    meanM = read.figure('mean_level_m') ?? meanM
    errors.push(...read.errors)
    if (!(CONSTITUENTS as readonly string[]).includes(name))
      errors.push({
        row: i + 2,
        column: 'constituent',
        message: `“${name}” is not one of ${CONSTITUENTS.join(', ')}.`,
      })
    else if (amplitudeM === undefined || phaseDeg === undefined)
      errors.push({ row: i + 2, column: 'amplitude_m', message: 'expected an amplitude and a phase.' })
    else return [{ name: name as ConstituentName, amplitudeM, phaseDeg }]
    return []
  })
  return errors.length > 0 ? { errors } : checked({ kind: 'constants', meanM, constants })
}

function checked(content: TideContent): TideRead {
  const parsed = DOCUMENT_SCHEMAS.tide.safeParse(content)
  if (parsed.success) return { content: parsed.data }
  return {
    errors: parsed.error.issues.map(({ path, message }) => {
      const row = path.find(part => typeof part === 'number')
      return { row: typeof row === 'number' ? row + 2 : 1, column: String(path.at(-1) ?? 'rows'), message }
    }),
  }
}
