import { BAIT_FORMS, type FormId } from '../tackle/forms'
import { HOOK_SIZES, type HookDims, type HookSize } from '../tackle/hooks'
import { PLASTICS, type PlasticId } from '../tackle/materials'
import { WEIGHT_MATERIALS, type WeightMaterial } from '../tackle/weights'

/** E1 ball jig head, W1 belly-weighted screw-lock, O2 unweighted wide-gap offset, L1 the same behind a pegged bullet. */
export type FamilyId = 'E1' | 'W1' | 'O2' | 'L1'

/** How the point rests: open above the back, flush on it, just under the skin, or buried in the body. */
export type PointRest = 'open' | 'flush' | 'skin' | 'buried'

export interface BaitSpec {
  readonly form: FormId
  readonly lengthM: number
  readonly material: PlasticId
  /** kg/m³, replaces the material's typical density */ readonly densityKgM3?: number
}

export interface RigSpec {
  readonly family: FamilyId
  readonly hookSize: HookSize
  /** kg; 0 for a family without a weight */ readonly weightKg: number
  readonly weightMaterial: WeightMaterial
  readonly pointRest: PointRest
  /** own measurements, replacing the typical ones; metres */ readonly hook?: Partial<HookDims>
  /** m from the bait's nose to the middle of the weight, positive toward the tail; replaces the usual place */
  readonly weightAtM?: number
}

export interface Problem { readonly field: string, readonly message: string }

/** Limits of what the model has been shown to handle. SI. */
export const LIMITS = {
  baitLengthM: [0.03, 0.4],
  weightKg: [0.0004, 0.1],
  densityKgM3: [500, 3000],
  weightAtM: [-0.1, 0.4],
} as const

/**
 * Everything that is wrong with a bait and rig, one entry a field, in plain words; empty when it can be built.
 * Does not judge the fit: a poor fit is a result, an impossible rig is an error.
 */
export function problemsOf(bait: BaitSpec, rig: RigSpec): Problem[] {
  const found: Problem[] = []
  const say = (field: string, message: string): void => void found.push({ field, message })
  const within = (field: string, name: string, value: number, [low, high]: readonly [number, number], scale: number, unit: string): void => {
    if (!(value >= low && value <= high)) say(field, `${name} must lie between ${low * scale} and ${high * scale} ${unit}.`)
  }
  if (!(bait.form in BAIT_FORMS)) say('bait.form', 'This bait form is not in the catalogue.')
  if (!(bait.material in PLASTICS)) say('bait.material', 'This material is not in the catalogue.')
  within('bait.lengthM', 'Bait length', bait.lengthM, LIMITS.baitLengthM, 1000, 'mm')
  if (bait.densityKgM3 !== undefined) within('bait.densityKgM3', 'Density', bait.densityKgM3, LIMITS.densityKgM3, 0.001, 'g/cm³')
  if (!HOOK_SIZES.includes(rig.hookSize)) say('rig.hookSize', 'This hook size is not in the table.')
  if (!(rig.weightMaterial in WEIGHT_MATERIALS)) say('rig.weightMaterial', 'This weight material is not in the catalogue.')
  if (rig.family === 'O2') {
    if (rig.weightKg !== 0) say('rig.weightKg', 'An unweighted offset hook carries no weight: expected 0.')
  } else {
    within('rig.weightKg', 'Weight', rig.weightKg, LIMITS.weightKg, 1000, 'g')
  }
  if (rig.weightAtM !== undefined) within('rig.weightAtM', 'Weight position', rig.weightAtM, LIMITS.weightAtM, 1000, 'mm')
  for (const [key, value] of Object.entries(rig.hook ?? {})) {
    if (!(typeof value === 'number' && value >= 0 && value < 0.2)) say(`rig.hook.${key}`, 'A hook dimension must lie between 0 and 200 mm.')
  }
  return found
}
