import type { KeeperId } from '../tackle/keepers'

/** How a rule came out. */
export type Verdict = 'pass' | 'near' | 'fail'

/** What a rule is about besides its number. SI. */
export type RuleFacts =
  | { readonly id: 'length'; readonly baitM: number }
  | {
      readonly id: 'exit'
      /** whether the point comes out of the back at all */ readonly comesOut: boolean
      /** where it should: the back slot, the first fifth to third of a worm, the thick part */
      readonly place: 'slot' | 'fifth' | 'thick'
      readonly baitM: number
    }
  | { readonly id: 'freeTail' | 'throat' | 'trailing' | 'trailer' }
  | { readonly id: 'clearance'; /** a slit along the belly would give room */ readonly slitHelps: boolean }
  | {
      readonly id: 'pointRest'
      /** off the back, not inside the bait */ readonly proud: boolean
      /** pliers can still bend the hook level */ readonly pliersHelp: boolean
    }
  | { readonly id: 'across'; readonly widthM: number }
  | {
      readonly id: 'bunching'
      /** plastic between nose and exit that the laid hook asks for */ readonly exitM: number
      /** more (+) or less than that */ readonly spareM: number
      /** tail up (+) or down */ readonly bowM: number
    }
  | { readonly id: 'inside'; readonly hollow: boolean }
  | { readonly id: 'wire'; /** breaking strength of the line, N */ readonly lineN: number }
  | {
      readonly id: 'keeper'
      readonly keeper: KeeperId
      /** pull that tears the bait off, N */ readonly pullN: number
      readonly fishPerBait: number
    }

/** A rule's number against its limit, in the unit of the rule: metres, a share, newtons, or a count. */
interface Weighed {
  readonly value: number
  /** the value that must be reached (or not exceeded, see `wants`) */ readonly limit: number
  readonly wants: 'atLeast' | 'atMost'
  readonly unit: 'm' | 'share' | 'N' | 'count'
}

/** One fit rule with its number, how it came out, and what it is about. */
export type FitRule = RuleFacts &
  Weighed & {
    /** value against limit, positive on the good side, same unit */ readonly margin: number
    readonly verdict: Verdict
  }
export type RuleOf<I extends RuleFacts['id']> = FitRule & { readonly id: I }

/** Worst verdict of a list; `pass` when it is empty. */
export const worst = (rules: readonly FitRule[]): Verdict =>
  rules.some(r => r.verdict === 'fail') ? 'fail' : rules.some(r => r.verdict === 'near') ? 'near' : 'pass'

/**
 * Judges a value against a limit with a band of doubt around it.
 * @param band half-width of the band in the value's unit: inside it the verdict is `near`
 */
export function judge(rule: RuleFacts & Weighed, band: number): FitRule {
  const margin = rule.wants === 'atLeast' ? rule.value - rule.limit : rule.limit - rule.value
  return { ...rule, margin, verdict: margin >= band ? 'pass' : margin >= -band ? 'near' : 'fail' }
}

/**
 * Room of a rule as a share of its limit, so that millimetres and newtons compare; never more than a half, so
 * that one roomy rule does not count for another.
 */
export const room = (rule: FitRule): number =>
  Math.min(0.5, rule.margin / Math.max(1e-9, Math.abs(rule.limit)))

/** The rule with the least room. @throws TypeError when there is none */
export const tightestOf = (rules: readonly FitRule[]): FitRule =>
  rules.reduce((a, b) => (room(b) < room(a) ? b : a))
