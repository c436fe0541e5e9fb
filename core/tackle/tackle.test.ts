import { describe, expect, it } from 'vitest'
import { lbfToN } from '../units'
import { BAIT_FORMS } from './forms'
import { HOOK_SIZES, typicalHook } from './hooks'
import { lineOf } from './lines'
import { modulusPa } from './materials'
import { GRAM_STEPS_KG, OUNCE_STEPS_KG, stepWeight, weightSize } from './weights'

describe('weights', () => {
  it.each(['ball', 'bullet', 'belly', 'mushroom'] as const)(
    'a %s is as large as its mass and density make it',
    shape => {
      const { lengthM, widthM, heightM } = weightSize(shape, 0.0035, 11340)
      const fill = {
        bullet: (0.72 * Math.PI) / 4,
        mushroom: (0.65 * Math.PI) / 4,
        ball: Math.PI / 6,
        belly: Math.PI / 6,
      }[shape]
      expect(fill * lengthM * widthM * heightM * 11340).toBeCloseTo(0.0035, 9)
    },
  )
  it('a denser metal is smaller', () =>
    expect(weightSize('ball', 0.01, 17700).widthM).toBeLessThan(weightSize('ball', 0.01, 11340).widthM))
  it('steps along the ladder from anywhere, and stops at its ends', () => {
    for (const ladder of [OUNCE_STEPS_KG, GRAM_STEPS_KG]) {
      for (let i = 1; i < ladder.length; i++) {
        expect(stepWeight(ladder, ladder[i - 1]!, 1)).toBe(ladder[i])
        expect(stepWeight(ladder, ladder[i]!, -1)).toBe(ladder[i - 1])
      }
      expect(stepWeight(ladder, ladder[0]!, -1)).toBe(ladder[0])
      expect(stepWeight(ladder, ladder[ladder.length - 1]!, 1)).toBe(ladder[ladder.length - 1])
    }
    expect(stepWeight(GRAM_STEPS_KG, 0.0035, 1)).toBe(0.004)
    expect(stepWeight(GRAM_STEPS_KG, 0.0035, -1)).toBe(0.003)
  })
})

describe('hooks', () => {
  it('grow with every size, in length, gap and wire', () => {
    for (const style of ['wideGap', 'bellyWeighted', 'jig'] as const) {
      const dims = HOOK_SIZES.map(size => typicalHook(style, size))
      for (let i = 1; i < dims.length; i++) {
        for (const key of ['lengthM', 'gapM', 'wireM'] as const)
          expect(dims[i]![key]).toBeGreaterThan(dims[i - 1]![key])
      }
    }
  })
})

describe('lines', () => {
  it('are as thick as their label: 10 lb braid 0.15, mono 0.30, fluorocarbon 0.29 mm, within a twentieth', () => {
    for (const [kind, mm] of [
      ['braid', 0.15],
      ['mono', 0.3],
      ['fluorocarbon', 0.29],
    ] as const) {
      expect(Math.abs((lineOf(kind, lbfToN(10)).diameterM * 1000) / mm - 1)).toBeLessThan(0.05)
    }
  })
  it('braid is stiffest for its strength', () =>
    expect(lineOf('braid', 50).stiffnessN).toBeGreaterThan(5 * lineOf('mono', 50).stiffnessN))
  it('refuses a line of no strength', () => expect(() => lineOf('braid', 0)).toThrow(/lineOf/))
})

describe('forms and materials', () => {
  it('outlines are complete and taper to the tail; tail and limbs reach the end of the bait', () => {
    for (const form of Object.values(BAIT_FORMS)) {
      for (const table of [form.width, form.height, form.rise]) expect(table).toHaveLength(form.at.length)
      const end = form.at[form.at.length - 1]!
      const reach = Math.max(
        end,
        ...[form.tail, ...(form.limbs ?? [])].map(limb => (limb ? limb.at + limb.thickness / 2 : 0)),
      )
      expect(form.at[0]).toBe(0)
      // what streams, kicks or is held out ends the bait where the body does not
      expect(reach, form.id).toBeGreaterThan(0.94)
      expect(reach, form.id).toBeLessThan(1.011)
      expect(form.height[form.height.length - 1]!, form.id).toBeLessThan(
        form.tail?.kind === 'skirt' ? Math.max(...form.height) : 0.51 * Math.max(...form.height),
      )
      expect(
        form.at.every((x, i) => i === 0 || x > form.at[i - 1]!),
        form.id,
      ).toBe(true)
    }
  })
  it('firmer plastic is stiffer, within the range that was measured', () => {
    expect(modulusPa(50) / modulusPa(10)).toBeGreaterThan(4)
    expect(() => modulusPa(90)).toThrow(/modulusPa/)
  })
})
