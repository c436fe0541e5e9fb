import { describe, expect, it } from 'vitest'
import { copy, sameData } from './data'

describe('plain data', () => {
  it('is the same in any order of keys, at any depth, but not in any order of entries', () => {
    expect(sameData({ a: 1, b: { c: [1, { d: 2, e: 3 }] } }, { b: { c: [1, { e: 3, d: 2 }] }, a: 1 })).toBe(
      true,
    )
    expect(sameData([1, 2], [2, 1])).toBe(false)
    expect(sameData({ a: 1 }, { a: 1, b: null })).toBe(false)
  })
  it('is copied through and through', () => {
    const original = { a: { b: [1] } }
    const other = copy(original)
    other.a.b.push(2)
    expect(original).toEqual({ a: { b: [1] } })
  })
})
