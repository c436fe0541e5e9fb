import type { FormId } from '../tackle/forms'
import type { HookDims, HookSize } from '../tackle/hooks'
import type { PlasticId } from '../tackle/materials'
import type { WeightMaterial } from '../tackle/weights'

/**
 * E1 ball jig head, W1 belly-weighted screw-lock, O2 unweighted wide-gap offset, L1 the same behind a bullet on the line,
 * E3 flat-faced stand-up head, E7 head inside a tube, L7 hook in the middle and weight in the nose,
 * J4 hinged ball, L3 weight ahead on a leader, L4 hook over a dropper weight.
 */
export type FamilyId = 'E1' | 'W1' | 'O2' | 'L1' | 'J4' | 'L3' | 'L4' | 'E3' | 'E7' | 'L7'

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
  /** kg/m³, replaces the weight material's typical density */ readonly weightDensityKgM3?: number
  /** own measurements, replacing the typical ones; metres */ readonly hook?: Partial<HookDims>
  /** m from the bait's nose to the middle of the weight, positive toward the tail; replaces the usual place */
  readonly weightAtM?: number
  /** L1 only: held against the nose by a peg (the usual), or free to slide on the line */ readonly peg?: 'pegged' | 'free'
  /** L3 and L4: hook to weight, m; replaces the usual length */ readonly leaderM?: number
  /** m the tail stands off to the left when the nose lies straight: a bait rigged crooked bends evenly from nose to tail */ readonly bendM?: number
}

export interface Problem { readonly field: string, readonly message: string }

/** Limits of what the model has been shown to handle. SI. */
export const LIMITS = {
  baitLengthM: [0.03, 0.4],
  weightKg: [0.0004, 0.1],
  densityKgM3: [500, 3000],
  weightAtM: [-0.1, 0.4],
  bendM: [-0.03, 0.03],
  weightDensityKgM3: [2000, 23000],
  leaderM: [0.03, 1.5],
} as const
