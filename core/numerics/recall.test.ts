import { describe, expect, it } from 'vitest'
import { forgetful, makeRecall } from './recall'

describe('what is remembered', () => {
  it('is worked out once, and again when it has been pushed out by what was asked for since', () => {
    const recall = makeRecall(2)
    const made: string[] = []
    const ask = (key: string): string =>
      recall(key, () => {
        made.push(key)
        return key.toUpperCase()
      })
    expect(['a', 'b', 'a', 'c', 'a', 'b'].map(ask)).toEqual(['A', 'B', 'A', 'C', 'A', 'B'])
    expect(made).toEqual(['a', 'b', 'c', 'b'])
  })
  it('may be undefined', () => {
    const recall = makeRecall(2)
    let n = 0
    for (let i = 0; i < 3; i++) recall('nothing', () => void n++)
    expect(n).toBe(1)
  })
  it('is nothing where none is kept', () => {
    let n = 0
    for (let i = 0; i < 3; i++) forgetful('a', () => n++)
    expect(n).toBe(3)
    expect(() => makeRecall(0)).toThrow(RangeError)
  })
})
