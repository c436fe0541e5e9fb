import type { FormId } from '../tackle/forms'
import type { HookDims, HookSize, WireGrade } from '../tackle/hooks'
import type { KeeperId } from '../tackle/keepers'
import type { PlasticId } from '../tackle/materials'
import type { WeightMaterial } from '../tackle/weights'

/**
 * E: weight at the nose, hook open. J: jointed or weedless heads. W: weight on the hook. O: no weight. L:
 * weight on the line, or none and free. T: trailers.
 */
export type FamilyId =
  | 'E1'
  | 'E2'
  | 'E3'
  | 'E4'
  | 'E5'
  | 'E6'
  | 'E7'
  | 'J1'
  | 'J2'
  | 'J3'
  | 'J4'
  | 'J5'
  | 'J6'
  | 'J7'
  | 'W1'
  | 'W2'
  | 'W3'
  | 'W4'
  | 'O1'
  | 'O2'
  | 'O3'
  | 'O4'
  | 'L1'
  | 'L2'
  | 'L3'
  | 'L4'
  | 'L5'
  | 'L6'
  | 'L7'
  | 'L8'
  | 'L9'
  | 'T1'

/** A bundle of fibres or a wire in front of an open point. */
export type GuardId = 'none' | 'fibre' | 'wire'

/** How the point rests: open above the back, flush on it, just under the skin, or buried in the body. */
export type PointRest = 'open' | 'flush' | 'skin' | 'buried'

export interface BaitSpec {
  readonly form: FormId
  readonly lengthM: number
  readonly material: PlasticId
  /** kg/m³, replaces the material's typical density */ readonly densityKgM3?: number
  /** the angler's own outline, instead of the form's */ readonly own?: OwnOutline
}

/**
 * A bait's outline as traced or measured: stations along it and full width and height there, all as shares of
 * its length.
 */
export interface OwnOutline {
  readonly at: readonly number[]
  readonly width: readonly number[]
  readonly height: readonly number[]
  /** height of the section's middle above the nose–tail line; on it when left out */
  readonly rise?: readonly number[]
}

export interface RigSpec {
  readonly family: FamilyId
  readonly hookSize: HookSize
  /** kg; 0 for a family without a weight */ readonly weightKg: number
  readonly weightMaterial: WeightMaterial
  readonly pointRest: PointRest
  /** kg/m³, replaces the weight material's typical density */ readonly weightDensityKgM3?: number
  /** own measurements, replacing the typical ones; metres */ readonly hook?: Partial<HookDims>
  /**
   * m from the bait's nose to the middle of the weight, positive toward the tail; replaces the usual place
   */
  readonly weightAtM?: number
  /**
   * L1 only: held against the nose by a peg (the usual), by a stop a little up the line, or free to slide on
   * it
   */
  readonly peg?: 'pegged' | 'half' | 'free'
  /** L3 and L4: hook to weight, m; replaces the usual length */ readonly leaderM?: number
  /** wire of the hook; standard when left out */ readonly wire?: WireGrade
  /** a deep-belly hook of the same size */ readonly gap?: 'standard' | 'deep'
  /** what keeps the bait on; the family's usual one when left out */ readonly keeper?: KeeperId
  /** in front of an open point; the family's usual one when left out */ readonly guard?: GuardId
  /** the belly slit along the gap, under a skin left on the back */ readonly slit?: boolean
  /** a peg through bait and bend keeps a worn bait from sliding */ readonly pinned?: boolean
  /** m from the nose where the point is brought out, instead of where the laid hook asks for it */
  readonly exitAtM?: number
  /** m cut off the nose of a worn bait */ readonly trimM?: number
  /** claws, legs and the like cut off */ readonly trimLimbs?: boolean
  /** a trailer threaded on its side: slim from above, deep from the side */ readonly sideOn?: boolean
  /** the hook bent by pliers, so that its point lies to the back */ readonly levelled?: boolean
  /** m the whole hook is laid farther back than usual, as seen on the bench */ readonly hookAtM?: number
  /**
   * m the tail stands off to the left when the nose lies straight: a bait rigged crooked bends evenly from
   * nose to tail
   */
  readonly bendM?: number
}

/** What is wrong at a field of a bait or rig, as data; SI. */
export type Problem = { readonly field: string } & (
  | {
      readonly code: 'range'
      readonly of: 'length' | 'span' | 'weight' | 'density'
      readonly low: number
      readonly high: number
    }
  | {
      readonly code:
        | 'unknown'
        | 'outlineCount'
        | 'outlineLists'
        | 'outlineOrder'
        | 'outlineWidths'
        | 'noWeight'
        | 'noPeg'
        | 'noSide'
    }
  | { readonly code: 'pointRest' | 'keeper' | 'guard'; readonly family: FamilyId }
  | { readonly code: 'hookDim'; readonly mostM: number }
  | { readonly code: 'bodyLeft' | 'baitLeft'; /** what may be cut off */ readonly mostM: number }
  | { readonly code: 'hookLonger'; readonly hookM: number; readonly baitM: number }
)

/** Limits of what the model has been shown to handle. SI. */
export const LIMITS = {
  baitLengthM: [0.03, 0.4],
  weightKg: [0.0004, 0.1],
  densityKgM3: [500, 3000],
  weightAtM: [-0.1, 0.4],
  bendM: [-0.03, 0.03],
  weightDensityKgM3: [2000, 23000],
  leaderM: [0.02, 1.5],
  trimM: [0, 0.2],
  exitAtM: [0.003, 0.35],
  hookAtM: [-0.02, 0.08],
} as const
