import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { seasons } from '../demo/seasons'
import type { StoredDrop } from '#schemas/log'
import { droppedOf, measuredCsv, type DropTableRow } from './dropTable'
import { entryOf, logCsv, type LogRow } from './logTable'

const log = seasons()
const rowsOf = <T>(csv: string): T[] => Papa.parse<T>(csv, { header: true, skipEmptyLines: 'greedy' }).data
const NEVER = (): string => {
  throw new Error('this row brings its id')
}

describe('the log as a table', () => {
  it('read back, is the same log', () => {
    const back = rowsOf<LogRow>(logCsv(log)).map((row, i) => entryOf(row, i + 2, NEVER))
    expect(back.flatMap(b => b.errors)).toEqual([])
    expect(back.map(b => b.entry)).toEqual(log)
  })
  it('keeps commas, quotes and line breaks of a note', () => {
    const note = { ...log[0]!, kind: 'note' as const, data: { text: 'wind, "gusts"\nthen calm' } }
    const [row] = rowsOf<LogRow>(logCsv([note]))
    expect(entryOf(row!, 2, NEVER).entry).toEqual(note)
  })
  it('tells what is wrong, by row and column, and makes ids where there are none', () => {
    const [row] = rowsOf<LogRow>(logCsv(log.slice(0, 1)))
    const bad = (change: LogRow) => entryOf({ ...row, ...change }, 7, () => log[1]!.id).errors
    expect(bad({ at: 'yesterday' })).toEqual([
      { row: 7, column: 'at', message: 'Time: expected a date and time in UTC.' },
    ])
    expect(bad({ kind: 'sneeze' })[0]).toMatchObject({ row: 7, column: 'kind' })
    expect(bad({ weight_g: 'heavy' })).toEqual([
      { row: 7, column: 'weight_g', message: '"heavy" is not a number.' },
    ])
    expect(bad({ data: '{' })[0]).toMatchObject({ column: 'data' })
    expect(entryOf({ ...row, id: '' }, 7, () => log[1]!.id).entry!.id).toBe(log[1]!.id)
  })
})

describe('timed drops as a table', () => {
  const drops: StoredDrop[] = log.flatMap(e =>
    e.data?.drop ? [{ id: e.id, at: e.at, drop: e.data.drop, excluded: false }] : [],
  )
  const odd: StoredDrop = {
    ...drops[0]!,
    excluded: true,
    drop: {
      ...drops[0]!.drop,
      pitchRad: -0.3,
      rig: { ...drops[0]!.drop.rig, weightAtM: 0.02 },
      bait: { ...drops[0]!.drop.bait, densityKgM3: 1085 },
      bath: { name: 'rain butt, north', tappedS: 1.9, lagS: 0.1, lagSdS: 0.02, slowed: 0.96 },
    },
  }
  it('read back, are the same drops but for the model, which is worked out anew', () => {
    for (const d of [...drops, odd]) {
      const [row] = rowsOf<DropTableRow>(measuredCsv([d]))
      const { brought, errors } = droppedOf(row!, 2)
      expect(errors).toEqual([])
      const { model: _, ...plain } = d.drop
      expect(brought).toMatchObject({ id: d.id, at: d.at, used: !d.excluded })
      expect(
        JSON.parse(
          JSON.stringify(brought!.drop, (_key, v: unknown) =>
            typeof v === 'number' ? Number(v.toPrecision(7)) : v,
          ),
        ),
      ).toEqual(
        JSON.parse(
          JSON.stringify(plain, (_key, v: unknown) => (typeof v === 'number' ? Number(v.toPrecision(7)) : v)),
        ),
      )
    }
  })
  it('tell what is wrong, by row and column', () => {
    const [row] = rowsOf<DropTableRow>(measuredCsv(drops.slice(0, 1)))
    const bad = (change: DropTableRow): string[] =>
      droppedOf({ ...row, ...change }, 3).errors.map(e => `${e.row} ${e.column}: ${e.message}`)
    expect(bad({ seconds: 'soon' })).toEqual(['3 seconds: "soon" is not a number.'])
    expect(bad({ family: 'Q9' })[0]).toMatch(/^3 family: Family: expected one of/)
    expect(bad({ length_mm: '9000' })[0]).toMatch(/^3 length_mm: Bait length must be at most/)
    expect(bad({ at: '', id: 'x' })).toHaveLength(2)
    expect(bad({ more: '[' })).toEqual(['3 more: Expected JSON, or nothing.'])
  })
})
