import { describe, expect, it } from 'vitest'
import { bendResponses } from '../fall/bendResponse'
import { dropAs, dropMiddle } from '../fall/dropMiddle'
import { DEFAULT_FACTORS } from '../fall/factors'
import type { FallResponse } from '../fall/fallMembers'
import { seededRandom } from '../numerics/random'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { bentFall } from './bentFall'
import { dropModel } from './dropModel'
import { evaluateRig, type RigReport } from './evaluateRig'
import { dropPrepared, prepareRig } from './prepareRig'
import { randomRig } from './randomRig'
import { STILL } from './testing'

const worm: BaitSpec = { form: 'straightWorm', lengthM: 0.2, material: 'salted' }
const head: RigSpec = {
  family: 'E1',
  hookSize: '4/0',
  weightKg: 0.0018,
  weightMaterial: 'lead',
  pointRest: 'open',
}
const reportOf = (bait: BaitSpec, rig: RigSpec, where = STILL): RigReport => {
  const found = evaluateRig(bait, rig, where)
  if (!found.ok) throw new Error(found.message)
  return found.value
}

describe('a bait that falls otherwise than a rod', () => {
  it.each([
    ['still water, slack', STILL],
    ['a current', { ...STILL, stream: { surfaceMS: 0.4, towardRad: 1 } }],
    ['a light pull', { ...STILL, hold: { mode: 'controlled', rodDistanceM: 15 } }],
  ] as const)('%s: its figures are those of the bent fall, and the rod’s time is told', (_, where) => {
    const { fall, links } = reportOf(worm, head, where)
    const bent = bentFall(worm, head, where)
    if (!bent.ok) throw new Error(bent.message)
    expect(fall.bending!.bends).toBeGreaterThan(0.3)
    expect(fall.timeS.value).toBeCloseTo(bent.value.drop.timeS, 9)
    expect(fall.drop).toEqual(bent.value.drop)
    expect(links).toEqual(bent.value.links)
    const { bodies, fall: given } = prepareRig(worm, head, where)
    const rod = dropAs('rod', bodies, given)
    if (!rod.ok) throw new Error(rod.message)
    expect(rod.value.downS).toBe(fall.bending!.rodS)
    // where a rod planes its nose goes down, the tail behind it
    expect(fall.timeS.value).toBeLessThan(0.95 * rod.value.downS)
    expect(fall.pitchRad.value).toBeLessThan(rod.value.summary.pitchRad - 0.15)
    expect(fall.glide.value).toBeLessThan(0.85 * rod.value.summary.glide)
    expect(fall.rest.posture).toBe('lies')
  })
  it('is as uncertain as its plastic is, how stiff and how much it loses, which a stiff one is not', () => {
    const { bodies, fall } = prepareRig(worm, head, STILL)
    type Links = NonNullable<typeof bodies.links>
    const doubtsOf = (links: Links, left = 1): FallResponse[] => {
      const middle = dropMiddle({ ...bodies, links }, fall)
      if (!middle.ok || !middle.value.bending) throw new Error('it does not bend')
      const { bending, summary } = middle.value
      return bendResponses({ ...bodies, links }, fall, DEFAULT_FACTORS, bending, summary, left)
    }
    const movesOf = ({ lnTime, pitchRad, glide }: FallResponse): number[] => [
      ...lnTime,
      ...pitchRad,
      ...glide,
    ]
    const [stiffness, loss] = doubtsOf(bodies.links!)
    expect([stiffness!.id, loss!.id]).toEqual(['bending', 'bendingLoss'])
    // stiffer, the nearer to the rod, which is flatter
    expect(stiffness!.pitchRad[1]).toBeGreaterThan(0.02)
    expect(Math.max(...stiffness!.lnTime.map(Math.abs))).toBeGreaterThan(0.01)
    // what it loses moves a fall, and less: its last way down is straight
    expect(Math.max(...movesOf(loss!).map(Math.abs))).toBeGreaterThan(1e-4)
    expect(Math.max(...loss!.lnTime.map(Math.abs))).toBeLessThan(0.05)
    // drops of one's own tell its time, and leave what they leave
    const half = doubtsOf(bodies.links!, 0.5)
    expect(half.map(r => r.lnTime[1])).toEqual([stiffness!.lnTime[1] / 2, loss!.lnTime[1] / 2])
    expect(half.map(r => r.pitchRad)).toEqual([stiffness!.pitchRad, loss!.pitchRad])
    // a plastic whose stiffness is known, one whose loss is, and one that is as it is
    const as = (links: Links): boolean[] => doubtsOf(links).map(r => movesOf(r).every(x => x === 0))
    expect(as(plastic => bodies.links!({ lossier: plastic?.lossier ?? 1 }))).toEqual([true, false])
    expect(as(plastic => bodies.links!({ stiffer: plastic?.stiffer ?? 1 }))).toEqual([false, true])
    expect(as(() => bodies.links!())).toEqual([true, true])
  })
  it('is the same for every look at it: sheet, snags, and drops of one’s own', () => {
    const { fall } = reportOf(worm, head)
    const drop = dropPrepared(prepareRig(worm, head, STILL))
    expect(drop.ok && drop.value.timeS).toBe(fall.timeS.value)
    const model = dropModel(worm, head, STILL)
    expect(model.ok && model.value.seconds).toBe(fall.timeS.value)
    expect(model.ok && model.value.pitchRad).toBe(fall.pitchRad.value)
    // slower with more drag, at most as the root of it
    expect(model.ok && model.value.byDrag).toBeGreaterThan(0.1)
    expect(model.ok && model.value.byDrag).toBeLessThan(0.6)
  })
  it('says nothing where a bait bends and falls like the rod all the same', () => {
    const shad = reportOf(
      { form: 'slimShad', lengthM: 0.09, material: 'plain' },
      { family: 'W1', hookSize: '4/0', weightKg: 0.007, weightMaterial: 'lead', pointRest: 'skin' },
    )
    expect([shad.fall.bending, shad.links, 'bent' in shad.fall.drop]).toEqual([undefined, undefined, false])
  })
  it('of rigs drawn at random has its range about it', () => {
    const random = seededRandom(77)
    const apart: string[] = []
    let n = 0
    while (n < 4) {
      const { name, bait, rig, conditions } = randomRig(random)
      const found = evaluateRig(bait, rig, { ...conditions, depthM: Math.min(2, conditions.depthM) })
      if (!found.ok || found.value.fall.bending?.rodS === undefined) continue
      n++
      const { timeS, pitchRad, glide } = found.value.fall
      for (const { value, low, high } of [timeS, pitchRad, glide])
        if (!(low <= value && value <= high && high > low)) apart.push(`${value} ${low} ${high} ${name}`)
    }
    expect(apart).toEqual([])
  })
})
