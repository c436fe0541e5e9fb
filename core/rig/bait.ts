import { monotoneCubic } from '../numerics/interpolate'
import { BAIT_FORMS, type BaitForm } from '../tackle/forms'
import { PLASTICS } from '../tackle/materials'
import type { BaitSpec } from './spec'

/** Number of slices a bait is cut into, nose to tail. 32 keeps volume within 0.1 % of 320 slices for every form. */
export const STATION_COUNT = 32

/** A bait at its true size: outlines as functions of s, the distance from the nose in metres (0..lengthM). */
export interface BaitShape {
  readonly form: BaitForm
  readonly lengthM: number
  readonly densityKgM3: number
  readonly widthAt: (s: number) => number
  readonly heightAt: (s: number) => number
  /** height of the section's middle above the nose–tail line */ readonly middleAt: (s: number) => number
  /** share of the section that is hollow and flooded */ readonly hollowAt: (s: number) => number
  /** where the body ends and only tentacles follow, m from the nose */ readonly bodyM: number
  /** how far the middle stands off to the left, y; its slope toward the tail */ readonly offAt: (s: number) => number
  readonly offSlopeAt: (s: number) => number
  /** z of the back */ readonly topAt: (s: number) => number
  /** z of the belly */ readonly bottomAt: (s: number) => number
}

/**
 * Scales a form to its length. Lengths in metres.
 * @param bendM how far the tail stands off to the left; the middle line is a parabola, bent evenly as soft plastic bends
 */
export function shapeBait(spec: BaitSpec, bendM = 0): BaitShape {
  const form = BAIT_FORMS[spec.form]
  const L = spec.lengthM
  const scaled = (ys: readonly number[]): ((s: number) => number) => {
    const f = monotoneCubic(form.at, ys)
    return s => L * f(s / L)
  }
  const widthAt = scaled(form.width)
  const heightAt = scaled(form.height)
  const middleAt = scaled(form.rise)
  return {
    form,
    lengthM: L,
    densityKgM3: spec.densityKgM3 ?? PLASTICS[spec.material].density.value,
    widthAt,
    heightAt,
    middleAt,
    hollowAt: form.hollow ? scaledShare(form.at, form.hollow, L) : () => 0,
    bodyM: L * form.at[form.at.length - 1]!,
    offAt: s => bendM * (s / L) ** 2,
    offSlopeAt: s => 2 * bendM * s / L ** 2,
    topAt: s => middleAt(s) + heightAt(s) / 2,
    bottomAt: s => middleAt(s) - heightAt(s) / 2,
  }
}

function scaledShare(at: readonly number[], shares: readonly number[], lengthM: number): (s: number) => number {
  const f = monotoneCubic(at, shares)
  return s => f(s / lengthM)
}
