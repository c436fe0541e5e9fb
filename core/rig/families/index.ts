import type { HookStyle } from '../../tackle/hooks'
import type { WeightShape } from '../../tackle/weights'
import type { FamilyId } from '../spec'
import { BELLY } from './bellyWeighted'
import type { Family } from './family'
import { HEADS } from './heads'
import { INSIDE } from './inside'
import { JOINTED } from './jointed'
import { OFFSET } from './offset'

export { FAMILY_GROUPS, type Family, type FamilyGroup } from './family'
export { USUAL_LEADER_M } from './jointed'

const all: Readonly<Record<FamilyId, Family>> = { ...BELLY, ...OFFSET, ...HEADS, ...JOINTED, ...INSIDE }

/** In the order they are offered: by group, the commonest first. */
const ORDER: readonly FamilyId[] = [
  'W1',
  'W2',
  'W3',
  'W4',
  'O2',
  'O1',
  'O3',
  'O4',
  'L8',
  'E1',
  'E2',
  'E3',
  'E4',
  'E5',
  'E6',
  'E7',
  'J4',
  'J3',
  'J1',
  'J2',
  'J5',
  'J6',
  'J7',
  'L1',
  'L2',
  'L3',
  'L4',
  'L5',
  'L6',
  'L7',
  'L9',
  'T1',
]
/** A drop of glue holds any bait whose nose meets hook or head; not one that is hooked across. */
function gluable(family: Family): Family {
  const { keepers, across } = family
  return across || keepers.includes('glue') ? family : { ...family, keepers: [...keepers, 'glue'] }
}

export const FAMILIES: Readonly<Record<FamilyId, Family>> = Object.fromEntries(
  ORDER.map(id => [id, gluable(all[id])]),
) as Record<FamilyId, Family>
export const FAMILY_IDS = ORDER

/**
 * Families that are put together at the water from a hook of this style: with a loose weight of a shape, with the
 * weight that is on the hook, or with nothing.
 */
export const looseFamilies = (style: HookStyle, weight?: WeightShape | 'onHook'): FamilyId[] =>
  FAMILY_IDS.filter(id => {
    const { loose } = FAMILIES[id]
    return loose !== undefined && loose.hooks.includes(style) && loose.weight === weight
  })
