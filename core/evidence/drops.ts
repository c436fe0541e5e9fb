import { solveInPlace } from '../numerics/linear'
import { FALL_FACTORS } from '../fall/factors'
import type { FallEvidence } from '../fall/measured'
import { median, strangeAmong, Z90 } from '../numerics/statistics'

/** One timed drop: a rig seen to take so long to a depth. */
export interface TimedDrop {
  readonly seconds: number
  /**
   * seconds the model gives with its own factors, and how the logarithm of that changes with the logarithm of
   * each factor
   */
  readonly model: DropModel
  /** steepness that was read off, rad, where it was (a clip) */ readonly pitchRad?: number
  /**
   * doubt that all drops timed so share, s: a thumb that is always late. It does not shrink with their number
   */
  readonly sharedS?: number
}
export interface DropModel {
  readonly seconds: number
  /** d ln(seconds) / d ln(factor) */ readonly byDrag: number
  readonly byEta: number
  /** steady sinking speed toward the end, m/s: what a clip is held against */ readonly speedMS?: number
  /** pitch of the fall, rad, and how it changes with ln(factor) */ readonly pitchRad: number
  readonly pitchByDrag: number
  readonly pitchByEta: number
}

/**
 * Correction of a bait's drag and body moment: natural logarithms of the factors on the model's own, their
 * covariance, and what they rest on.
 */
export interface DragPosterior {
  readonly lnDrag: number
  readonly lnEta: number
  /** variances and covariance */ readonly vDrag: number
  readonly vEta: number
  readonly covariance: number
  readonly drops: number
  /** drops set aside as outliers, by their place in the list */ readonly outliers: readonly number[]
  /** spread of repeated taps about the fit, as a share of the time */ readonly scatter: number
}

/**
 * Prior spread of ln drag and ln eta: that of the factors' own ranges, taken as nine in ten. Broadside and
 * end-on drag move together.
 */
export const DRAG_SD = Math.log(FALL_FACTORS.axialDrag.high / FALL_FACTORS.axialDrag.low) / 2 / Z90
export const ETA_SD = Math.log(FALL_FACTORS.eta.high / FALL_FACTORS.eta.low) / 2 / Z90

/**
 * A thumb at splash and slack is out by about this much each way, s; what is not the same from drop to drop,
 * share of the time; and a pitch read off a clip, rad. *Assumed.*
 */
const TAP_S = 0.12
const REPEATS = 0.05
const PITCH_SD = 0.12

export interface DragPrior {
  readonly lnDrag: number
  readonly lnEta: number
  readonly vDrag: number
  readonly vEta: number
}
export const MODEL_PRIOR: DragPrior = { lnDrag: 0, lnEta: 0, vDrag: DRAG_SD ** 2, vEta: ETA_SD ** 2 }

/**
 * Drag factor and eta of a bait from its drops: weighted least squares of the logarithms of the times (and of
 * pitches, where read off) on the model's sensitivities, with a normal prior on both. Outliers, by their
 * distance from the median of what the drops say of drag, are set aside first.
 * @param drops of one bait, in any rigs, depths and waters
 * @throws RangeError when a time is not positive
 */
export function fitDrops(drops: readonly TimedDrop[], prior: DragPrior = MODEL_PRIOR): DragPosterior {
  for (const { seconds } of drops)
    if (!(seconds > 0)) throw new RangeError(`fitDrops: seconds must be positive, got ${seconds}`)
  const outliers = outlying(drops)
  const kept = drops.filter((_, i) => !outliers.includes(i))
  const a = [1 / prior.vDrag, 0, 0, 1 / prior.vEta]
  const b = [prior.lnDrag / prior.vDrag, prior.lnEta / prior.vEta]
  const observe = (dDrag: number, dEta: number, residual: number, variance: number): void => {
    a[0]! += (dDrag * dDrag) / variance
    a[1]! += (dDrag * dEta) / variance
    a[2]! += (dDrag * dEta) / variance
    a[3]! += (dEta * dEta) / variance
    b[0]! += (dDrag * residual) / variance
    b[1]! += (dEta * residual) / variance
  }
  const alike = kept.filter(d => d.sharedS !== undefined).length
  for (const { seconds, model, pitchRad, sharedS = 0 } of kept) {
    // the mean of n drops, each with n times the shared variance added, is left with just that
    observe(
      model.byDrag,
      model.byEta,
      Math.log(seconds / model.seconds),
      spreadOf(seconds) ** 2 + alike * (sharedS / seconds) ** 2,
    )
    if (pitchRad !== undefined)
      observe(model.pitchByDrag, model.pitchByEta, pitchRad - model.pitchRad, PITCH_SD ** 2)
  }
  const determinant = a[0]! * a[3]! - a[1]! * a[2]!
  const x = Float64Array.from(b)
  solveInPlace(Float64Array.from(a), x)
  const residuals = kept.map(
    ({ seconds, model }) => Math.log(seconds / model.seconds) - model.byDrag * x[0]! - model.byEta * x[1]!,
  )
  return {
    lnDrag: x[0]!,
    lnEta: x[1]!,
    vDrag: a[3]! / determinant,
    vEta: a[0]! / determinant,
    covariance: -a[1]! / determinant,
    drops: kept.length,
    outliers,
    scatter:
      kept.length > 1 ? Math.sqrt(residuals.reduce((sum, r) => sum + r * r, 0) / (kept.length - 1)) : 0,
  }
}

const spreadOf = (seconds: number): number => Math.hypot(REPEATS, (Math.SQRT2 * TAP_S) / seconds)

const outlying = (drops: readonly TimedDrop[]): number[] =>
  drops.length === 0
    ? []
    : strangeAmong(
        drops.map(({ seconds, model }) => Math.log(seconds / model.seconds)),
        median(drops.map(d => spreadOf(d.seconds))) / 2,
      )

/**
 * What baits of one form and material say of another that was never dropped: the mean of their corrections
 * weighted by how sure each is, with the spread between baits added (method of moments: DerSimonian & Laird,
 * Controlled Clinical Trials 7, 1986).
 */
export function pooledPrior(others: readonly DragPosterior[]): DragPrior {
  if (others.length === 0) return MODEL_PRIOR
  const pool = (
    value: (p: DragPosterior) => number,
    variance: (p: DragPosterior) => number,
    prior: number,
  ): readonly [number, number] => {
    const w = others.map(p => 1 / variance(p))
    const sum = w.reduce((s, x) => s + x, 0)
    const mean = others.reduce((s, p, i) => s + w[i]! * value(p), 0) / sum
    const q = others.reduce((s, p, i) => s + w[i]! * (value(p) - mean) ** 2, 0)
    const between = Math.max(
      0,
      (q - (others.length - 1)) / Math.max(1e-12, sum - w.reduce((s, x) => s + x * x, 0) / sum),
    )
    const spread = Math.max(between, (BETWEEN * Math.sqrt(prior)) ** 2) + 1 / sum
    return spread >= prior ? [0, prior] : [mean * (1 - spread / prior), spread]
  }
  const [lnDrag, vDrag] = pool(
    p => p.lnDrag,
    p => p.vDrag,
    MODEL_PRIOR.vDrag,
  )
  const [lnEta, vEta] = pool(
    p => p.lnEta,
    p => p.vEta,
    MODEL_PRIOR.vEta,
  )
  return { lnDrag, lnEta, vDrag, vEta }
}

/** Baits of one form and material still differ by this part of what all baits do, at least. *Assumed.* */
const BETWEEN = 0.4

export const fallEvidence = (
  p: Pick<DragPosterior, 'lnDrag' | 'lnEta' | 'vDrag' | 'vEta' | 'drops'>,
  pooled = false,
): FallEvidence => ({
  drag: Math.exp(p.lnDrag),
  eta: Math.exp(p.lnEta),
  dragLeft: Math.min(1, Math.sqrt(p.vDrag) / DRAG_SD),
  etaLeft: Math.min(1, Math.sqrt(p.vEta) / ETA_SD),
  drops: p.drops,
  ...(pooled ? { pooled: true as const } : {}),
})
