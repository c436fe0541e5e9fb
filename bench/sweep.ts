import { evaluateRig } from '../core/choose/evaluateRig'
import { randomRig } from '../core/choose/randomRig'
import { slowerWhenHeavier, wrongOf } from '../core/choose/sweepChecks'
import { seededRandom, type Random } from '../core/numerics/random'
import type { Conditions } from '../core/choose/conditions'

/**
 * Rigs of the long sweep: every family, form, size, material, water, current, on open spool, light pull and
 * closed bail.
 */
const RIGS = 3000

const holdOf = (random: Random): Conditions['hold'] => {
  const which = random()
  return which < 1 / 3
    ? undefined
    : { mode: which < 2 / 3 ? 'controlled' : 'tight', rodDistanceM: 4 + 20 * random() }
}

/**
 * Rigs whose figures are wrong, and of the weighted ones on an open spool those that fall slower with more
 * weight.
 */
export function sweepFigures(): Record<string, number> {
  const random = seededRandom(20_261)
  let failed = 0
  let slower = 0
  let turned = 0
  let compared = 0
  for (let i = 0; i < RIGS; i++) {
    const hold = holdOf(random)
    const drawn = randomRig(random, hold)
    const { name, bait, rig, conditions } = drawn
    try {
      const outcome = evaluateRig(bait, rig, conditions)
      const wrong = outcome.ok
        ? wrongOf(outcome.value, conditions.depthM, bait.lengthM)
        : outcome.code === 'unstable'
          ? [outcome.message]
          : []
      if (wrong.length > 0) {
        failed++
        console.error(`${wrong.join('; ')} :: ${name}`)
      }
      const weights = outcome.ok && !hold ? slowerWhenHeavier(drawn, outcome.value) : undefined
      if (weights) compared++
      if (weights === 'turned') turned++
      if (weights === 'slower') {
        slower++
        console.error(`slower when heavier :: ${name}`)
      }
    } catch (error) {
      failed++
      console.error(`${error instanceof Error ? error.message : String(error)} :: ${name}`)
    }
  }
  return {
    'sweep.rigs': RIGS,
    'sweep.failed': failed,
    'sweep.heavierSlower': slower,
    'sweep.heavierTurned': turned,
    'sweep.weightsCompared': compared,
  }
}

console.log(JSON.stringify(sweepFigures()))
