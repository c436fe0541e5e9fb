/**
 * Bait forms: outlines as tables of width and height against length, all as shares of the bait's length, so
 * that one form serves every size. Station 0 is the nose, 1 the tail tip. The shapes are typical proportions
 * drawn for this catalogue, not any maker's bait.
 */
export type FormId =
  | 'slimShad'
  | 'deepShad'
  | 'segmentedShad'
  | 'softJerkbait'
  | 'minnow'
  | 'stub'
  | 'stick'
  | 'straightWorm'
  | 'flatWorm'
  | 'ribbonWorm'
  | 'eel'
  | 'leech'
  | 'tube'
  | 'grub'
  | 'craw'
  | 'bug'
  | 'shrimp'
  | 'frog'

/**
 * Parts that stand off the body and meet the water on their own. paddle: across the length. fork: a flat fin
 * along it. fin: an upright one. curl: a thin sickle or ribbon that streams and beats. skirt: a bunch of thin
 * tentacles. claw: a blade held out. leg: a thin rod.
 */
export type LimbKind = 'paddle' | 'fork' | 'fin' | 'curl' | 'skirt' | 'claw' | 'leg'

/** A tail or a limb. Shares of the bait's length. */
export interface Limb {
  readonly kind: LimbKind
  /** its middle, from the nose */ readonly at: number
  /** extents across, up, and along the bait */ readonly width: number
  readonly height: number
  readonly thickness: number
  /** limbs come in pairs this far to either side of the middle; one in the middle when left out */
  readonly aside?: number
}

/**
 * Long worms are hooked near the head and left to swim: the point comes out in the first fifth to third
 * (observed practice).
 */
export const WORM_EXIT = [0.15, 0.37] as const

/**
 * Lengths between which the slot of a small bait comes to begin where it does in a full-sized one, m, and how
 * much farther forward it begins when small. *Assumed*, from the hooks such baits are sold for.
 */
const SLOT = { smallM: 0.065, fullM: 0.095, from: 0.6 } as const

/**
 * Where a maker of that length would cut the back slot, from and to, as shares of length. Small baits that
 * swim by their tail carry hooks that are short beside them, so that the tail stays free, and their slots
 * begin farther forward.
 */
export function slotAt(
  slot: readonly [number, number],
  lengthM: number,
  tail: LimbKind | undefined,
): readonly [number, number] {
  if (tail !== 'paddle' && tail !== 'fork') return slot
  const part = Math.min(1, Math.max(0, (lengthM - SLOT.smallM) / (SLOT.fullM - SLOT.smallM)))
  return [slot[0] * (SLOT.from + (1 - SLOT.from) * part), slot[1]]
}

export interface BaitForm {
  readonly id: FormId
  readonly name: string
  /** share of length from the nose, increasing, 0..1 */ readonly at: readonly number[]
  /** full width at each station, share of length */ readonly width: readonly number[]
  /** full height at each station, share of length */ readonly height: readonly number[]
  /** height of the section's middle above the nose–tail line, share of length */
  readonly rise: readonly number[]
  /** share of the section that is hollow and fills with water, 0..1; solid when left out */
  readonly hollow?: readonly number[]
  /** back slot the point rests in: from, to (share of length); absent on round-backed baits */
  readonly slot?: readonly [number, number]
  /** depth of that slot, share of length */ readonly slotDepth?: number
  /**
   * where the point should come out of a back without a slot, from and to; from a quarter to the end of the
   * thick part when left out
   */
  readonly exitZone?: readonly [number, number]
  /** slot cast into the belly, from and to; it takes plastic out of the gap */
  readonly bellySlot?: readonly [number, number]
  /** depth of that slot, share of length */ readonly bellySlotDepth?: number
  /** a side that is flat and should lie down */ readonly flat?: 'belly'
  /** share of length where the thick part ends; behind it the bait should swim */ readonly thickEnd: number
  readonly tail?: Limb
  readonly limbs?: readonly Limb[]
  /** least and greatest length sold, m */ readonly lengthRangeM: readonly [number, number]
}
