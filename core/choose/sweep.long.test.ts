import { describe, expect, it } from 'vitest'
import type { Drop } from '../fall/drop'
import { stepOf } from '../fall/drop'
import type { TetheredDrop } from '../fall/dropTethered'
import { TETHER_STEP_S } from '../fall/fallOfPair'
import { dropAny } from '../fall/dropAny'
import { LINE_STEP_S } from '../fall/holdLine'
import { retrievePosture, towWith } from '../fall/retrieve'
import { summarize } from '../fall/summary'
import { seededRandom, type Random } from '../numerics/random'
import { assembleRig } from '../rig/assemble'
import { waterOf } from '../water/water'
import { lbfToN } from '../units'
import { fallBodiesOf } from './bodies'
import type { Conditions } from './conditions'
import { evaluateRig } from './evaluateRig'
import { dropPrepared, prepareRig, type PreparedRig } from './prepareRig'
import { randomRig } from './randomRig'
import { slowerWhenHeavier, wrongOf } from './sweepChecks'

/**
 * Evaluates rigs drawn at random and gathers what is wrong with their figures, and how many gave none, by
 * reason.
 */
function sweep(
  seed: number,
  count: number,
  holdOf: (random: Random) => Conditions['hold'],
): { readonly found: string[]; readonly codes: Record<string, number> } {
  const random = seededRandom(seed)
  const found: string[] = []
  const codes: Record<string, number> = {}
  for (let i = 0; i < count; i++) {
    const hold = holdOf(random)
    const drawn = randomRig(random, hold)
    const { name, bait, rig, conditions } = drawn
    const outcome = evaluateRig(bait, rig, conditions)
    if (!outcome.ok) codes[outcome.code] = (codes[outcome.code] ?? 0) + 1
    else
      found.push(
        ...wrongOf(outcome.value, conditions.depthM, bait.lengthM).map(w => `${w} :: ${name}`),
        ...(!hold && slowerWhenHeavier(drawn, outcome.value) === 'slower'
          ? [`slower when heavier :: ${name}`]
          : []),
      )
  }
  return { found, codes }
}

/**
 * Rigs that are gone through in every run of the tests, on an open spool and on a held line; the bench goes through
 * thousands.
 */
const OPEN = 24
const HELD = 12

describe('any rig in any place', () => {
  it('has figures that are figures on an open spool, or says why it has none', () => {
    const { found, codes } = sweep(4711, OPEN, () => undefined)
    expect(found).toEqual([])
    expect(codes.unstable ?? 0).toBe(0)
    expect((codes.floats ?? 0) + (codes.timeLimit ?? 0)).toBeLessThan(0.38 * OPEN)
  })
  it.each(['controlled', 'tight'] as const)('the same on a line that is held: %s', mode => {
    const { found, codes } = sweep(mode === 'tight' ? 815 : 814, HELD, random => ({
      mode,
      rodDistanceM: 4 + 20 * random(),
    }))
    expect(found).toEqual([])
    expect(codes.unstable ?? 0).toBe(0)
    // on a closed bail many hang under the rod or stream out in a current
    expect(HELD - Object.values(codes).reduce((sum, n) => sum + n, 0)).toBeGreaterThan(0.3 * HELD)
  })
})

describe('posture on a tight line', () => {
  it('is found for a hardly sinking bait that a weight jerks about', () => {
    // a floating frog under a bullet of ten grams: at the body's own step its first jolt cannot be followed
    const rig = assembleRig(
      { form: 'frog', lengthM: 0.093, material: 'airCell' },
      {
        family: 'L2',
        hookSize: '3/0',
        weightKg: 0.01063,
        weightMaterial: 'steel',
        pointRest: 'flush',
        trimLimbs: true,
      },
    )
    for (const water of [waterOf(16, 0), waterOf(16, 35)]) {
      const { typical, weight } = fallBodiesOf(rig, water)
      expect(
        [...retrievePosture(typical, towWith(weight, water)).pitchRad].every(p => Math.abs(p) <= Math.PI / 2),
      ).toBe(true)
    }
  })
})

/** Seconds to the bottom: of the bait, or of its weight where the bait hovers. */
const downS = (drop: Drop | TetheredDrop): number =>
  'ending' in drop && drop.ending === 'hovers' ? drop.weightTimeS : drop.timeS

/** A line that weighs more than this part of the rig in water, over the depth, may pull it down by itself. */
const HEAVY_LINE = 0.25
const lineWeighs = ({ line, water, bodies: { typical, weight }, fall }: PreparedRig): number => {
  const sinksKg =
    typical.geometry.massKg - typical.displacedKg + (weight ? weight.massKg - weight.displacedKg : 0)
  return (
    (((Math.max(0, line.densityKgM3 - water.densityKgM3) * Math.PI) / 4) *
      line.diameterM ** 2 *
      fall.depthM) /
    sinksKg
  )
}

/**
 * A bait that falls flat on an open spool shows the water its whole side; a line that tips it nose up shows
 * less of it.
 */
const FLAT_RAD = 0.5
const TIPPED_RAD = 0.35

describe('a closed bail', () => {
  it('is never faster than an open spool, unless the line outweighs the rig or tips up a bait that lies flat', () => {
    const random = seededRandom(99)
    const faster: string[] = []
    let compared = 0
    for (let i = 0; i < 20; i++) {
      const { name, bait, rig, conditions } = randomRig(random)
      const open = prepareRig(bait, rig, conditions)
      const free = dropPrepared(open)
      const held = dropPrepared(
        prepareRig(bait, rig, { ...conditions, hold: { mode: 'tight', rodDistanceM: 5 + 20 * random() } }),
      )
      if (!free.ok || !held.ok || lineWeighs(open) > HEAVY_LINE) continue
      compared++
      const turned = [free, held].map(({ value }) => summarize(value).pitchRad)
      if (Math.abs(turned[0]!) < FLAT_RAD && turned[1]! > turned[0]! + TIPPED_RAD) continue
      // a twentieth for gliders, which a line keeps from gliding
      if (downS(held.value) < 0.95 * downS(free.value))
        faster.push(
          `${downS(held.value).toFixed(2)} against ${downS(free.value).toFixed(2)} s, ${turned.map(p => p.toFixed(2)).join(' and ')} rad :: ${name}`,
        )
    }
    expect(faster).toEqual([])
    expect(compared).toBeGreaterThan(8)
  })
})

/** Lines thicker than this are for heavier rigs than fall on them here, m. */
const THICK_M = 0.0004

/**
 * A line that gets going from rest, or is jerked, wants shorter steps than can be afforded. So many falls may
 * differ by more than is asked, and none by more than `MOST_APART`.
 */
const RESTLESS = 2
const MOST_APART = { time: 0.025, pitchRad: 0.07 } as const

describe('a bait that floats over its weight', () => {
  it('is down when its weight is, sooner the heavier, also where it is carried on to the bottom behind it', () => {
    const conditions: Conditions = {
      depthM: 2.64,
      temperatureC: 16,
      salinityGKg: 0,
      cover: 'sparseWeed',
      bottom: 'sand',
      lineKind: 'braid',
      lineStrengthN: lbfToN(15),
    }
    const times = [10, 12, 14, 16, 18, 22, 28].map(grams => {
      const {
        bodies: { typical, weight },
        fall,
      } = prepareRig(
        { form: 'craw', lengthM: 0.115, material: 'airCell' },
        { family: 'L3', hookSize: '6', weightKg: grams / 1000, weightMaterial: 'tin', pointRest: 'flush' },
        conditions,
      )
      const drop = dropAny(typical, weight, fall)
      if (!drop.ok) throw new Error(drop.message)
      expect(drop.value).toMatchObject({ ending: 'hovers' })
      return downS(drop.value)
    })
    expect(times).toEqual([...times].sort((a, b) => b - a))
  })
})

describe('the pieces of a held line', () => {
  // a floating eel over its weight in a metre of water, which the bend of the line at the surface holds up,
  // is a tenth out
  it.each([
    ['tight', 0.012, 0.02],
    ['controlled', 0.025, 0.1],
  ] as const)('%s: sixty-four of them change the time to the bottom little', (mode, usual, most) => {
    const random = seededRandom(42)
    const changes: number[] = []
    for (let i = 0; i < 16; i++) {
      const { bait, rig, conditions } = randomRig(random, { mode, rodDistanceM: 15 })
      const {
        bodies: { typical, weight },
        fall,
        line,
      } = prepareRig(bait, rig, { ...conditions, depthM: Math.min(4, conditions.depthM) })
      const [few, many] = [
        dropAny(typical, weight, fall),
        dropAny(typical, weight, { ...fall, linePieces: 64 }),
      ]
      if (!few.ok || !many.ok || line.diameterM > THICK_M || conditions.stream) continue
      changes.push(Math.abs(downS(few.value) / downS(many.value) - 1))
    }
    changes.sort((a, b) => a - b)
    expect(changes.length).toBeGreaterThan(5)
    expect(changes[Math.floor(0.75 * changes.length)]).toBeLessThan(usual)
    expect(changes.at(-1)).toBeLessThan(most)
  })
})

describe('the step of a drop', () => {
  it.each([
    ['slack', 28],
    ['controlled', 14],
    ['tight', 14],
  ] as const)(
    '%s: a quarter of it changes fall time by less than 0.5 % and pitch by less than 1°',
    (mode, rigs) => {
      const random = seededRandom(42)
      const apart: string[] = []
      const changes: number[] = []
      for (let i = 0; i < rigs; i++) {
        const { name, bait, rig, conditions } = randomRig(
          random,
          mode === 'slack' ? undefined : { mode, rodDistanceM: 15 },
        )
        const {
          bodies: { typical, weight },
          fall,
        } = prepareRig(bait, rig, { ...conditions, depthM: Math.min(4, conditions.depthM) })
        const coarse = dropAny(typical, weight, fall)
        const steps = Math.min(stepOf(typical, fall), weight ? TETHER_STEP_S : Infinity)
        const fine = dropAny(typical, weight, {
          ...fall,
          stepS: steps / 4,
          lineStepS: (weight ? TETHER_STEP_S : LINE_STEP_S) / 4,
          linePartS: (weight ? TETHER_STEP_S : LINE_STEP_S) / 4,
        })
        if (!coarse.ok || !fine.ok) continue
        const time = Math.abs(downS(coarse.value) / downS(fine.value) - 1)
        const pitch = Math.abs(summarize(coarse.value).pitchRad - summarize(fine.value).pitchRad)
        changes.push(time)
        expect(time, name).toBeLessThan(MOST_APART.time)
        expect(pitch, name).toBeLessThan(MOST_APART.pitchRad)
        if (time > 0.005 || pitch > Math.PI / 180)
          apart.push(`${(100 * time).toFixed(2)} %, ${((180 / Math.PI) * pitch).toFixed(1)}° :: ${name}`)
      }
      changes.sort((a, b) => a - b)
      expect(changes.length).toBeGreaterThan(0.6 * rigs)
      expect(changes[Math.floor(changes.length / 2)]).toBeLessThan(0.001)
      expect(apart.length <= RESTLESS ? [] : apart).toEqual([])
    },
  )
})
