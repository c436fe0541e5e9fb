import { describe, expect, it } from 'vitest'
import { evaluateRig, type Conditions } from '#core'
import { throughCover, type CoverJob } from './cover'
import { biteOn } from './strike'

const conditions: Conditions = { depthM: 2, temperatureC: 15, salinityGKg: 0, cover: 'wood', bottom: 'rock', lineKind: 'braid', lineStrengthN: 66 }
const bait = { form: 'slimShad', lengthM: 0.09, material: 'plain' } as const
const head = { family: 'E1', hookSize: '3/0', weightKg: 0.0035, weightMaterial: 'lead', pointRest: 'open' } as const
const belly = { family: 'W1', hookSize: '4/0', weightKg: 0.0035, weightMaterial: 'lead', pointRest: 'skin' } as const
const job: CoverJob = { bait, conditions, lanes: [{ letter: 'A', rig: belly }, { letter: 'C', rig: head }], draws: 8000, cast: 1 }
const patient = { tell: () => undefined, pause: () => Promise.resolve(true) }

describe('through cover', () => {
  it('the same cast for every rig, its progress told, the same figures every time', async () => {
    const told: number[] = []
    const one = await throughCover(job, { tell: part => told.push(part), pause: () => Promise.resolve(true) })
    const again = await throughCover(job, patient)
    expect(one!.lanes.map(l => l.snag)).toEqual(again!.lanes.map(l => l.snag))
    const [a, c] = one!.lanes
    expect(a!.events.map(e => [e.atM, e.obstacle, e.sizeM])).toEqual(c!.events.map(e => [e.atM, e.obstacle, e.sizeM]))
    expect(told.at(-1)).toBe(1)
    for (let i = 1; i < told.length; i++) expect(told[i]!).toBeGreaterThanOrEqual(told[i - 1]!)
    expect(c!.snag.minutesLeft.value).toBeLessThan(a!.snag.minutesLeft.value)
  })
  it('ends at once when nobody waits for it', async () => {
    let looks = 0
    expect(await throughCover(job, { tell: () => undefined, pause: () => Promise.resolve(++looks < 2) })).toBeUndefined()
    expect(looks).toBe(2)
  })
  it('agrees with the spread within the sampling error of both', async () => {
    const here = (await throughCover({ ...job, draws: 40_000 }, patient))!.lanes[1]!.snag.snagPerCast
    const there = evaluateRig(bait, head, conditions)
    if (!there.ok) throw new Error(there.message)
    // 4,000 and 10,000 draws a kind: each known to about 0.8 points
    expect(Math.abs(here.value - there.value.snag.snagPerCast.value)).toBeLessThan(0.04)
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
