import { describe, expect, it } from 'vitest'
import { z } from 'zod'
import { checked, unstorable } from './checked'
import * as field from './fields'
import { logEntrySchema } from './log'

const nested = (depth: number): unknown => {
  let value: unknown = 1
  for (let i = 0; i < depth; i++) value = [value]
  return value
}

describe('what no store takes', () => {
  it.each([
    [{ a: ['x', 'b\0'] }, 'a[1]', /number 0/],
    [{ a: { b: '\ud800' } }, 'a.b', /half a character/],
    ['\udc00x', '(top)', /half a character/],
    [{ 'k\0': 1 }, '(top)', /name/],
    [{ a: Infinity }, 'a', /finite/],
  ])('%j is told at %s', (value, path, message) => {
    expect(unstorable(value)).toMatchObject({ path, message: expect.stringMatching(message) as string })
  })
  it('nesting beyond all measure is told without breaking', () => {
    expect(unstorable(nested(10))).toBeUndefined()
    expect(unstorable(nested(200_000))!.message).toMatch(/nested/)
  })
  it('whole characters outside the basic plane are text like any other', () =>
    expect(unstorable({ a: '🐟 ł ß \n' })).toBeUndefined())
})

describe('what is told of what does not fit', () => {
  it('unknown fields: three by name, cut short, and how many more', () => {
    const many = Object.fromEntries(Array.from({ length: 5000 }, (_, i) => [`${'k'.repeat(500)}${i}`, i]))
    const result = checked(z.strictObject({}), many)
    expect(result.ok).toBe(false)
    const text = JSON.stringify(result)
    expect(text.length).toBeLessThan(1200)
    expect(text).toContain('4997 more fields here are not known.')
  })
  it('fifty errors, and how many more', () => {
    const result = checked(
      z.array(z.number()),
      Array.from({ length: 300 }, () => 'x'),
    )
    expect(!result.ok && result.errors).toHaveLength(51)
    expect(!result.ok && result.errors.at(-1)!.message).toBe('And 250 more.')
  })
})

describe('fields that several documents share', () => {
  const id = 'AB3D4E5F-1111-4222-8333-ABCDEFABCDEF'
  it('an id has one spelling', () => expect(field.id.parse(id)).toBe(id.toLowerCase()))
  it('line breaks in a name become spaces', () =>
    expect(field.line('Name', 20).parse(' a\r\nb\u0000c ')).toBe('a b c'))
  const at = (time: string): boolean => field.pastTime.safeParse(time).success
  it('a time lies between 2000 and tomorrow', () => {
    const day = 86_400_000
    expect([at('2026-06-01T08:00:00Z'), at(new Date(Date.now() + day / 2).toISOString())]).toEqual([
      true,
      true,
    ])
    expect([
      at('1999-12-31T23:59:59Z'),
      at('0000-01-01T00:00:00Z'),
      at(new Date(Date.now() + 2 * day).toISOString()),
      at('yesterday'),
    ]).toEqual([false, false, false, false])
  })
  it('an entry by a wrong clock is told so at its time', () => {
    const result = checked(logEntrySchema, { id, session: id, at: '2190-01-01T00:00:00Z', kind: 'cast' })
    expect(!result.ok && result.errors).toEqual([
      { path: 'at', message: expect.stringContaining('clock') as string },
    ])
  })
  it('a revision fits its column', () => {
    expect([1, 2_000_000_000].every(n => field.revision.safeParse(n).success)).toBe(true)
    expect([0, -1, 1.5, 2_147_483_647, 1e300].some(n => field.revision.safeParse(n).success)).toBe(false)
  })
})
