import { describe, expect, it } from 'vitest'
import { riggingsOf } from '#core'
import type { ItemDetails } from '#schemas/box'
import { goodsOf, onceEach } from './goods'

const boxOf = (...things: readonly ItemDetails[]) =>
  goodsOf(
    things.map((details, i) => ({ id: `${i}`, name: `thing ${i}`, count: 1, tags: [], notes: '', details })),
  )
const shad = { kind: 'bait', form: 'slimShad', lengthM: 0.09, material: 'plain' } as const
const hook = { kind: 'hook', style: 'wideGap', size: '3/0' } as const
const bullet = { kind: 'weight', shape: 'bullet', weightKg: 0.007, weightMaterial: 'tungsten' } as const
const braid = { kind: 'line', line: 'braid', strengthN: 67 } as const
const rod: ItemDetails = { kind: 'rod', lengthM: 2.1, power: 'medium', castKg: [0.005, 0.02] }

describe('what is alike in a box', () => {
  it('is looked at once, by the first, and baits by the names of all', () => {
    const goods = boxOf(
      { ...shad, colour: 'black' },
      { ...shad, lengthM: 0.11 },
      { ...shad, colour: 'white' },
      hook,
      hook,
      bullet,
      { ...bullet, weightMaterial: 'lead' },
      bullet,
      braid,
      braid,
    )
    const once = onceEach(goods)
    expect(once.baits.map(b => b.id)).toEqual(['0', '1'])
    expect([...once.alike]).toEqual([
      ['0', ['0', '2']],
      ['1', ['1']],
    ])
    expect(once.hooks.map(h => h.id)).toEqual(['3'])
    expect(once.weights.map(w => w.id)).toEqual(['5', '6'])
    expect(once.lines.map(l => l.id)).toEqual(['8'])
  })
  it('leaves every rod, which is taken along by itself', () => {
    expect(onceEach(boxOf(rod, rod)).rods).toHaveLength(2)
  })
  it('makes no more ways of rigging of a box that holds everything twice', () => {
    const things = [shad, hook, bullet, braid]
    const once = riggingsOf(onceEach(boxOf(...things)))
    expect(riggingsOf(onceEach(boxOf(...things, ...things)))).toEqual(once)
    expect(riggingsOf(boxOf(...things, ...things)).length).toBeGreaterThan(once.length)
  })
  it('is nothing of an empty box', () => {
    const { alike, ...goods } = onceEach(boxOf())
    expect(goods).toEqual(boxOf())
    expect(alike.size).toBe(0)
  })
})
