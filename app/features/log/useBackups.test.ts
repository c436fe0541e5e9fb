import { describe, expect, it } from 'vitest'
import { countWords } from './useBackups'

describe('what a backup holds, in words', () => {
  it('leaves out what there is none of, and says one as one', () => {
    expect(countWords({ spreads: 3, items: 1, documents: 0, entries: 3400, leftOut: 0 })).toBe(
      '3 spreads, 1 thing in the box, 3,400 log entries',
    )
  })
  it('says nothing where there is nothing', () => {
    expect(countWords({ spreads: 0, items: 0, documents: 0, entries: 0, leftOut: 0 })).toBe('nothing')
  })
})
