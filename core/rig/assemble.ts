import type { BaitShape } from './bait'
import { shapeBait } from './bait'
import { FAMILIES } from './families'
import type { FamilyParts } from './families/family'
import { sumParts, type RigGeometry, type Strip } from './geometry'
import { inFrame, plasticCompacts, plasticStrips, wireStrips } from './parts'
import { problemsOf, problemsOfBait } from './problems'
import type { BaitSpec, RigSpec } from './spec'

/** A rig ready for every measure: the shaped bait, the laid hook, and the rigid body. */
export interface AssembledRig {
  readonly bait: BaitShape
  readonly baitSpec: BaitSpec
  readonly spec: RigSpec
  readonly parts: FamilyParts
  readonly geometry: RigGeometry
}

/**
 * Builds a rig from a bait and a way of rigging it.
 * @throws RangeError naming the first field that cannot be built (see `problemsOf`)
 */
export function assembleRig(baitSpec: BaitSpec, spec: RigSpec): AssembledRig {
  const [problem] = problemsOf(baitSpec, spec)
  if (problem) throw new RangeError(`assembleRig: ${problem.field}: ${problem.message}`)
  const bait = shapeBait(baitSpec, spec.bendM)
  const parts = FAMILIES[spec.family].place(bait, spec)
  const strips: Strip[] = [...plasticStrips(bait), ...wireStrips(parts.placement.path, bait)]
  const compacts = [...plasticCompacts(bait, parts.noseCovered ? 'covered' : 'bare'), ...parts.compacts]
  return { bait, baitSpec, spec, parts, geometry: sumParts(strips, compacts, inFrame(parts.tie)) }
}

/** A bait with nothing in it, as for a bucket test. @throws RangeError when the bait cannot be built */
export function assembleBareBait(baitSpec: BaitSpec): RigGeometry {
  const [problem] = problemsOfBait(baitSpec)
  if (problem) throw new RangeError(`assembleBareBait: ${problem.field}: ${problem.message}`)
  const bait = shapeBait(baitSpec)
  return sumParts(plasticStrips(bait), plasticCompacts(bait, 'bare'), [0, 0, 0])
}
