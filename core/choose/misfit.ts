import { dimsOf } from '../rig/dims'
import { FAMILIES } from '../rig/families'
import type { BaitSpec, FamilyId } from '../rig/spec'
import type { FormId } from '../tackle/forms'
import type { Rigging } from './goods'
import type { Limit } from './limits'

/** Hooks whose length says little of their fit: laid across the bait, or only in its head. */
const SHORT_HOLD: ReadonlySet<FamilyId> = new Set(['L6', 'L7', 'L9', 'E6', 'E7', 'J5', 'J7', 'T1'])
/**
 * Longest and shortest hook that any bait takes, shares of its length: beyond them some rule fails for every
 * form.
 */
const LONGEST = 0.72
const SHORTEST = 0.14

/** Baits that fold and straighten when hooked across the middle. */
const FOLDING: ReadonlySet<FormId> = new Set([
  'stick',
  'straightWorm',
  'flatWorm',
  'ribbonWorm',
  'leech',
  'eel',
])
const ACROSS: ReadonlySet<FamilyId> = new Set(['L6', 'L7'])

/** What can be seen without laying the hook. */
export function misfit(bait: BaitSpec, { base }: Pick<Rigging, 'base'>): Limit | undefined {
  const { hollowOnly, hookStyle } = FAMILIES[base.family]
  if (hollowOnly && bait.form !== 'tube') return { id: 'fit', misfit: 'hollow' }
  if (ACROSS.has(base.family) && !FOLDING.has(bait.form)) return { id: 'fit', misfit: 'folds' }
  if (SHORT_HOLD.has(base.family)) return undefined
  const { lengthM } = dimsOf(hookStyle, base)
  if (lengthM > LONGEST * bait.lengthM) return { id: 'fit', misfit: 'tooLong' }
  return lengthM < SHORTEST * bait.lengthM ? { id: 'fit', misfit: 'tooShort' } : undefined
}
