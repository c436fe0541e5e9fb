import { mToMm } from '../units'
import { PLASTICS } from '../tackle/materials'
import type { Line } from '../tackle/lines'
import { HOOK_SPREAD } from '../tackle/hooks'
import type { AssembledRig } from '../rig/assemble'
import { FAMILIES } from '../rig/families'
import type { Measure } from '../outcome'
import { judge, worst, type FitRule, type Verdict } from './rules'
import { squeezeShare } from './squeeze'
import { openingLoadN } from './wireStrength'

export interface FitResult {
  readonly verdict: Verdict
  readonly rules: readonly FitRule[]
  /** point's way out on the back, m from the nose; undefined when it does not come out */ readonly exitM?: number
  /** share of the bait's length behind the bend */ readonly freeTailShare: number
  /** gap left over the squeezed body, m */ readonly clearanceM: Measure
  readonly openingLoadN: Measure
}

/** Least part of the bait that must swim free, by what its tail does. A stick works with its whole length. *Assumed* from bench practice. */
const FREE_TAIL = { paddle: 0.42, fork: 0.4, skirt: 0.4, none: 0.4 } as const

/** Bite of the hook that must stand clear of the squeezed plastic, m: room for a jaw. Typical of bench practice. */
const BITE_M = 0.004

/** Drag is set to a third of the line's breaking strength by custom; a hook should stand well above that. */
export const DRAG_SHARE = 1 / 3

/**
 * Fit of a hook in a bait: length, exit, free tail, clearance when squeezed, how the point rests, and wire against line.
 */
export function evaluateFit(rig: AssembledRig, line?: Line): FitResult {
  const { bait, parts } = rig
  const { placement, dims } = parts
  const exitM = placement.exitM
  const bendM = Math.max(...placement.path.points.map(p => p.s))
  const freeTailShare = Math.max(0, 1 - bendM / bait.lengthM)
  const clearanceM = clearance(rig)
  const load = openingLoadN(dims)
  const rules = [
    lengthRule(bendM, bait.lengthM),
    ...(bendM < bait.lengthM && !FAMILIES[rig.spec.family].onTop ? [exitRule(rig, exitM), freeTailRule(rig, freeTailShare), clearanceRule(clearanceM)] : []),
    ...(rig.spec.pointRest === 'open' ? [] : [restRule(rig)]),
    ...(line ? [wireRule(load, line)] : []),
  ]
  return { verdict: worst(rules), rules, ...(exitM === undefined ? {} : { exitM }), freeTailShare, clearanceM, openingLoadN: load }
}

const mm = (m: number): string => `${mToMm(m).toFixed(mToMm(m) < 10 ? 1 : 0)} mm`
const percent = (share: number): string => `${Math.round(100 * share)} %`

function clearance(rig: AssembledRig): Measure {
  const { bait, parts, baitSpec } = rig
  const { placement, dims } = parts
  const at = Math.min(bait.lengthM * 0.98, Math.max(bait.lengthM * 0.02, placement.path.tip.s))
  const share = squeezeShare(PLASTICS[baitSpec.material].shore00)
  const height = FAMILIES[rig.spec.family].inGap(bait, at)
  const given = (s: number, gap: number): number => gap - dims.wireM - height * (1 - s)
  return {
    value: given(share.value, dims.gapM),
    low: given(share.low, dims.gapM * (1 - HOOK_SPREAD)),
    high: given(share.high, dims.gapM * (1 + HOOK_SPREAD)),
    basis: 'computed',
  }
}

function lengthRule(bendM: number, lengthM: number): FitRule {
  return judge({ id: 'length', name: 'hook inside the bait', value: bendM, limit: lengthM, wants: 'atMost', unit: 'm' }, 0.03 * lengthM, {
    pass: `The bend stands ${mm(bendM)} behind the nose, inside the bait.`,
    near: `The bend reaches the very end of the bait: ${mm(bendM)} of ${mm(lengthM)}.`,
    fail: `Too long: the bend stands ${mm(bendM - lengthM)} behind the tail.`,
  })
}

function exitRule(rig: AssembledRig, exitM: number | undefined): FitRule {
  const { bait } = rig
  const L = bait.lengthM
  const thick = bait.form.thickEnd * L
  const [from, to] = bait.form.slot ? [bait.form.slot[0] * L, bait.form.slot[1] * L] : [0.25 * L, thick]
  const place = bait.form.slot ? 'the back slot' : 'the thick part'
  const base = { id: 'exit', name: 'point comes out', unit: 'm' } as const
  if (exitM === undefined) {
    return judge({ ...base, value: 0, limit: from, wants: 'atLeast' }, 0, {
      pass: '', near: '', fail: 'The bend is too shallow: the point never comes out of the back.',
    })
  }
  const where = `${mm(exitM)} from the nose, ${percent(exitM / L)} of the bait`
  const late = exitM - to > from - exitM
  return judge({ ...base, value: exitM, limit: late ? to : from, wants: late ? 'atMost' : 'atLeast' }, 0.04 * L, {
    pass: `Comes out ${where}, in ${place}.`,
    near: `Comes out ${where}, at the ${late ? 'rear' : 'front'} edge of ${place}.`,
    fail: `Comes out ${where}: ${mm(late ? exitM - to : from - exitM)} ${late ? 'behind' : 'in front of'} ${place}.`,
  })
}

function freeTailRule(rig: AssembledRig, share: number): FitRule {
  const need = FREE_TAIL[rig.bait.form.tail?.kind ?? 'none']
  return judge({ id: 'freeTail', name: 'tail free to swim', value: share, limit: need, wants: 'atLeast', unit: 'share' }, 0.04, {
    pass: `${percent(share)} of the bait swims free behind the bend.`,
    near: `Only ${percent(share)} of the bait swims free; ${percent(need)} is wanted.`,
    fail: `Too long: ${percent(1 - share)} of the bait cannot swim.`,
  })
}

function clearanceRule(clear: Measure): FitRule {
  return judge({ id: 'clearance', name: 'gap when squeezed', value: clear.value, limit: BITE_M, wants: 'atLeast', unit: 'm' }, 0.0015, {
    pass: `${mm(clear.value)} of gap stand clear when the bait is squeezed.`,
    near: `${mm(clear.value)} of gap stand clear when squeezed: just enough for a jaw.`,
    fail: clear.value > 0
      ? `Too shallow: only ${mm(clear.value)} of gap stand clear when squeezed.`
      : `Too shallow: squeezed plastic still fills the gap, ${mm(-clear.value)} too much.`,
  })
}

function restRule(rig: AssembledRig): FitRule {
  const { placement } = rig.parts
  const over = Math.abs(placement.naturalOpeningM)
  const high = placement.naturalOpeningM > 0
  const limit = 0.13 * (placement.path.tip.s - placement.path.eye.s) + 0.002
  return judge({ id: 'pointRest', name: 'point lies to the back', value: over, limit, wants: 'atMost', unit: 'm' }, 0.0015, {
    pass: 'The point lies to the back without bending the bait.',
    near: high ? `The point stands ${mm(over)} proud: push the bait up to lay it down.` : `The point sits ${mm(over)} too deep: the bait is pulled to it.`,
    fail: high ? `Gap too big: the point stands ${mm(over)} off the back.` : `Gap too small: the point lies ${mm(over)} inside the bait.`,
  })
}

function wireRule(load: Measure, line: Line): FitRule {
  const drag = line.strengthN * DRAG_SHARE
  const base = { id: 'wire', name: 'wire against line', value: load.value, limit: drag, wants: 'atLeast', unit: 'N' } as const
  const kg = (n: number): string => `${(n / 9.80665).toFixed(1)} kg`
  return judge(base, 0.35 * drag, {
    pass: `The bend opens at ${kg(load.value)}; drag at a third of this line pulls ${kg(drag)}.`,
    near: `The bend opens at ${kg(load.value)}, close to the ${kg(drag)} of drag on this line: ease off or take heavier wire.`,
    fail: `Fine wire: the bend opens at ${kg(load.value)}, below the ${kg(drag)} of drag this line can set.`,
  })
}
