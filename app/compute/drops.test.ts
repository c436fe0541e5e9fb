import { describe, expect, it } from 'vitest'
import type { RigSpec } from '#core'
import { bendLanes } from './drops'
import type { SheetJob } from './sheetJob'

const rig = (family: RigSpec['family'], more: Partial<RigSpec> = {}): RigSpec => ({
  family,
  hookSize: '4/0',
  weightKg: 0.0035,
  weightMaterial: 'lead',
  pointRest: 'skin',
  ...more,
})
const job: SheetJob = {
  bait: { form: 'straightWorm', lengthM: 0.2, material: 'salted' },
  conditions: {
    depthM: 2,
    temperatureC: 15,
    salinityGKg: 0,
    cover: 'open',
    bottom: 'sand',
    lineKind: 'braid',
    lineStrengthN: 66,
  },
  lanes: [
    { letter: 'A', rig: rig('E1', { pointRest: 'open' }) },
    { letter: 'B', rig: rig('J4') },
    { letter: 'C', rig: rig('E1', { hookSize: 'none' as never }) },
    {
      letter: 'D',
      rig: rig('O2', { weightKg: 0 }),
      evidence: { fall: { drag: 1.3, eta: 1, dragLeft: 0.3, etaLeft: 1, drops: 9 } },
    },
    { letter: 'E', rig: rig('O2', { weightKg: 0 }) },
  ],
}

describe('rigs whose plastic bends', () => {
  it('are dropped one after the other, each with why it is not; by what was measured of them', async () => {
    const told: number[] = []
    const found = (await bendLanes(job, {
      pause: () => Promise.resolve(true),
      tell: part => void told.push(part),
    }))!
    expect(found.map(({ letter, kind }) => [letter, kind])).toEqual([
      ['A', 'bent'],
      ['B', 'bent'],
      ['D', 'bent'],
      ['E', 'bent'],
    ])
    expect(told).toEqual([0.2, 0.4, 0.6, 0.8, 1])
    const [a, b, measured, plain] = found
    expect(b?.kind === 'bent' && 'weightPath' in b.drop).toBe(true)
    if (a?.kind !== 'bent' || measured?.kind !== 'bent' || plain?.kind !== 'bent') throw new Error('not bent')
    expect(a.links.filter(({ behind }) => behind).length).toBeGreaterThan(2)
    // more drag than the model's, longer down
    expect(measured.drop.timeS).toBeGreaterThan(1.05 * plain.drop.timeS)
  })
  it('are given up when nobody waits', async () => {
    const pause = (): Promise<boolean> => Promise.resolve(false)
    expect(await bendLanes(job, { pause, tell: () => undefined })).toBeUndefined()
  })
})
