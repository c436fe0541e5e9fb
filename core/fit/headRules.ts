import type { AssembledRig } from '../rig/assemble'
import type { FamilyParts } from '../rig/families/family'
import { judge, type FitRule } from './rules'

/**
 * A hollow body stretches this far over a head before it splits or will not slide. *Assumed* from bench
 * practice.
 */
const STRETCH = 1.15

/** A head inside against the cavity it sits in. */
export function insideRule(
  { bait }: AssembledRig,
  { diameterM, atM }: NonNullable<FamilyParts['inside']>,
): FitRule {
  const cavity = Math.sqrt(bait.hollowAt(atM)) * Math.min(bait.widthAt(atM), bait.heightAt(atM))
  const limit = STRETCH * cavity
  const base = {
    id: 'inside',
    hollow: cavity > 0,
    value: diameterM,
    limit,
    wants: 'atMost',
    unit: 'm',
  } as const
  if (cavity === 0) return judge(base, 0)
  return judge(base, 0.04 * limit)
}

/**
 * Least opening between the back and the point of an open hook, unsqueezed, m. *Assumed* from bench practice.
 */
const THROAT_M = 0.0015

/** Plastic crowding the throat of an open hook: what stands over the shank against the gap. */
export function throatRule({ bait, parts: { placement, dims } }: AssembledRig): FitRule {
  const s = Math.min(bait.lengthM, placement.path.shank.to.s)
  const open = dims.gapM - dims.wireM - Math.max(0, bait.topAt(s) - placement.path.shank.to.z)
  return judge({ id: 'throat', value: open, limit: THROAT_M, wants: 'atLeast', unit: 'm' }, 0.0008)
}

/** Where a trailing hook should hang, share of the bait's length. Typical. */
const TRAILING = { least: 0.5, most: 0.78 } as const

/** A trailing hook far enough back for short bites, and short of the part that swims. */
export function trailingRule(
  { bait }: AssembledRig,
  trailing: NonNullable<FamilyParts['trailing']>,
): FitRule {
  const bend = Math.max(...trailing.points.map(p => p.s))
  const share = bend / bait.lengthM
  const late = share > (TRAILING.least + TRAILING.most) / 2
  return judge(
    {
      id: 'trailing',
      value: share,
      limit: late ? TRAILING.most : TRAILING.least,
      wants: late ? 'atMost' : 'atLeast',
      unit: 'share',
    },
    0.04,
  )
}

/**
 * A trailer should reach no farther behind the bend than this many lengths of its hook. *Assumed* from bench
 * practice.
 */
const TRAILER = 1.3

/**
 * A trailer trimmed to length: what hangs behind the bend.
 * @param bendM hindmost point of the hook, m from the nose
 */
export function trailerRule({ bait, parts: { dims } }: AssembledRig, bendM: number): FitRule {
  const behind = Math.max(0, bait.lengthM - bendM)
  const limit = TRAILER * dims.lengthM
  return judge({ id: 'trailer', value: behind, limit, wants: 'atMost', unit: 'm' }, 0.1 * limit)
}
