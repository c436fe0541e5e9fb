import { describe, expect, it } from 'vitest'
import { makeEnsemble, ownerOf, type Owners } from '../uncertainty/ensemble'
import { settlesOf } from './settle'

const ensemble = makeEnsemble()
const soft: Owners = { plastic: 'soft', kind: 'covered', rig: 'A' }
const stiff: Owners = { plastic: 'stiff', kind: 'covered', rig: 'B' }

describe('what would settle a choice', () => {
  it.each([
    ['bending', 'drops'],
    ['bendingLoss', 'drops'],
    ['wear', 'looks'],
    ['modulus', 'squeeze'],
  ] as const)('that turns on %s of one plastic is %s', (id, test) => {
    const z = ensemble.scores(id, ownerOf(id, soft))
    const { settles, turnsOn } = settlesOf(
      [
        { letter: 'A', owners: soft, members: z.map(x => 1 + 0.3 * x) },
        { letter: 'B', owners: stiff, members: z.map(() => 1) },
      ],
      ensemble,
    )
    expect(turnsOn).toBe(id)
    expect(settles[0]!.test).toBe(test)
  })
})
