import { describe, expect, it } from 'vitest'
import {
  assembleRig,
  evaluateFit,
  FAMILIES,
  FAMILY_IDS,
  findSize,
  HOOK_SIZES,
  lineFromLb,
  lineOf,
  problemsOf,
  riggingGuide,
  type BaitSpec,
  type FitRule,
  type RigSpec,
} from '#core'
import { FOREIGN } from './foreign'
import { CARE_WORDS, faultText, RULE_NAMES, ruleFigure, ruleText, sizeText, stepText } from './fitWords'
import { problemText } from './problemWords'
import { UNIT_SYSTEMS, type UnitSystem } from './units'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const rigOf = (family: RigSpec['family'], more: Partial<RigSpec> = {}): RigSpec => ({
  family,
  hookSize: '4/0',
  weightKg: FAMILIES[family].weighted ? 0.0035 : 0,
  weightMaterial: 'lead',
  pointRest: FAMILIES[family].pointRests[0]!,
  ...more,
})
const line = lineFromLb('braid', 15)
const ruleOf = (id: FitRule['id'], rig: RigSpec, b = bait, l = line): FitRule =>
  evaluateFit(assembleRig(b, rig), l).rules.find(r => r.id === id)!
const said = (id: FitRule['id'], rig: RigSpec, b = bait, system: UnitSystem = 'metric', l = line): string =>
  ruleText(ruleOf(id, rig, b, l), system)

describe('a rule in words', () => {
  it('says what is wrong and by how much', () => {
    expect(said('freeTail', rigOf('O2', { hookSize: '7/0' }))).toMatch(
      /^Too long: \d\d % of the bait cannot swim\.$/,
    )
    expect(
      said('exit', rigOf('L1', { hookSize: '3/0' }), { ...bait, form: 'deepShad', lengthM: 0.1 }),
    ).toMatch(/never comes out/)
    expect(
      said('clearance', rigOf('W1', { hookSize: '6/0' }), { ...bait, form: 'deepShad', lengthM: 0.12 }),
    ).toMatch(/slit/)
    expect(said('inside', rigOf('J5', { hookSize: '2/0', weightKg: 0.0071 }))).toMatch(/solid/)
    expect(
      said('trailer', rigOf('J7', { hookSize: '1/0' }), { ...bait, form: 'craw', lengthM: 0.12 }),
    ).toMatch(/^The trailer is too long: .* Cut \d+ mm off its nose\.$/)
  })
  it('says when a hook opens before the line breaks, in the unit lines are sold by', () => {
    const fine = rigOf('O2', { wire: 'fine' })
    const strong = lineOf('braid', 22 * 9.80665)
    expect(said('wire', fine, bait, 'metric', strong)).toMatch(/opens before the line breaks at 22\.0 kg/)
    expect(said('wire', fine, bait, 'mixed', strong)).toMatch(/opens before the line breaks at 49 lb/)
    expect(said('wire', fine, bait, 'mixed', lineFromLb('braid', 2))).not.toMatch(/opens before/)
  })
  it('tells stretched from bunched', () => {
    const exit = evaluateFit(assembleRig(bait, rigOf('O2'))).exitM!
    expect(said('bunching', rigOf('O2', { exitAtM: exit - 0.006 }))).toMatch(/^Stretched: 6\.4 mm too little/)
    expect(said('bunching', rigOf('O2', { exitAtM: exit + 0.006 }), bait, 'imperial')).toMatch(
      /^Bunched: 0\.\d\d in too much/,
    )
  })
  it('counts casts before a bait slips', () => {
    const held: FitRule = {
      ...ruleOf('keeper', rigOf('E1')),
      value: 1,
      verdict: 'fail',
    }
    expect(ruleText(held, 'metric')).toContain('after 1 hard cast.')
    expect(ruleText({ ...held, value: 500, verdict: 'pass' }, 'metric')).toContain('hundreds of casts')
  })
  it('sends a bait with too much body to other ways', () => {
    const fat: BaitSpec = { form: 'deepShad', lengthM: 0.15, material: 'plain' }
    const rig = rigOf('O1', { hookSize: '5/0' })
    expect(sizeText(findSize(fat, rig, line), 'O1', 'metric')).toMatch(/Use instead: |Take a bait/)
    expect(sizeText(findSize(bait, rigOf('O2'), line), 'O2', 'metric')).toMatch(/ fits best: /)
  })
})

describe.each(UNIT_SYSTEMS)('in %s units', system => {
  it('no rule, step, fault or size of any family names another', () => {
    const texts = FAMILY_IDS.flatMap(family =>
      HOOK_SIZES.filter((_, i) => i % 4 === 0).flatMap(hookSize => {
        const b: BaitSpec = FAMILIES[family].hollowOnly ? { ...bait, form: 'tube' } : bait
        const rig = rigOf(family, { hookSize, slit: true })
        if (problemsOf(b, rig).length > 0) return []
        const assembled = assembleRig(b, rig)
        const fit = evaluateFit(assembled, line)
        const guide = riggingGuide(assembled, fit, { withinM: 0.004, then: 'spins' })
        return [
          ...fit.rules.flatMap(r => [ruleText(r, system), ruleFigure(r.limit, r, system), RULE_NAMES[r.id]]),
          ...guide.steps.flatMap(s => Object.values(stepText(s, system)).flat()),
          ...guide.wrong.map(w => faultText(w, system)),
          ...guide.care.map(c => CARE_WORDS[c]),
        ]
      }),
    )
    expect(texts.length).toBeGreaterThan(1000)
    expect([...new Set(texts.filter(t => FOREIGN[system].test(t)))]).toEqual([])
    expect(texts.filter(t => /undefined|NaN|\s{2}| -\d/.test(t))).toEqual([])
  })
  it('no problem names another, and each says something', () => {
    const bad: readonly [Partial<BaitSpec>, Partial<RigSpec>][] = [
      [{ lengthM: 2, densityKgM3: 9 }, {}],
      [{}, { weightKg: 9, leaderM: 9, bendM: 9, exitAtM: 9, weightAtM: 9, weightDensityKgM3: 1 }],
      [{ lengthM: 0.05 }, { trimM: 0.045 }],
      [{ lengthM: 0.05, form: 'stick' }, { trimM: 0.035 }],
      [{ lengthM: 0.05 }, { hookSize: '12/0' }],
      [{}, { hook: { gapM: 3 }, pointRest: 'open', keeper: 'glue', guard: 'wire', peg: 'free' }],
    ]
    const texts = bad.flatMap(([b, rig]) =>
      problemsOf({ ...bait, ...b }, rigOf('W1', rig)).map(p => problemText(p, system)),
    )
    expect(texts.length).toBeGreaterThan(12)
    expect(texts.filter(t => FOREIGN[system].test(t) || !/^[A-Z].+\.$/.test(t))).toEqual([])
  })
})
