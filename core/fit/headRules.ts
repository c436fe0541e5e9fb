import type { AssembledRig } from '../rig/assemble'
import type { FamilyParts } from '../rig/families/family'
import { judge, type FitRule } from './rules'
import { mm, percent } from './text'

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
    name: 'head against cavity',
    value: diameterM,
    limit,
    wants: 'atMost',
    unit: 'm',
  } as const
  if (cavity === 0)
    return judge(base, 0, {
      pass: '',
      near: '',
      fail: 'This bait is solid there: a head inside needs a hollow body.',
    })
  return judge(base, 0.04 * limit, {
    pass: `The head is ${mm(diameterM)} thick and the cavity takes ${mm(limit)}.`,
    near: `The head is ${mm(diameterM)} thick, and the cavity takes just ${mm(limit)}: wet it and push slowly.`,
    fail: `The head is ${mm(diameterM)} thick; this cavity takes ${mm(limit)}. Take a lighter or denser weight, or a larger tube.`,
  })
}

/**
 * Least opening between the back and the point of an open hook, unsqueezed, m. *Assumed* from bench practice.
 */
const THROAT_M = 0.0015

/** Plastic crowding the throat of an open hook: what stands over the shank against the gap. */
export function throatRule({ bait, parts: { placement, dims } }: AssembledRig): FitRule {
  const s = Math.min(bait.lengthM, placement.path.shank.to.s)
  const open = dims.gapM - dims.wireM - Math.max(0, bait.topAt(s) - placement.path.shank.to.z)
  return judge(
    { id: 'throat', name: 'throat of the hook', value: open, limit: THROAT_M, wants: 'atLeast', unit: 'm' },
    0.0008,
    {
      pass: `The point stands ${mm(open)} clear of the back.`,
      near: `The point stands only ${mm(Math.max(0, open))} clear of the back: thread the bait a little lower.`,
      fail: `Crowded: the back fills the gap${open > 0 ? '' : ` by ${mm(-open)} too much`}. Take a wider gap, or thread the bait lower.`,
    },
  )
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
      name: 'trailing hook',
      value: share,
      limit: late ? TRAILING.most : TRAILING.least,
      wants: late ? 'atMost' : 'atLeast',
      unit: 'share',
    },
    0.04,
    {
      pass: `The trailing hook ends ${percent(share)} of the way back, ahead of the part that swims.`,
      near: `The trailing hook ends ${percent(share)} of the way back, at the edge of what works.`,
      fail: late
        ? `The trailing hook ends ${percent(share)} of the way back and stiffens the tail.`
        : `The trailing hook ends ${percent(share)} of the way back: too far forward for short bites.`,
    },
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
  return judge(
    { id: 'trailer', name: 'length of the trailer', value: behind, limit, wants: 'atMost', unit: 'm' },
    0.1 * limit,
    {
      pass: `${mm(behind)} of the trailer hang behind the bend.`,
      near: `${mm(behind)} of the trailer hang behind the bend: about as long as it may be.`,
      fail: `The trailer is too long: ${mm(behind)} hang behind the bend. Cut ${mm(behind - limit)} off its nose.`,
    },
  )
}
