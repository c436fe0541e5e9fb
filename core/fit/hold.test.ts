import { describe, expect, it } from 'vitest'
import { assembleRig } from '../rig/assemble'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { KEEPER_IDS, KEEPERS, pullOutN } from '../tackle/keepers'
import { lineFromLb } from '../tackle/lines'
import { modulusPa, PLASTIC_IDS, PLASTICS } from '../tackle/materials'
import { measure } from '../outcome'
import { DRAG_SHARE, holdingOf, keeperRule, wireRule } from './holdRules'
import { judge, room, tightestOf, worst, type FitRule } from './rules'
import { squeezeShare } from './squeeze'
import { openingLoadN } from './wireStrength'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const rig: RigSpec = {
  family: 'W1',
  hookSize: '4/0',
  weightKg: 0.0035,
  weightMaterial: 'lead',
  pointRest: 'skin',
}
const held = (b: BaitSpec = bait, more: Partial<RigSpec> = {}, baitKg = 0.006) =>
  holdingOf(assembleRig(b, { ...rig, ...more }), baitKg)

describe('what keeps a bait on', () => {
  it('tears at shear strength times the surface inside: a screw of 8 by 3 mm in plain plastic at 4 N', () => {
    // 60 kPa on pi·8·3 mm², nine tenths of it gripped
    expect(pullOutN(KEEPERS.screw, PLASTICS.plain)).toBeCloseTo(
      6e4 * Math.sqrt(PLASTICS.plain.toughness) * 0.9 * Math.PI * 24e-6,
      9,
    )
    for (const id of KEEPER_IDS)
      for (const p of PLASTIC_IDS) expect(pullOutN(KEEPERS[id], PLASTICS[p])).toBeGreaterThan(0)
  })
  it('a heavier bait pulls harder on the cast and slips sooner; a peg holds longer; a worn bait lasts fewer fish', () => {
    expect(held(bait, {}, 0.012).castsPerFix.value).toBeLessThan(held(bait, {}, 0.006).castsPerFix.value)
    expect(held(bait, { pinned: true }).castsPerFix.value).toBeGreaterThan(held().castsPerFix.value)
    expect(held(bait, { trimM: 0.02 }).fishPerBait.value).toBeLessThan(held().fishPerBait.value)
    // tiring goes with the square of the load, and a heavier bait is lobbed: 20 and 40 g at 60 and 48 m/s²
    // load it as 1 to 1.6
    expect(held(bait, {}, 0.02).castsPerFix.value / held(bait, {}, 0.04).castsPerFix.value).toBeCloseTo(
      1.6 ** 2,
      6,
    )
  })
  it('every figure carries its doubt', () => {
    const { pullOutN: pull, castsPerFix, fishPerBait } = held()
    for (const m of [pull, castsPerFix, fishPerBait]) {
      expect(m.low).toBeLessThan(m.value)
      expect(m.high).toBeGreaterThan(m.value)
    }
  })
  it('the rule is failed by a bait that slips every other cast', () => {
    const at = (casts: number) =>
      keeperRule({
        keeper: 'collar',
        pullOutN: measure(2, 1, 3),
        castsPerFix: measure(casts, casts, casts),
        fishPerBait: measure(1, 0.5, 2),
      })
    expect([2, 8, 40].map(n => at(n).verdict)).toEqual(['fail', 'near', 'pass'])
  })
})

describe('wire against line', () => {
  it('passes where it opens a third over the drag, fails where it opens a third under it', () => {
    const line = lineFromLb('braid', 20)
    const drag = line.strengthN * DRAG_SHARE
    const at = (times: number) => wireRule(measure(times * drag, times * drag, times * drag), line)
    expect([0.6, 1, 1.4].map(t => at(t).verdict)).toEqual(['fail', 'near', 'pass'])
  })
  it('goes with the cube of the wire and against the gap', () => {
    const at = (wireM: number, gapM: number): number => openingLoadN({ wireM, gapM }).value
    expect(at(0.002, 0.012) / at(0.001, 0.012)).toBeCloseTo(8, 9)
    expect(at(0.001, 0.006) / at(0.001, 0.012)).toBeCloseTo(2, 9)
  })
})

describe('softness', () => {
  it('softer plastic gives more before it gives no more, and always less than all of its height', () => {
    for (let shore = 5; shore <= 60; shore += 5) {
      const { value, low, high } = squeezeShare(shore)
      expect(low).toBeLessThan(value)
      expect(high).toBeLessThan(0.7)
      expect(squeezeShare(shore + 5).value).toBeLessThan(value)
      expect(modulusPa(shore + 5)).toBeGreaterThan(modulusPa(shore))
    }
    expect(squeezeShare(10).value).toBeCloseTo(0.55, 12)
    expect(squeezeShare(50).value).toBeCloseTo(0.3, 12)
  })
})

describe('judging', () => {
  const rule = (value: number, wants: FitRule['wants'] = 'atLeast', limit = 10): FitRule =>
    judge({ id: 'wire', lineN: 30, value, limit, wants, unit: 'N' }, 2)
  it('gives a margin on the good side and a verdict with a band of doubt', () => {
    expect([7, 9, 11, 13].map(v => rule(v).verdict)).toEqual(['fail', 'near', 'near', 'pass'])
    expect([7, 9, 11, 13].map(v => rule(v, 'atMost').verdict)).toEqual(['pass', 'near', 'near', 'fail'])
    expect(rule(13).margin).toBe(3)
    expect(rule(13, 'atMost').margin).toBe(-3)
  })
  it('the worst of several, and the one with the least room', () => {
    expect(worst([])).toBe('pass')
    expect(worst([rule(13), rule(11)])).toBe('near')
    expect(worst([rule(13), rule(11), rule(1)])).toBe('fail')
    expect(tightestOf([rule(30), rule(11), rule(13)]).value).toBe(11)
    // a roomy rule counts for no more than a half
    expect(room(rule(1000))).toBe(0.5)
  })
})
