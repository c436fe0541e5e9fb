import { describe, expect, it } from 'vitest'
import { mean } from '../numerics/statistics'
import { lineFromLb } from '../tackle/lines'
import { makeEnsemble } from '../uncertainty/ensemble'
import type { Day } from './day'
import { betterThan, oddsOf, scoresAmong, tastesOf } from './odds'
import { factorsOf, scoreOf, scoringOf, USUAL_TASTE, type Taste, type Traits } from './score'

const day: Day = {
  depthM: 1,
  temperatureC: 15,
  salinityGKg: 35,
  cover: 'open',
  bottom: 'sand',
  clarity: 'clear',
  light: 'bright',
  species: 'seaBass',
  activity: 'slow',
  feeding: 'grab',
  prey: 'sandEel',
  preyM: 0.1,
}
const braid = lineFromLb('braid', 15)
const traits: Traits = {
  bait: { form: 'slimShad', lengthM: 0.1, material: 'plain' },
  match: 'fair',
  massKg: 0.012,
  wetN: 0.07,
  sinkMS: 0.5,
  sideM2: 1.2e-3,
  frontM2: 1.5e-4,
  pitchRad: -0.6,
  standsM: 0.02,
  hookUp: 0.6,
  minutesLeft: 50,
  openingN: 90,
}
const scoring = scoringOf(day)
const factors = (taste: Partial<Taste>, t: Partial<Traits> = {}) =>
  factorsOf(scoring, { ...traits, ...t }, 'hop', braid, { ...USUAL_TASTE, ...taste })

describe('what fish are assumed to like', () => {
  it('moves the factor it is about, the way it says, and no other', () => {
    const usual = factors({})
    const moved = (taste: Partial<Taste>): string[] =>
      Object.entries(factors(taste))
        .filter(([id, x]) => x !== usual[id as keyof typeof usual])
        .map(([id]) => id)
    expect(moved({ followed: 1.4 })).toEqual(['follow'])
    expect(moved({ patience: 1.5 })).toEqual(['look'])
    expect(moved({ splash: 1.8 })).toEqual(['quiet'])
    expect(moved({ suction: 1.6 })).toEqual(['intake'])
    expect(moved({ likeness: 1.6 })).toEqual(['match'])
    expect(factors({ splash: 1.8 }).quiet).toBeGreaterThan(usual.quiet)
    expect(factors({ suction: 1.6 }).intake).toBeGreaterThan(usual.intake)
    expect(factors({ patience: 1.5 }).look).toBeLessThan(usual.look)
    expect(factors({ likeness: 1.6 }).match).toBeLessThan(usual.match)
    // this rig falls faster than slow fish follow
    expect(factors({ followed: 1.4 }).follow).toBeGreaterThan(usual.follow)
  })
  it('leaves every share a share at the ends of its range', () => {
    for (const by of [0.3, 3])
      for (const x of Object.values(
        factors({ followed: by, patience: by, splash: by, suction: by, likeness: by }),
      )) {
        expect(x).toBeGreaterThan(0)
        expect(x).toBeLessThanOrEqual(1)
      }
  })
})

describe('scores in every member', () => {
  const tastes = tastesOf(makeEnsemble())
  it('lie about the score at the usual, and follow hook-up and time one for one', () => {
    const plain = scoresAmong(scoring, traits, 'hop', braid)
    expect(mean(plain) / scoreOf(factors({}))).toBeGreaterThan(0.85)
    expect(mean(plain) / scoreOf(factors({}))).toBeLessThan(1.15)
    const members = {
      hookUp: Float64Array.from(tastes, () => 0.3),
      minutesLeft: Float64Array.from(tastes, () => 25),
      fallS: Float64Array.from(tastes, () => 2),
    }
    const half = scoresAmong(scoring, traits, 'hop', braid, members, 2)
    plain.forEach((s, m) => expect(half[m]).toBeCloseTo(s / 4, 12))
  })
  it('a rig that fish suck in more easily is better more surely, the more it is', () => {
    const of = (massKg: number) => scoresAmong(scoring, { ...traits, massKg }, 'hop', braid)
    expect(betterThan(of(0.006), of(0.012))).toBe(1)
    expect(betterThan(of(0.012), of(0.012))).toBe(1)
    // slower against nearer to their food: it hangs on what they like
    const slower = scoresAmong(scoring, { ...traits, sinkMS: 0.25, match: 'poor' }, 'hop', braid)
    const p = betterThan(slower, of(0.012))
    expect(p).toBeGreaterThanOrEqual(0)
    expect(p).toBeLessThan(1)
  })
  it('odds add up to one; those that tie share them', () => {
    const [a, b] = [Float64Array.of(1, 2, 3, 4), Float64Array.of(2, 1, 3, 1)]
    expect(oddsOf([a, b])).toEqual([0.625, 0.375])
    expect(oddsOf([a])).toEqual([1])
    expect(oddsOf([])).toEqual([])
  })
})
