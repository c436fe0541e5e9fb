import { monotoneCubic } from '../numerics/interpolate'
import { BAIT_FORMS, type BaitForm, type Limb } from '../tackle/forms'
import { slotAt } from '../tackle/forms/form'
import { PLASTICS } from '../tackle/materials'
import type { BaitSpec } from './spec'

/**
 * Number of slices a bait is cut into, nose to tail. 32 keeps volume within 0.1 % of 320 slices for every
 * form.
 */
export const STATION_COUNT = 32

/** A bait at its true size: outlines as functions of s, the distance from the nose in metres (0..lengthM). */
export interface BaitShape {
  readonly form: BaitForm
  /** as fished: less than sold where a worn nose was cut off */ readonly lengthM: number
  /** as sold */ readonly soldM: number
  readonly densityKgM3: number
  readonly widthAt: (s: number) => number
  readonly heightAt: (s: number) => number
  /** height of the section's middle above the nose–tail line */ readonly middleAt: (s: number) => number
  /** share of the section that is hollow and flooded */ readonly hollowAt: (s: number) => number
  /** where the body ends and only tail or limbs follow, m from the nose */ readonly bodyM: number
  /** slot in the back, from and to, m from the nose as fished; undefined on round-backed baits */
  readonly slot?: readonly [number, number]
  /** s of a share of the bait as sold */ readonly placeOf: (share: number) => number
  /** threaded on its side: pairs of limbs stand one over the other */ readonly sideOn: boolean
  /** tail and limbs that were not cut off with the nose */ readonly limbs: readonly Limb[]
  /** how far the middle stands off to the left, y; its slope toward the tail */ readonly offAt: (
    s: number,
  ) => number
  readonly offSlopeAt: (s: number) => number
  /** how far the middle is bowed up from a straight bait's, z; its slope toward the tail */ readonly bowAt: (
    s: number,
  ) => number
  readonly bowSlopeAt: (s: number) => number
  /** z of the back */ readonly topAt: (s: number) => number
  /** z of the belly */ readonly bottomAt: (s: number) => number
}

/** How a bait is changed from what it is in the packet. Metres. */
export interface Bending {
  /**
   * how far the tail stands off to the left; the middle line is a parabola, bent evenly as soft plastic bends
   */
  readonly bendM?: number | undefined
  /** how far the tail is drawn up (+) or down by a hook that does not lie to the bait, bent likewise */
  readonly bowM?: number | undefined
  /** cut off the nose of a worn bait */ readonly trimM?: number | undefined
  /** claws, legs and the like cut off; the tail stays */ readonly trimLimbs?: boolean | undefined
  /** threaded on its side: what was its width stands up; a curve of its back, now to the side, is left out */
  readonly sideOn?: boolean | undefined
}

/** Scales a form, or the angler's own outline of it, to its length. */
export function shapeBait(
  spec: BaitSpec,
  { bendM = 0, bowM = 0, trimM = 0, trimLimbs = false, sideOn = false }: Bending = {},
): BaitShape {
  const form = BAIT_FORMS[spec.form]
  // an own outline stands on its own: one without a rise lies on the line, whatever the form does
  const { at, width, height, rise } = spec.own ?? form
  const soldM = spec.lengthM
  const L = soldM - trimM
  const along = (ys: readonly number[], scale: number): ((s: number) => number) => {
    const f = monotoneCubic(at, ys)
    return s => scale * f((s + trimM) / soldM)
  }
  const widthAt = along(sideOn ? height : width, soldM)
  const heightAt = along(sideOn ? width : height, soldM)
  const straight = along(sideOn || !rise ? at.map(() => 0) : rise, soldM)
  const bowAt = (s: number): number => bowM * (s / L) ** 2
  const middleAt = bowM === 0 ? straight : (s: number): number => straight(s) + bowAt(s)
  const hollow = form.hollow && !spec.own ? along(form.hollow, 1) : () => 0
  const placeOf = (share: number): number => share * soldM - trimM
  const slotPlaces = (slot: readonly [number, number]): readonly [number, number] => {
    const [from, to] = slotAt(slot, soldM, form.tail?.kind)
    return [placeOf(from), placeOf(to)]
  }
  return {
    form,
    lengthM: L,
    soldM,
    densityKgM3: spec.densityKgM3 ?? PLASTICS[spec.material].density.value,
    widthAt,
    heightAt,
    middleAt,
    hollowAt: hollow,
    bodyM: placeOf(at[at.length - 1]!),
    placeOf,
    sideOn,
    ...(form.slot && !sideOn ? { slot: slotPlaces(form.slot) } : {}),
    limbs: [...(form.tail ? [form.tail] : []), ...(trimLimbs ? [] : (form.limbs ?? []))]
      .filter(limb => placeOf(limb.at) > 0)
      .map(limb => (sideOn ? { ...limb, width: limb.height, height: limb.width } : limb)),
    offAt: s => bendM * (s / L) ** 2,
    offSlopeAt: s => (2 * bendM * s) / L ** 2,
    bowAt,
    bowSlopeAt: s => (2 * bowM * s) / L ** 2,
    topAt: s => middleAt(s) + heightAt(s) / 2,
    bottomAt: s => middleAt(s) - heightAt(s) / 2,
  }
}
