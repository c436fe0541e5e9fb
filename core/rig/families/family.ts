import type { HookDims, HookStyle } from '../../tackle/hooks'
import type { KeeperId } from '../../tackle/keepers'
import type { WeightShape } from '../../tackle/weights'
import type { BaitShape } from '../bait'
import type { Compact } from '../geometry'
import type { HookPath, PlanePoint } from '../hookPath'
import type { Placement } from '../placement'
import type { FamilyId, GuardId, PointRest, RigSpec } from '../spec'

/**
 * A weight that hangs on its own: hinged, ahead on a leader, below on a dropper, or free to slide on the
 * line.
 */
export interface SecondWeight {
  readonly shape: WeightShape
  readonly massKg: number
  readonly densityKgM3: number
  /** tie point to the middle of the weight, m; Infinity when it is free to slide away */
  readonly tetherM: number
  /** the line to the rod is tied to, or runs through, the weight */ readonly lineOnWeight: boolean
  /** drag against a sphere as wide as the weight; the shape's own when left out */
  readonly dragFactor?: number
}

/** What a family adds to a bait: its hook laid in place, its weight, and where the line is tied. */
export interface FamilyParts {
  readonly dims: HookDims
  readonly placement: Placement
  readonly compacts: readonly Compact[]
  /** share of the blunt nose that a head hides from the flow, 0..1 */ readonly noseCover: number
  readonly tie: PlanePoint
  readonly second?: SecondWeight
  /** a second hook that trails: its wire, and its dimensions */ readonly trailing?: HookPath
  readonly trailingDims?: HookDims
  /** the hook lies on the back and hardly enters the bait */ readonly onTop?: true
  /** plastic that stands in the gap, m, where the family's own rule does not hold */ readonly inGapM?: number
  /** a head pushed inside a hollow bait: its width and middle, m */ readonly inside?: {
    readonly diameterM: number
    readonly atM: number
  }
}

/** What families are listed under. */
export const FAMILY_GROUPS = {
  open: 'weight at the nose, hook open',
  jointed: 'jointed and weedless heads',
  belly: 'weight on the hook',
  bare: 'no weight',
  line: 'weight on the line',
  finesse: 'hooked in the middle',
  trailer: 'trailers',
} as const
export type FamilyGroup = keyof typeof FAMILY_GROUPS

/** A way of rigging. Adding one is writing one of these and naming it in `families/index.ts`. */
export interface Family {
  readonly id: FamilyId
  readonly name: string
  /** for narrow columns */ readonly shortName: string
  readonly group: FamilyGroup
  /** what it is for, and what to mind, in a sentence */ readonly advice: string
  readonly weighted: boolean
  /** usual weights, lightest and heaviest, kg */ readonly usualKg?: readonly [number, number]
  /** the weight can be moved by hand */ readonly slides?: true
  readonly hookStyle: HookStyle
  /** ways to keep the bait on, the usual one first */ readonly keepers: readonly KeeperId[]
  /** what may stand in front of an open point, the usual one first; nothing when left out */
  readonly guards?: readonly GuardId[]
  /** the bait trails behind a skirt or blade, and is trimmed to length */ readonly trailer?: true
  /** the hook goes across the bait */ readonly across?: true
  /** needs a hollow bait */ readonly hollowOnly?: true
  /** what it is put together from at the water, the usual hook first; sold as one piece when left out */
  readonly loose?: { readonly hooks: readonly HookStyle[]; readonly weight?: WeightShape | 'onHook' }
  /** its weight hangs on its own */ readonly hangs?: {
    readonly shape: 'ball' | 'football' | 'bullet'
    /** how the bait stands to it: on a joint, behind it, or level above it */
    readonly bait: 'joined' | 'behind' | 'level'
    /** usual length between them, m */ readonly leaderM?: number
    /** a wire holds them apart, that does not give */ readonly stiff?: true
  }
  /** the hook is short in the bait: across it, or in its head alone */ readonly shortHold?: true
  /** the weight may be pegged, or run free */ readonly pegs?: true
  /** ways the point may rest, the usual one first */ readonly pointRests: readonly PointRest[]
  /** height of plastic that stands in the gap where the point passes, m */ inGap(
    bait: BaitShape,
    s: number,
  ): number
  place(bait: BaitShape, spec: RigSpec): FamilyParts
}

/** A weedless hook has the whole body in its gap. */
export const wholeBody = (bait: BaitShape, s: number): number => bait.heightAt(s)
/** A hook along the middle has only the back above it. */
export const backOnly = (bait: BaitShape, s: number): number => bait.topAt(s) - bait.bowAt(s)

/** Where the nose is taken to be blunt, share of the length. */
const BLUNT_AT = 0.05
/**
 * Share of a bait's blunt nose that a head of so much width and height hides, by their areas: growing with
 * the head, so that no figure jumps where it just covers.
 */
export const noseCoverOf = (bait: BaitShape, widthM: number, heightM: number): number =>
  Math.min(
    1,
    (widthM * heightM) / (bait.widthAt(BLUNT_AT * bait.lengthM) * bait.heightAt(BLUNT_AT * bait.lengthM)),
  )
