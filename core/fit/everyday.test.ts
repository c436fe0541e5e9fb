import { describe, expect, it } from 'vitest'
import { assembleRig } from '../rig/assemble'
import { FAMILIES } from '../rig/families'
import type { FamilyId, RigSpec } from '../rig/spec'
import type { FormId } from '../tackle/forms'
import { HOOK_SIZES, type HookSize } from '../tackle/hooks'
import { evaluateFit } from './evaluateFit'
import { findSize } from './findSize'

/**
 * Sizes people fish every day, as they have been found to work: bait, way, size. An observation to check the
 * rules against.
 */
interface Row {
  readonly form: FormId
  readonly mm: number
  readonly family: FamilyId
  readonly hookSize: HookSize
  readonly more?: Partial<RigSpec>
}
const EVERYDAY: readonly Row[] = (
  [
    ['slimShad', 64, 'O4', '2', { wire: 'fine' }],
    ['slimShad', 50, 'O4', '4', { wire: 'fine' }],
    ['slimShad', 64, 'W2', '2', { wire: 'fine', keeper: 'chinBarb' }],
    ['frog', 70, 'W1', '2/0'],
    ['craw', 70, 'W1', '2/0'],
    ['slimShad', 90, 'E1', '3/0'],
    ['slimShad', 100, 'W1', '4/0'],
    ['slimShad', 100, 'O2', '4/0'],
    ['slimShad', 100, 'J4', '4/0'],
    ['softJerkbait', 125, 'W1', '3/0'],
    ['softJerkbait', 125, 'W2', '4/0', { keeper: 'chinBarb' }],
    ['softJerkbait', 125, 'O1', '4/0'],
    ['softJerkbait', 125, 'O1', '5/0'],
    ['tube', 110, 'O2', '4/0'],
    ['ribbonWorm', 250, 'L1', '5/0'],
    ['ribbonWorm', 250, 'O3', '5/0'],
    ['ribbonWorm', 250, 'J1', '5/0'],
    ['ribbonWorm', 250, 'J3', '4/0'],
    ['ribbonWorm', 250, 'J3', '5/0'],
    ['straightWorm', 300, 'L6', '1/0', { keeper: 'ring' }],
    ['straightWorm', 300, 'L6', '2/0', { keeper: 'ring' }],
    ['stick', 150, 'J3', '5/0'],
    ['stick', 150, 'O2', '5/0'],
    ['segmentedShad', 200, 'W1', '12/0', { weightKg: 0.028 }],
  ] as const
).map(([form, mm, family, hookSize, more]) => ({ form, mm, family, hookSize, ...(more ? { more } : {}) }))

const apart = (a: HookSize, b: HookSize): number => Math.abs(HOOK_SIZES.indexOf(a) - HOOK_SIZES.indexOf(b))

describe('sizes people fish every day', () => {
  it.each(EVERYDAY)(
    '$form $mm mm, $family $hookSize: passes its fit, and is proposed or next to what is',
    ({ form, mm, family, hookSize, more }) => {
      const { weighted, pointRests } = FAMILIES[family]
      const bait = { form, lengthM: mm / 1000, material: 'plain' } as const
      const rig: RigSpec = {
        family,
        hookSize,
        weightKg: weighted ? 0.0035 : 0,
        weightMaterial: 'lead',
        pointRest: pointRests[0]!,
        ...more,
      }
      const fit = evaluateFit(assembleRig(bait, rig))
      expect(fit.rules.filter(r => r.verdict !== 'pass').map(r => r.id)).toEqual([])
      const { best } = findSize(bait, rig)
      expect(best?.verdict).toBe('pass')
      expect(apart(best!.size, hookSize)).toBeLessThanOrEqual(1)
    },
  )
  it('what is plainly wrong still fails: a hook that stiffens the tail, one that ends before the thick part, one too small for a fat bait', () => {
    const verdict = (form: FormId, mm: number, family: FamilyId, hookSize: HookSize): string =>
      evaluateFit(
        assembleRig(
          { form, lengthM: mm / 1000, material: 'plain' },
          {
            family,
            hookSize,
            weightKg: FAMILIES[family].weighted ? 0.0035 : 0,
            weightMaterial: 'lead',
            pointRest: FAMILIES[family].pointRests[0]!,
          },
        ),
      ).verdict
    expect(verdict('slimShad', 90, 'W1', '7/0')).toBe('fail')
    expect(verdict('slimShad', 130, 'W1', '1/0')).toBe('fail')
    expect(verdict('deepShad', 120, 'W1', '2/0')).toBe('fail')
    expect(verdict('straightWorm', 200, 'L6', '6/0')).toBe('fail')
    expect(verdict('ribbonWorm', 250, 'L1', '12/0')).toBe('fail')
  })
})
