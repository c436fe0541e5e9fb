import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { cellsOf, csvLine, guarded, unguarded } from './cells'

describe('cells of a table', () => {
  it.each(['=1+1', '=HYPERLINK("x")', '+44 1', '-1+1', '@here', '\tx', '\rx', "'=1", "''@x"])(
    '"%s" is no formula in a spreadsheet, and comes back as it was',
    text => {
      expect(guarded(text)).toMatch(/^'/)
      expect(unguarded(guarded(text))).toBe(text)
    },
  )
  it.each(['plain', '-0.25', '+3', '1e-3', "'tis", '3/0', ''])('"%s" stays as it is', text => {
    expect(guarded(text)).toBe(text)
    expect(unguarded(text)).toBe(text)
  })
  it('a line holds no formula, and reads back', () => {
    const fields = ['=cmd', 'a,b', '-0.5', '@x "y"', 'two\nlines']
    const line = csvLine(fields)
    expect(line).toBe('\'=cmd,"a,b",-0.5,"\'@x ""y""","two\nlines"')
    const read = Papa.parse<string[]>(line).data[0]!
    const { cell } = cellsOf<string>(Object.fromEntries(read.map((f, i) => [String(i), f])), 1)
    expect(fields.map((_, i) => cell(String(i)))).toEqual(fields)
  })
})
