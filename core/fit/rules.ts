/** How a rule came out. */
export type Verdict = 'pass' | 'near' | 'fail'

export type RuleId =
  | 'length'
  | 'exit'
  | 'freeTail'
  | 'clearance'
  | 'pointRest'
  | 'across'
  | 'bunching'
  | 'inside'
  | 'throat'
  | 'trailing'
  | 'trailer'
  | 'wire'
  | 'keeper'

/**
 * One fit rule with its number. `value` and `limit` in the unit of the rule: metres, a share of length,
 * newtons, or a count.
 */
export interface FitRule {
  readonly id: RuleId
  readonly name: string
  readonly value: number
  /** the value that must be reached (or not exceeded, see `wants`) */ readonly limit: number
  readonly wants: 'atLeast' | 'atMost'
  readonly unit: 'm' | 'share' | 'N' | 'count'
  /** value against limit, positive on the good side, same unit */ readonly margin: number
  readonly verdict: Verdict
  /** for the angler; lengths in millimetres, loads in kilograms, as on a bench */
  readonly sentence: string
}

/** Worst verdict of a list; `pass` when it is empty. */
export const worst = (rules: readonly FitRule[]): Verdict =>
  rules.some(r => r.verdict === 'fail') ? 'fail' : rules.some(r => r.verdict === 'near') ? 'near' : 'pass'

/**
 * Judges a value against a limit with a band of doubt around it.
 * @param band half-width of the band in the value's unit: inside it the verdict is `near`
 */
export function judge(
  rule: Pick<FitRule, 'id' | 'name' | 'value' | 'limit' | 'wants' | 'unit'>,
  band: number,
  say: { readonly pass: string; readonly near: string; readonly fail: string },
): FitRule {
  const margin = rule.wants === 'atLeast' ? rule.value - rule.limit : rule.limit - rule.value
  const verdict: Verdict = margin >= band ? 'pass' : margin >= -band ? 'near' : 'fail'
  return { ...rule, margin, verdict, sentence: say[verdict] }
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
