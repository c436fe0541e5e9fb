import { beforeAll, describe, expect, it } from 'vitest'
import { DRAG_SHARE } from '../fit/holdRules'
import { seededRandom } from '../numerics/random'
import { toTheEnd } from '../numerics/toTheEnd'
import { assembleRig } from '../rig/assemble'
import { obstaclesOf } from '../snag/cover'
import { snagRig } from '../snag/catchSite'
import { evaluateSnag } from '../snag/evaluateSnag'
import { RETRIEVES } from '../snag/retrieve'
import { strikeRig } from '../strike/bite'
import { shareDrawn } from '../strike/evaluateStrike'
import { HOOK_SIZES } from '../tackle/hooks'
import { lineOf } from '../tackle/lines'
import { fieldOf, inOrder, ranked, ROUNDS, seenWith, type Field } from './choose'
import { lookCloser } from './closer'
import { tackleOf } from './conditions'
import { bittenBy, type Day } from './day'
import { cadencesOf, finish, outfitFor } from './finish'
import type { Goods } from './goods'
import { limitOf } from './limits'
import { searchMemory } from './memory'
import { factorsOf, scoreOf, scoringOf } from './score'
import { rigOf, screen, type Candidate } from './screen'

const goods: Goods = {
  baits: [
    { id: 'worm', name: 'worm 150', spec: { form: 'flatWorm', lengthM: 0.15, material: 'floating' } },
    { id: 'shad', name: 'shad 90', spec: { form: 'slimShad', lengthM: 0.09, material: 'plain' } },
  ],
  hooks: [
    { id: 'wide', style: 'wideGap', size: '4/0' },
    { id: 'fine', style: 'straight', size: '3/0' },
  ],
  heads: [
    { id: 'ball', family: 'E1', size: '3/0', weightKg: 0.005, weightMaterial: 'lead' },
    { id: 'foot', family: 'E2', size: '3/0', weightKg: 0.01, weightMaterial: 'lead' },
  ],
  weights: [
    { id: 'bullet', shape: 'bullet', weightKg: 0.007, weightMaterial: 'tungsten' },
    { id: 'round', shape: 'ball', weightKg: 0.007, weightMaterial: 'lead' },
  ],
  lines: [
    { id: 'thin', line: lineOf('braid', 50) },
    { id: 'thick', line: lineOf('braid', 120) },
    { id: 'mono', line: lineOf('fluorocarbon', 60) },
  ],
  rods: [
    { id: 'soft', name: 'soft', power: 'mediumLight', castKg: [0.002, 0.02] },
    { id: 'stiff', name: 'stiff', power: 'heavy', castKg: [0.005, 0.05] },
  ],
}
const day: Day = {
  depthM: 4.5,
  temperatureC: 13,
  salinityGKg: 0,
  cover: 'wood',
  bottom: 'mud',
  clarity: 'stained',
  light: 'dull',
  species: 'blackBass',
  activity: 'steady',
  feeding: 'grab',
  prey: 'worm',
  preyM: 0.12,
  stream: { surfaceMS: 0.1, towardRad: 0.5 },
}

const memory = searchMemory()
function looked(on: Day, box = goods): { readonly field: Field; readonly order: Candidate[] } {
  const field = fieldOf(on, box, {})
  return { field, order: ranked(on, field, toTheEnd(screen({ day: on, ...field, memory }))) }
}

/** The best of every family. */
function ofEach({ riggings }: Field, order: readonly Candidate[]): Candidate[] {
  const of = (c: Candidate): string => riggings[c.rigging]!.base.family
  return order.filter((c, i) => order.findIndex(other => of(other) === of(c)) === i)
}

describe('a closer look', () => {
  let field: Field
  let order: Candidate[]
  beforeAll(() => void ({ field, order } = looked(day)))

  it.each([
    ['from the bank', day],
    ['at one fish in sight', { ...day, aim: 'sight', depthM: 1.2 }],
  ] as const)('comes to the score of the full evaluation, of every family, %s', (_, on) => {
    const { field: there, order: all } = looked(on)
    const ones = ofEach(there, all)
    expect(ones.length).toBeGreaterThan(5)
    for (const one of ones) {
      const closer = lookCloser(on, goods, there.riggings, one, { memory })
      const full = finish(on, goods, there.riggings, one, { memory })
      expect(closer.limit).toEqual(full?.limit)
      expect(closer.score).toBeCloseTo(full && !full.limit ? full.score : 0, 12)
      if (!full) continue
      expect(closer.chosen).toMatchObject({ outfit: full.outfit, lineId: full.lineId, rodId: full.rodId })
      // what it is evaluated in full with afterwards is the same
      expect(finish(on, goods, there.riggings, closer, { memory })?.score).toBe(full.score)
    }
  })
  it('is nearer to the whole one when rough than the quick look is, and puts them in much the same order', () => {
    const ones = ofEach(field, order)
    const whole = ones.map(one => lookCloser(day, goods, field.riggings, one, { memory }).score)
    const rough = ones.map(one => lookCloser(day, goods, field.riggings, one, { memory, rough: true }).score)
    const apart = (scores: readonly number[]): number =>
      scores.reduce((sum, s, i) => sum + Math.abs(s / whole[i]! - 1), 0) / scores.length
    expect(apart(rough)).toBeLessThan(0.15)
    expect(apart(rough)).toBeLessThan(apart(ones.map(one => one.score)))
    const best = whole.indexOf(Math.max(...whole))
    expect(rough[best]).toBeGreaterThan(0.9 * Math.max(...rough))
  })
  it('is the same, roughly and wholly, whatever days were asked about before', () => {
    const others: readonly Day[] = [
      { ...day, temperatureC: 4, salinityGKg: 35 },
      { ...day, cover: 'boulders', bottom: 'rock', activity: 'slow' },
    ]
    const kept = searchMemory()
    for (const rough of [true, false])
      for (const on of [...others, day])
        for (const one of ofEach(field, order).slice(0, rough ? 6 : 2))
          expect(lookCloser(on, goods, field.riggings, one, { memory: kept, rough })).toEqual(
            lookCloser(on, goods, field.riggings, one, { rough }),
          )
  })
  it.each([0.03, 0.4])('has a figure for a bait of %s m on the lightest and the heaviest weight', lengthM => {
    const far: Goods = {
      ...goods,
      baits: [{ id: 'worm', name: 'worm', spec: { form: 'flatWorm', lengthM, material: 'plain' } }],
      hooks: HOOK_SIZES.map(size => ({ id: `hook ${size}`, style: 'wideGap', size })),
      heads: HOOK_SIZES.flatMap(size =>
        [0.0005, 0.06].map(weightKg => ({
          id: `head ${size} ${weightKg}`,
          family: 'E1' as const,
          size,
          weightKg,
          weightMaterial: 'lead' as const,
        })),
      ),
      weights: [0.0005, 0.06].map(weightKg => ({
        id: `${weightKg}`,
        shape: 'bullet',
        weightKg,
        weightMaterial: 'tungsten',
      })),
      rods: [],
    }
    const on = { ...day, preyM: lengthM }
    const { field: there, order: laid } = looked(on, far)
    expect(laid.length).toBeGreaterThan(0)
    for (const one of [...laid.slice(0, 4), ...laid.slice(-4)])
      for (const rough of [true, false]) {
        const { score } = lookCloser(on, far, there.riggings, one, { memory, rough })
        expect(score >= 0 && score < 100).toBe(true)
      }
  })
  it('is 0 for what no rod of the box casts', () => {
    const feeble = { ...goods, rods: [{ ...goods.rods[0]!, castKg: [0.0001, 0.0005] as const }] }
    expect(lookCloser(day, feeble, field.riggings, order[0]!, { memory })).toEqual({ ...order[0]!, score: 0 })
  })
  it('takes line, rod and cadence of all there are that score best', () => {
    const scoring = scoringOf(day)
    for (const one of ofEach(field, order).slice(0, 5)) {
      const traits = one.traits!
      const spec = rigOf(field.riggings[one.rigging]!, one.weight, one.point)
      const rig = assembleRig(traits.bait, spec)
      const worth = (
        retrieve: ReturnType<typeof cadencesOf>[number],
        lineNo: number,
        rodNo: number,
      ): number => {
        const { line } = goods.lines[lineNo]!
        const ride = { retrieve: RETRIEVES[retrieve], postures: { retrieveRollRad: [0], fallRollRad: [0] } }
        const { minutesLeft } = evaluateSnag(
          snagRig(rig, line),
          obstaclesOf(day.cover, day.bottom),
          ride,
          seededRandom(20261),
          150,
        )
        const tackle = tackleOf(
          { ...bittenBy(day), rod: goods.rods[rodNo]!.power, retrieve, match: traits.match },
          line,
        )
        // as it counts, half a fish is neither hooked nor lost
        const hookUp = (shareDrawn(strikeRig(rig), tackle, seededRandom(20262), 200) * 201 - 0.5) / 200
        const full = { ...traits, hookUp, minutesLeft: minutesLeft.value }
        const barred = limitOf(day, full, line, scoring.water) !== undefined
        return scoreOf(factorsOf(scoring, full, retrieve, line)) * (barred ? 1e-3 : 1)
      }
      const {
        chosen: { outfit, lineId, rodId },
      } = outfitFor(day, goods, spec, traits)!
      const bears = goods.lines.filter(l => traits.openingN >= 1.35 * DRAG_SHARE * l.line.strengthN)
      const usable = bears.length > 0 ? bears : goods.lines
      const best = Math.max(
        ...cadencesOf(day).flatMap(retrieve =>
          usable.flatMap(l =>
            goods.rods.flatMap((rod, r) =>
              traits.massKg >= rod.castKg![0] && traits.massKg <= rod.castKg![1]
                ? [worth(retrieve, goods.lines.indexOf(l), r)]
                : [],
            ),
          ),
        ),
      )
      const own = worth(
        outfit.retrieve,
        goods.lines.findIndex(l => l.id === lineId),
        goods.rods.findIndex(r => r.id === rodId),
      )
      expect(own).toBeGreaterThanOrEqual(best * (1 - 1e-9))
    }
  })
})

describe('a race', () => {
  /** The same box with more hooks and weights: more than are looked at closer. */
  const wider: Goods = {
    ...goods,
    hooks: (['2/0', '3/0', '4/0', '5/0'] as const).map(size => ({ id: size, style: 'wideGap', size })),
    weights: [3, 4, 5, 7, 9, 12, 16].map(grams => ({
      id: `${grams}`,
      shape: 'bullet',
      weightKg: grams / 1000,
      weightMaterial: 'tungsten',
    })),
  }
  it('looks at nothing twice but what leads at the end, and takes its last word', () => {
    const { field, order } = looked(day, wider)
    // a closer look that turns the order round
    const turned = (c: Candidate): Candidate => ({ ...c, score: 1 / (1 + order.indexOf(c)) ** 0.1 / c.score })
    let seen: Candidate[] = []
    const names = (list: readonly Candidate[]): string[] =>
      list.map(c => `${c.bait} ${c.rigging} ${c.weight} ${c.point}`)
    for (const { rough, among } of ROUNDS) {
      const ones = among(field, order, seen)
      expect(new Set(names(ones)).size).toBe(ones.length)
      const before = new Set(names(seen))
      if (rough) expect(names(ones).some(name => before.has(name))).toBe(false)
      else expect(ones).toEqual(inOrder(seen).slice(0, ones.length))
      const now = ones.map(one => (rough ? turned(one) : { ...one, score: 0.5 * one.score }))
      const all = seenWith(seen, now)
      expect(all).toHaveLength(rough ? seen.length + ones.length : seen.length)
      expect(all.slice(all.length - now.length)).toEqual(now)
      seen = all
    }
    expect(seen.length).toBeGreaterThan(20)
    expect(seen.length).toBeLessThan(order.length)
  })
})
