import { describe, expect, it } from 'vitest'
import { normalBelow, normalQuantile } from '../numerics/normal'
import { seededRandom } from '../numerics/random'
import { mean, standardDeviation, Z90 } from '../numerics/statistics'
import { drawsFor, drawsOfTruth } from './draws'
import { drawTruth, makeEnsemble, ownerOf } from './ensemble'
import { measureOf, quantile, shareOf } from './members'
import { parameterAt, PARAMETER_IDS, PARAMETERS } from './parameters'

const one = { plastic: 'slimShad plain', kind: 'covered', rig: 'W1' }
const other = { plastic: 'slimShad plain', kind: 'open', rig: 'E1' }

describe('the register', () => {
  it.each(PARAMETER_IDS)(
    '%s: the middle at 0, the ends of its range at the ends of nine tenths, rising',
    id => {
      const { middle, low, high } = PARAMETERS[id]
      expect(parameterAt(id, 0)).toBe(middle)
      expect(parameterAt(id, -Z90)).toBeCloseTo(low, 12)
      expect(parameterAt(id, Z90)).toBeCloseTo(high, 12)
      for (let z = -3; z < 3; z += 0.25)
        expect(parameterAt(id, z + 0.25)).toBeGreaterThanOrEqual(parameterAt(id, z))
      expect(PARAMETERS[id].words.length * PARAMETERS[id].source.length).toBeGreaterThan(0)
    },
  )
})

describe('the normal quantile', () => {
  it('undoes the distribution function, and is the published value at its usual places', () => {
    for (const p of [1e-4, 0.01, 0.2, 0.5, 0.77, 0.99])
      expect(normalBelow(normalQuantile(p))).toBeCloseTo(p, 6)
    expect(normalQuantile(0.95)).toBeCloseTo(1.6448536, 6)
    expect(normalQuantile(0.999)).toBeCloseTo(3.0902323, 6)
    expect(() => normalQuantile(1)).toThrow(RangeError)
  })
})

describe('an ensemble', () => {
  const ensemble = makeEnsemble()
  it.each(PARAMETER_IDS)('%s: one score in each of as many equal strata', id => {
    const strata = [...ensemble.scores(id)]
      .map(z => Math.floor(ensemble.size * normalBelow(z)))
      .sort((a, b) => a - b)
    // the distribution function is good to 1e-7: a score at the very edge may fall into the next
    strata.forEach((s, i) => expect(Math.abs(s - i)).toBeLessThanOrEqual(1))
    expect(mean(ensemble.scores(id))).toBeCloseTo(0, 1)
    expect(standardDeviation(ensemble.scores(id))).toBeCloseTo(1, 1)
  })
  it('has numbers that know nothing of one another', () => {
    const correlation = (a: Float64Array, b: Float64Array): number =>
      a.reduce((sum, x, m) => sum + x * b[m]!, 0) / a.length
    for (const [a, b] of [
      ['standing', 'press'],
      ['biteForce', 'hold'],
      ['crossDrag', 'eta'],
    ] as const)
      expect(Math.abs(correlation(ensemble.scores(a), ensemble.scores(b)))).toBeLessThan(0.02)
    for (const of of ['W1', 'E1'])
      expect(Math.abs(correlation(ensemble.scores('standing'), ensemble.scores('snagOwn', of)))).toBeLessThan(
        0.02,
      )
  })
  it("gives rigs the same place and fish, and each its own hand and its kind's discrepancy", () => {
    const [a, b] = [drawsFor(ensemble, one), drawsFor(ensemble, other)]
    for (const id of ['standing', 'biteForce', 'crossDrag', 'density'] as const)
      expect(a.scores(id)).toBe(b.scores(id))
    for (const id of ['snagKind', 'snagOwn', 'hookPlace'] as const)
      expect([...a.scores(id)]).not.toEqual([...b.scores(id)])
    expect(drawsFor(ensemble, { ...other, rig: 'E2' }).scores('snagKind')).toBe(b.scores('snagKind'))
    expect(ownerOf('modulus', one)).toBe(one.plastic)
  })
  it('is the same whatever was asked for before, and another for another seed', () => {
    const late = makeEnsemble()
    for (const id of [...PARAMETER_IDS].reverse()) late.scores(id)
    expect([...late.scores('press')]).toEqual([...makeEnsemble().scores('press')])
    expect([...makeEnsemble(256, 3).scores('press')]).not.toEqual([...late.scores('press')])
    expect(() => makeEnsemble(4)).toThrow(RangeError)
  })
  it('a truth is one draw, the same for what is shared', () => {
    const truth = drawTruth(5)
    expect(drawsOfTruth(truth, one).scores('standing')[0]).toBe(
      drawsOfTruth(truth, other).scores('standing')[0],
    )
    expect(drawsOfTruth(truth, one).scores('snagOwn')[0]).not.toBe(
      drawsOfTruth(truth, other).scores('snagOwn')[0],
    )
    expect(drawsOfTruth(truth, one).values('standing')[0]).toBe(
      parameterAt('standing', drawsOfTruth(truth, one).scores('standing')[0]!),
    )
  })
})

describe('members', () => {
  it('quantiles of even members lie where they should; weights count for so many copies', () => {
    const members = Float64Array.from({ length: 101 }, (_, i) => i)
    expect(quantile(members, 0.5)).toBeCloseTo(50, 9)
    expect(quantile(members, 0.05)).toBeCloseTo(4.55, 9)
    expect(quantile([5, 1, 3], 0)).toBe(1)
    expect(quantile([5, 1, 3], 1)).toBe(5)
    const twice = quantile([1, 2, 2, 3], 0.6)
    expect(quantile([1, 2, 3], 0.6, Float64Array.of(0.25, 0.5, 0.25))).toBeCloseTo(twice, 0)
    expect(shareOf(4, m => m < 1, Float64Array.of(0.7, 0.1, 0.1, 0.1))).toBe(0.7)
  })
  it('a range holds nine in ten of them and never leaves out the value', () => {
    const random = seededRandom(3)
    const members = Float64Array.from({ length: 400 }, () => random())
    const { low, high } = measureOf(0.5, members)
    expect(shareOf(400, m => members[m]! >= low && members[m]! <= high)).toBeCloseTo(0.9, 2)
    expect(measureOf(2, members)).toMatchObject({ value: 2, high: 2 })
  })
})
