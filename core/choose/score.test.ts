import { describe, expect, it } from 'vitest'
import { normalBelow } from '../numerics/normal'
import { seededRandom } from '../numerics/random'
import { lineFromLb } from '../tackle/lines'
import { waterOf } from '../water/water'
import { zoneOf, type Day } from './day'
import { activityOf, coloursOf, matchOf, SPECIES, wantedLengthM } from './fish'
import { castable, limitOf, type Load } from './limits'
import { paretoSet } from './pareto'
import { drapeN, liftN } from './pull'
import { factorsOf, landedShare, scoringOf, type Traits } from './score'

const day: Day = {
  depthM: 3,
  temperatureC: 15,
  salinityGKg: 35,
  cover: 'open',
  bottom: 'sand',
  clarity: 'clear',
  light: 'bright',
  species: 'seaBass',
  activity: 'steady',
  feeding: 'grab',
  prey: 'sandEel',
  preyM: 0.1,
}
const water = waterOf(15, 35)
const braid = lineFromLb('braid', 15)
const load: Load = { massKg: 0.012, wetN: 0.07, sinkMS: 0.5, sideM2: 1.2e-3, frontM2: 1.5e-4 }
const traits: Traits = {
  ...load,
  bait: { form: 'slimShad', lengthM: 0.1, material: 'plain' },
  match: 'fair',
  pitchRad: -0.2,
  standsM: 0.02,
  hookUp: 0.6,
  minutesLeft: 50,
  openingN: 90,
}
const factors = (d: Partial<Day>, t: Partial<Traits> = {}) =>
  factorsOf(scoringOf({ ...day, ...d }), { ...traits, ...t }, 'hop', braid)

describe('the normal distribution', () => {
  it.each([
    [0, 0.5],
    [1, 0.8413447],
    [-1.959964, 0.025],
    [3, 0.9986501],
  ])('P(Z <= %f) = %f (tables)', (x, p) => expect(normalBelow(x)).toBeCloseTo(p, 6))
})

describe('fish', () => {
  it('feed in their temperatures, lie low out of them, and are livelier in spring and autumn', () => {
    expect(activityOf(SPECIES.seaBass, 15)).toBe('active')
    expect(activityOf(SPECIES.seaBass, 7.5)).toBe('slow')
    expect(activityOf(SPECIES.zander, 2)).toBe('slow')
    expect(activityOf(SPECIES.seaBass, 9.5, 1)).toBe('steady')
    expect(activityOf(SPECIES.seaBass, 9.5, 10)).toBe('active')
  })
  it('want longer baits in dirty water and low light, shorter when slow', () => {
    const length = (clarity: Day['clarity'], light: Day['light'], activity: Day['activity']): number =>
      wantedLengthM(0.1, clarity, light, activity)
    expect(length('dirty', 'dark', 'active')).toBeGreaterThan(length('clear', 'bright', 'active'))
    expect(length('clear', 'bright', 'slow')).toBeLessThan(length('clear', 'bright', 'steady'))
  })
  it('know a shad from a worm, and a skirt from an eel', () => {
    expect(matchOf('slimShad', 'smallFish')).toBe('close')
    expect(matchOf('craw', 'sandEel')).toBe('poor')
    expect(matchOf('straightWorm', 'worm', true)).toBe('fair')
    expect(coloursOf('crab', 'dirty', 'bright')).not.toBe(coloursOf('crab', 'clear', 'bright'))
  })
})

describe('limits', () => {
  it('a stronger current, thicker line or less weight breaks the hold', () => {
    const held = (surfaceMS: number, over: Partial<Load> = {}, line = braid) =>
      limitOf({ ...day, depthM: 6, stream: { surfaceMS, towardRad: 0 } }, { ...load, ...over }, line, water)
    expect(held(0.3)).toBeUndefined()
    expect(held(1)).toMatchObject({ id: 'current' })
    expect(held(0.35)).toBeUndefined()
    expect(held(0.35, {}, lineFromLb('mono', 30))).toMatchObject({ id: 'current' })
    expect(held(0.35, { wetN: 0.02 })).toMatchObject({ id: 'current' })
  })
  it('a sinking of inches a minute reaches nothing', () =>
    expect(limitOf({ ...day, depthM: 8 }, { ...load, sinkMS: 0.05 }, braid, water)).toMatchObject({
      id: 'reach',
    }))
  it('a mat is broken by mass, not by width; a bait whose weight runs on must do it alone', () => {
    const at = (over: Partial<Load>) =>
      limitOf({ ...day, cover: 'mat' }, { ...load, ...over }, braid, water)?.id
    expect(at({})).toBe('roof')
    expect(at({ massKg: 0.045, wetN: 0.3 })).toBeUndefined()
    expect(at({ massKg: 0.045, wetN: 0.3, frontM2: 4e-4 })).toBe('roof')
    expect(at({ massKg: 0.045, wetN: 0.3, aloneKg: 0.01 })).toBe('roof')
  })
  it('a rod casts a little over either end', () => {
    expect(castable(0.011, [0.002, 0.01])).toBe(true)
    expect(castable(0.014, [0.002, 0.01])).toBe(false)
  })
})

describe('pulls', () => {
  it('lift grows with the square of speed, with depth, and with thickness of line', () => {
    expect(liftN(day, 1e-3, 'snap', braid, water) / liftN(day, 1e-3, 'shake', braid, water)).toBeCloseTo(
      (0.7 / 0.12) ** 2,
      6,
    )
    expect(liftN({ depthM: 8 }, 1e-3, 'hop', braid, water)).toBeGreaterThan(
      2 * liftN({ depthM: 2 }, 1e-3, 'hop', braid, water),
    )
  })
  it('wood holds a slack line up, weed does not', () => {
    expect(drapeN({ cover: 'wood', bottom: 'mud', depthM: 3 })).toBeGreaterThan(0.01)
    expect(drapeN({ cover: 'thickWeed', bottom: 'mud', depthM: 3 })).toBe(0)
  })
  it('half are brought out where line and hook bear the median pull', () =>
    expect(landedShare({ medianN: 50, gsd: 1.7 }, 50, lineFromLb('braid', 50))).toBeCloseTo(0.5, 6))
})

describe('shares', () => {
  it('all lie between nothing and one', () => {
    for (const share of Object.values(factors({}))) expect(share >= 0 && share <= 1).toBe(true)
  })
  it('slow fish follow slow falls, active ones fast', () => {
    expect(factors({ activity: 'slow' }, { sinkMS: 0.1 }).follow).toBeGreaterThan(
      factors({ activity: 'slow' }, { sinkMS: 0.8 }).follow,
    )
    expect(factors({ activity: 'active' }, { sinkMS: 0.4 }).follow).toBeGreaterThan(
      factors({ activity: 'active' }, { sinkMS: 0.05 }).follow,
    )
  })
  it('what stands is seen over ooze, what lies is not', () =>
    expect(factors({ activity: 'slow', bottom: 'mud' }, { standsM: 0.08 }).look).toBeGreaterThan(
      1.2 * factors({ activity: 'slow', bottom: 'mud' }, { standsM: 0.01 }).look,
    ))
  it('a heavy splash tells in the shallows', () =>
    expect(factors({ depthM: 0.5 }, { massKg: 0.03 }).quiet).toBeLessThan(
      0.5 * factors({ depthM: 5 }, { massKg: 0.03 }).quiet,
    ))
  it('fish over the bottom are passed through, and a longer stay there counts', () => {
    const zone = { fromM: 1, toM: 1.5 }
    expect(factors({ zone }, { sinkMS: 0.2 }).zone).toBeGreaterThan(factors({ zone }, { sinkMS: 1 }).zone)
    expect(zoneOf({ ...day, depthM: 10 })).toEqual({ fromM: 8, toM: 10 })
  })
})

describe('the Pareto set', () => {
  const of = (time: number, hook: number, zone: number) => ({ factors: { ...factors({}), time, hook, zone } })
  it('is what nothing beats in all three; equals stay together', () => {
    const list = [
      of(0.9, 0.3, 0.5),
      of(0.5, 0.8, 0.5),
      of(0.5, 0.3, 0.5),
      of(0.9, 0.3, 0.5),
      of(0.4, 0.7, 0.9),
      of(0.4, 0.7, 0.8),
    ]
    expect(paretoSet(list)).toEqual([list[0], list[1], list[3], list[4]])
  })
  it('agrees with comparing every two', () => {
    const random = seededRandom(9)
    const list = Array.from({ length: 300 }, () => of(random(), random(), random()))
    const ids = ['time', 'hook', 'zone'] as const
    const slow = list.filter(
      a =>
        !list.some(
          b =>
            ids.every(id => b.factors[id] >= a.factors[id]) && ids.some(id => b.factors[id] > a.factors[id]),
        ),
    )
    expect(paretoSet(list)).toEqual(slow)
  })
})
