import { describe, expect, it } from 'vitest'
import { assembleRig } from '../rig/assemble'
import { problemsOf } from '../rig/problems'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { hydroBody } from './hydroBody'
import { dropRig } from './drop'
import { fallOf, FRESH, mustDrop } from './testing'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const timeOf = (spec: RigSpec): number =>
  mustDrop(hydroBody(assembleRig(bait, spec).geometry, FRESH), { depthM: 2 }).timeS
const open = (weightKg: number, more: Partial<RigSpec> = {}): RigSpec => ({
  family: 'E1',
  hookSize: '3/0',
  weightKg,
  weightMaterial: 'lead',
  pointRest: 'open',
  ...more,
})

describe('the nose behind a head', () => {
  it('no tenth of a gram makes a rig jump: fall time follows the weight all the way', () => {
    for (const family of ['E1', 'L1'] as const) {
      const spec = (g: number): RigSpec =>
        open(g / 1000, { family, pointRest: family === 'E1' ? 'open' : 'skin' })
      const grams = Array.from({ length: 60 }, (_, i) => 1 + 0.1 * i)
      const times = grams.map(g => timeOf(spec(g)))
      // a rig that goes over from one posture to another may slow; it may not jump
      for (let i = 1; i < times.length; i++)
        expect([family, grams[i], Math.abs(times[i]! / times[i - 1]! - 1) < 0.04]).toEqual([
          family,
          grams[i],
          true,
        ])
    }
  })
  it('a denser weight of the same mass falls no slower', () => {
    for (const weightKg of [0.0035, 0.007, 0.014]) {
      const bullet = (weightMaterial: RigSpec['weightMaterial']): number =>
        timeOf(open(weightKg, { family: 'L1', pointRest: 'skin', weightMaterial }))
      expect(bullet('tungsten')).toBeLessThanOrEqual(bullet('lead'))
      expect(bullet('lead')).toBeLessThanOrEqual(bullet('tin'))
    }
  })
})

describe('bodies that cannot be', () => {
  it('a bait cut off beyond its body is refused at the cut', () => {
    const craw: BaitSpec = { form: 'craw', lengthM: 0.1, material: 'plain' }
    const spec = open(0.005, { trimM: 0.065 })
    expect(problemsOf(craw, spec)).toEqual([
      { field: 'rig.trimM', code: 'bodyLeft', mostM: expect.closeTo(0.052, 2) as number },
    ])
    expect(() => assembleRig(craw, spec)).toThrow(/rig\.trimM/)
  })
  it('a fall faster than anything that falls is told, with what to look at', () => {
    const body = hydroBody(assembleRig(bait, open(0.005)).geometry, FRESH)
    // a body without drag, as a broken calculation would give it
    const nothing = {
      ...body,
      strips: new Float64Array(0),
      straight: new Float64Array(0),
      compacts: new Float64Array(0),
    }
    const drop = dropRig(nothing, { depthM: 60 })
    expect(drop.ok).toBe(false)
    expect(!drop.ok && [drop.code, drop.message]).toEqual([
      'unstable',
      expect.stringContaining('Look at the weight') as string,
    ])
  })
  it('the heaviest rigs stay well below that', () => {
    const heavy = fallOf({ family: 'E1', oz: 3.5, form: 'slimShad', lengthM: 0.06, size: '1/0' }, 10)
    expect(heavy.meanSpeedMS).toBeLessThan(4)
  })
})
