import { describe, expect, it } from 'vitest'
import { assembleRig } from '../rig/assemble'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { FAMILIES, FAMILY_IDS } from '../rig/families'
import { lineFromLb, lineOf } from '../tackle/lines'
import { HOOK_SIZES, typicalHook, type HookSize } from '../tackle/hooks'
import { evaluateFit } from './evaluateFit'
import type { FitRule, RuleOf } from './rules'
import { findSize } from './findSize'
import { riggingGuide } from './guide'
import { squeezeShare } from './squeeze'
import { openingLoadN } from './wireStrength'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const rigOf = (family: RigSpec['family'], hookSize: HookSize, b = bait, more: Partial<RigSpec> = {}) =>
  assembleRig(b, {
    family,
    hookSize,
    weightKg: family === 'O2' ? 0 : 0.0035,
    weightMaterial: 'lead',
    pointRest: family === 'E1' ? 'open' : 'skin',
    ...more,
  })
const ruleOf = (
  family: RigSpec['family'],
  size: HookSize,
  id: FitRule['id'],
  b = bait,
  line = lineFromLb('braid', 10),
) => evaluateFit(rigOf(family, size, b), line).rules.find(r => r.id === id)!

describe('fit', () => {
  it('a 4/0 belly-weighted hook suits a 90 mm slim shad', () =>
    expect(evaluateFit(rigOf('W1', '4/0'), lineFromLb('braid', 15)).verdict).toBe('pass'))

  it('a larger hook leaves less of the bait free and more of the gap clear', () => {
    const sizes = HOOK_SIZES.filter(s => typicalHook('wideGap', s).lengthM < 0.08)
    const fits = sizes.map(size => evaluateFit(rigOf('O2', size)))
    for (let i = 1; i < fits.length; i++) {
      expect(fits[i]!.freeTailShare).toBeLessThan(fits[i - 1]!.freeTailShare)
      expect(fits[i]!.clearanceM.value).toBeGreaterThan(fits[i - 1]!.clearanceM.value)
    }
  })

  it('a point that stands proud or too deep lies to the back once the hook is bent level, as far as pliers go', () => {
    const rest = (size: HookSize, levelled: boolean) =>
      evaluateFit(rigOf('O2', size, bait, { levelled })).rules.find(
        (r): r is RuleOf<'pointRest'> => r.id === 'pointRest',
      )!
    for (const size of ['2', '6/0'] as const) {
      const [as, bent] = [rest(size, false), rest(size, true)]
      expect(as.pliersHelp).toBe(true)
      expect(bent.pliersHelp).toBe(false)
      expect(bent.value).toBeLessThan(as.value)
      const was = rigOf('O2', size).parts.dims
      const is = rigOf('O2', size, bait, { levelled: true }).parts.dims
      expect(Math.sign(was.gapM - is.gapM)).toBe(as.proud ? 1 : -1)
      expect(Math.abs(is.gapM / was.gapM - 1)).toBeLessThanOrEqual(0.2 + 1e-9)
      // a wider gap is a longer lever: it opens sooner
      expect(openingLoadN(is).value > openingLoadN(was).value).toBe(is.gapM < was.gapM)
    }
  })
  it('an open point is not bent', () =>
    expect(rigOf('E1', '3/0', bait, { levelled: true }).parts.dims).toEqual(rigOf('E1', '3/0').parts.dims))

  it('a hook too long kills the tail', () => expect(ruleOf('O2', '7/0', 'freeTail').verdict).toBe('fail'))

  it('a shallow hook never clears a deep bait', () => {
    const deep = { ...bait, form: 'deepShad' as const, lengthM: 0.1 }
    expect(ruleOf('L1', '3/0', 'clearance', deep).verdict).toBe('fail')
    expect(ruleOf('L1', '3/0', 'exit', deep)).toMatchObject({ verdict: 'fail', comesOut: false })
  })

  it('softer plastic gives more clearance', () => {
    const at = (material: BaitSpec['material']): number =>
      evaluateFit(rigOf('O2', '4/0', { ...bait, material })).clearanceM.value
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
    expect(fine.rules.find(r => r.id === 'wire')).toMatchObject({ verdict: 'fail' })
  })

  it('every rule has a margin of the sign of its verdict', () => {
    for (const size of HOOK_SIZES.filter(s => typicalHook('wideGap', s).lengthM < 0.09)) {
      for (const rule of evaluateFit(rigOf('W1', size), lineFromLb('mono', 12)).rules) {
        if (rule.verdict === 'pass') expect(rule.margin, rule.id).toBeGreaterThanOrEqual(0)
        if (rule.verdict === 'fail') expect(rule.margin, rule.id).toBeLessThan(0)
      }
    }
  })
})

describe('what happens on the bench, without special cases', () => {
  const line = lineFromLb('braid', 15)
  const rules = (
    b: BaitSpec,
    family: RigSpec['family'],
    size: HookSize,
    more: Partial<RigSpec> = {},
    l = line,
  ) => {
    const fit = evaluateFit(rigOf(family, size, b, more), l)
    return {
      verdict: fit.verdict,
      of: <I extends FitRule['id']>(id: I) => fit.rules.find((r): r is RuleOf<I> => r.id === id),
    }
  }

  it('a 3/0 of wide-gap kind in a 60 mm slim bait fails on free tail, and a small hook is proposed; a fat bait is sent to other ways', () => {
    const slim = { ...bait, lengthM: 0.06 }
    expect(rules(slim, 'O2', '3/0').of('freeTail')?.verdict).toBe('fail')
    const answer = findSize(slim, rigOf('O2', '3/0', slim).spec, line)
    expect(HOOK_SIZES.indexOf(answer.best?.size ?? '12/0')).toBeLessThan(HOOK_SIZES.indexOf('2/0'))
    expect(answer.best?.verdict).toBe('pass')
    // a bait with too much body for every shallow hook is sent to other ways
    const fat = findSize(
      { form: 'deepShad', lengthM: 0.15, material: 'plain' },
      { ...rigOf('O2', '5/0', bait).spec, family: 'O1', weightKg: 0 },
      line,
    )
    expect(fat.best?.verdict).not.toBe('pass')
    expect(fat.instead.every(i => i.family !== 'O1' && i.verdict !== 'fail')).toBe(true)
    expect(fat.instead.length).toBeGreaterThan(0)
  })

  it('a thick 120 mm bait on a shallow hook fails clearance, passes after a belly slit, and passes on a deep-belly hook', () => {
    const thick: BaitSpec = { form: 'deepShad', lengthM: 0.12, material: 'plain' }
    expect(rules(thick, 'W1', '6/0').of('clearance')?.verdict).toBe('fail')
    expect(rules(thick, 'W1', '6/0').of('clearance')?.slitHelps).toBe(true)
    expect(rules(thick, 'W1', '6/0', { slit: true }).verdict).toBe('pass')
    expect(rules(thick, 'W1', '6/0', { gap: 'deep' }).verdict).toBe('pass')
  })

  it('an 80 mm tube refuses the large internal head and a 100 mm one takes it', () => {
    const inside = (lengthM: number) =>
      rules({ form: 'tube', lengthM, material: 'plain' }, 'J5', '2/0', {
        weightKg: 0.0071,
        pointRest: 'flush',
      }).of('inside')
    expect(inside(0.08)?.verdict).toBe('fail')
    expect(inside(0.1)?.verdict).toBe('pass')
    expect(rules(bait, 'J5', '2/0', { weightKg: 0.0071, pointRest: 'flush' }).of('inside')).toMatchObject({
      verdict: 'fail',
      hollow: false,
    })
  })

  it('fine wire on braid of 22 kg opens before the line breaks', () => {
    const wire = rules(bait, 'O2', '4/0', { wire: 'fine' }, lineOf('braid', 22 * 9.80665)).of('wire')
    expect(wire?.verdict).not.toBe('pass')
    expect(wire!.value).toBeLessThan(wire!.lineN)
  })

  it('the point brought out ahead of or behind its mark stretches or bunches the bait, and bows it in the fall', () => {
    const exit = evaluateFit(rigOf('O2', '4/0')).exitM!
    const tight = rigOf('O2', '4/0', bait, { exitAtM: exit - 0.006 })
    const loose = rigOf('O2', '4/0', bait, { exitAtM: exit + 0.006 })
    expect(evaluateFit(tight).rules.find(r => r.id === 'bunching')).toMatchObject({
      verdict: 'fail',
    })
    expect(evaluateFit(loose).rules.find(r => r.id === 'bunching')).toMatchObject({
      verdict: 'fail',
    })
    expect(tight.bowM).toBeLessThan(-0.001)
    expect(loose.bowM).toBeCloseTo(-tight.bowM, 6)
    expect(rigOf('O2', '4/0').bowM).toBe(0)
    const tail = loose.geometry.strips.filter(s => s.part === 'bait').at(-1)!
    expect(tail.at[2]).toBeGreaterThan(0.8 * loose.bowM)
  })

  it('a bait cut down is shorter by the cut, and its hook must be smaller', () => {
    const whole = findSize({ ...bait, lengthM: 0.12 }, rigOf('O2', '4/0').spec, line).best!
    const cut = findSize({ ...bait, lengthM: 0.12 }, { ...rigOf('O2', '4/0').spec, trimM: 0.03 }, line).best!
    expect(HOOK_SIZES.indexOf(cut.size)).toBeLessThan(HOOK_SIZES.indexOf(whole.size))
    const rig = rigOf('O2', '2/0', { ...bait, lengthM: 0.12 }, { trimM: 0.03 })
    expect(rig.bait.lengthM).toBeCloseTo(0.09, 12)
    expect(rig.geometry.massKg).toBeLessThan(rigOf('O2', '2/0', { ...bait, lengthM: 0.12 }).geometry.massKg)
  })

  it('a long trailer fails, and cut to length it passes; claws cut off make it lighter', () => {
    const long: BaitSpec = { form: 'craw', lengthM: 0.12, material: 'plain' }
    const trailer = (more: Partial<RigSpec>) =>
      evaluateFit(rigOf('J7', '1/0', long, { pointRest: 'open', ...more })).rules.find(
        r => r.id === 'trailer',
      )
    expect(trailer({})).toMatchObject({ verdict: 'fail' })
    expect(trailer({ trimM: 0.06 })?.verdict).toBe('pass')
    expect(rigOf('J7', '1/0', long, { pointRest: 'open', trimLimbs: true }).geometry.massKg).toBeLessThan(
      rigOf('J7', '1/0', long, { pointRest: 'open' }).geometry.massKg,
    )
  })

  it('a screw holds better than a collar, tough plastic better than soft, and lasts more fish', () => {
    const held = (keeper: RigSpec['keeper'], material: BaitSpec['material']) =>
      evaluateFit(rigOf('E1', '4/0', { ...bait, material }, keeper ? { keeper } : {})).holding
    expect(held('screw', 'plain').pullOutN.value).toBeGreaterThan(held('collar', 'plain').pullOutN.value)
    expect(held('collar', 'floating').castsPerFix.value).toBeGreaterThan(
      held('collar', 'salted').castsPerFix.value,
    )
    expect(held('collar', 'floating').fishPerBait.value).toBeGreaterThan(9)
    expect(held('collar', 'salted').fishPerBait.value).toBeLessThan(2)
  })
})

describe('the rigging guide', () => {
  it('has steps and marks for every family, inside the bait', () => {
    for (const family of FAMILY_IDS) {
      const b: BaitSpec = FAMILIES[family].hollowOnly ? { ...bait, form: 'tube' } : bait
      const rig = assembleRig(b, {
        family,
        hookSize: '2/0',
        weightKg: FAMILIES[family].weighted ? 0.0035 : 0,
        weightMaterial: 'lead',
        pointRest: FAMILIES[family].pointRests[0]!,
      })
      const guide = riggingGuide(rig, evaluateFit(rig), { withinM: 0.004, then: 'spins' })
      expect(guide.steps.length, family).toBeGreaterThanOrEqual(2)
      expect(guide.steps.at(-1)).toEqual({ id: 'checkStraight', withinM: 0.004, then: 'spins' })
      for (const mark of guide.marks)
        expect(mark.atM > 0 && mark.atM < b.lengthM, `${family} ${mark.id}`).toBe(true)
      for (const step of guide.steps)
        if ('exitM' in step) expect(guide.marks.find(m => m.id === 'exit')?.atM).toBe(step.exitM)
      expect(guide.wrong.length).toBeGreaterThan(0)
    }
  })
})

describe('the push toward the nose', () => {
  const pushOf = (form: BaitSpec['form'], lengthM: number, hookSize: RigSpec['hookSize']): number => {
    const rig = { family: 'O2', hookSize, weightKg: 0, weightMaterial: 'lead', pointRest: 'skin' } as const
    return findSize({ form, lengthM, material: 'plain' }, rig).sizes.find(s => s.size === hookSize)!.pushM
  }

  it('is a third of what a half-round bend within the plastic is longer than its own width', () => {
    // a deep bait holds the whole bend: half a circle over the gap less the way there and back
    const r = typicalHook('wideGap', '2/0').gapM / 2
    const whole = 0.35 * (Math.PI - 2) * r
    expect(pushOf('deepShad', 0.2, '2/0') / whole).toBeCloseTo(1, 1)
  })

  it('falls off as the bend stands clear of the bait, and changes by small steps from size to size', () => {
    for (const form of ['slimShad', 'stick', 'craw'] as const) {
      const pushes = HOOK_SIZES.slice(0, -2).map(size => pushOf(form, 0.09, size))
      expect(pushes.at(-1), form).toBeLessThan(0.5 * Math.max(...pushes))
      for (let i = 1; i < pushes.length; i++)
        expect(Math.abs(pushes[i]! - pushes[i - 1]!), `${form} ${HOOK_SIZES[i]}`).toBeLessThan(0.001)
    }
  })
})

describe('the load that opens a hook', () => {
  it('is plastic bending of a round wire on half the gap: 1 mm wire, 12 mm gap, 1.9 GPa', () => {
    // sigma d^3 / 6 = 1.9e9 x 1e-9 / 6 = 0.31667 N m on 6 mm: 52.8 N
    expect(openingLoadN({ wireM: 0.001, gapM: 0.012 }).value).toBeCloseTo(52.78, 2)
  })
  it('goes with the cube of the wire', () => {
    expect(
      openingLoadN({ wireM: 0.002, gapM: 0.012 }).value / openingLoadN({ wireM: 0.001, gapM: 0.012 }).value,
    ).toBeCloseTo(8, 9)
  })
})
