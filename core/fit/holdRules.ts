import { measure, type Measure } from '../outcome'
import type { AssembledRig } from '../rig/assemble'
import { FAMILIES } from '../rig/families'
import { KEEPERS, keeperScale, pullOutN, type KeeperId } from '../tackle/keepers'
import type { Line } from '../tackle/lines'
import { PLASTICS } from '../tackle/materials'
import { judge, type FitRule } from './rules'

/** Drag is set to a third of the line's breaking strength by custom; a hook should stand well above that. */
export const DRAG_SHARE = 1 / 3

export function wireRule(load: Measure, line: Line): FitRule {
  const drag = line.strengthN * DRAG_SHARE
  const base = {
    id: 'wire',
    lineN: line.strengthN,
    value: load.value,
    limit: drag,
    wants: 'atLeast',
    unit: 'N',
  } as const
  return judge(base, 0.35 * drag)
}

/** How a bait is held, and how long it lasts. */
export interface Holding {
  readonly keeper: KeeperId
  /** pull that tears the bait off, N */ readonly pullOutN: Measure
  /** casts before the bait must be set again */ readonly castsPerFix: Measure
  /** fish a bait lasts */ readonly fishPerBait: Measure
}

/**
 * Pull of a hard cast on a light bait, m/s²: a rod tip that brings a rig to 20 m/s over two and a half
 * metres; heavy baits are lobbed, at half of it from so many kg. *Assumed.*
 */
const CAST = { ms2: 80, lobbedKg: 0.06 } as const

/**
 * Plastic tires under loads below its strength: casts to failure go with this power of strength over load,
 * and so many where the two are equal. *Assumed*; gels and elastomers in fatigue follow powers of 2 to 6.
 */
const TIRES = { power: 2, casts: 4 } as const

/**
 * Plain plastic that is well held tears after two fish or so (1–3); tougher plastic lasts in proportion. A
 * pin through the bend adds half.
 */
const FISH = { plain: 2, wellHeldN: 4, pinned: 1.5, doubt: 1.8 } as const

/**
 * @returns pull-out load, casts between fixes and fish per bait; each with a factor of doubt, since all of it
 * is *assumed*
 */
export function holdingOf({ bait, baitSpec, spec, parts: { tie } }: AssembledRig, baitKg: number): Holding {
  const keeper = spec.keeper ?? FAMILIES[spec.family].keepers[0]!
  const plastic = PLASTICS[baitSpec.material]
  const pull =
    pullOutN(KEEPERS[keeper], plastic, keeperScale(keeper, spec.hookSize, bait.widthAt(tie.s))) *
    (spec.pinned ? FISH.pinned : 1)
  const cast = Math.max(0.2, (baitKg * CAST.ms2) / (1 + baitKg / CAST.lobbedKg))
  const casts = Math.max(1, (pull / cast) ** TIRES.power * TIRES.casts)
  const fish = Math.max(
    0.3,
    FISH.plain *
      plastic.toughness *
      Math.min(1.5, Math.sqrt(pull / FISH.wellHeldN)) *
      Math.min(1, bait.lengthM / bait.soldM + 0.1),
  )
  const doubtful = (value: number, factor: number): Measure => measure(value, value / factor, value * factor)
  return {
    keeper,
    pullOutN: doubtful(pull, 1.5),
    castsPerFix: doubtful(Math.min(500, casts), 3),
    fishPerBait: doubtful(fish, FISH.doubt),
  }
}

/** A bait should stay put for a fair number of casts. */
export function keeperRule({ keeper, castsPerFix, fishPerBait, pullOutN: pull }: Holding): FitRule {
  const casts = Math.round(castsPerFix.value)
  return judge(
    {
      id: 'keeper',
      keeper,
      pullN: pull.value,
      fishPerBait: fishPerBait.value,
      value: casts,
      limit: 8,
      wants: 'atLeast',
      unit: 'count',
    },
    4,
  )
}
