import { describe, expect, it } from 'vitest'
import { assembleRig } from '../rig/assemble'
import { FAMILIES, FAMILY_IDS } from '../rig/families'
import { problemsOf } from '../rig/problems'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { BAIT_FORMS, FORM_IDS } from '../tackle/forms'
import { HOOK_SIZES } from '../tackle/hooks'
import { hydroBody, type HydroBody } from './hydroBody'
import type { Tow } from './loads'
import { retrievePosture, SLOW_RETRIEVE, towWith } from './retrieve'
import type { TetheredWeight } from './tether'
import { FRESH, usualSize } from './testing'

/**
 * Every form at its shortest, a usual and its longest, in every family that takes it, with the lightest and
 * heaviest usual weight.
 */
function* catalogue(): Generator<{ readonly name: string; readonly body: () => HydroBody }> {
  for (const form of FORM_IDS) {
    const [shortest, longest] = BAIT_FORMS[form].lengthRangeM
    for (const lengthM of new Set([shortest, Math.min(longest, Math.max(shortest, 0.09)), longest])) {
      for (const family of FAMILY_IDS) {
        const { weighted, usualKg = [0.0018, 0.014], pointRests } = FAMILIES[family]
        for (const weightKg of weighted ? usualKg : [0]) {
          const bait: BaitSpec = { form, lengthM, material: 'plain' }
          const rig: RigSpec = {
            family,
            hookSize: sizeFor(bait, family, weightKg),
            weightKg,
            weightMaterial: 'lead',
            pointRest: pointRests[0]!,
          }
          if (problemsOf(bait, rig).length > 0) continue
          yield {
            name: `${form} ${lengthM} ${family} ${weightKg}`,
            body: () => hydroBody(assembleRig(bait, rig).geometry, FRESH),
          }
        }
      }
    }
  }
}
/** The usual hook for a length, or the next smaller that can be built. */
function sizeFor(bait: BaitSpec, family: RigSpec['family'], weightKg: number): RigSpec['hookSize'] {
  const from = HOOK_SIZES.indexOf(usualSize(bait.lengthM))
  const rest = FAMILIES[family].pointRests[0]!
  const found = HOOK_SIZES.slice(0, from + 1)
    .reverse()
    .find(
      hookSize =>
        problemsOf(bait, { family, hookSize, weightKg, weightMaterial: 'lead', pointRest: rest }).length ===
        0,
    )
  return found ?? HOOK_SIZES[0]!
}

/**
 * Rigs tried of the catalogue: every seventh, so that each form, family and weight is met, with others each
 * time.
 */
const EVERY = 7

describe('posture on a tight line', () => {
  it('is a posture for every rig of the catalogue', () => {
    let n = 0
    for (const { name, body } of catalogue()) {
      if (n++ % EVERY !== 0) continue
      const { rollRad, pitchRad } = retrievePosture(body())
      expect([
        name,
        rollRad.length,
        pitchRad.length,
        rollRad.every(Number.isFinite) && pitchRad.every(Number.isFinite),
      ]).toEqual([name, 20, 20, true])
    }
    expect(n).toBeGreaterThan(1000)
  })
  it('is the same at a quarter of the step', () => {
    let n = 0
    for (const { name, body } of catalogue()) {
      if (n++ % 41 !== 0) continue
      const rig = body()
      const coarse = retrievePosture(rig)
      const fine = retrievePosture({ ...rig, stepS: rig.stepS / 4, dampingPerM: 4 * rig.dampingPerM })
      const last = coarse.pitchRad.length - 1
      // one degree; a rig that swims from side to side is held to its mean
      const mean = (list: Float64Array): number => list.reduce((sum, x) => sum + x / list.length, 0)
      const off = Math.min(
        Math.abs(coarse.pitchRad[last]! - fine.pitchRad[last]!),
        Math.abs(mean(coarse.pitchRad) - mean(fine.pitchRad)),
      )
      expect([name, off < 0.0175]).toEqual([name, true])
    }
  })
  it('has the weight in it that hangs at the joint: the heavier, the lower the nose; one ahead on a leader draws it level', () => {
    const body = hydroBody(
      assembleRig(
        { form: 'slimShad', lengthM: 0.1, material: 'plain' },
        { family: 'J4', hookSize: '4/0', weightKg: 0.007, weightMaterial: 'lead', pointRest: 'skin' },
      ).geometry,
      FRESH,
    )
    const weight = (grams: number): TetheredWeight => {
      const massKg = grams / 1000
      return {
        massKg,
        displacedKg: (massKg * FRESH.densityKgM3) / 11_340,
        diameterM: Math.cbrt((6 * massKg) / 11_340 / Math.PI),
        dragFactor: 1,
        tetherM: 0.01,
        lineOnWeight: true,
      }
    }
    const pitch = (tow: Tow): number => retrievePosture(body, tow).pitchRad[19]!
    const found = [SLOW_RETRIEVE, ...[3, 7, 14].map(g => towWith(weight(g), FRESH))].map(pitch)
    for (let i = 1; i < found.length; i++) expect(found[i]!).toBeLessThan(found[i - 1]!)
    const led = towWith({ ...weight(14), tetherM: 0.4 }, FRESH)
    expect(led.hung).toBeUndefined()
    expect(Math.abs(pitch(led))).toBeLessThan(Math.abs(found[0]!))
  })
  it('cannot be made up where the motion cannot be followed', () => {
    const [first] = catalogue()
    expect(() => retrievePosture(first!.body(), { ...SLOW_RETRIEVE, newtonPerMS: Infinity })).toThrow(
      RangeError,
    )
  })
})
