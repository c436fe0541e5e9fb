import { problemsOf } from '../rig/problems'
import { FAMILIES, FAMILY_IDS } from '../rig/families'
import type { BaitSpec, RigSpec } from '../rig/spec'
import type { Random } from '../numerics/random'
import { BOTTOM_IDS, COVER_IDS } from '../snag/cover'
import { RETRIEVE_IDS } from '../snag/retrieve'
import { BAIT_FORMS, FORM_IDS } from '../tackle/forms'
import { HOOK_SIZES } from '../tackle/hooks'
import { lbfToN } from '../units'
import { LINE_KINDS, LINE_STRENGTHS_LB } from '../tackle/lines'
import { PLASTIC_IDS } from '../tackle/materials'
import { OUNCE_STEPS_KG, WEIGHT_MATERIALS, type WeightMaterial } from '../tackle/weights'
import type { Conditions } from './conditions'

/** Any rig in any place, for sweeps: every family, form, size, material, water, line and current. */
export interface RandomRig {
  readonly name: string
  readonly bait: BaitSpec
  readonly rig: RigSpec
  readonly conditions: Conditions
}

/** Draws until one can be built. The line is slack unless a hold is given. */
export function randomRig(random: Random, hold?: Conditions['hold']): RandomRig {
  const of = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  for (;;) {
    const family = of(FAMILY_IDS)
    const { weighted, pointRests } = FAMILIES[family]
    const form = of(FORM_IDS)
    const [shortest, longest] = BAIT_FORMS[form].lengthRangeM
    const bait: BaitSpec = {
      form,
      lengthM: shortest + random() * (longest - shortest),
      material: of(PLASTIC_IDS),
    }
    const rig: RigSpec = {
      family,
      hookSize: of(HOOK_SIZES),
      weightKg: weighted ? of(OUNCE_STEPS_KG) : 0,
      weightMaterial: of(Object.keys(WEIGHT_MATERIALS) as WeightMaterial[]),
      pointRest: of(pointRests),
      ...(random() < 0.1 ? { bendM: (random() - 0.5) * 0.04 } : {}),
      ...(random() < 0.1 ? { trimM: random() * 0.1 } : {}),
      ...(random() < 0.1 ? { trimLimbs: true } : {}),
    }
    if (problemsOf(bait, rig).length > 0) continue
    const conditions: Conditions = {
      depthM: 0.5 + random() * 10,
      temperatureC: 2 + random() * 26,
      salinityGKg: of([0, 15, 35]),
      cover: of(COVER_IDS),
      bottom: of(BOTTOM_IDS),
      retrieve: of(RETRIEVE_IDS),
      lineKind: of(LINE_KINDS),
      lineStrengthN: lbfToN(of(LINE_STRENGTHS_LB)),
      ...(random() < 0.3 ? { stream: { surfaceMS: random(), towardRad: 6.28 * random() } } : {}),
      ...(hold ? { hold } : {}),
    }
    const name = JSON.stringify({
      form,
      mm: Math.round(1000 * bait.lengthM),
      material: bait.material,
      ...rig,
      depthM: conditions.depthM,
      line: conditions.lineKind,
    })
    return { name, bait, rig, conditions }
  }
}
