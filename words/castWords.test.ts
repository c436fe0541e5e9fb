import { describe, expect, it } from 'vitest'
import {
  evaluateOnTop,
  evaluateRig,
  leaderFor,
  lineOf,
  SPECIES_IDS,
  type CastResult,
  type Conditions,
  type Day,
} from '#core'
import { castHint, castNote, castWords } from './castWords'
import { FOREIGN } from './foreign'
import { leaderText } from './leaderWords'
import { draftWords, raftWords, sitsWords, workedWords } from './onTopWords'
import { UNITS, UNIT_SYSTEMS } from './units'

const place: Conditions = {
  depthM: 1.5,
  temperatureC: 16,
  salinityGKg: 35,
  cover: 'sparseWeed',
  bottom: 'shell',
  lineKind: 'braid',
  lineStrengthN: 67,
}
const bait = { form: 'slimShad', lengthM: 0.09, material: 'plain' } as const
const spec = {
  family: 'E1',
  hookSize: '3/0',
  weightKg: 0.0035,
  weightMaterial: 'lead',
  pointRest: 'open',
} as const
function cast(more: Partial<Conditions> = {}): CastResult {
  const outcome = evaluateRig(bait, spec, { ...place, ...more })
  if (!outcome.ok) throw new Error(outcome.message)
  return outcome.value.cast
}

describe('a cast in words', () => {
  it('tells the wind only where there is some, which way it blows, and how it lands', () => {
    expect(castNote(cast(), undefined, UNITS.metric)).toBe('lands with a plop')
    const ahead = { speedMS: 8, from: 'ahead' } as const
    expect(castNote(cast({ wind: ahead }), ahead, UNITS.metric)).toMatch(/^\d+ into this wind, lands/)
    const behind = { speedMS: 8, from: 'behind' } as const
    expect(castNote(cast({ wind: behind }), behind, UNITS.metric)).toMatch(/^\d+ with this wind/)
  })
  it('says when the rod is not made for it, and what measured casts did', () => {
    expect(castNote(cast({ rod: 'light' }), undefined, UNITS.metric)).toContain('heavy for this rod')
    expect(castNote(cast({ rod: 'heavy' }), undefined, UNITS.metric)).toContain('light for this rod')
    const moved = cast({ casts: [{ massKg: 0.01, distanceM: 60 }] })
    expect(castHint(moved, undefined, UNITS.metric)).toMatch(/Your measured casts: 1\.\d\d of what/)
    expect(castHint(cast(), undefined, UNITS.metric)).not.toContain('measured')
  })
  it.each(UNIT_SYSTEMS)('keeps to its units: %s', system => {
    const wind = { speedMS: 6, from: 'ahead' } as const
    const blown = cast({ wind })
    for (const text of [castHint(blown, wind, UNITS[system]), castWords(blown, wind, UNITS[system])])
      expect(text).not.toMatch(FOREIGN[system])
  })
})

describe('a leader in words', () => {
  const day: Day = {
    ...place,
    clarity: 'clear',
    light: 'bright',
    species: 'seaBass',
    activity: 'steady',
    feeding: 'grab',
    prey: 'smallFish',
    preyM: 0.08,
  }
  const rig = { sideM2: 1.4e-3, openingN: 50 }
  it.each(UNIT_SYSTEMS)('says material, length, thickness and why, for every fish, in %s units', system => {
    for (const species of SPECIES_IDS)
      for (const bottom of ['sand', 'shell', 'rock'] as const)
        for (const kind of ['braid', 'mono'] as const) {
          const text = leaderText(leaderFor({ ...day, species, bottom }, lineOf(kind, 67), rig), system)
          expect(text).toMatch(/^(Leader: .*: .+\.|No leader: nothing here .+\.)/)
          expect(text).not.toMatch(FOREIGN[system])
          expect(text).not.toMatch(/undefined|NaN/)
        }
  })
  it('tells what rubs the line, and that teeth cut it', () => {
    expect(leaderText(leaderFor(day, lineOf('braid', 67), rig), 'metric')).toMatch(
      /shell edge .* leaves 0 % of a bare line/,
    )
    expect(leaderText(leaderFor({ ...day, species: 'pike' }, lineOf('braid', 67), rig), 'metric')).toMatch(
      /wire.*teeth of pike cut any line/,
    )
  })
})

describe('a floating rig in words', () => {
  const frogIn = (more: Partial<Conditions>) =>
    evaluateOnTop(
      { form: 'frog', lengthM: 0.09, material: 'floating' },
      { ...spec, family: 'O2', weightKg: 0, pointRest: 'skin' },
      { ...place, ...more },
    )!
  const top = frogIn({ wind: { speedMS: 5, from: 'behind' } })
  const onPads = frogIn({ cover: 'pads' })
  it('says how it sits, how much is under, and how it is worked', () => {
    expect(sitsWords(top)).toBe('level, back up, point up')
    expect(draftWords(top, 'metric')).toMatch(/^\d+(\.\d)? mm of it under, \d+(\.\d)? mm out$/)
    expect(workedWords(top, 'metric')).toMatch(/wake from .* buzzes from .*wind takes it along/)
  })
  it('says how it lies on leaves and which holes it drops into, only where there are some', () => {
    expect(raftWords(top, 'metric')).toBeUndefined()
    expect(raftWords(onPads, 'metric')).toMatch(
      /^Carried, it lies .*, point up\. Worked slowly its nose .* from \d+ mm \(\d+ % of them\)/,
    )
    const raft = { ...onPads.raft!, carried: false, dipM: 0.012 }
    expect(raftWords({ ...onPads, raft }, 'metric')).toMatch(
      /^What lies there goes under with it \(12 mm\)\./,
    )
  })
  it.each(UNIT_SYSTEMS)('in %s units alone', system => {
    for (const text of [draftWords(top, system), workedWords(top, system), raftWords(onPads, system)!])
      expect(text).not.toMatch(FOREIGN[system])
  })
})
