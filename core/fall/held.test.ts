import { describe, expect, it } from 'vitest'
import { lineFromLb } from '../tackle/lines'
import { radToDeg } from '../units'
import { SAMPLE_STRIDE, dropRig, type Drop } from './drop'
import { dropTethered } from './dropTethered'
import { DEFAULT_FACTORS } from './factors'
import { LINE_MARKS } from './holdLine'
import { ROD_TIP_M, type LineHold } from './lineHold'
import { summarize } from './summary'
import { bodyOf, mustDrop } from './testing'

const line = lineFromLb('braid', 15)
const end = (samples: Float64Array): number[] => [...samples.subarray(samples.length - SAMPLE_STRIDE)]

describe('a current', () => {
  const stream = { surfaceMS: 0.4, towardRad: Math.PI / 2, depthM: 3 }
  it.each(['E1', 'W1', 'O2'] as const)('%s: carries the rig and changes nothing of its fall', family => {
    const still = mustDrop(bodyOf({ family }), { depthM: 3 })
    const moving = mustDrop(bodyOf({ family }), { depthM: 3, stream })
    expect(moving.timeS).toBeCloseTo(still.timeS, 9)
    // by less than the surface speed would, by more than half of it
    const carried = end(moving.samples)[2]! - end(still.samples)[2]!
    expect(carried).toBeLessThan(0.4 * moving.timeS)
    expect(carried).toBeGreaterThan(0.2 * moving.timeS)
    // and glide is that through the water
    expect(summarize(moving, stream).glide).toBeCloseTo(summarize(still).glide, 2)
    expect(summarize(moving).glide).toBeGreaterThan(summarize(still).glide)
  })
})

describe('a held line', () => {
  const tight = { mode: 'tight', rodDistanceM: 15 } as const
  it('keeps a rig on a closed bail within its length of the rod tip', () => {
    const body = bodyOf({ family: 'E1' })
    const drop = mustDrop(body, { depthM: 3, line, hold: tight })
    const length = Math.hypot(15, ROD_TIP_M)
    for (let i = 0; i < drop.samples.length; i += SAMPLE_STRIDE) {
      const far = Math.hypot(
        drop.samples[i + 1]! + 15,
        drop.samples[i + 2]!,
        ROD_TIP_M - drop.samples[i + 3]!,
      )
      // the centre of gravity lies within a few centimetres of the tie point
      expect(far).toBeLessThan(length * 1.002 + 0.06)
    }
    expect(end(drop.samples)[1]!).toBeLessThan(-0.2)
  })
  it('bows between rod and rig: under the straight line at first, behind it in the water', () => {
    const drop = mustDrop(bodyOf({ family: 'E1' }), { depthM: 3, line, hold: tight })
    const marks = drop.linePath!.subarray(drop.linePath!.length - 3 * LINE_MARKS)
    const [x0, z0, x1, z1] = [marks[0]!, marks[2]!, marks[3 * LINE_MARKS - 3]!, marks[3 * LINE_MARKS - 1]!]
    const bow = Math.max(
      ...Array.from({ length: LINE_MARKS }, (_, m) => {
        const [x, z] = [marks[3 * m]!, marks[3 * m + 2]!]
        return ((z - z0) * (x1 - x0) - (x - x0) * (z1 - z0)) / Math.hypot(x1 - x0, z1 - z0)
      }),
    )
    // the line is dragged up and out by the water: above the chord by a hand or more, by less than the depth
    expect(bow).toBeGreaterThan(0.1)
    expect(bow).toBeLessThan(2)
  })
  it('keeps an open head upright on a closed bail that rolls over on an open spool', () => {
    const roll = (hold: LineHold): number =>
      radToDeg(summarize(mustDrop(bodyOf({ family: 'E1' }), { depthM: 3, line, hold })).rollRad)
    expect(roll(tight)).toBeLessThan(15)
    expect(roll({ mode: 'slack' })).toBeGreaterThan(20)
  })
  it.each(['W1', 'E1', 'L1'] as const)(
    '%s: a light pull slows the fall, lifts the nose and draws the rig in',
    family => {
      const [slack, controlled] = (['slack', 'controlled'] as const).map(mode =>
        mustDrop(bodyOf({ family }), { depthM: 3, line, hold: { mode, rodDistanceM: 15 } }),
      )
      expect(controlled!.timeS).toBeGreaterThan(1.02 * slack!.timeS)
      expect(summarize(controlled!).pitchRad).toBeGreaterThan(summarize(slack!).pitchRad + 0.03)
      expect(end(controlled!.samples)[1]!).toBeLessThan(end(slack!.samples)[1]! - 0.1)
    },
  )
  it('needs a line', () =>
    expect(() => dropRig(bodyOf({ family: 'E1' }), { depthM: 1, hold: tight })).toThrow(/surroundingsOf/))
})

describe('an eighth of an ounce on a 90 mm paddle tail, ten-pound braid, three metres', () => {
  const feet = (drop: Drop): number => 3 / drop.timeS / 0.3048
  const ten = lineFromLb('braid', 10)
  const fall = (form: 'deepShad' | 'segmentedShad' | 'slimShad', hold?: LineHold, stock = ten): number =>
    feet(
      mustDrop(bodyOf({ form, family: 'E1', size: '3/0' }), {
        depthM: 3,
        line: stock,
        ...(hold ? { hold } : {}),
      }),
    )
  const closed = (rodDistanceM: number): LineHold => ({ mode: 'tight', rodDistanceM })
  it.each(['deepShad', 'segmentedShad', 'slimShad'] as const)(
    '%s: near two feet a second on an open spool, near one on a closed bail',
    form => {
      const open = fall(form)
      expect(open).toBeGreaterThan(1.9)
      expect(open).toBeLessThan(2.4)
      const ways = [20, 10, 5].map(m => fall(form, closed(m)))
      // the rule of thumb: a foot a second and somewhat more, ten to twenty metres out; the nearer the slower
      for (const way of ways.slice(0, 2)) {
        expect(way).toBeGreaterThan(1.1)
        expect(way).toBeLessThan(1.6)
      }
      expect(ways[1]).toBeLessThan(ways[0]!)
      expect(ways[2]).toBeLessThan(0.85 * ways[1]!)
    },
  )
  it('the thinner the line, the faster it falls on a closed bail', () => {
    const found = [4, 10, 20, 40].map(lb => fall('slimShad', closed(10), lineFromLb('braid', lb)))
    for (let i = 1; i < found.length; i++) expect(found[i]!).toBeLessThan(0.97 * found[i - 1]!)
  })
  it('hangs under the rod where the line does not reach, and says how deep', () => {
    const drop = dropRig(bodyOf({ family: 'E1' }), { depthM: 3, line: ten, hold: closed(3) })
    expect(drop.ok).toBe(false)
    if (drop.ok) return
    expect(drop.code).toBe('hangs')
    expect(drop.depthM).toBeCloseTo(Math.hypot(3, ROD_TIP_M) - ROD_TIP_M, 6)
  })
  it('is held up by a stream that its line hangs in', () => {
    const drop = dropRig(bodyOf({ family: 'E1', oz: 1 / 16 }), {
      depthM: 5,
      line: lineFromLb('braid', 30),
      hold: closed(15),
      stream: { surfaceMS: 0.9, towardRad: 0, depthM: 5 },
    })
    expect(drop.ok ? 'down' : drop.code).toBe('hangs')
  })
  it('a rod that is lifted keeps it off the bottom for longer', () => {
    const lift = { afterS: 2, byM: 1, overS: 1 }
    const at = (hold: LineHold): number =>
      mustDrop(bodyOf({ family: 'E1', size: '3/0' }), { depthM: 3, line: ten, hold }).timeS
    expect(at({ mode: 'tight', rodDistanceM: 10, lift })).toBeGreaterThan(1.1 * at(closed(10)))
  })
})

describe('a bait above a weight', () => {
  const weight = {
    massKg: 0.007,
    displacedKg: 0.0006,
    diameterM: 0.0106,
    dragFactor: 1,
    tetherM: 0.4,
    lineOnWeight: false,
  } as const
  const bait = bodyOf({ form: 'straightWorm', lengthM: 0.1, densityKgM3: 1000, family: 'O2', size: '6' })
  const height = (hold?: LineHold): number => {
    const drop = dropTethered(bait, weight, {
      depthM: 3,
      line,
      factors: DEFAULT_FACTORS,
      ...(hold ? { hold } : {}),
    })
    if (!drop.ok) throw new Error(drop.message)
    return 3 + end(drop.value.samples)[3]!
  }
  it('is kept off the bottom by a line that is held, and lies down on one that is not', () => {
    expect(height()).toBeLessThan(0.05)
    expect(height({ mode: 'controlled', rodDistanceM: 3 })).toBeGreaterThan(0.15)
    expect(height({ mode: 'tight', rodDistanceM: 8 })).toBeGreaterThan(0.15)
  })
})

describe('a bait rigged crooked', () => {
  const turns = (family: 'W1' | 'E1' | 'L1', bendM: number): number =>
    Math.abs(summarize(mustDrop(bodyOf({ family, bendM, size: '3/0' }), { depthM: 6 })).turnsPerM)
  it.each(['W1', 'E1', 'L1'] as const)('%s: the more crooked, the more turns per metre', family => {
    const found = [0.004, 0.008, 0.012, 0.016].map(bendM => turns(family, bendM))
    for (let i = 1; i < found.length; i++) expect(found[i]!).toBeGreaterThan(found[i - 1]!)
  })
  it('a straight belly-weighted bait does not turn; bent the other way it turns the other way', () => {
    expect(turns('W1', 0)).toBeLessThan(0.01)
    const way = (bendM: number): number =>
      summarize(
        mustDrop(bodyOf({ family: 'W1', bendM }), { depthM: 3, start: { heading: 0, pitch: 0, roll: 0 } }),
      ).turnsPerM
    expect(way(-0.01)).toBeCloseTo(-way(0.01), 6)
  })
})
