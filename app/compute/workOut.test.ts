import { describe, expect, it } from 'vitest'
import { fieldOf, screen, searchMemory, type CoverId, toTheEnd } from '#core'
import { forgetSearches, memory } from './searchMemory'
import { lookThrough } from './share'
import { day, goods } from './testing'
import { workOut } from './workOut'

const quietly = { tell: () => undefined, pause: () => Promise.resolve(true) }
const places = (['open', 'sparseWeed'] satisfies CoverId[]).map(cover => ({ ...day, cover }))
const sizes = (): number[] => {
  const { laid, bodies, met, hooked } = memory()
  return [laid, bodies, met, hooked].map(map => map.size)
}

describe('a box worked out while nobody asks', () => {
  it('leaves a search of every one of its days nothing to work out, and changes nothing that it finds', async () => {
    forgetSearches()
    const told: number[] = []
    const worked = await workOut({ days: places, goods }, { ...quietly, tell: part => void told.push(part) })
    expect(worked).toEqual({ days: places.length })
    expect(told.at(-1)).toBe(1)
    expect([...told].sort((a, b) => a - b)).toEqual(told)
    const known = sizes()
    expect(Math.min(...known)).toBeGreaterThan(0)
    for (const place of places) {
      const field = fieldOf(place, goods, {})
      const found = await lookThrough(place, field, quietly, () => undefined)
      expect(sizes()).toEqual(known)
      expect(found).toEqual(toTheEnd(screen({ day: place, ...field, memory: searchMemory() })))
    }
  })
  it('goes on where it was called off, and adds only what is new', async () => {
    forgetSearches()
    let pauses = 0
    const halted = { ...quietly, pause: () => Promise.resolve(++pauses < 2) }
    const more = { ...goods, hooks: goods.hooks.slice(1) }
    expect(await workOut({ days: places, goods: more }, halted)).toBeUndefined()
    const before = sizes()
    await workOut({ days: places, goods: more }, quietly)
    const whole = sizes()
    expect(whole[0]).toBeGreaterThanOrEqual(before[0]!)
    expect(whole[2]).toBeGreaterThan(before[2]!)
    await workOut({ days: places, goods: more }, quietly)
    expect(sizes()).toEqual(whole)
    await workOut({ days: places, goods }, quietly)
    expect(sizes()[0]).toBeGreaterThan(whole[0]!)
  })
})
