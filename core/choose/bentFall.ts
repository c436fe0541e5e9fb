import type { Vec3 } from '../numerics/quaternion'
import { failure, success, type Outcome } from '../outcome'
import type { AssembledRig } from '../rig/assemble'
import type { BaitSpec, RigSpec } from '../rig/spec'
import type { DropFailure } from '../fall/drop'
import type { Link } from '../fall/bend/chain'
import { cutRig } from '../fall/bend/cut'
import type { BentDrop } from '../fall/bend/dropBent'
import { dropBentAny, type BentPairDrop } from '../fall/bend/dropBentPair'
import type { Conditions } from './conditions'
import { prepareRig } from './prepareRig'

/**
 * A link as it lies in the straight rig, about the whole's centre of gravity: x toward the nose, y left, z to the
 * back.
 */
export interface BentLink {
  /** which link it hangs on; −1 for the root, which the hook holds */ readonly parent: number
  /** where it turns about the one before it, m */ readonly joint: Vec3
  /** whether it lies behind its joint, toward the tail */ readonly behind: boolean
}

/** A fall of a bait that bends, and what it takes to draw it. */
export interface BentFall {
  readonly drop: BentDrop | BentPairDrop
  readonly links: readonly BentLink[]
}

/** Why a rig has no bent fall; `stiff`: the hook holds all of it. */
export type BentFailure = DropFailure | 'stiff'

/**
 * The fall of a rig whose plastic bends, in the water and on the line of the sheet.
 * @throws RangeError when the rig or the water cannot be built
 */
export function bentFall(
  bait: BaitSpec,
  spec: RigSpec,
  conditions: Conditions,
): Outcome<BentFall, BentFailure> {
  const { rig, water, bodies, fall } = prepareRig(bait, spec, conditions)
  const links = cutRig(rig, water)
  if (links.length === 1) return failure('stiff', 'The hook holds all of it.')
  const done = dropBentAny(links, bodies.typical, bodies.weight, fall)
  if (!done.ok) return done
  return success({ drop: done.value, links: asTheyLie(links, rig) })
}

/** The links of a rig as they lie when it is straight. */
export const asTheyLie = (
  links: readonly Link[],
  { geometry: { centre: whole } }: AssembledRig,
): BentLink[] =>
  links.map(({ parent, jointAt, body: { geometry } }) => {
    const at = (k: 0 | 1 | 2): number => jointAt[k] + geometry.centre[k] - whole[k]
    return { parent, joint: [at(0), at(1), at(2)], behind: jointAt[0] > 0 }
  })
