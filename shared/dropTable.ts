import { degToRad, radToDeg } from '#core'
import { checked } from '#schemas/checked'
import { dropSchema, type DropEntry, type StoredDrop } from '#schemas/log'
import { pastTime } from '#schemas/fields'
import { cellsOf, type RowError, csvLine } from './cells'

/**
 * Timed drops as a table: millimetres, grams, metres, seconds, degrees. `more` holds as JSON what has no
 * column: own outline and hook, peg, leader and the like, a bath.
 */
export const DROP_COLUMNS = [
  'at',
  'form',
  'length_mm',
  'material',
  'density_g_cm3',
  'family',
  'hook',
  'weight_g',
  'weight_material',
  'point',
  'depth_m',
  'temperature_c',
  'salinity_g_kg',
  'seconds',
  'from',
  'pitch_deg',
  'model_s',
  'used',
  'id',
  'more',
] as const
type Column = (typeof DROP_COLUMNS)[number]
export type DropTableRow = Partial<Record<Column, string>>
/** A drop as a table brings it: what the model gives for it is worked out anew. */
export interface BroughtDrop {
  readonly id?: string
  readonly at: string
  readonly used: boolean
  readonly drop: Omit<DropEntry, 'model'>
}

const text = (value: number | undefined): string =>
  value === undefined ? '' : String(Number(value.toFixed(9)))

export const measuredCsv = (drops: readonly StoredDrop[]): string =>
  [
    DROP_COLUMNS.join(','),
    ...drops.map(({ id, at, excluded, drop }) => {
      const { form, lengthM, material, densityKgM3, ...bait } = drop.bait
      const { family, hookSize, weightKg, weightMaterial, pointRest, ...rig } = drop.rig
      const more = {
        ...(Object.keys(bait).length > 0 ? { bait } : {}),
        ...(Object.keys(rig).length > 0 ? { rig } : {}),
        ...(drop.bath ? { bath: drop.bath } : {}),
      }
      return csvLine([
        at,
        form,
        text(1000 * lengthM),
        material,
        text(densityKgM3 && densityKgM3 / 1000),
        family,
        hookSize,
        text(1000 * weightKg),
        weightMaterial,
        pointRest,
        text(drop.depthM),
        text(drop.temperatureC),
        text(drop.salinityGKg),
        text(drop.seconds),
        drop.from,
        drop.pitchRad === undefined ? '' : text(radToDeg(drop.pitchRad)),
        text(drop.model.seconds),
        excluded ? 'no' : 'yes',
        id,
        Object.keys(more).length > 0 ? JSON.stringify(more) : '',
      ])
    }),
    '',
  ].join('\r\n')

const COLUMN_OF: Readonly<Record<string, Column>> = {
  'bait.form': 'form',
  'bait.lengthM': 'length_mm',
  'bait.material': 'material',
  'bait.densityKgM3': 'density_g_cm3',
  'rig.family': 'family',
  'rig.hookSize': 'hook',
  'rig.weightKg': 'weight_g',
  'rig.weightMaterial': 'weight_material',
  'rig.pointRest': 'point',
  depthM: 'depth_m',
  temperatureC: 'temperature_c',
  salinityGKg: 'salinity_g_kg',
  seconds: 'seconds',
  from: 'from',
  pitchRad: 'pitch_deg',
}
const broughtSchema = dropSchema.omit({ model: true })
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/i

/** A row of the table as a drop. @param row number as a spreadsheet counts it, for its errors */
export function droppedOf(
  given: DropTableRow,
  row: number,
): { readonly brought?: BroughtDrop; readonly errors: readonly RowError[] } {
  const cells = cellsOf<Column>(given, row)
  const { errors, cell } = cells
  const asked = dropFrom(cells, row)
  const at = new Date(cell('at') ?? '')
  const time = Number.isNaN(at.getTime()) ? undefined : checked(pastTime, at.toISOString())
  if (!time) errors.push({ row, column: 'at', message: 'Expected a date and time.' })
  else if (!time.ok) errors.push({ row, column: 'at', message: time.errors[0]!.message })
  const id = cell('id')
  if (id !== undefined && !UUID.test(id))
    errors.push({ row, column: 'id', message: 'Expected an id as this table was written with, or nothing.' })
  const parsed = checked(broughtSchema, asked)
  if (!parsed.ok) {
    const told = new Set(errors.map(e => e.column))
    for (const { path, message } of parsed.errors) {
      const column =
        COLUMN_OF[path.split('.').slice(0, 2).join('.')] ?? COLUMN_OF[path.split(/[.[]/)[0]!] ?? 'more'
      if (!told.has(column)) errors.push({ row, column, message })
      told.add(column)
    }
  }
  if (errors.length > 0 || !parsed.ok) return { errors }
  return {
    brought: {
      ...(id ? { id } : {}),
      at: at.toISOString(),
      used: (cell('used') ?? 'yes').toLowerCase() !== 'no',
      drop: parsed.data,
    },
    errors,
  }
}

/** What the cells say of a drop, not yet checked; SI. Cells that are no figures are told as errors. */
function dropFrom({ errors, cell, figure }: ReturnType<typeof cellsOf<Column>>, row: number): object {
  let more: { bait?: object; rig?: object; bath?: object } = {}
  try {
    more = JSON.parse(cell('more') ?? '{}') as typeof more
  } catch {
    errors.push({ row, column: 'more', message: 'Expected JSON, or nothing.' })
  }
  const thousandth = (x: number): number => x / 1000
  const density = figure('density_g_cm3', g => 1000 * g)
  const pitch = figure('pitch_deg', degToRad)
  return {
    bait: {
      form: cell('form'),
      lengthM: figure('length_mm', thousandth),
      material: cell('material'),
      ...(density === undefined ? {} : { densityKgM3: density }),
      ...more.bait,
    },
    rig: {
      family: cell('family'),
      hookSize: cell('hook'),
      weightKg: figure('weight_g', thousandth) ?? 0,
      weightMaterial: cell('weight_material') ?? 'lead',
      pointRest: cell('point'),
      ...more.rig,
    },
    depthM: figure('depth_m'),
    temperatureC: figure('temperature_c'),
    salinityGKg: figure('salinity_g_kg'),
    seconds: figure('seconds'),
    from: cell('from') ?? 'taps',
    ...(pitch === undefined ? {} : { pitchRad: pitch }),
    ...(more.bath ? { bath: more.bath } : {}),
  }
}
