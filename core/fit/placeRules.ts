import type { Measure } from '../outcome'
import type { AssembledRig } from '../rig/assemble'
import { judge, type FitRule } from './rules'
import { mm, percent } from './text'

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
    { id: 'length', name: 'hook inside the bait', value: bendM, limit: lengthM, wants: 'atMost', unit: 'm' },
    0.03 * lengthM,
    {
      pass: `The bend stands ${mm(bendM)} behind the nose, inside the bait.`,
      near: `The bend reaches the very end of the bait: ${mm(bendM)} of ${mm(lengthM)}.`,
      fail: `Too long: the bend stands ${mm(bendM - lengthM)} behind the tail.`,
    },
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
  const place = slot ? 'the back slot' : exitZone ? 'the first fifth to third' : 'the thick part'
  const base = { id: 'exit', name: 'point comes out', unit: 'm' } as const
  if (exitM === undefined) {
    return judge({ ...base, value: 0, limit: from, wants: 'atLeast' }, 0, {
      pass: '',
      near: '',
      fail: 'The bend is too shallow: the point never comes out of the back.',
    })
  }
  const where = `${mm(exitM)} from the nose, ${percent(exitM / L)} of the bait`
  const late = exitM - to > from - exitM
  return judge(
    { ...base, value: exitM, limit: late ? to : from, wants: late ? 'atMost' : 'atLeast' },
    0.04 * L,
    {
      pass: `Comes out ${where}, in ${place}.`,
      near: `Comes out ${where}, at the ${late ? 'rear' : 'front'} edge of ${place}.`,
      fail: `Comes out ${where}: ${mm(late ? exitM - to : from - exitM)} ${late ? 'behind' : 'in front of'} ${place}.`,
    },
  )
}

export function freeTailRule({ bait }: AssembledRig, share: number): FitRule {
  const need = FREE_TAIL[bait.limbs[0]?.kind ?? 'none']
  return judge(
    { id: 'freeTail', name: 'tail free to swim', value: share, limit: need, wants: 'atLeast', unit: 'share' },
    0.03,
    {
      pass: `${percent(share)} of the bait swims free behind the bend.`,
      near: `Only ${percent(share)} of the bait swims free; ${percent(need)} is wanted.`,
      fail: `Too long: ${percent(1 - share)} of the bait cannot swim.`,
    },
  )
}

export function clearanceRule(clear: Measure, { spec, bait, parts: { dims } }: AssembledRig): FitRule {
  const help = spec.slit || bait.form.bellySlot ? '' : ' A slit along the belly would give room.'
  return judge(
    {
      id: 'clearance',
      name: 'gap when squeezed',
      value: clear.value,
      limit: Math.min(BITE.mostM, BITE.ofGap * dims.gapM),
      wants: 'atLeast',
      unit: 'm',
    },
    Math.min(BITE.bandMostM, BITE.band * dims.gapM),
    {
      pass: `${mm(clear.value)} of gap stand clear when the bait is squeezed.`,
      near: `${mm(clear.value)} of gap stand clear when squeezed: just enough for a jaw.`,
      fail:
        clear.value > 0
          ? `Too shallow: only ${mm(clear.value)} of gap stand clear when squeezed.${help}`
          : `Too shallow: squeezed plastic still fills the gap, ${mm(-clear.value)} too much.${help}`,
    },
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
      name: 'gap against the bait',
      value: dims.gapM,
      limit,
      wants: wide ? 'atMost' : 'atLeast',
      unit: 'm',
    },
    0.05 * limit,
    {
      pass: `A gap of ${mm(dims.gapM)} suits a bait ${mm(width)} wide.`,
      near: `A gap of ${mm(dims.gapM)} is about as ${wide ? 'wide' : 'narrow'} as may be on a bait ${mm(width)} wide.`,
      fail: wide
        ? `Too large: a gap of ${mm(dims.gapM)} only weighs on a bait ${mm(width)} wide.`
        : `Too small: a bait ${mm(width)} wide hides the point of a gap of ${mm(dims.gapM)}.`,
    },
  )
}

export function restRule({ parts: { placement } }: AssembledRig): FitRule {
  const over = Math.abs(placement.naturalOpeningM)
  const high = placement.naturalOpeningM > 0
  const limit = LIES.ofSpan * (placement.path.tip.s - placement.path.eye.s) + LIES.spareM
  return judge(
    { id: 'pointRest', name: 'point lies to the back', value: over, limit, wants: 'atMost', unit: 'm' },
    0.0015,
    {
      pass: 'The point lies to the back without bending the bait.',
      near: high
        ? `The point stands ${mm(over)} proud: push the bait up to lay it down.`
        : `The point sits ${mm(over)} too deep: the bait is pulled to it.`,
      fail: high
        ? `Gap too big: the point stands ${mm(over)} off the back.`
        : `Gap too small: the point lies ${mm(over)} inside the bait.`,
    },
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
  const bowed =
    Math.abs(bowM) > 5e-4 ? ` The tail stands ${mm(Math.abs(bowM))} ${bowM > 0 ? 'up' : 'down'}.` : ''
  return judge(
    {
      id: 'bunching',
      name: 'plastic between the anchors',
      value: Math.abs(spare),
      limit,
      wants: 'atMost',
      unit: 'm',
    },
    0.4 * limit,
    {
      pass: `The bait lies flat: ${mm(exitM)} of plastic between nose and exit, as the hook asks for.`,
      near: `${mm(Math.abs(spare))} too ${spare > 0 ? 'much plastic: it bunches a little' : 'little plastic: it is drawn tight'}.${bowed}`,
      fail: `${spare > 0 ? 'Bunched' : 'Stretched'}: ${mm(Math.abs(spare))} too ${spare > 0 ? 'much' : 'little'} plastic between the anchors.${bowed}`,
    },
  )
}
