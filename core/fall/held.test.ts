import { describe, expect, it } from 'vitest'
import { lineFromLb } from '../tackle/lines'
import { radToDeg } from '../units'
import { SAMPLE_STRIDE, dropRig } from './drop'
import { linePull, ROD_TIP_M } from './linePull'
import { summarize } from './summary'
import { bodyOf, mustDrop } from './testing'

const line = lineFromLb('braid', 15)
const end = (samples: Float64Array): number[] => [...samples.subarray(samples.length - SAMPLE_STRIDE)]

describe('a current', () => {
  const stream = { surfaceMS: 0.4, towardRad: Math.PI / 2, depthM: 3 }
  it.each(['E1', 'W1', 'O2'] as const)('%s: carries the rig and changes nothing of its fall', (family) => {
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
  it('keeps a tight rig on an arc round the rod tip, within the stretch of the line', () => {
    const body = bodyOf({ family: 'E1' })
    const drop = mustDrop(body, { depthM: 3, line, hold: tight })
    const length = Math.hypot(15, ROD_TIP_M)
    for (let i = 0; i < drop.samples.length; i += SAMPLE_STRIDE) {
      const far = Math.hypot(drop.samples[i + 1]! + 15, drop.samples[i + 2]!, ROD_TIP_M - drop.samples[i + 3]!)
      // the centre of gravity lies within a few centimetres of the tie point
      expect(far).toBeLessThan(length * 1.002 + 0.06)
    }
    expect(end(drop.samples)[1]!).toBeLessThan(-0.2)
  })
  it('keeps an open head upright on a tight line that rolls over on a slack one', () => {
    const roll = (hold: typeof tight | { mode: 'slack' }): number => radToDeg(summarize(mustDrop(bodyOf({ family: 'E1' }), { depthM: 3, line, hold })).rollRad)
    expect(roll(tight)).toBeLessThan(15)
    expect(roll({ mode: 'slack' })).toBeGreaterThan(20)
  })
  it.each(['W1', 'E1', 'L1'] as const)('%s: slows a controlled fall, lifts the nose and draws the rig in', (family) => {
    const [slack, controlled] = (['slack', 'controlled'] as const).map(mode => mustDrop(bodyOf({ family }), { depthM: 3, line, hold: { mode, rodDistanceM: 15 } }))
    expect(controlled!.timeS).toBeGreaterThan(1.02 * slack!.timeS)
    expect(summarize(controlled!).pitchRad).toBeGreaterThan(summarize(slack!).pitchRad + 0.1)
    expect(end(controlled!.samples)[1]!).toBeLessThan(end(slack!.samples)[1]! - 0.3)
  })
  it('pulls with EA/L times the stretch, and never pushes', () => {
    const pull = linePull(tight, line, 0.03)!
    const out = new Float64Array(3)
    const length = Math.hypot(15, ROD_TIP_M)
    pull([0, 0, 0], [0, 0, 0], out)
    expect(Math.hypot(...out)).toBeCloseTo(0, 9)
    pull([-15 + length + 0.02, 0, ROD_TIP_M], [0, 0, 0], out)
    expect(out[0]).toBeCloseTo(-line.stiffnessN / length * 0.02, 9)
    pull([-1, 0, 0], [-5, 0, 0], out)
    expect(Math.hypot(...out)).toBe(0)
  })
  it('needs a line', () => expect(() => dropRig(bodyOf({ family: 'E1' }), { depthM: 1, hold: tight })).toThrow(/surroundingsOf/))
})

describe('a bait rigged crooked', () => {
  const turns = (family: 'W1' | 'E1' | 'L1', bendM: number): number => Math.abs(summarize(mustDrop(bodyOf({ family, bendM, size: '3/0' }), { depthM: 6 })).turnsPerM)
  it.each(['W1', 'E1', 'L1'] as const)('%s: the more crooked, the more turns per metre', (family) => {
    const found = [0.004, 0.008, 0.012, 0.016].map(bendM => turns(family, bendM))
    for (let i = 1; i < found.length; i++) expect(found[i]!).toBeGreaterThan(found[i - 1]!)
  })
  it('a straight belly-weighted bait does not turn; bent the other way it turns the other way', () => {
    expect(turns('W1', 0)).toBeLessThan(0.01)
    const way = (bendM: number): number => summarize(mustDrop(bodyOf({ family: 'W1', bendM }), { depthM: 3, start: { heading: 0, pitch: 0, roll: 0 } })).turnsPerM
    expect(way(-0.01)).toBeCloseTo(-way(0.01), 6)
  })
})
