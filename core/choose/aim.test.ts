import { describe, expect, it } from 'vitest'
import { RODS } from '../tackle/rods'
import { lineFromLb } from '../tackle/lines'
import { castByMass } from '../cast/quickCast'
import { coveredMS, reachShare, unheardShare } from './aim'
import type { Day } from './day'
import { factorsOf, scoreOf, scoringOf, type Traits } from './score'

const day: Day = {
  depthM: 0.4,
  temperatureC: 18,
  salinityGKg: 0,
  cover: 'sparseWeed',
  bottom: 'sand',
  clarity: 'clear',
  light: 'bright',
  species: 'blackBass',
  activity: 'steady',
  feeding: 'grab',
  prey: 'worm',
  preyM: 0.12,
}
const traits: Traits = {
  bait: { form: 'stick', lengthM: 0.125, material: 'salted' },
  match: 'close',
  massKg: 0.01,
  sinkMS: 0.15,
  wetN: 0.01,
  sideM2: 1.5e-3,
  pitchRad: 0,
  standsM: 0.01,
  hookUp: 0.6,
  minutesLeft: 55,
  openingN: 60,
  frontM2: 1e-4,
}
const line = lineFromLb('braid', 15)
const soft = { castM: 22, noticedM: 1.5, snagPerCast: 0.02 }
const loud = { castM: 32, noticedM: 6, snagPerCast: 0.02 }
const score = (aim: Day['aim'], thrown: Traits['thrown'], more: Partial<Day> = {}): number =>
  scoreOf(
    factorsOf(
      scoringOf({ ...day, ...more, ...(aim ? { aim } : {}) }),
      { ...traits, ...(thrown ? { thrown } : {}) },
      'hop',
      line,
    ),
  )

describe('what the angler is about', () => {
  it('weighs nothing while he is about neither', () => {
    expect(score(undefined, soft)).toBe(score(undefined, undefined))
    expect(score(undefined, loud)).toBe(score(undefined, soft))
  })
  it('covering water, the longer cast and the faster way of working are worth more', () => {
    expect(score('search', loud)).toBeGreaterThan(score('search', soft))
    const at = (retrieve: 'swim' | 'drag'): number => reachShare({ ...day, aim: 'search' }, soft, retrieve)
    expect(at('swim')).toBeGreaterThan(at('drag'))
    expect(coveredMS(30, 'swim')).toBeGreaterThan(coveredMS(15, 'swim'))
    // never more than it moves
    expect(coveredMS(1000, 'swim')).toBeLessThan(0.65)
  })
  it('with one fish in sight, what is not heard beats what is thrown farther than is needed', () => {
    expect(score('sight', soft)).toBeGreaterThan(score('sight', loud))
    expect(unheardShare(soft, 1)).toBeGreaterThan(2 * unheardShare(loud, 1))
  })
  it('a fish farther off than the cast carries is hardly reached, one at half of it surely', () => {
    const at = (sightM: number): number => reachShare({ ...day, aim: 'sight', sightM }, soft, 'hop')
    expect(at(40)).toBeLessThan(0.01)
    expect(at(11)).toBeGreaterThan(0.99)
    expect(at(22)).toBeCloseTo(0.5, 6)
  })
  it('a hang-up in front of the fish costs it; otherwise it costs time', () => {
    const snagging = { ...soft, snagPerCast: 0.4 }
    expect(score('sight', snagging)).toBeCloseTo((0.6 / 0.98) * score('sight', soft), 10)
    expect(score('search', snagging)).toBe(score('search', soft))
  })
})

describe('a cast by mass alone', () => {
  it('grows with mass up to what the rod throws, and shrinks in the wind', () => {
    const still = castByMass(RODS.medium, line)
    const blown = castByMass(RODS.medium, line, { speedMS: 8, from: 'ahead' })
    const masses = [0.001, 0.003, 0.005, 0.01, 0.015]
    for (let i = 1; i < masses.length; i++)
      expect(still(masses[i]!)).toBeGreaterThanOrEqual(still(masses[i - 1]!))
    for (const m of masses) expect(blown(m)).toBeLessThan(still(m))
    expect(still(0.5)).toBe(still(0.1))
  })
})
