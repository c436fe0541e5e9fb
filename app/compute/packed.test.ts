import { describe, expect, it } from 'vitest'
import { riggingsOf, screen, type Candidate, type Day, toTheEnd } from '#core'
import { packed, unpacked } from './packed'
import { day, goods } from './testing'

function screened(on: Day): Candidate[] {
  return toTheEnd(screen({ day: on, goods, riggings: riggingsOf(goods) }))
}

describe('candidates on their way between workers', () => {
  it.each([
    ['on a usual day', day],
    ['where every one is thrown at a fish', { ...day, aim: 'sight' } satisfies Day],
    ['under a mat, which a weight that hangs does not take along', { ...day, cover: 'mat' } satisfies Day],
    ['in a current that bars most', { ...day, stream: { surfaceMS: 1.5, towardRad: 0 } } satisfies Day],
  ])('are the same as they were %s', (_, on) => {
    const list = screened(on)
    expect(list.some(c => c.traits)).toBe(true)
    const there = structuredClone(packed(list))
    expect(unpacked(there, goods.baits)).toEqual(list)
  })
  it('may be none', () => {
    expect(unpacked(packed([]), goods.baits)).toEqual([])
  })
  it('name what is no figure once', () => {
    const list = screened({ ...day, stream: { surfaceMS: 1.5, towardRad: 0 } })
    const { rows, points, matches, limits } = packed(list)
    expect(new Set(points).size).toBe(points.length)
    expect(new Set(matches).size).toBe(matches.length)
    expect(rows.length % list.length).toBe(0)
    expect(limits).toHaveLength(new Set(list.flatMap(c => c.limit ?? [])).size)
    expect(limits.length).toBeGreaterThan(0)
  })
})
