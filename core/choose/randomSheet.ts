import type { Random } from '../numerics/random'
import { problemsOf } from '../rig/problems'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { BOTTOM_IDS, COVER_IDS } from '../snag/cover'
import { RETRIEVE_IDS } from '../snag/retrieve'
import { FEEDING_IDS } from '../strike/bite'
import { BAIT_FORMS, FORM_IDS } from '../tackle/forms'
import { lbfToN, ozToKg } from '../units'
import { findSize } from '../fit/findSize'
import type { Conditions } from './conditions'

/** A sheet of three kinds of rig on one bait, in one water. */
export interface RandomSheet {
  readonly bait: BaitSpec
  readonly rigs: readonly RigSpec[]
  readonly conditions: Conditions
}

/** Forms that all three kinds are fished with. */
const FORMS = FORM_IDS.filter(form => !['tube', 'frog'].includes(form))

/**
 * Draws a bait that a belly-weighted hook, an unweighted offset hook and an open jig head all fit, each in
 * the size that suits it, somewhere they may be fished: for trying how often a verdict can be given.
 */
export function randomSheet(random: Random): RandomSheet {
  const of = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  for (;;) {
    const form = of(FORMS)
    const [shortest, longest] = BAIT_FORMS[form].lengthRangeM
    const bait: BaitSpec = {
      form,
      lengthM: Math.max(shortest, 0.06) + random() * (Math.min(longest, 0.15) - Math.max(shortest, 0.06)),
      material: of(['plain', 'salted', 'floating'] as const),
    }
    const weightKg = ozToKg(of([1 / 16, 1 / 8, 3 / 16, 1 / 4]))
    const kinds: readonly RigSpec[] = [
      { family: 'W1', hookSize: '3/0', weightKg, weightMaterial: 'lead', pointRest: 'skin' },
      { family: 'O2', hookSize: '3/0', weightKg: 0, weightMaterial: 'lead', pointRest: 'skin' },
      { family: 'E1', hookSize: '2/0', weightKg, weightMaterial: 'lead', pointRest: 'open' },
    ]
    const conditions: Conditions = {
      depthM: 0.6 + 3 * random(),
      temperatureC: 6 + 16 * random(),
      salinityGKg: of([0, 35]),
      cover: of(COVER_IDS),
      bottom: of(BOTTOM_IDS),
      retrieve: of(RETRIEVE_IDS),
      feeding: of(FEEDING_IDS),
      lineKind: of(['braid', 'fluorocarbon'] as const),
      lineStrengthN: lbfToN(of([10, 15, 20])),
    }
    const rigs = kinds.flatMap(rig => {
      if (problemsOf(bait, rig).length > 0) return []
      const { best } = findSize(bait, rig)
      return best ? [{ ...rig, hookSize: best.size }] : []
    })
    if (rigs.length === kinds.length) return { bait, rigs, conditions }
  }
}
