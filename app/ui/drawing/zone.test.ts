import { describe, expect, it } from 'vitest'
import { SAMPLE_STRIDE, type Drop } from '#core'
import { starterContent } from '~/sheet/starter'
import { secondsIn, setDepth } from './zone'

/** A fall at half a metre a second, sampled every 0.02 s. */
function evenDrop(): Drop {
  const count = 201
  const samples = new Float64Array(count * SAMPLE_STRIDE)
  for (let i = 0; i < count; i++) samples.set([i * 0.02, 0, 0, -i * 0.01, 1, 0, 0, 0], i * SAMPLE_STRIDE)
  return { samples, timeS: 4, depthM: 2, steps: 200 }
}

describe('the feeding zone', () => {
  it('counts the seconds between its two depths', () => {
    expect(secondsIn(evenDrop(), { fromM: 1, toM: 1.5 })).toBeCloseTo(1, 6)
    expect(secondsIn(evenDrop(), { fromM: 0, toM: 2 })).toBeCloseTo(4, 6)
    expect(secondsIn(evenDrop(), { fromM: 2.5, toM: 3 })).toBe(0)
  })
  it('keeps inside the water when that gets shallower', () => {
    const draft = starterContent()
    draft.water.zone = { fromM: 1.2, toM: 2 }
    setDepth(draft, 1.5)
    expect(draft.water).toMatchObject({ depthM: 1.5, zone: { fromM: 1.2, toM: 1.5 } })
    setDepth(draft, 0.8)
    expect(draft.water.zone!.toM).toBe(0.8)
    expect(draft.water.zone!.fromM).toBeCloseTo(0.7, 9)
  })
})
