import { describe, expect, it } from 'vitest'
import { merged } from './merge'

const spot = {
  name: 'Mussel edge',
  content: { depthM: 2, cover: 'open', note: '', at: { lat: 54.1, lon: 8.2 }, days: [1, 2] },
}
const withContent = (change: object, name = spot.name) => ({ name, content: { ...spot.content, ...change } })

describe('two changes of one thing', () => {
  it('of different fields come together, however deep', () => {
    const mine = withContent({ depthM: 3, at: { lat: 54.1, lon: 8.3 } })
    const theirs = withContent({ cover: 'wood', at: { lat: 54.2, lon: 8.2 } }, 'Mussel bank')
    const { value, clashes } = merged(spot, mine, theirs)
    expect(clashes).toEqual([])
    expect(value).toEqual(
      withContent({ depthM: 3, cover: 'wood', at: { lat: 54.2, lon: 8.3 } }, 'Mussel bank'),
    )
  })
  it('of one field clash there alone, and either can be taken', () => {
    const mine = withContent({ depthM: 3, note: 'weed' })
    const theirs = withContent({ depthM: 4, cover: 'wood' })
    const { clashes, value } = merged(spot, mine, theirs)
    expect(clashes).toEqual([{ path: 'content.depthM', base: 2, mine: 3, theirs: 4 }])
    expect(value).toEqual(withContent({ depthM: 3, note: 'weed', cover: 'wood' }))
    const pick = new Map([['content.depthM', 'theirs'] as const])
    expect(merged(spot, mine, theirs, pick).value).toEqual(
      withContent({ depthM: 4, note: 'weed', cover: 'wood' }),
    )
  })
  it('that say the same are one; a list is one value', () => {
    const both = withContent({ depthM: 5 })
    expect(merged(spot, both, both).clashes).toEqual([])
    const { clashes } = merged(spot, withContent({ days: [1] }), withContent({ days: [2] }))
    expect(clashes.map(c => c.path)).toEqual(['content.days'])
  })
  it('rows with letters are told apart by them, and may come and go', () => {
    const rows = (a: number, b: number) => [
      { letter: 'A', kg: a },
      { letter: 'B', kg: b },
    ]
    expect(merged(rows(1, 1), rows(2, 1), rows(1, 3))).toEqual({ value: rows(2, 3), clashes: [] })
    expect(merged(rows(1, 1), rows(2, 1), rows(3, 1)).clashes.map(c => c.path)).toEqual(['A.kg'])
    const added = [...rows(1, 1), { letter: 'C', kg: 9 }]
    expect(merged(rows(1, 1), rows(1, 5), added).value).toEqual([...rows(1, 5), { letter: 'C', kg: 9 }])
    const gone = [{ letter: 'A', kg: 1 }]
    expect(merged(rows(1, 1), gone, rows(7, 1)).value).toEqual([{ letter: 'A', kg: 7 }])
  })
  it('a field that one side took away and the other left is gone; where the other changed it they clash', () => {
    const { note: _, ...less } = spot.content
    expect(merged(spot.content, less, { ...spot.content, depthM: 9 }).value).toEqual({ ...less, depthM: 9 })
    expect(merged(spot.content, less, { ...spot.content, note: 'x' }).clashes).toHaveLength(1)
  })
  it('of which nothing was before: each field of both', () => {
    expect(merged(undefined, { a: 1 }, { b: 2 })).toEqual({ value: { a: 1, b: 2 }, clashes: [] })
  })
})
