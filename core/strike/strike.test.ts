import { describe, expect, it } from 'vitest'
import { seededRandom } from '../numerics/random'
import { assembleRig } from '../rig/assemble'
import type { BaitSpec, PointRest, RigSpec } from '../rig/spec'
import { lineFromLb } from '../tackle/lines'
import type { HookDims } from '../tackle/hooks'
import { strikeRig, USUAL_TACKLE, type Tackle } from './bite'
import { evaluateStrike, setForceN } from './evaluateStrike'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const rigOf = (family: RigSpec['family'], pointRest: PointRest, b = bait, hook: Partial<HookDims> = {}) => strikeRig(assembleRig(b, {
  family, hookSize: '4/0', weightKg: family === 'O2' ? 0 : 0.0035, weightMaterial: 'lead', pointRest, hook,
}))
const tackle: Tackle = { ...USUAL_TACKLE, line: lineFromLb('braid', 20) }
const hookUp = (rig: ReturnType<typeof rigOf>, t = tackle): number => evaluateStrike(rig, t, seededRandom(3), 20_000).hookUp.value

describe('hook-up', () => {
  it('falls from open to flush to skin-hooked to buried', () => {
    const values = [rigOf('E1', 'open'), rigOf('W1', 'flush'), rigOf('W1', 'skin'), rigOf('W1', 'buried')].map(r => hookUp(r))
    for (let i = 1; i < values.length; i++) expect(values[i]!).toBeLessThan(values[i - 1]!)
  })
  it('is better in softer plastic when the point is hidden', () => {
    expect(hookUp(rigOf('W1', 'skin', { ...bait, material: 'salted' }))).toBeGreaterThan(hookUp(rigOf('W1', 'skin', { ...bait, material: 'floating' })))
  })
  it('suffers from stretch at a distance', () => {
    const far = (kind: 'braid' | 'mono'): number => hookUp(rigOf('W1', 'buried'), { ...tackle, distanceM: 40, line: lineFromLb(kind, 10) })
    expect(far('braid')).toBeGreaterThan(far('mono'))
  })
  it('is lost by a hook that opens', () => {
    const fine = evaluateStrike(rigOf('E1', 'open', bait, { wireM: 0.0005 }), tackle, seededRandom(3))
    expect(fine.losses[0]!.id).toBe('opens')
  })
  it('accounts for every bite, and repeats for a seed', () => {
    const r = evaluateStrike(rigOf('W1', 'skin'), tackle, seededRandom(9))
    expect(r.hookUp.value + r.losses.reduce((s, l) => s + l.share, 0)).toBeCloseTo(1, 9)
    expect(r).toEqual(evaluateStrike(rigOf('W1', 'skin'), tackle, seededRandom(9)))
    expect(r.hookUp.low).toBeLessThan(r.hookUp.value)
    expect(() => evaluateStrike(rigOf('W1', 'skin'), tackle, seededRandom(9), 0)).toThrow(/evaluateStrike/)
  })
})

describe('force of the set', () => {
  it('is rod and line in series, up to what rod and line can give', () => {
    const t: Tackle = { ...tackle, distanceM: 20, rodNPerM: 40, sweepM: 0.5, rodMostN: 100 }
    const line = t.line.stiffnessN / 20
    expect(setForceN(t, 0.1)).toBeCloseTo(0.4 * (40 * line) / (40 + line), 9)
    expect(setForceN(t, 2)).toBe(0)
    expect(setForceN({ ...t, sweepM: 50 }, 0)).toBe(t.line.strengthN < 100 ? t.line.strengthN : 100)
  })
})
