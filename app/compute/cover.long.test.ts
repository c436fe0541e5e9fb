import { describe, expect, it } from 'vitest'
import { evaluateRig, FAMILIES, FAMILY_IDS, LIMITS, SNAG_DRAWS, type Conditions, type RigSpec } from '#core'
import { throughCover, type CoverJob } from './cover'
import { coverChanges } from './coverChanges'
import { biteOn, bitesOn } from './strike'

const conditions: Conditions = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 0,
  cover: 'wood',
  bottom: 'rock',
  lineKind: 'braid',
  lineStrengthN: 66,
}
const bait = { form: 'slimShad', lengthM: 0.09, material: 'plain' } as const
const head = {
  family: 'E1',
  hookSize: '3/0',
  weightKg: 0.0035,
  weightMaterial: 'lead',
  pointRest: 'open',
} as const
const belly = {
  family: 'W1',
  hookSize: '4/0',
  weightKg: 0.0035,
  weightMaterial: 'lead',
  pointRest: 'skin',
} as const
const job: CoverJob = {
  bait,
  conditions,
  lanes: [
    { letter: 'A', rig: belly },
    { letter: 'C', rig: head },
  ],
  draws: 1500,
  cast: 1,
}
const patient = { tell: () => undefined, pause: () => Promise.resolve(true) }

describe('through cover', () => {
  it('the same cast for every rig, its progress told, the same figures every time', async () => {
    const told: number[] = []
    const one = await throughCover(job, { tell: part => told.push(part), pause: () => Promise.resolve(true) })
    const again = await throughCover(job, patient)
    expect(one!.lanes.map(l => l.snag)).toEqual(again!.lanes.map(l => l.snag))
    const [a, c] = one!.lanes
    expect(a!.events.map(e => [e.atM, e.obstacle, e.sizeM])).toEqual(
      c!.events.map(e => [e.atM, e.obstacle, e.sizeM]),
    )
    expect(told.at(-1)).toBe(1)
    for (let i = 1; i < told.length; i++) expect(told[i]!).toBeGreaterThanOrEqual(told[i - 1]!)
    expect(c!.snag.minutesLeft.value).toBeLessThan(a!.snag.minutesLeft.value)
  })
  it('ends at once when nobody waits for it', async () => {
    let looks = 0
    expect(
      await throughCover(job, { tell: () => undefined, pause: () => Promise.resolve(++looks < 2) }),
    ).toBeUndefined()
    expect(looks).toBe(2)
  })
  // every family once, in places of three kinds
  it.each([
    ['still water, slack', 0, {}],
    [
      'a current and a controlled line',
      1,
      {
        stream: { surfaceMS: 0.3, towardRad: 1 },
        hold: { mode: 'controlled' as const, rodDistanceM: 15 },
        bottom: 'mud' as const,
      },
    ],
    [
      'weed, a line held tight, worked another way',
      2,
      {
        cover: 'thickWeed' as const,
        hold: { mode: 'tight' as const, rodDistanceM: 12 },
        retrieve: 'drag' as const,
      },
    ],
  ])('shows the very figures of the sheet, for every family: %s', async (_, from, more) => {
    const place: Conditions = { ...conditions, ...more }
    let n = 0
    for (const family of FAMILY_IDS.filter((_id, i) => i % 3 === from)) {
      const { weighted, pointRests, hollowOnly } = FAMILIES[family]
      const plastic = hollowOnly ? ({ form: 'tube', lengthM: 0.1, material: 'plain' } as const) : bait
      const rig: RigSpec = {
        family,
        hookSize: '2/0',
        weightKg: weighted ? 0.007 : 0,
        weightMaterial: 'lead',
        pointRest: pointRests[0]!,
      }
      const sheet = evaluateRig(plastic, rig, place)
      if (!sheet.ok) continue
      n++
      const cover = (await throughCover(
        { ...job, bait: plastic, conditions: place, lanes: [{ letter: 'A', rig }], draws: SNAG_DRAWS },
        patient,
      ))!.lanes[0]!
      expect([family, cover.snag]).toEqual([family, sheet.value.snag])
      expect([family, cover.hookUp]).toEqual([family, sheet.value.strike.hookUp])
      const bite = biteOn({ bait: plastic, conditions: place, rig })
      expect([family, bite.kind === 'bite' && bite.result]).toEqual([family, sheet.value.strike])
    }
    expect(n).toBeGreaterThan(8)
  })
  it('one that floats rides over what stays below, and past everything of the bottom', async () => {
    const frog = { form: 'frog', lengthM: 0.085, material: 'airCell' } as const
    const rig = {
      family: 'O2',
      hookSize: '3/0',
      weightKg: 0,
      weightMaterial: 'lead',
      pointRest: 'flush',
    } as const
    const lanes = [
      { letter: 'A', rig },
      { letter: 'B', rig: { ...rig, family: 'L1', weightKg: 0.014, pointRest: 'skin' } as const },
    ]
    const over = { ...conditions, cover: 'pads', bottom: 'shell' } as const
    const { obstacles, lanes: through } = (await throughCover(
      { ...job, bait: frog, conditions: over, lanes, cast: 3 },
      patient,
    ))!
    const [afloat, sunk] = through
    expect(afloat!.events).toHaveLength(sunk!.events.length)
    expect(afloat!.events.some(e => e.below)).toBe(true)
    expect(sunk!.events.some(e => e.below)).toBe(false)
    for (const e of afloat!.events)
      if (obstacles[e.obstacle]!.name.includes('shell'))
        expect(e).toMatchObject({ below: true, fate: 'past' })
    expect(afloat!.snag.snagPerCast.value).toBeLessThan(0.5 * sunk!.snag.snagPerCast.value)
    for (const leg of afloat!.path) expect(leg.fromHighM).toBeCloseTo(over.depthM, 6)
  })
  it('another cast meets other things', async () => {
    const other = await throughCover({ ...job, cast: 2 }, patient)
    expect(other!.lanes[0]!.events).not.toEqual((await throughCover(job, patient))!.lanes[0]!.events)
  })
})

describe('a bite', () => {
  it('has the hook-up of the spread, and a chain that follows the hand', () => {
    const answer = biteOn({ bait, conditions, rig: belly })
    if (answer.kind !== 'bite') throw new Error('invalid')
    const report = evaluateRig(bait, belly, conditions, { seed: 20261 })
    if (!report.ok) throw new Error(report.message)
    expect(answer.result.hookUp).toEqual(report.value.strike.hookUp)
    const soft = biteOn({ bait, conditions, rig: belly, biteN: 2 })
    expect(soft.kind === 'bite' && soft.chain.loss).toBe('notReached')
    expect(biteOn({ bait, conditions, rig: { ...belly, hookSize: '12/0' } }).kind).toBe('invalid')
  })
})

describe('bites on every rig of a sheet', () => {
  const all = bitesOn({ bait, conditions, lanes: job.lanes })
  it('go from all of them to those that the figure says are hooked, losing some at each step', () => {
    for (const { left, hookUp, lost } of all) {
      expect(left.at(-1)).toBeCloseTo(hookUp.value, 3)
      for (let i = 1; i < left.length; i++) expect(left[i]!).toBeLessThanOrEqual(left[i - 1]!)
      expect(Object.values(lost).reduce((sum, x) => sum + x, left.at(-1)!)).toBeCloseTo(1, 12)
    }
  })
  it('have for each step a fish that is lost there when it bites that rig', () => {
    let seen = 0
    for (const { letter, example } of all)
      for (const [loss, fish] of Object.entries(example)) {
        const { rig } = job.lanes.find(l => l.letter === letter)!
        const answer = biteOn({ bait, conditions, rig, fish })
        expect(answer.kind === 'bite' && answer.chain.loss).toBe(loss)
        seen++
      }
    expect(seen).toBeGreaterThan(4)
  })
})

describe('what one change would do in the cover', () => {
  const of = (rig: RigSpec) => coverChanges({ bait, conditions, rig }, patient)
  it('is ranked by fish, each with a range that holds it; only what the rig allows is tried', async () => {
    const [open, hidden] = await Promise.all([of(head), of(belly)])
    for (const changes of [open!, hidden!]) {
      expect(changes.length).toBeGreaterThan(3)
      for (const [i, { fish, minutes }] of changes.entries()) {
        expect(fish.low).toBeLessThanOrEqual(fish.value)
        expect(fish.high).toBeGreaterThanOrEqual(fish.value)
        expect(Math.abs(minutes.value)).toBeLessThan(60)
        if (i > 0) expect(fish.value).toBeLessThanOrEqual(changes[i - 1]!.fish.value)
      }
    }
    expect(open!.some(c => c.id === 'looks' || c.id === 'rest')).toBe(false)
    expect(open!.filter(c => c.id === 'guard').length).toBeGreaterThan(0)
    expect(hidden!.some(c => c.id === 'looks')).toBe(true)
  })
  it('gives an open head in drowned wood more minutes with a guard, or with the way of working that stays out of it', async () => {
    const changes = (await of(head))!
    const guarded = changes.filter(c => c.id === 'guard')
    for (const c of guarded) expect(c.minutes.value).toBeGreaterThan(0)
    expect(changes.some(c => c.id === 'worked' && c.minutes.value > 0)).toBe(true)
  })
  it('has figures for the shortest and the longest bait, where a rig may hook none', async () => {
    for (const [lengthM, hookSize, weightKg] of [
      [LIMITS.baitLengthM[0], '6', 0.0005],
      [LIMITS.baitLengthM[1], '8/0', 0.05],
    ] as const) {
      const rig: RigSpec = { ...belly, hookSize, weightKg }
      const changes = await coverChanges({ bait: { ...bait, lengthM }, conditions, rig }, patient)
      expect(changes!.length).toBeGreaterThan(0)
      for (const { fish, minutes, hookUp } of changes!)
        for (const { low, value, high } of [fish, minutes, hookUp])
          expect([low, value, high].every(Number.isFinite)).toBe(true)
    }
  })
  it('is called off between two changes', async () =>
    expect(
      await coverChanges(
        { bait, conditions, rig: head },
        { ...patient, pause: () => Promise.resolve(false) },
      ),
    ).toBeUndefined())
})
