import type { BaitShape } from './bait'
import { shapeBait } from './bait'
import { bowOf } from './bow'
import { clamp } from '../numerics/clamp'
import { FAMILIES } from './families'
import type { FamilyParts } from './families/family'
import type { Vec3 } from '../numerics/quaternion'
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
  /** how far the hook draws the tail up (+) or down, m */ readonly bowM: number
  /** summed up when it is first asked for: fit, snags and bites need the shapes alone */
  readonly geometry: RigGeometry
}

/**
 * Builds a rig from a bait and a way of rigging it.
 * @throws RangeError naming the first field that cannot be built (see `problemsOf`)
 */
export function assembleRig(baitSpec: BaitSpec, spec: RigSpec): AssembledRig {
  const [problem] = problemsOf(baitSpec, spec)
  if (problem) throw new RangeError(`assembleRig: ${problem.field}: ${problem.code}`)
  const bending = {
    bendM: spec.bendM,
    trimM: spec.trimM,
    trimLimbs: spec.trimLimbs,
    sideOn: spec.sideOn,
  }
  const straight = shapeBait(baitSpec, bending)
  const asked = spec.levelled && spec.pointRest !== 'open' ? levelled(straight, spec) : spec
  const first = FAMILIES[spec.family].place(straight, asked)
  const bowM = bowOf(first.placement, straight, asked)
  const bait = bowM === 0 ? straight : shapeBait(baitSpec, { ...bending, bowM })
  const parts = bowM === 0 ? first : FAMILIES[spec.family].place(bait, asked)
  let body: RigGeometry | undefined
  return {
    bait,
    baitSpec,
    spec,
    parts,
    bowM,
    get geometry() {
      return (body ??= bodyOf(bait, parts, spec))
    },
  }
}

/** Part of a gap that pliers open or close before the wire is spoilt. *Assumed.* */
const PLIERS = 0.2

/**
 * The same rig with its hook's gap opened or closed by pliers, as far as that goes, so that the point lies to the
 * back where it stood proud or too deep.
 */
function levelled(bait: BaitShape, spec: RigSpec): RigSpec {
  const { dims, placement } = FAMILIES[spec.family].place(bait, spec)
  const most = PLIERS * dims.gapM
  const gapM = dims.gapM - clamp(placement.naturalOpeningM, -most, most)
  return { ...spec, hook: { ...spec.hook, gapM } }
}

function bodyOf(bait: BaitShape, parts: FamilyParts, spec: RigSpec): RigGeometry {
  const strips: Strip[] = [
    ...plasticStrips(bait),
    ...wireStrips(parts.placement.path, bait),
    ...(parts.trailing ? wireStrips(parts.trailing, bait) : []),
  ]
  const compacts = [...plasticCompacts(bait, parts.noseCover), ...parts.compacts]
  return { ...sumParts(strips, compacts, inFrame(parts.tie)), crookedShare: (spec.bendM ?? 0) / bait.lengthM }
}

/** The same rig with hook, weight and tie point laid `byM` farther back in the same bait, m. */
export function hookMoved({ geometry: g, parts }: AssembledRig, byM: number): RigGeometry {
  const back = <T extends { readonly at: Vec3 }>(part: T): T => ({
    ...part,
    at: [part.at[0] - byM, part.at[1], part.at[2]],
  })
  const own = parts.compacts.length
  const compacts = g.compacts.map((c, i) => (i >= g.compacts.length - own ? back(c) : c))
  return {
    ...sumParts(
      g.strips.map(s => (s.part === 'wire' ? back(s) : s)),
      compacts,
      [g.tie[0] - byM, g.tie[1], g.tie[2]],
    ),
    ...(g.crookedShare === undefined ? {} : { crookedShare: g.crookedShare }),
  }
}

/** A bait with nothing in it, as for a bucket test. @throws RangeError when the bait cannot be built */
export function assembleBareBait(baitSpec: BaitSpec): RigGeometry {
  const [problem] = problemsOfBait(baitSpec)
  if (problem) throw new RangeError(`assembleBareBait: ${problem.field}: ${problem.code}`)
  const bait = shapeBait(baitSpec)
  return sumParts(plasticStrips(bait), plasticCompacts(bait, 0), [0, 0, 0])
}
