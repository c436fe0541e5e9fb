import { dimsOf } from '../rig/dims'
import { FAMILIES } from '../rig/families'
import type { BaitSpec } from '../rig/spec'
import type { FormId } from '../tackle/forms'
import type { Rigging } from './goods'
import type { Limit } from './limits'

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

/** What can be seen without laying the hook. */
export function misfit(bait: BaitSpec, { base }: Pick<Rigging, 'base'>): Limit | undefined {
  const { hollowOnly, hookStyle, across, shortHold } = FAMILIES[base.family]
  if (hollowOnly && bait.form !== 'tube') return { id: 'fit', misfit: 'hollow' }
  if (across && !FOLDING.has(bait.form)) return { id: 'fit', misfit: 'folds' }
  if (shortHold) return undefined
  const { lengthM } = dimsOf(hookStyle, base)
  if (lengthM > LONGEST * bait.lengthM) return { id: 'fit', misfit: 'tooLong' }
  return lengthM < SHORTEST * bait.lengthM ? { id: 'fit', misfit: 'tooShort' } : undefined
}
