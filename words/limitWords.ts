import { STANDARD_GRAVITY, type Limit } from '#core'
import { ruleText } from './fitWords'
import { problemText } from './problemWords'
import { lowerFirst } from './sentences'
import { percentText, roughWeight, withUnit, UNITS, type UnitSystem } from './units'

const MISFITS = {
  hollow: 'it needs a hollow bait',
  folds: 'the bait is too stout to fold: it takes a stick or a worm',
  tooLong: 'the hook is too long for the bait',
  tooShort: 'the hook is too short for the bait',
} as const

/** What stands in the way of a rig, to go on a sentence: no capital, no full stop. */
export function limitText(limit: Limit, system: UnitSystem): string {
  const { depth } = UNITS[system]
  const force = (n: number): string => roughWeight(n / STANDARD_GRAVITY, system)
  switch (limit.id) {
    case 'fit':
      if ('misfit' in limit) return MISFITS[limit.misfit]
      return lowerFirst(
        'rule' in limit ? ruleText(limit.rule, system) : problemText(limit.problem, system),
      ).replace(/\.$/, '')
    case 'floats':
      return 'it floats: it never sinks in this water'
    case 'match':
      return 'the bait is too unlike what they eat, in size or shape'
    case 'reach':
      return `too light: ${Math.round(limit.seconds)} s to come down to ${withUnit(limit.depthM, depth)}`
    case 'current':
      return 'driftM' in limit
        ? `too light for this current: it drifts ${withUnit(Math.round(limit.driftM), depth)} on the way down`
        : `too light for this current: flow pulls at line and rig with ${force(limit.pullN)}, it holds ${force(limit.holdsN)}`
    case 'cast':
      return `no rod in the box casts ${roughWeight(limit.massKg, system)}`
    case 'roof':
      return `${limit.leftBehind ? 'the weight runs on and leaves the bait on the mat' : 'does not break through the mat'}: it comes with ${percentText(limit.hasJ / limit.needsJ)} of what it takes to tear a hole its size`
  }
}
