import { evaluateRig, judgeLanes, seededRandom, USUAL_UTILITY, type VerdictKind } from '#core'
import { randomSheet } from '../core/choose/randomSheet'

/** Sheets of three kinds of rig in random waters. */
const SHEETS = 200

/**
 * How often the sheet decides: the mix of verdicts over random sheets, and the share in which nothing can be
 * told.
 */
export function verdictFigures(sheets = SHEETS): Record<string, number> {
  const random = seededRandom(77)
  const mix: Record<VerdictKind, number> = { one: 0, alike: 0, group: 0, open: 0, none: 0 }
  for (let i = 0; i < sheets; i++) {
    const { bait, rigs, conditions } = randomSheet(random)
    mix[
      judgeLanes(
        rigs.map((rig, k) => ({ letter: 'ABC'[k]!, result: evaluateRig(bait, rig, conditions) })),
        USUAL_UTILITY,
      ).kind
    ]++
  }
  return {
    'verdict.undecided.share': mix.open / sheets,
    ...Object.fromEntries(Object.entries(mix).map(([kind, n]) => [`verdict.${kind}.share`, n / sheets])),
  }
}
