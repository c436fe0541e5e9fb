import { describe, expect, it } from 'vitest'
import { assembleRig } from '../rig/assemble'
import { FAMILIES } from '../rig/families'
import type { BaitSpec, FamilyId, RigSpec } from '../rig/spec'
import { obstaclesOf } from '../snag/cover'
import { evaluateSnag, snagOn } from '../snag/evaluateSnag'
import { drawMeetings } from '../snag/snagMembers'
import { snagRig } from '../snag/catchSite'
import { RETRIEVES } from '../snag/retrieve'
import { seededRandom } from '../numerics/random'
import { toTheEnd } from '../numerics/toTheEnd'
import { strikeRig, USUAL_TACKLE } from '../strike/bite'
import { evaluateStrike, shareHooked } from '../strike/evaluateStrike'
import { drawFish } from '../strike/fish'
import { lineFromLb, lineOf } from '../tackle/lines'
import { waterOf } from '../water/water'
import type { Conditions } from './conditions'
import { evaluateRig } from './evaluateRig'
import { cadencesOf, outfitFor } from './finish'
import type { Day } from './day'
import { beyondTheBox, riggingsOf, type Goods } from './goods'
import { searchMemory } from './memory'
import { misfit } from './misfit'
import { between, nodesOf } from './nodes'
import { densityOf, fallAsOne, fallWithWeight, quickBody, type QuickFall } from './quick'
import { factorsOf, scoreOf, scoringOf, type Traits } from './score'
import { lineFor, lookedAtWith, rigOf, rodFor, screen, together, type Candidate } from './screen'

const day: Day = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 35,
  cover: 'sparseWeed',
  bottom: 'sand',
  clarity: 'clear',
  light: 'bright',
  species: 'seaBass',
  activity: 'active',
  feeding: 'grab',
  prey: 'smallFish',
  preyM: 0.09,
}
const water = waterOf(day.temperatureC, day.salinityGKg)
const conditions: Conditions = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 35,
  cover: 'sparseWeed',
  bottom: 'sand',
  lineKind: 'braid',
  lineStrengthN: 67,
}
const shad: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const craw: BaitSpec = { form: 'craw', lengthM: 0.085, material: 'plain' }
const rig = (family: FamilyId, more: Partial<RigSpec> = {}): RigSpec => ({
  family,
  hookSize: '3/0',
  weightKg: FAMILIES[family].weighted ? 0.007 : 0,
  weightMaterial: 'lead',
  pointRest: FAMILIES[family].pointRests.includes('skin') ? 'skin' : FAMILIES[family].pointRests[0]!,
  ...more,
})
const goods: Goods = {
  baits: [
    { id: 'shad', name: 'shad 90', spec: shad },
    { id: 'craw', name: 'craw 85', spec: craw },
    { id: 'worm', name: 'worm', spec: { form: 'straightWorm', lengthM: 0.15, material: 'plain' } },
  ],
  hooks: [
    { id: 'wide', style: 'wideGap', size: '3/0' },
    { id: 'belly', style: 'bellyWeighted', size: '3/0', weightKg: 0.0035, weightMaterial: 'lead' },
    { id: 'jig', style: 'jig', size: '1/0' },
  ],
  heads: [
    { id: 'head', family: 'E1', size: '2/0', weightKg: 0.005, weightMaterial: 'lead' },
    { id: 'tube', family: 'E7', size: '2/0', weightKg: 0.005, weightMaterial: 'tin' },
  ],
  weights: [
    { id: 'b5', shape: 'bullet', weightKg: 0.005, weightMaterial: 'tungsten' },
    { id: 'b14', shape: 'bullet', weightKg: 0.014, weightMaterial: 'lead' },
    { id: 'ball', shape: 'ball', weightKg: 0.01, weightMaterial: 'lead' },
  ],
  lines: [
    { id: 'thin', line: lineOf('braid', 40) },
    { id: 'thick', line: lineOf('braid', 180) },
  ],
  rods: [
    { id: 'soft', name: 'soft', power: 'light', castKg: [0.002, 0.01] },
    { id: 'stiff', name: 'stiff', power: 'heavy', castKg: [0.012, 0.05] },
  ],
}

describe('the quick look at a fall', () => {
  for (const [family, bait] of [
    ['E1', shad],
    ['W1', shad],
    ['O2', shad],
    ['E1', craw],
    ['W1', craw],
  ] as const) {
    it(`${family} in a ${bait.form}: sinks within a third of the full simulation, at a pitch within 25 degrees`, () => {
      const spec = rig(family)
      const quick = fallAsOne(quickBody(assembleRig(bait, spec), water, undefined), day.bottom)!
      const full = evaluateRig(bait, spec, conditions)
      if (!full.ok) throw new Error(full.message)
      expect(quick.massKg).toBeCloseTo(full.value.massKg, 9)
      expect(quick.sinkMS / full.value.fall.meanSpeedMS.value).toBeGreaterThan(0.67)
      expect(quick.sinkMS / full.value.fall.meanSpeedMS.value).toBeLessThan(1.5)
      expect(Math.abs(quick.pitchRad - full.value.fall.pitchRad.value)).toBeLessThan(0.44)
    })
  }
  it('a weight of its own: heavier falls faster, floating plastic with too little floats', () => {
    const bare = quickBody(assembleRig(shad, rig('O2')), water, undefined)
    const at = (family: FamilyId, kg: number) =>
      fallWithWeight(bare, day.bottom, shad.lengthM, family, kg, densityOf({}, 'lead'), water)!
    for (const family of ['L3', 'L4', 'J4'] as const) {
      expect(at(family, 0.014).sinkMS).toBeGreaterThan(at(family, 0.005).sinkMS)
      expect(at(family, 0.014).massKg - at(family, 0.005).massKg).toBeCloseTo(0.009, 9)
    }
    const floating = quickBody(
      assembleRig({ ...shad, lengthM: 0.14, material: 'airCell' }, rig('O2', { wire: 'fine' })),
      water,
      undefined,
    )
    expect(fallAsOne(floating, day.bottom)).toBeUndefined()
    expect(
      fallWithWeight(floating, day.bottom, 0.14, 'L4', 0.0004, densityOf({}, 'lead'), water),
    ).toBeUndefined()
  })
  it('between two weights lies between their falls; a weight that was worked out is given as it is', () => {
    const body = (kg: number): QuickFall =>
      fallAsOne(quickBody(assembleRig(shad, rig('E1', { weightKg: kg })), water, undefined), day.bottom)!
    const [light, heavy] = [body(0.003), body(0.014)]
    const middle = between([0.003, 0.014], [light, heavy], 0.007, -1)!
    expect(middle.massKg).toBeCloseTo(body(0.007).massKg, 4)
    expect(middle.sinkMS).toBeGreaterThan(light.sinkMS)
    expect(middle.sinkMS).toBeLessThan(heavy.sinkMS)
    expect(Math.abs(middle.sinkMS / body(0.007).sinkMS - 1)).toBeLessThan(0.12)
    expect(between([0.003, 0.014], [light, heavy], 0.014, 1)).toBe(heavy)
    expect(between([0.003, 0.014], [undefined, heavy], 0.007, -1)).toBe(heavy)
    expect([1, 2, 5].map(nodesOf)).toEqual([[0], [0, 1], [0, 4]])
  })
})

describe('the quick look at snags and bites', () => {
  it('agrees with the full draws of the same rig within the error of few draws', () => {
    const line = lineFromLb('braid', 15)
    const obstacles = obstaclesOf('thickWeed', 'sand')
    const ride = { retrieve: RETRIEVES.hop, postures: { retrieveRollRad: [0], fallRollRad: [0] } }
    for (const family of ['E1', 'W1'] as const) {
      const caught = snagRig(assembleRig(shad, rig(family)), line)
      const full = evaluateSnag(caught, obstacles, ride, seededRandom(5), 4000).minutesLeft.value
      const quick = snagOn(caught, obstacles, ride, drawMeetings(obstacles, ride, 5, 1500)).minutesLeft.value
      expect(Math.abs(quick - full)).toBeLessThan(5)
    }
    const tackle = { ...USUAL_TACKLE, line }
    const struck = strikeRig(assembleRig(shad, rig('W1')))
    // 1,500 bites of a chance about a half: two standard errors of each are 0.026 and 0.016
    expect(
      Math.abs(
        shareHooked(struck, tackle, drawFish(9, 1500)) -
          evaluateStrike(struck, tackle, seededRandom(4), 4000).hookUp.value,
      ),
    ).toBeLessThan(0.045)
  })
})

describe('the tackle a candidate is looked at with', () => {
  it('the thinnest line that brings out nine in ten, of those the hook bears', () => {
    expect(lineFor(goods, { medianN: 8, gsd: 1.5 }, 500).strengthN).toBe(40)
    expect(lineFor(goods, { medianN: 60, gsd: 1.5 }, 500).strengthN).toBe(180)
    expect(lineFor(goods, { medianN: 60, gsd: 1.5 }, 25).strengthN).toBe(40)
    expect(lineFor({ ...goods, lines: [] }, { medianN: 8, gsd: 1.5 }, 500).kind).toBe('braid')
  })
  it('the stiffest rod that casts it; medium where the box has none; nothing where none casts it', () => {
    expect(rodFor(goods, 0.005)).toBe('light')
    expect(rodFor(goods, 0.03)).toBe('heavy')
    expect(rodFor(goods, 0.2)).toBeUndefined()
    expect(rodFor({ ...goods, rods: [] }, 0.2)).toBe('medium')
  })
  it("a roof is gone through, the angler's own way followed", () => {
    expect(lookedAtWith({ ...day, cover: 'mat' })).toBe('punch')
    expect(RETRIEVES[lookedAtWith({ ...day, activity: 'slow', way: { work: 'paused' } })].tight).toBeLessThan(
      0.5,
    )
    expect(cadencesOf({ ...day, cover: 'mat' })).toEqual(['punch'])
    for (const id of cadencesOf({ ...day, activity: 'steady', way: { work: 'moving' } }))
      expect(RETRIEVES[id].tight).toBeGreaterThanOrEqual(0.5)
  })
})

describe('what a box can be rigged into', () => {
  it('every hook bare and with the loose weights of its families, heads as they are', () => {
    const found = riggingsOf(goods)
    const families = new Set(found.map(r => r.base.family))
    expect(families).toEqual(new Set(['E1', 'E7', 'W1', 'O2', 'L1', 'L3', 'J4', 'L4', 'L5', 'L6']))
    for (const { base, weights } of found)
      for (const { weightKg } of weights) {
        const { usualKg } = FAMILIES[base.family]
        if (usualKg && weightKg > 0 && !['E1', 'E7', 'W1'].includes(base.family))
          expect(weightKg).toBeLessThanOrEqual(1.1 * usualKg[1])
      }
  })
  it("the angler's own way narrows it: no lead, pegged, weedless", () => {
    for (const { weights } of riggingsOf(goods, { unleaded: true }))
      for (const w of weights) expect(w.weightKg > 0 && w.weightMaterial === 'lead').toBe(false)
    for (const { base } of riggingsOf(goods, { peg: 'pegged' }))
      if (base.family === 'L1') expect(base.peg).toBe('pegged')
    for (const { points } of riggingsOf(goods, { heads: 'weedless' })) expect(points).not.toContain('open')
    expect(beyondTheBox({ heads: 'weedless' }).some(r => r.base.family === 'E1')).toBe(false)
  })
  it('what cannot fit is seen without laying the hook', () => {
    const base = (family: FamilyId, hookSize: RigSpec['hookSize']) => ({ base: { family, hookSize } })
    expect(misfit(shad, base('E7', '2/0'))).toEqual({ id: 'fit', misfit: 'hollow' })
    expect(misfit(shad, base('L6', '1/0'))).toEqual({ id: 'fit', misfit: 'folds' })
    expect(misfit(shad, base('O2', '12/0'))).toEqual({ id: 'fit', misfit: 'tooLong' })
    expect(misfit({ ...shad, lengthM: 0.25 }, base('O2', '6'))).toEqual({ id: 'fit', misfit: 'tooShort' })
    expect(misfit(shad, base('O2', '3/0'))).toBeUndefined()
  })
})

describe('a search', () => {
  const riggings = riggingsOf(goods)
  const whole = toTheEnd(screen({ day, goods, riggings }))
  it('in parts, and with what was remembered, is the same as in one go', () => {
    const parts = [0, 1].map(nth => toTheEnd(screen({ day, goods, riggings, share: { nth, of: 2 } })))
    expect(together(parts)).toEqual(whole)
    const memory = searchMemory()
    toTheEnd(screen({ day, goods, riggings, memory }))
    expect(toTheEnd(screen({ day, goods, riggings, memory }))).toEqual(whole)
    // whatever is otherwise on another day, nothing of it is kept for this one
    const others: readonly Partial<Day>[] = [
      { depthM: 5, bottom: 'mud' },
      { temperatureC: 6, salinityGKg: 0 },
      { cover: 'wood', activity: 'slow' },
      { species: 'pike', feeding: 'gulp' },
    ]
    for (const other of others) {
      const there = { ...day, ...other }
      expect(toTheEnd(screen({ day: there, goods, riggings, memory }))).toEqual(
        toTheEnd(screen({ day: there, goods, riggings })),
      )
    }
    expect(toTheEnd(screen({ day, goods, riggings, memory }))).toEqual(whole)
  })
  it('looks at every bait on every rigging with every weight and point', () => {
    expect(whole).toHaveLength(
      goods.baits.length * riggings.reduce((sum, r) => sum + r.points.length * r.weights.length, 0),
    )
    for (const c of whole) {
      expect(c.score > 0).toBe(c.limit === undefined && c.factors !== undefined && scoreOf(c.factors) > 0)
      expect(rigOf(riggings[c.rigging]!, c.weight, c.point).pointRest).toBe(c.point)
    }
  })
  it('gives a finalist the line, rod and cadence that score best, found by trying all', () => {
    const one = whole
      .filter((c): c is Candidate & { traits: Traits } => c.score > 0 && c.traits !== undefined)
      .sort((a, b) => b.score - a.score)[0]!
    const spec = rigOf(riggings[one.rigging]!, one.weight, one.point)
    const { chosen } = outfitFor(day, goods, spec, one.traits)!
    expect(cadencesOf(day)).toContain(chosen.outfit.retrieve)
    expect(goods.lines.map(l => l.id)).toContain(chosen.lineId)
    // any other cadence with the same line and rod scores no better
    const scoring = scoringOf(day)
    const worth = (retrieve: typeof chosen.outfit.retrieve): number => {
      const made = assembleRig(one.traits.bait, spec)
      const ride = { retrieve: RETRIEVES[retrieve], postures: { retrieveRollRad: [0], fallRollRad: [0] } }
      const minutesLeft = evaluateSnag(
        snagRig(made, chosen.outfit.line),
        obstaclesOf(day.cover, day.bottom),
        ride,
        seededRandom(20261),
        150,
      ).minutesLeft.value
      return scoreOf(factorsOf(scoring, { ...one.traits, minutesLeft }, retrieve, chosen.outfit.line))
    }
    const best = worth(chosen.outfit.retrieve)
    for (const other of cadencesOf(day)) expect(worth(other)).toBeLessThan(1.1 * best)
  })
})
