import { describe, expect, it } from 'vitest'
import { toTheEnd } from '../numerics/toTheEnd'
import { COVER_IDS, COVERS } from '../snag/cover'
import { surfaceOf } from '../snag/onTop'
import { lineFromLb } from '../tackle/lines'
import type { Day } from './day'
import { evaluateOnTop } from './evaluateOnTop'
import { riggingsOf, type Goods } from './goods'
import { searchMemory } from './memory'
import { bestOnTop } from './onTop'
import { screen } from './screen'

const day: Day = {
  depthM: 2,
  temperatureC: 18,
  salinityGKg: 0,
  cover: 'mat',
  bottom: 'mud',
  clarity: 'stained',
  light: 'dull',
  species: 'pike',
  activity: 'active',
  feeding: 'gulp',
  prey: 'frog',
  preyM: 0.085,
}
const goods: Goods = {
  baits: [
    { id: 'plain', name: 'plain frog', spec: { form: 'frog', lengthM: 0.085, material: 'plain' } },
    { id: 'air', name: 'frog of cells', spec: { form: 'frog', lengthM: 0.085, material: 'airCell' } },
  ],
  hooks: [
    { id: 'light', style: 'wideGap', size: '3/0' },
    { id: 'weighted', style: 'bellyWeighted', size: '3/0', weightKg: 0.007 },
  ],
  heads: [{ id: 'head', family: 'E1', size: '2/0', weightKg: 0.007, weightMaterial: 'lead' }],
  weights: [],
  lines: [{ id: 'l', line: lineFromLb('braid', 50) }],
  rods: [],
}
const best = (more: Partial<Day> = {}, from: Goods = goods) =>
  bestOnTop({ ...day, ...more }, from, riggingsOf(from))

describe('a candidate on top', () => {
  it('is the floating frog on an unweighted hook, for pike under a mat', () => {
    const pick = best()!
    expect(goods.baits[pick.bait]!.id).toBe('air')
    expect(pick.rig).toMatchObject({ weightKg: 0, hookSize: '3/0' })
    expect(pick.rig.pointRest).not.toBe('open')
    expect(pick.low).toBeLessThan(pick.score)
    expect(pick.high).toBeGreaterThan(pick.score)
    const product = Object.values(pick.shares).reduce((p, s) => p * s, 1)
    expect(pick.score).toBeCloseTo(product, 12)
  })
  it('is none where nothing floats on its hook, or no hook hides its point', () => {
    expect(best({}, { ...goods, baits: goods.baits.slice(0, 1) })).toBeUndefined()
    expect(best({}, { ...goods, hooks: [] })).toBeUndefined()
  })
  it('is the same after a search that laid every hook, and when it is asked again', () => {
    const memory = searchMemory()
    toTheEnd(screen({ day: { ...day, cover: 'pads' }, goods, riggings: riggingsOf(goods), memory }))
    const remembering = () => bestOnTop(day, goods, riggingsOf(goods), memory)
    expect(memory.laid.size).toBeGreaterThan(0)
    expect(remembering()).toEqual(best())
    expect(remembering()).toEqual(best())
  })
  it('is come up for less by slow fish, and by fish deep in open water', () => {
    const rise = (more: Partial<Day>): number => best(more)!.shares.rise
    expect(rise({ activity: 'slow' })).toBeLessThan(rise({ activity: 'steady' }))
    expect(rise({ activity: 'steady' })).toBeLessThan(rise({}))
    expect(rise({ cover: 'open', depthM: 6 })).toBeLessThan(0.5 * rise({ cover: 'open', depthM: 1 }))
  })
})

describe('what lies on top', () => {
  it('is no more than what is met below, and nothing of it comes from above', () => {
    for (const cover of COVER_IDS) {
      const below = COVERS[cover].obstacles
      const sum = (list: readonly { readonly perM: number }[]): number =>
        list.reduce((total, { perM }) => total + perM, 0)
      expect(sum(surfaceOf(cover))).toBeLessThanOrEqual(sum(below) + 1e-12)
      for (const thing of surfaceOf(cover)) if (thing.kind === 'rod') expect(thing.overhead).toBe(0)
    }
  })
  it('hardly hangs up a hidden point that looks up, over pads and over a mat', () => {
    for (const cover of ['pads', 'mat'] as const) {
      const { snag, point } = evaluateOnTop(
        { form: 'frog', lengthM: 0.085, material: 'airCell' },
        { family: 'O2', hookSize: '3/0', weightKg: 0, weightMaterial: 'lead', pointRest: 'flush' },
        {
          depthM: 2,
          temperatureC: 18,
          salinityGKg: 0,
          cover,
          bottom: 'mud',
          lineKind: 'braid',
          lineStrengthN: 200,
        },
      )!
      expect(point).toBe('up')
      expect(snag.snagPerCast.value).toBeLessThan(0.02)
      expect(snag.minutesLeft.low).toBeLessThanOrEqual(snag.minutesLeft.value)
      expect(snag.minutesLeft.value).toBeLessThanOrEqual(snag.minutesLeft.high)
    }
  })
  it('hangs up a point that hangs down, most in a mat, on the same bait', () => {
    const snags = (family: 'O2' | 'O3', hookSize: '3/0' | '2/0', cover: 'pads' | 'mat') =>
      evaluateOnTop(
        { form: 'frog', lengthM: 0.085, material: 'airCell' },
        { family, hookSize, weightKg: 0, weightMaterial: 'lead', pointRest: 'flush' },
        {
          depthM: 2,
          temperatureC: 15,
          salinityGKg: 0,
          cover,
          bottom: 'mud',
          lineKind: 'braid',
          lineStrengthN: 200,
        },
      )!
    for (const cover of ['pads', 'mat'] as const) {
      const [up, down] = [snags('O2', '3/0', cover), snags('O3', '2/0', cover)]
      expect([up.point, down.point]).toEqual(['up', 'down'])
      expect(down.snag.snagPerCast.value).toBeGreaterThan(0.1)
      expect(up.snag.snagPerCast.value).toBeLessThan(0.01)
    }
    expect(snags('O3', '2/0', 'mat').snag.snagPerCast.value).toBeGreaterThan(
      snags('O3', '2/0', 'pads').snag.snagPerCast.value,
    )
  })
})
