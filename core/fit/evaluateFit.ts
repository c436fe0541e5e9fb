import type { Line } from '../tackle/lines'
import { HOOK_SPREAD } from '../tackle/hooks'
import { PLASTICS } from '../tackle/materials'
import type { AssembledRig } from '../rig/assemble'
import { gapFillM } from '../rig/gap'
import { bodyKg, plasticCompacts } from '../rig/parts'
import type { Measure } from '../outcome'
import { FAMILIES } from '../rig/families'
import { insideRule, throatRule, trailerRule, trailingRule } from './headRules'
import { holdingOf, keeperRule, wireRule, type Holding } from './holdRules'
import {
  acrossRule,
  bunchingRule,
  clearanceRule,
  exitRule,
  freeTailRule,
  lengthRule,
  restRule,
} from './placeRules'
import { worst, type FitRule, type Verdict } from './rules'
import { squeezeShare } from './squeeze'
import { openingLoadN } from './wireStrength'

export interface FitResult {
  readonly verdict: Verdict
  readonly rules: readonly FitRule[]
  /** point's way out on the back, m from the nose; undefined when it does not come out */
  readonly exitM?: number
  /** hindmost point of the hook, m from the nose */ readonly bendM: number
  /** share of the bait's length behind the bend */ readonly freeTailShare: number
  /** gap left over the squeezed body, m */ readonly clearanceM: Measure
  readonly openingLoadN: Measure
  /** how far the hook draws the tail up (+) or down, m */ readonly bowM: number
  readonly holding: Holding
}

/**
 * Fit of a hook in a bait: length, exit, free tail, clearance when squeezed, how the point rests, plastic
 * between the anchors, heads inside, throat, trailing hook, wire against line, and how the bait is held.
 */
export function evaluateFit(rig: AssembledRig, line?: Line): FitResult {
  const { bait, parts, spec, bowM } = rig
  const { placement, dims } = parts
  const { exitM } = placement
  const bendM = Math.max(...placement.path.points.map(p => p.s))
  const freeTailShare = Math.max(0, 1 - bendM / bait.lengthM)
  const clearanceM = clearance(rig)
  const load = openingLoadN(dims)
  const holding = holdingOf(rig, plasticKg(rig))
  const open = spec.pointRest === 'open'
  const within = bendM < bait.lengthM && !parts.onTop
  const rules = [
    lengthRule(bendM, bait.lengthM),
    ...(within
      ? [exitRule(rig, exitM), freeTailRule(rig, freeTailShare), clearanceRule(clearanceM, rig)]
      : []),
    ...(within && open && !parts.inside ? [throatRule(rig)] : []),
    ...(FAMILIES[spec.family].across ? [acrossRule(rig)] : []),
    ...(open ? [] : [restRule(rig)]),
    ...(within && !open && exitM !== undefined ? [bunchingRule(rig, exitM)] : []),
    ...(parts.inside ? [insideRule(rig, parts.inside)] : []),
    ...(parts.trailing ? [trailingRule(rig, parts.trailing)] : []),
    ...(FAMILIES[spec.family].trailer ? [trailerRule(rig, bendM)] : []),
    ...(line ? [wireRule(load, line)] : []),
    keeperRule(holding),
  ]
  return {
    verdict: worst(rules),
    rules,
    ...(exitM === undefined ? {} : { exitM }),
    bendM,
    freeTailShare,
    clearanceM,
    openingLoadN: load,
    bowM,
    holding,
  }
}

/** Mass of the plastic in a rig, kg. */
function plasticKg({ bait, parts }: AssembledRig): number {
  return plasticCompacts(bait, parts.noseCover).reduce((sum, c) => sum + c.massKg, bodyKg(bait))
}

function clearance(rig: AssembledRig): Measure {
  const {
    parts: { dims },
    baitSpec,
  } = rig
  const share = squeezeShare(PLASTICS[baitSpec.material].shore00)
  const height = gapFillM(rig)
  const given = (s: number, gap: number): number => gap - dims.wireM - height * (1 - s)
  return {
    value: given(share.value, dims.gapM),
    low: given(share.low, dims.gapM * (1 - HOOK_SPREAD)),
    high: given(share.high, dims.gapM * (1 + HOOK_SPREAD)),
    basis: 'computed',
  }
}
