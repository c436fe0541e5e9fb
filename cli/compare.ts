import { radToDeg } from '#core'
import type { RigFile } from '#schemas/rigFile'
import { csvLine } from '../shared/cells'
import { evaluateFile, type Evaluation } from './evaluate'

type Range = { readonly value: number; readonly low: number; readonly high: number }
interface Done {
  readonly ok: true
  readonly fall: {
    readonly timeS: Range
    readonly pitchRad: Range
    readonly rollRad: Range
    readonly glide: Range
    readonly turnsPerM: number
    readonly mainDoubt: string
    readonly rest: { readonly posture: string }
  }
  readonly snag?: { readonly snagPerCast: Range; readonly minutesLeft: Range }
  readonly strike?: { readonly hookUp: Range }
  readonly fit?: { readonly verdict: string }
}

const COLUMNS = [
  'rig',
  'fall s',
  'low',
  'high',
  'pitch deg',
  'roll deg',
  'glide m/m',
  'turns/m',
  'rest',
  'snag % a cast',
  'min/h left',
  'hook-up %',
  'fit',
  'least certain',
] as const

export const COMPARE_FORMATS = ['table', 'json', 'csv'] as const
export type CompareFormat = (typeof COMPARE_FORMATS)[number]

/**
 * Evaluates several rig files and sets them side by side as a table, JSON or CSV. A rig that cannot be
 * dropped keeps its row and says why.
 */
export function compareFiles(
  files: readonly { readonly name: string; readonly file: RigFile }[],
  format: CompareFormat,
): string {
  const results = files.map(({ name, file }) => ({ name, result: evaluateFile(file, { path: false }) }))
  if (format === 'json')
    return `${JSON.stringify(
      results.map(({ name, result }) => ({ rig: name, ...result })),
      null,
      2,
    )}\n`
  const rows = [[...COLUMNS], ...results.map(({ name, result }) => rowOf(name, result))]
  if (format === 'csv') return `${rows.map(csvLine).join('\r\n')}\r\n`
  const widths = COLUMNS.map((_, k) => Math.max(...rows.map(row => row[k]!.length)))
  return `${rows
    .map(row =>
      row
        .map((cell, k) => (k === 0 ? cell.padEnd(widths[k]!) : cell.padStart(widths[k]!)))
        .join('  ')
        .trimEnd(),
    )
    .join('\n')}\n`
}

function rowOf(name: string, result: Evaluation): string[] {
  if (!result.ok) return [name, String(result.message), ...COLUMNS.slice(2).map(() => '')]
  const { fall, snag, strike, fit } = result as unknown as Done
  const n = (value: number | undefined, digits: number): string =>
    value === undefined ? '' : value.toFixed(digits)
  return [
    name,
    n(fall.timeS.value, 2),
    n(fall.timeS.low, 2),
    n(fall.timeS.high, 2),
    n(radToDeg(fall.pitchRad.value), 0),
    n(radToDeg(fall.rollRad.value), 0),
    n(fall.glide.value, 2),
    n(fall.turnsPerM, 2),
    fall.rest.posture,
    n(snag && 100 * snag.snagPerCast.value, 1),
    n(snag?.minutesLeft.value, 0),
    n(strike && 100 * strike.hookUp.value, 0),
    fit?.verdict ?? '',
    fall.mainDoubt,
  ]
}
