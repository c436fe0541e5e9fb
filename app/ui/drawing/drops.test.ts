import { describe, expect, it } from 'vitest'
import {
  evaluateRig,
  SAMPLE_STRIDE,
  secondsTo,
  type BaitSpec,
  type Conditions,
  type Drop,
  type RigSpec,
} from '#core'
import { axesOf } from '~/features/spread/axes'
import { countTo } from '~/features/pick/countdown'
import { bendAt, firstFrom, momentAt, reachOf, SETTLE_S, weightAt } from './dropPath'
import { seriesOf } from './series'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const conditions: Conditions = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 35,
  cover: 'open',
  bottom: 'sand',
  lineKind: 'braid',
  lineStrengthN: 67,
}
const report = (rig: Partial<RigSpec>) => {
  const found = evaluateRig(
    bait,
    { family: 'W1', hookSize: '4/0', weightKg: 0.0035, weightMaterial: 'lead', pointRest: 'skin', ...rig },
    conditions,
  )
  if (!found.ok) throw new Error(found.message)
  return found.value
}
const belly = report({})
const ahead = report({ family: 'L3', weightKg: 0.007 })
const { drop, rest } = belly.fall

describe('a drop as it is drawn', () => {
  it('stands at its samples, between them in between, and at the bottom after the end', () => {
    const k = 20
    const [t0, , , z0] = drop.samples.subarray(k * SAMPLE_STRIDE)
    const [t1, , , z1] = drop.samples.subarray((k + 1) * SAMPLE_STRIDE)
    expect(momentAt(drop, t0!).z).toBeCloseTo(z0!, 12)
    expect(momentAt(drop, (t0! + t1!) / 2).z).toBeCloseTo((z0! + z1!) / 2, 12)
    expect(momentAt(drop, 0).landed).toBe(false)
    expect(momentAt(drop, drop.timeS + 9).landed).toBe(true)
    for (const t of [0, 1.3, drop.timeS + 0.2])
      expect(Math.hypot(...momentAt(drop, t, rest).q)).toBeCloseTo(1, 12)
  })
  it('settles from the touch to its rest without a jump', () => {
    const before = momentAt(drop, drop.timeS, rest)
    const soon = momentAt(drop, drop.timeS + 0.001, rest)
    expect(Math.abs(soon.z - before.z)).toBeLessThan(1e-4)
    const after = momentAt(drop, drop.timeS + SETTLE_S, rest)
    expect(after).toEqual({ ...momentAt(drop, drop.timeS + 5, rest) })
    if (rest.centreM !== undefined) expect(after.z).toBeCloseTo(rest.centreM - 2, 9)
  })
  it('of a bait that bends, goes over into the shape in which it lies', () => {
    const found = evaluateRig(
      { form: 'straightWorm', lengthM: 0.15, material: 'salted' },
      { family: 'E1', hookSize: '4/0', weightKg: 0.0035, weightMaterial: 'lead', pointRest: 'open' },
      conditions,
    )
    if (!found.ok || !found.value.fall.rest.bent) throw new Error('it does not bend')
    const { fall } = found.value
    const lying = bendAt(fall.drop, fall.drop.timeS + SETTLE_S, fall.rest).flat()
    expect(lying).toHaveLength(fall.rest.bent!.length)
    for (const [i, v] of lying.entries()) expect(v).toBeCloseTo(fall.rest.bent![i]!, 6)
    const half = bendAt(fall.drop, fall.drop.timeS + SETTLE_S / 2, fall.rest)
    for (const q of half) expect(Math.hypot(...q)).toBeCloseTo(1, 12)
    expect(half.flat()).not.toEqual(lying)
  })
  it('finds the sample of a time, and its reach to either side', () => {
    expect(firstFrom(drop.samples, 0)).toBe(0)
    expect(drop.samples[firstFrom(drop.samples, 1) * SAMPLE_STRIDE]!).toBeGreaterThanOrEqual(1)
    expect(drop.samples[(firstFrom(drop.samples, 1) - 1) * SAMPLE_STRIDE]!).toBeLessThan(1)
    const [low, high] = reachOf(drop)
    for (let i = 1; i < drop.samples.length; i += SAMPLE_STRIDE) {
      expect(drop.samples[i]!).toBeGreaterThanOrEqual(low)
      expect(drop.samples[i]!).toBeLessThanOrEqual(high)
    }
  })
  it('a weight on a leader has a place of its own, below the bait; a belly weight has none', () => {
    expect(weightAt(drop, 1)).toBeUndefined()
    const hung = ahead.fall.drop
    const at = weightAt(hung, 1.5)!
    expect(at[2]).toBeLessThan(momentAt(hung, 1.5).z)
  })
})

describe('a drop as it is charted', () => {
  const { t, depth, speed, pitch } = seriesOf(drop)
  it('goes with its samples, thinned to what a chart can show, and is made once', () => {
    expect(t.length).toBeLessThanOrEqual(400)
    expect(seriesOf(drop)).toBe(seriesOf(drop))
    expect(depth[0]).toBeCloseTo(-drop.samples[3]!, 12)
    for (let i = 1; i < t.length; i++) expect(t[i]!).toBeGreaterThan(t[i - 1]!)
  })
  it('the speed adds up to the depth, and ends as the summary says', () => {
    let sunk = 0
    for (let i = 1; i < t.length; i++) sunk += ((speed[i]! + speed[i - 1]!) / 2) * (t[i]! - t[i - 1]!)
    expect(sunk / (depth.at(-1)! - depth[0]!)).toBeGreaterThan(0.97)
    expect(sunk / (depth.at(-1)! - depth[0]!)).toBeLessThan(1.03)
    expect(Math.abs(speed.at(-1)! / belly.fall.summary.endSpeedMS - 1)).toBeLessThan(0.15)
    for (const p of pitch) expect(Math.abs(p)).toBeLessThanOrEqual(90)
  })
})

describe('axes and counts', () => {
  it('one axis for all lanes, from the least to the greatest of their ranges', () => {
    const { fall } = axesOf([belly, ahead])
    expect(fall[0]).toBe(Math.min(belly.fall.timeS.low, ahead.fall.timeS.low))
    expect(fall[1]).toBe(Math.max(belly.fall.timeS.high, ahead.fall.timeS.high))
    expect(axesOf([]).minutes).toEqual([0, 60])
  })
  it('counts whole seconds to the zone and to the bottom', () => {
    const day = { depthM: 2, zone: { fromM: 1, toM: 1.5 } } as Parameters<typeof countTo>[1]
    const { zone, bottom } = countTo(belly, day)
    expect(zone).toBe(Math.round(secondsTo(drop as Drop, 1)))
    expect(bottom).toBe(Math.round(belly.fall.timeS.value))
    expect(zone).toBeLessThan(bottom)
  })
})
