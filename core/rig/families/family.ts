import type { HookDims, HookStyle } from '../../tackle/hooks'
import type { WeightShape } from '../../tackle/weights'
import type { BaitShape } from '../bait'
import type { Compact } from '../geometry'
import type { PlanePoint } from '../hookPath'
import type { Placement } from '../placement'
import type { FamilyId, PointRest, RigSpec } from '../spec'

/** A weight that hangs on its own: hinged, ahead on a leader, below on a dropper, or free to slide on the line. */
export interface SecondWeight {
  readonly shape: WeightShape
  readonly massKg: number
  readonly densityKgM3: number
  /** tie point to the middle of the weight, m; Infinity when it is free to slide away */ readonly tetherM: number
  /** the line to the rod is tied to, or runs through, the weight */ readonly lineOnWeight: boolean
}

/** What a family adds to a bait: its hook laid in place, its weight, and where the line is tied. */
export interface FamilyParts {
  readonly dims: HookDims
  readonly placement: Placement
  readonly compacts: readonly Compact[]
  /** a head hides the blunt nose from the flow */ readonly noseCovered: boolean
  readonly tie: PlanePoint
  readonly second?: SecondWeight
}

/** A way of rigging. Adding one is writing one of these and naming it in `families/index.ts`. */
export interface Family {
  readonly id: FamilyId
  readonly name: string
  /** for narrow columns */ readonly shortName: string
  readonly weighted: boolean
  readonly hookStyle: HookStyle
  /** the hook lies on the back and hardly enters the bait */ readonly onTop?: true
  /** ways the point may rest, the usual one first */ readonly pointRests: readonly PointRest[]
  /** height of plastic that stands in the gap where the point passes, m */ inGap(bait: BaitShape, s: number): number
  place(bait: BaitShape, spec: RigSpec): FamilyParts
}
