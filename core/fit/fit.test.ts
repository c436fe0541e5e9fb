import { describe, expect, it } from 'vitest'
import { assembleRig } from '../rig/assemble'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { lineFromLb } from '../tackle/lines'
import { HOOK_SIZES, typicalHook, type HookSize } from '../tackle/hooks'
import { evaluateFit } from './evaluateFit'
import type { RuleId } from './rules'
import { squeezeShare } from './squeeze'
import { openingLoadN } from './wireStrength'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const rigOf = (family: RigSpec['family'], hookSize: HookSize, b = bait, more: Partial<RigSpec> = {}) => assembleRig(b, {
  family, hookSize, weightKg: family === 'O2' ? 0 : 0.0035, weightMaterial: 'lead', pointRest: family === 'E1' ? 'open' : 'skin', ...more,
})
const ruleOf = (family: RigSpec['family'], size: HookSize, id: RuleId, b = bait, line = lineFromLb('braid', 10)) =>
  evaluateFit(rigOf(family, size, b), line).rules.find(r => r.id === id)!

describe('fit', () => {
  it('a 4/0 belly-weighted hook suits a 90 mm slim shad', () => expect(evaluateFit(rigOf('W1', '4/0'), lineFromLb('braid', 15)).verdict).toBe('pass'))

  it('a larger hook leaves less of the bait free and more of the gap clear', () => {
    const sizes = HOOK_SIZES.filter(s => typicalHook('wideGap', s).lengthM < 0.08)
    const fits = sizes.map(size => evaluateFit(rigOf('O2', size)))
    for (let i = 1; i < fits.length; i++) {
      expect(fits[i]!.freeTailShare).toBeLessThan(fits[i - 1]!.freeTailShare)
      expect(fits[i]!.clearanceM.value).toBeGreaterThan(fits[i - 1]!.clearanceM.value)
    }
  })

  it('a hook too long kills the tail, and says how much of it', () => {
    const rule = ruleOf('O2', '7/0', 'freeTail')
    expect(rule.verdict).toBe('fail')
    expect(rule.sentence).toMatch(/^Too long: \d\d % of the bait cannot swim\.$/)
  })

  it('a shallow hook never clears a deep bait', () => {
    const deep = { ...bait, form: 'deepShad' as const, lengthM: 0.1 }
    expect(ruleOf('L1', '3/0', 'clearance', deep).verdict).toBe('fail')
    expect(ruleOf('L1', '3/0', 'exit', deep).sentence).toMatch(/never comes out/)
  })

  it('softer plastic gives more clearance', () => {
    const at = (material: BaitSpec['material']): number => evaluateFit(rigOf('O2', '4/0', { ...bait, material })).clearanceM.value
    expect(at('salted')).toBeGreaterThan(at('plain'))
    expect(at('plain')).toBeGreaterThan(at('floating'))
    expect(squeezeShare(10).value).toBeCloseTo(0.55, 12)
    expect(squeezeShare(50).value).toBeCloseTo(0.3, 12)
  })

  it('a point comes out a hook length less half a gap or so behind the nose', () => {
    for (const size of ['3/0', '4/0', '5/0'] as const) {
      const { exitM } = evaluateFit(rigOf('O2', size))
      const { lengthM, gapM } = typicalHook('wideGap', size)
      expect(exitM!).toBeLessThan(lengthM)
      expect(exitM!).toBeGreaterThan(lengthM - gapM / 2)
    }
  })

  it('weighs wire against line', () => {
    expect(ruleOf('O2', '4/0', 'wire').verdict).toBe('pass')
    const fine = evaluateFit(rigOf('O2', '4/0', bait, { hook: { wireM: 0.0007 } }), lineFromLb('braid', 50))
    expect(fine.rules.find(r => r.id === 'wire')).toMatchObject({ verdict: 'fail', sentence: expect.stringMatching(/^Fine wire/) as string })
  })

  it('every rule has a margin of the sign of its verdict', () => {
    for (const size of HOOK_SIZES.filter(s => typicalHook('wideGap', s).lengthM < 0.09)) {
      for (const rule of evaluateFit(rigOf('W1', size), lineFromLb('mono', 12)).rules) {
        if (rule.verdict === 'pass') expect(rule.margin, rule.id).toBeGreaterThanOrEqual(0)
        if (rule.verdict === 'fail') expect(rule.margin, rule.id).toBeLessThan(0)
        expect(rule.sentence).not.toBe('')
      }
    }
  })
})

describe('the load that opens a hook', () => {
  it('is plastic bending of a round wire on half the gap: 1 mm wire, 12 mm gap, 1.9 GPa', () => {
    // sigma d^3 / 6 = 1.9e9 x 1e-9 / 6 = 0.31667 N m on 6 mm: 52.8 N
    expect(openingLoadN({ wireM: 0.001, gapM: 0.012 }).value).toBeCloseTo(52.78, 2)
  })
  it('goes with the cube of the wire', () => {
    expect(openingLoadN({ wireM: 0.002, gapM: 0.012 }).value / openingLoadN({ wireM: 0.001, gapM: 0.012 }).value).toBeCloseTo(8, 9)
  })
})
