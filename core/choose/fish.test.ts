import { describe, expect, it } from 'vitest'
import { seededRandom } from '../numerics/random'
import { assembleRig } from '../rig/assemble'
import { shareDrawn } from '../strike/evaluateStrike'
import { strikeRig, USUAL_TACKLE, type Mouth } from '../strike/bite'
import { lineFromLb } from '../tackle/lines'
import { bittenBy, conditionsFor, zoneOf, type Day } from './day'
import { activityOf, fishOf, SPECIES, SPECIES_IDS, type Species } from './fish'

const day: Day = {
  depthM: 4,
  temperatureC: 14,
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
const own: Species = { ...SPECIES.wrasse, name: 'kelp lurker', zone: [0.1, 0.5], teeth: 'cutting' }

describe('fish of the list', () => {
  it('feed hard in the middle of their warmth, and are slow at its ends, with rising temperatures between', () => {
    for (const id of SPECIES_IDS) {
      const { feedC } = SPECIES[id]
      expect([id, [...feedC].sort((a, b) => a - b)]).toEqual([id, [...feedC]])
      expect([id, activityOf(SPECIES[id], (feedC[1] + feedC[2]) / 2)]).toEqual([id, 'active'])
      for (const end of [feedC[0], feedC[3]]) expect([id, activityOf(SPECIES[id], end)]).toEqual([id, 'slow'])
    }
  })
  it('of warm water are lively at 24 °C, where those of cold water hardly move', () => {
    for (const id of ['blackBass', 'barramundi', 'drum', 'flathead', 'snapper'] as const)
      expect([id, activityOf(SPECIES[id], 24, 7)]).toEqual([id, 'active'])
    for (const id of ['trout', 'char', 'cod'] as const)
      expect([id, activityOf(SPECIES[id], 24, 7)]).toEqual([id, 'slow'])
  })
  it('take more gingerly when they are off the feed, never less', () => {
    const order = ['gulp', 'grab', 'nip']
    for (const id of SPECIES_IDS) {
      const { active, steady, slow } = SPECIES[id].feeding
      const ranks = [active, steady, slow].map(f => order.indexOf(f))
      expect([id, [...ranks].sort()]).toEqual([id, ranks])
    }
  })
})

describe('a fish of the angler’s own', () => {
  it('stands in place of the kind it was made from', () => {
    expect(fishOf(day).name).toBe('sea bass')
    expect(fishOf({ ...day, own })).toBe(own)
    expect(bittenBy({ ...day, own }).mouth).toEqual(SPECIES.wrasse.mouth)
    expect(
      conditionsFor(
        { ...day, own },
        { line: lineFromLb('braid', 15), retrieve: 'hop', rod: 'medium' },
        'close',
      ).mouth,
    ).toEqual(SPECIES.wrasse.mouth)
  })
  it('is sought in its own part of the depth, unless depths are given', () => {
    expect(zoneOf({ ...day, own })).toEqual({ fromM: 0.4, toM: 2 })
    expect(zoneOf({ ...day, own, zone: { fromM: 1, toM: 3 } })).toEqual({ fromM: 1, toM: 3 })
    expect(zoneOf(day).toM).toBe(4)
  })
})

describe('a mouth', () => {
  const struck = strikeRig(
    assembleRig(
      { form: 'slimShad', lengthM: 0.09, material: 'plain' },
      {
        family: 'W1',
        hookSize: '4/0',
        weightKg: 0.0035,
        weightMaterial: 'lead',
        pointRest: 'skin',
      },
    ),
  )
  const hooked = (mouth?: Mouth): number =>
    shareDrawn(
      struck,
      { ...USUAL_TACKLE, line: lineFromLb('mono', 10), ...(mouth ? { mouth } : {}) },
      seededRandom(5),
      8000,
    )
  const usual: Mouth = { bite: 1, hard: 1, gapeM: 0.2 }
  it('like a school bass’s changes nothing', () => expect(hooked(usual)).toBe(hooked()))
  it('that is harder, or bites less, is hooked less', () => {
    expect(hooked({ ...usual, hard: 3 })).toBeLessThan(hooked(usual) - 0.03)
    expect(hooked({ ...usual, bite: 0.4 })).toBeLessThan(hooked(usual) - 0.03)
  })
  it('too small for the bait takes its tail, and so is hooked less; one that is large enough is large enough', () => {
    expect(hooked({ ...usual, gapeM: struck.heightM / 3 })).toBeLessThan(hooked(usual) - 0.1)
    expect(hooked({ ...usual, gapeM: struck.heightM * 1.01 })).toBe(hooked(usual))
  })
})
