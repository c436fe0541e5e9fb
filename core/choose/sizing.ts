import { evidenceOf, type EvidenceBook } from '../evidence/book'
import type { RigSpec } from '../rig/spec'
import { GRAM_STEPS_KG, stepWeight } from '../tackle/weights'
import type { Day } from './day'
import { conditionsFor } from './day'
import { evaluateRig } from './evaluateRig'
import { traitsOf, type Finalist } from './finish'
import type { Goods, Rigging } from './goods'
import { limitOf, type Limit } from './limits'
import { factorsOf, scoreOf, scoringOf, type Traits } from './score'

/** The same rig a weight lighter or heavier: what it does and what it is worth. */
export interface WeightStep {
  readonly weightKg: number
  readonly weightMaterial: RigSpec['weightMaterial']
  readonly inBox: boolean
  readonly meanSpeedMS: number
  readonly bottomS: number
  readonly minutesLeft: number
  readonly score: number
  /** why it cannot be fished here */ readonly barred?: Limit
}

/**
 * The next weight down and up of a pick, of those in the box or, where it has none, of the ladder, each
 * evaluated in full with the same line, rod and cadence. Empty for a rig without a weight.
 */
export function weightSteps(
  day: Day,
  goods: Goods,
  riggings: readonly Rigging[],
  pick: Finalist,
  traits: Traits,
  book?: EvidenceBook,
): WeightStep[] {
  if (pick.rig.weightKg === 0) return []
  const bait = goods.baits[pick.bait]!.spec
  const scoring = scoringOf(day)
  const own = riggings[pick.rigging]!.weights
  return ([-1, 1] as const).flatMap((direction): WeightStep[] => {
    const next = own
      .filter(w =>
        direction < 0 ? w.weightKg < 0.99 * pick.rig.weightKg : w.weightKg > 1.01 * pick.rig.weightKg,
      )
      .sort((a, b) => direction * (a.weightKg - b.weightKg))[0]
    const weightKg = next?.weightKg ?? stepWeight(GRAM_STEPS_KG, pick.rig.weightKg, direction)
    if (Math.abs(weightKg / pick.rig.weightKg - 1) < 0.01) return []
    const rig: RigSpec = {
      ...pick.rig,
      weightKg,
      weightMaterial: next?.weightMaterial ?? pick.rig.weightMaterial,
    }
    const evidence = book && evidenceOf(book, bait, rig, day.cover, day.bottom)
    const outcome = evaluateRig(bait, rig, {
      ...conditionsFor(day, pick.outfit, pick.match),
      ...(evidence ? { evidence } : {}),
    })
    if (!outcome.ok) return []
    const { fall, snag } = outcome.value
    const wetN = (traits.wetN * weightKg) / pick.rig.weightKg
    const exact = traitsOf({ ...traits, wetN }, outcome.value)
    const limit = limitOf(day, exact, pick.outfit.line, scoring.water)
    return [
      {
        weightKg,
        weightMaterial: rig.weightMaterial,
        inBox: next !== undefined,
        meanSpeedMS: fall.meanSpeedMS.value,
        bottomS: fall.timeS.value,
        minutesLeft: snag.minutesLeft.value,
        score: scoreOf(factorsOf(scoring, exact, pick.outfit.retrieve, pick.outfit.line)),
        ...(limit ? { barred: limit } : {}),
      },
    ]
  })
}
