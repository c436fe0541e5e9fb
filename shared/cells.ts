/**
 * What is wrong in one row: its number as a spreadsheet counts it (the heading is row 1), the column, and
 * why.
 */
export interface RowError {
  readonly row: number
  readonly column: string
  readonly message: string
}

/**
 * What a spreadsheet takes for a formula, however harmless it was meant; and what was made harmless before.
 */
const FORMULA = /^'*[=+\-@\t\r]/
const isNumber = (text: string): boolean => text.trim() !== '' && Number.isFinite(Number(text))

/** Text as a cell that no spreadsheet runs: an apostrophe goes before what it would take for a formula. */
export const guarded = (text: string): string => (FORMULA.test(text) && !isNumber(text) ? `'${text}` : text)
/** The same read back. */
export const unguarded = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell

/**
 * One line of CSV (RFC 4180), no cell of which is a formula; a field with a comma, a quote or a line break is
 * quoted.
 */
export const csvLine = (fields: readonly string[]): string =>
  fields
    .map(guarded)
    .map(field => (/[",\r\n]/.test(field) ? `"${field.replaceAll('"', '""')}"` : field))
    .join(',')

/** Cells of a row of a table, read as text or as figures; a cell that is no number is told. */
export interface Cells<Column extends string> {
  readonly errors: RowError[]
  /** without spaces round it; undefined where it is empty */ readonly cell: (
    column: Column,
  ) => string | undefined
  /** with a comma or a point; undefined where it is empty or wrong. @param to from what is written to SI */
  readonly figure: (column: Column, to?: (shown: number) => number) => number | undefined
}

/** @param row number as a spreadsheet counts it, for its errors */
export function cellsOf<Column extends string>(
  given: Partial<Record<Column, string>>,
  row: number,
): Cells<Column> {
  const errors: RowError[] = []
  const cell = (column: Column): string | undefined => unguarded(given[column]?.trim() ?? '') || undefined
  const figure = (column: Column, to: (shown: number) => number = x => x): number | undefined => {
    const raw = cell(column)
    if (raw === undefined) return undefined
    const value = Number(raw.replace(',', '.'))
    if (Number.isFinite(value)) return to(value)
    errors.push({ row, column, message: `"${raw}" is not a number.` })
    return undefined
  }
  return { errors, cell, figure }
}
