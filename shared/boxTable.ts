import { gToKg, kgToG, LIMITS, mToMm, mmToM } from '#core'
import { unstorable } from '#schemas/checked'
import { itemSchema, type ItemDetails, type ItemInput } from '#schemas/box'
import { cellsOf, type Cells, type RowError, csvLine } from './cells'

/**
 * Columns of the box as a table, in the order they are written. Millimetres, grams, kilograms of line
 * strength, metres of rod.
 */
export const BOX_COLUMNS = [
  'kind',
  'name',
  'count',
  'tags',
  'notes',
  'form',
  'length_mm',
  'material',
  'density_g_cm3',
  'colour',
  'style',
  'family',
  'size',
  'wire',
  'gap',
  'weight_g',
  'weight_material',
  'shape',
  'line',
  'strength_kg',
  'line_m',
  'rod_m',
  'power',
  'cast_from_g',
  'cast_to_g',
] as const
type BoxColumn = (typeof BOX_COLUMNS)[number]
export type BoxRow = Partial<Record<BoxColumn, string>>

const KG_FORCE = 9.80665
const text = (value: number | undefined, digits = 6): string | undefined =>
  value === undefined ? undefined : String(Number(value.toFixed(digits)))

/** A thing as a row of the table; own outlines and own hook measurements only travel as JSON. */
export function rowOf({ name, count, tags, notes, details: d }: ItemInput): BoxRow {
  const row: BoxRow = { kind: d.kind, name, count: String(count), tags: tags.join('; '), notes }
  const put = (values: Partial<Record<BoxColumn, string | undefined>>): BoxRow => ({
    ...row,
    ...Object.fromEntries(Object.entries(values).filter(([, v]) => v !== undefined)),
  })
  switch (d.kind) {
    case 'bait':
      return put({
        form: d.form,
        length_mm: text(mToMm(d.lengthM)),
        material: d.material,
        density_g_cm3: text(d.densityKgM3 && d.densityKgM3 / 1000),
        colour: d.colour,
      })
    case 'hook':
      return put({
        style: d.style,
        size: d.size,
        wire: d.wire,
        gap: d.gap,
        weight_g: text(d.weightKg && kgToG(d.weightKg)),
        weight_material: d.weightMaterial,
      })
    case 'head':
      return put({
        family: d.family,
        size: d.size,
        weight_g: text(kgToG(d.weightKg)),
        weight_material: d.weightMaterial,
      })
    case 'weight':
      return put({ shape: d.shape, weight_g: text(kgToG(d.weightKg)), weight_material: d.weightMaterial })
    case 'line':
      return put({ line: d.line, strength_kg: text(d.strengthN / KG_FORCE), line_m: text(d.lengthM) })
    case 'rod':
      return put({
        rod_m: text(d.lengthM),
        power: d.power,
        cast_from_g: text(kgToG(d.castKg[0])),
        cast_to_g: text(kgToG(d.castKg[1])),
      })
  }
}

export const boxCsv = (items: readonly ItemInput[]): string =>
  [
    BOX_COLUMNS.join(','),
    ...items.map(item => {
      const row = rowOf(item)
      return csvLine(BOX_COLUMNS.map(column => row[column] ?? ''))
    }),
    '',
  ].join('\r\n')

/** Columns that a field of a thing is read from. */
const COLUMN_OF: Readonly<Record<string, BoxColumn>> = {
  name: 'name',
  count: 'count',
  tags: 'tags',
  notes: 'notes',
  'details.kind': 'kind',
  'details.form': 'form',
  'details.lengthM': 'length_mm',
  'details.material': 'material',
  'details.densityKgM3': 'density_g_cm3',
  'details.colour': 'colour',
  'details.style': 'style',
  'details.family': 'family',
  'details.size': 'size',
  'details.wire': 'wire',
  'details.gap': 'gap',
  'details.weightKg': 'weight_g',
  'details.weightMaterial': 'weight_material',
  'details.shape': 'shape',
  'details.line': 'line',
  'details.strengthN': 'strength_kg',
  'details.power': 'power',
  'details.castKg': 'cast_from_g',
}

const LENGTH_MESSAGE = `Bait length must be a number from ${mToMm(LIMITS.baitLengthM[0])} to ${mToMm(LIMITS.baitLengthM[1])} mm.`

/**
 * A row of the table as a thing.
 * @param row number as a spreadsheet counts it, for its errors
 */
export function itemOf(
  given: BoxRow,
  row: number,
): { readonly item?: ItemInput; readonly errors: readonly RowError[] } {
  const { errors, cell, figure } = cellsOf<BoxColumn>(given, row)
  const details = detailsFrom({ errors, cell, figure })
  const candidate = {
    name: cell('name') ?? '',
    count: figure('count') ?? 1,
    tags: (cell('tags') ?? '')
      .split(/[;,]/)
      .map(t => t.trim())
      .filter(Boolean),
    notes: cell('notes') ?? '',
    details: Object.fromEntries(Object.entries(details).filter(([, v]) => v !== undefined)),
  }
  if (errors.length > 0) return { errors }
  const bad = unstorable(candidate)
  if (bad)
    return { errors: [{ row, column: COLUMN_OF[bad.path.split('[')[0]!] ?? 'kind', message: bad.message }] }
  const parsed = itemSchema.safeParse(candidate)
  if (parsed.success) return { item: parsed.data, errors }
  return {
    errors: parsed.error.issues.map(issue => {
      const path = issue.path.filter(key => typeof key === 'string').join('.')
      const column =
        path === 'details.lengthM' && cell('kind') === 'rod'
          ? 'rod_m'
          : path === 'details.lengthM' && cell('kind') === 'line'
            ? 'line_m'
            : (COLUMN_OF[path] ?? (path || 'kind'))
      return { row, column, message: column === 'length_mm' ? LENGTH_MESSAGE : issue.message }
    }),
  }
}

function detailsFrom({
  cell,
  figure,
}: Cells<BoxColumn>): Partial<Record<keyof ItemDetails | string, unknown>> {
  const kind = cell('kind')
  const weight = { weightKg: figure('weight_g', gToKg), weightMaterial: cell('weight_material') }
  switch (kind) {
    case 'bait':
      return {
        kind,
        form: cell('form'),
        lengthM: figure('length_mm', mmToM),
        material: cell('material'),
        densityKgM3: figure('density_g_cm3', g => g * 1000),
        colour: cell('colour'),
      }
    case 'hook':
      return {
        kind,
        style: cell('style'),
        size: cell('size'),
        wire: cell('wire'),
        gap: cell('gap'),
        ...weight,
      }
    case 'head':
      return { kind, family: cell('family'), size: cell('size'), ...weight }
    case 'weight':
      return { kind, shape: cell('shape'), ...weight }
    case 'line':
      return {
        kind,
        line: cell('line'),
        strengthN: figure('strength_kg', kg => kg * KG_FORCE),
        lengthM: figure('line_m'),
      }
    case 'rod':
      return {
        kind,
        lengthM: figure('rod_m'),
        power: cell('power'),
        castKg: [figure('cast_from_g', gToKg), figure('cast_to_g', gToKg)],
      }
    default:
      return { kind }
  }
}
