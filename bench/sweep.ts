import { dropAny } from '../core/fall/evaluateFall'
import { evaluateRig } from '../core/choose/evaluateRig'
import { prepareRig } from '../core/choose/prepareRig'
import { randomRig } from '../core/choose/randomRig'
import { wrongOf } from '../core/choose/sweepChecks'
import { seededRandom, type Random } from '../core/numerics/random'
import type { Conditions } from '../core/choose/conditions'

/** Rigs of the long sweep: every family, form, size, material, water, current, on open spool, light pull and closed bail. */
const RIGS = 3000
/** Heavier by this factor, and slower by more than this part, with nothing moved by hand. */
const HEAVIER = 1.3
const SLOWER = 0.02

const holdOf = (random: Random): Conditions['hold'] => {
  const which = random()
  return which < 1 / 3 ? undefined : { mode: which < 2 / 3 ? 'controlled' : 'tight', rodDistanceM: 4 + 20 * random() }
}

/** Rigs whose figures are wrong, and of the weighted ones on an open spool those that fall slower with more weight. */
export function sweepFigures(): Record<string, number> {
  const random = seededRandom(20_261)
  let failed = 0
  let slower = 0
  let compared = 0
  for (let i = 0; i < RIGS; i++) {
    const hold = holdOf(random)
    const { name, bait, rig, conditions } = randomRig(random, hold)
    try {
      const outcome = evaluateRig(bait, rig, conditions)
      const wrong = outcome.ok ? wrongOf(outcome.value, conditions.depthM, bait.lengthM) : outcome.code === 'unstable' ? [outcome.message] : []
      if (wrong.length > 0) {
        failed++
        console.error(`${wrong.join('; ')} :: ${name}`)
      }
      if (!outcome.ok || hold || rig.weightKg === 0 || rig.weightKg * HEAVIER > 0.09) continue
      const { bodies: { typical, weight }, fall } = prepareRig(bait, { ...rig, weightKg: HEAVIER * rig.weightKg }, conditions)
      const heavier = dropAny(typical, weight, fall)
      compared++
      if (heavier.ok && heavier.value.timeS > (1 + SLOWER) * outcome.value.fall.drop.timeS) {
        slower++
        console.error(`slower when heavier: ${outcome.value.fall.drop.timeS.toFixed(2)} to ${heavier.value.timeS.toFixed(2)} s :: ${name}`)
      }
    } catch (error) {
      failed++
      console.error(`${error instanceof Error ? error.message : String(error)} :: ${name}`)
    }
  }
  return { 'sweep.rigs': RIGS, 'sweep.failed': failed, 'sweep.heavierSlower': slower, 'sweep.weightsCompared': compared }
}

console.log(JSON.stringify(sweepFigures()))
