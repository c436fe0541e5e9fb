import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { registerTable, withTable } from './uncertaintyTable'

it('the page of the model lists what is uncertain as the code has it', () => {
  const text = readFileSync(new URL('../docs/model/uncertainty.md', import.meta.url), 'utf8')
  expect(withTable(text, registerTable())).toBe(text)
  expect(text).toContain('| `standing` | how much stands there | place | 1 (0.625–1.6) |')
})
it('a page without a place for it is refused', () =>
  expect(() => withTable('nothing', '')).toThrow(RangeError))
