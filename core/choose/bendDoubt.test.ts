import { describe, expect, it } from 'vitest'
import { evaluateFall } from '../fall/evaluateFall'
import { seededRandom } from '../numerics/random'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { lbfToN } from '../units'
import { bentFall } from './bentFall'
import type { Conditions } from './conditions'
import { evaluateRig, type RigReport } from './evaluateRig'
import { prepareRig } from './prepareRig'
import { randomRig } from './randomRig'

const still: Conditions = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 0,
  cover: 'open',
  bottom: 'sand',
  lineKind: 'braid',
  lineStrengthN: lbfToN(15),
}
const worm: BaitSpec = { form: 'straightWorm', lengthM: 0.2, material: 'salted' }
const head: RigSpec = {
  family: 'E1',
  hookSize: '4/0',
  weightKg: 0.0018,
  weightMaterial: 'lead',
  pointRest: 'open',
}
const fallOf = (bait: BaitSpec, rig: RigSpec, where = still): RigReport['fall'] => {
  const found = evaluateRig(bait, rig, where)
  if (!found.ok) throw new Error(found.message)
  return found.value.fall
}

describe('a bait that falls otherwise than a rod', () => {
  it.each([
    ['still water, slack', still],
    ['a current', { ...still, stream: { surfaceMS: 0.4, towardRad: 1 } }],
    ['a light pull', { ...still, hold: { mode: 'controlled', rodDistanceM: 15 } }],
    [
      'after six drops of it',
      { ...still, evidence: { fall: { drag: 1.1, eta: 1, dragLeft: 0.3, etaLeft: 0.3, drops: 6 } } },
    ],
  ] as const)('%s: its time as it bends is told, and lies in the range of the rod', (_, where) => {
    const { timeS, bends, bentS } = fallOf(worm, head, where)
    const bent = bentFall(worm, head, where)
    expect(bends).toBeGreaterThan(0.3)
    expect(bent.ok && bent.value.drop.timeS).toBeCloseTo(bentS!, 9)
    expect(bentS).toBeLessThan(0.95 * timeS.value)
    expect(timeS.low).toBeLessThan(1.05 * bentS!)
  })
  it('has the middle of the rod, and a range that is wider on the side of the bent one alone', () => {
    const { bodies, fall } = prepareRig(worm, head, still)
    const [limp, stiff] = [bodies.limp, 0].map(limpness => {
      const found = evaluateFall({ ...bodies, limp: limpness }, fall)
      if (!found.ok) throw new Error(found.message)
      return found.value
    })
    expect(limp!.timeS.value).toBe(stiff!.timeS.value)
    expect(limp!.timeS.low).toBeLessThan(0.9 * stiff!.timeS.low)
    expect(Math.abs(limp!.timeS.high / stiff!.timeS.high - 1)).toBeLessThan(0.05)
    expect(limp!.pitchRad.low).toBeLessThan(stiff!.pitchRad.low)
  })
  it('says nothing where a bait bends and falls like the rod all the same', () => {
    const shad = fallOf(
      { form: 'slimShad', lengthM: 0.09, material: 'plain' },
      { family: 'W1', hookSize: '4/0', weightKg: 0.007, weightMaterial: 'lead', pointRest: 'skin' },
    )
    expect([shad.bends, shad.bentS]).toEqual([undefined, undefined])
  })
  it('has no bent time where the weight runs on its own, and says that it bends', () => {
    const free = fallOf(worm, {
      family: 'L1',
      hookSize: '4/0',
      weightKg: 0.0035,
      weightMaterial: 'lead',
      pointRest: 'skin',
      peg: 'free',
    })
    expect(free.bends).toBeGreaterThan(0.6)
    expect(free.bentS).toBeUndefined()
  })
  it('of rigs drawn at random lies in the range of the rod, or hardly outside it', () => {
    const random = seededRandom(77)
    const apart: string[] = []
    let n = 0
    while (n < 6) {
      const { name, bait, rig, conditions } = randomRig(random)
      const found = evaluateRig(bait, rig, { ...conditions, depthM: Math.min(2, conditions.depthM) })
      if (!found.ok || found.value.fall.bentS === undefined) continue
      n++
      const { timeS, bentS } = found.value.fall
      if (bentS < 0.9 * timeS.low || bentS > 1.1 * timeS.high)
        apart.push(`${bentS} ${timeS.low} ${timeS.high} ${name}`)
    }
    expect(apart).toEqual([])
  })
})
