import type { FormId } from '../tackle/forms'
import type { HookDims, HookSize } from '../tackle/hooks'
import type { PlasticId } from '../tackle/materials'
import type { WeightMaterial } from '../tackle/weights'

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
