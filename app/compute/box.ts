import {
  assembleRig,
  evaluateFit,
  FAMILIES,
  FAMILY_IDS,
  looseFamilies,
  lineOf,
  problemsOf,
  tightestOf,
  type BaitSpec,
  type FamilyId,
  type FitRule,
  type FitVerdict,
  type HookStyle,
  type LineKind,
  type RigSpec,
} from '#core'
import type { BoxItem } from '#schemas/box'

/** Which of these hooks and heads fit a bait. */
export interface FitsJob {
  readonly bait: BaitSpec
  readonly items: readonly BoxItem[]
  readonly lineKind: LineKind
  readonly lineStrengthN: number
}
export interface FitsAnswer {
  readonly id: string
  readonly rig: RigSpec
  readonly verdict: FitVerdict
  readonly worst: FitRule
}

/** How a hook of a style is rigged, bare or with the weight that is on it. */
const riggedAs = (style: HookStyle, weighted: boolean): FamilyId =>
  (weighted ? looseFamilies(style, 'onHook')[0] : undefined) ??
  looseFamilies(style)[0] ??
  FAMILY_IDS.find(id => FAMILIES[id].hookStyle === style)!

/** A hook or head of the box as a rig; undefined for anything else. */
export function rigOf({ details: d }: Pick<BoxItem, 'details'>): RigSpec | undefined {
  if (d.kind !== 'hook' && d.kind !== 'head') return undefined
  const family: FamilyId = d.kind === 'head' ? d.family : riggedAs(d.style, Boolean(d.weightKg))
  const { weighted, pointRests } = FAMILIES[family]
  const own = d.own && Object.fromEntries(Object.entries(d.own).filter(([, v]) => v !== undefined))
  return {
    family,
    hookSize: d.size,
    weightKg: weighted ? (d.weightKg ?? 0.0035) : 0,
    weightMaterial: d.weightMaterial ?? 'lead',
    pointRest: pointRests.includes('skin') ? 'skin' : pointRests[0]!,
    ...(d.kind === 'hook' && d.wire ? { wire: d.wire } : {}),
    ...(d.kind === 'hook' && d.gap ? { gap: d.gap } : {}),
    ...(own ? { hook: own } : {}),
  }
}

/** A hook through the middle fits nearly anything: it comes last among equals. */
const across = ({ rig }: FitsAnswer): number => Number(FAMILIES[rig.family].across === true)
const RANK: Readonly<Record<FitVerdict, number>> = { pass: 0, near: 1, fail: 2 }

/** Every hook and head tried in the bait, those that fit first. */
export function fitsOf({ bait, items, lineKind, lineStrengthN }: FitsJob): FitsAnswer[] {
  const line = lineOf(lineKind, lineStrengthN)
  return items
    .flatMap((item): FitsAnswer[] => {
      const rig = rigOf(item)
      if (!rig || problemsOf(bait, rig).length > 0) return []
      const { verdict, rules } = evaluateFit(assembleRig(bait, rig), line)
      return [{ id: item.id, rig, verdict, worst: tightestOf(rules) }]
    })
    .sort((a, b) => RANK[a.verdict] - RANK[b.verdict] || across(a) - across(b))
}
