import { describe, expect, it } from 'vitest'
import { DEMO_BOX } from '../../../demo/box'
import { BOX_COLUMNS, boxCsv, itemOf, rowOf } from '../../../shared/boxTable'
import Papa from 'papaparse'
import type { BoxRow } from '../../../shared/boxTable'
import { fitsOf, rigOf } from '~/compute/box'
import { sizeRank, whatOf } from './boxWords'

describe('the box as a table', () => {
  it('goes out and comes in the same, to a millionth', () => {
    const { data } = Papa.parse<BoxRow>(boxCsv(DEMO_BOX), { header: true, skipEmptyLines: 'greedy' })
    const read = data.map((row, i) => itemOf(row, i + 2))
    expect(read.flatMap(r => r.errors)).toEqual([])
    read.forEach(({ item }, i) => {
      const { details, ...rest } = item!
      const { details: given, ...expected } = DEMO_BOX[i]!
      expect(rest).toEqual(expected)
      for (const [key, value] of Object.entries(given)) {
        const back = (details as unknown as Record<string, unknown>)[key]
        if (typeof value === 'number') expect(Math.abs((back as number) / value - 1)).toBeLessThan(1e-6)
        else if (Array.isArray(value))
          (back as number[]).forEach((b, k) =>
            expect(Math.abs(b / (value[k] as number) - 1)).toBeLessThan(1e-6),
          )
        else expect(back).toEqual(value)
      }
    })
  })
  it('quotes what needs it', () => {
    const odd = { ...DEMO_BOX[0]!, name: 'shad, "soft"', notes: 'two\nlines' }
    const { data } = Papa.parse<BoxRow>(boxCsv([odd]), { header: true, skipEmptyLines: 'greedy' })
    expect(itemOf(data[0]!, 2).item).toMatchObject({ name: 'shad, "soft"', notes: 'two\nlines' })
  })
  it('names the row, the column and the reason', () => {
    expect(
      itemOf({ kind: 'bait', name: 'x', form: 'stick', length_mm: 'long', material: 'plain' }, 7).errors,
    ).toEqual([{ row: 7, column: 'length_mm', message: '"long" is not a number.' }])
    expect(
      itemOf({ kind: 'rod', name: 'x', rod_m: '12', power: 'medium', cast_from_g: '5', cast_to_g: '20' }, 8)
        .errors,
    ).toEqual([{ row: 8, column: 'rod_m', message: 'Rod length must be at most 5 m.' }])
    expect(
      itemOf({ kind: 'rod', name: 'x', rod_m: '2', power: 'medium', cast_from_g: '25', cast_to_g: '20' }, 9)
        .errors[0]!.message,
    ).toMatch(/above the greatest/)
    expect(itemOf({ kind: 'hook', name: '', style: 'worm', size: '3/0' }, 4).errors).toEqual([
      { row: 4, column: 'name', message: 'Give it a name.' },
    ])
  })
  it('every column is written by some kind of thing', () => {
    const used = new Set(DEMO_BOX.flatMap(item => Object.keys(rowOf(item))))
    for (const column of BOX_COLUMNS)
      if (!['density_g_cm3', 'gap'].includes(column)) expect(used.has(column), column).toBe(true)
  })
})

describe('things in words and in order', () => {
  it('says what each is', () => {
    for (const item of DEMO_BOX) expect(whatOf(item.details, 'mixed').length).toBeGreaterThan(4)
  })
  it('puts small hooks before large ones', () => {
    const rank = (size: string): number =>
      sizeRank({ details: { kind: 'hook', style: 'wideGap', size: size as '1' } })
    expect(['6', '4', '2', '1', '1/0', '2/0', '12/0'].map(rank)).toEqual(
      [...['6', '4', '2', '1', '1/0', '2/0', '12/0'].map(rank)].sort((a, b) => a - b),
    )
  })
})

describe('what fits', () => {
  const items = DEMO_BOX.map((item, i) => ({ ...item, id: String(i), revision: 1, photographed: false }))
  it('rigs hooks by their style, belly weights as such, heads as what they are, and nothing else', () => {
    expect(rigOf(items.find(i => i.name.includes('1/8 oz belly'))!)).toMatchObject({
      family: 'W1',
      pointRest: 'skin',
    })
    expect(rigOf(items.find(i => i.details.kind === 'head')!)).toMatchObject({
      family: 'E1',
      pointRest: 'open',
    })
    expect(rigOf(items.find(i => i.details.kind === 'line')!)).toBeUndefined()
  })
  it('puts what fits first, each with its tightest rule', () => {
    const found = fitsOf({
      bait: { form: 'slimShad', lengthM: 0.09, material: 'plain' },
      items,
      lineKind: 'braid',
      lineStrengthN: 66,
    })
    const verdicts = found.map(f => f.verdict)
    expect(verdicts).toEqual(
      [...verdicts].sort((a, b) => ['pass', 'near', 'fail'].indexOf(a) - ['pass', 'near', 'fail'].indexOf(b)),
    )
    expect(found[0]!.verdict).toBe('pass')
    for (const one of found) expect(one.worst.margin < 0 || one.verdict !== 'fail').toBe(true)
  })
})
