import type { Measure } from '../outcome'
import type { AssembledRig } from '../rig/assemble'
import { judge, type FitRule } from './rules'

/**
 * Least part of the bait that must swim free, by what its tail does. A stick works with its whole length.
 * *Assumed* from bench practice.
 */
const FREE_TAIL = {
  paddle: 0.42,
  fork: 0.4,
  fin: 0.4,
  curl: 0.38,
  skirt: 0.4,
  claw: 0.35,
  leg: 0.35,
  none: 0.4,
} as const

/**
 * Bite of the hook that must stand clear of the squeezed plastic: room for a jaw, m; on small hooks, which
 * take small jaws, a part of the gap. Typical of bench practice.
 */
const BITE = { mostM: 0.004, ofGap: 0.18, band: 0.08, bandMostM: 0.0015 } as const

/** The hook must end inside the bait. @param bendM hindmost point of the hook, m from the nose */
export function lengthRule(bendM: number, lengthM: number): FitRule {
  return judge(
    { id: 'length', baitM: lengthM, value: bendM, limit: lengthM, wants: 'atMost', unit: 'm' },
    0.03 * lengthM,
  )
}

/**
 * The point should come out in the back slot, in the first fifth to third of a long worm, or before the thick
 * part ends.
 */
export function exitRule({ bait }: AssembledRig, exitM: number | undefined): FitRule {
  const { slot } = bait
  const { thickEnd, exitZone } = bait.form
  const L = bait.lengthM
  const [from, to] =
    slot ??
    (exitZone ? [bait.placeOf(exitZone[0]), bait.placeOf(exitZone[1])] : [0.25 * L, bait.placeOf(thickEnd)])
  const base = {
    id: 'exit',
    unit: 'm',
    baitM: L,
    place: slot ? 'slot' : exitZone ? 'fifth' : 'thick',
    comesOut: exitM !== undefined,
  } as const
  if (exitM === undefined) {
    return judge({ ...base, value: 0, limit: from, wants: 'atLeast' }, 0)
  }
  const late = exitM - to > from - exitM
  return judge(
    { ...base, value: exitM, limit: late ? to : from, wants: late ? 'atMost' : 'atLeast' },
    0.04 * L,
  )
}

export function freeTailRule({ bait }: AssembledRig, share: number): FitRule {
  const need = FREE_TAIL[bait.limbs[0]?.kind ?? 'none']
  return judge({ id: 'freeTail', value: share, limit: need, wants: 'atLeast', unit: 'share' }, 0.03)
}

export function clearanceRule(clear: Measure, { spec, bait, parts: { dims } }: AssembledRig): FitRule {
  return judge(
    {
      id: 'clearance',
      slitHelps: !spec.slit && !bait.form.bellySlot,
      value: clear.value,
      limit: Math.min(BITE.mostM, BITE.ofGap * dims.gapM),
      wants: 'atLeast',
      unit: 'm',
    },
    Math.min(BITE.bandMostM, BITE.band * dims.gapM),
  )
}

/**
 * How far off the back a point may stand and still be laid to it without bending the bait: so much for every
 * length between eye and point, and a little more. *Assumed*; set so that the wide-gap hooks people put in
 * worms and sticks pass, which is a calibration.
 */
const LIES = { ofSpan: 0.18, spareM: 0.002 } as const

/**
 * Gap of a hook that goes across a bait, against how wide the bait is there: less hides the point behind the
 * plastic, more only weighs. *Assumed* from bench practice.
 */
const ACROSS = { least: 0.45, most: 0.65 } as const

/** The gap of a hook that lies across the bait. */
export function acrossRule({ bait, parts: { dims, tie } }: AssembledRig): FitRule {
  const width = bait.widthAt(tie.s)
  const wide = dims.gapM > ((ACROSS.least + ACROSS.most) / 2) * width
  const limit = (wide ? ACROSS.most : ACROSS.least) * width
  return judge(
    {
      id: 'across',
      widthM: width,
      value: dims.gapM,
      limit,
      wants: wide ? 'atMost' : 'atLeast',
      unit: 'm',
    },
    0.05 * limit,
  )
}

export function restRule({ spec, parts: { placement } }: AssembledRig): FitRule {
  const over = Math.abs(placement.naturalOpeningM)
  const high = placement.naturalOpeningM > 0
  const limit = LIES.ofSpan * (placement.path.tip.s - placement.path.eye.s) + LIES.spareM
  return judge(
    {
      id: 'pointRest',
      proud: high,
      pliersHelp: !spec.levelled,
      value: over,
      limit,
      wants: 'atMost',
      unit: 'm',
    },
    0.0015,
  )
}

/**
 * Share of the span between the anchors that may be spare or short before the bait no longer lies flat.
 * *Assumed* from bench practice.
 */
const FLAT_WITHIN = 0.06

/** Plastic between the nose and where the point is brought out, against what the laid hook asks for. */
export function bunchingRule({ spec, bowM }: AssembledRig, exitM: number): FitRule {
  const spare = (spec.exitAtM ?? exitM) - exitM
  const limit = FLAT_WITHIN * exitM
  return judge(
    {
      id: 'bunching',
      exitM,
      spareM: spare,
      bowM,
      value: Math.abs(spare),
      limit,
      wants: 'atMost',
      unit: 'm',
    },
    0.4 * limit,
  )
}
