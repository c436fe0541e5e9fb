import { logNormal, type Random } from '../numerics/random'
import { wilson } from '../numerics/statistics'
import { measure, type Measure } from '../outcome'
import { RATE_DOUBT, type Obstacle } from './cover'
import { openingAt, type PointLip } from './lip'

/** How the rig rides, as samples to draw from. Radians, 0 back up. */
export interface Postures { readonly retrieveRollRad: ArrayLike<number>, readonly fallRollRad: ArrayLike<number> }

export interface SnagCause { readonly name: string, readonly perCast: number }

export interface SnagResult {
  /** chance that a cast hangs up */ readonly snagPerCast: Measure
  /** chance that a cast comes back with weed on the hook */ readonly weedPerCast: Measure
  /** minutes of an hour left for fishing once snags and weed are paid for */ readonly minutesLeft: Measure
  readonly causes: readonly SnagCause[]
  readonly draws: number
}

/** Metres of a cast spent near cover. */
export const CAST_M = 15

/** Draws for each kind of obstacle. */
export const DRAWS = 4000

/** Share of meetings while the line is tight; the rest come as the rig falls on slack. *Assumed* for hop-and-pause fishing. */
const TIGHT_SHARE = 0.8

/** Press of an obstacle on the bait as it slides by: line tension of a steady retrieve, N. *Assumed.* */
const PRESS_N = { median: 0.8, gsd: 1.8 }

/** What leans on a guard takes the pull of the line, several times the press of sliding by. *Assumed.* */
const GUARD_PRESS = 3

/** Pull given to free a caught rig, N: a firm lift with a medium rod. *Assumed.* */
const FREE_N = { median: 12, gsd: 1.5 }

/** Posture wanders about its mean in use: standard deviation of roll, rad. *Assumed.* */
const ROLL_WANDER_RAD = 0.2

/** What things cost in minutes. *Assumed*: a snag is freed or re-tied in three minutes; weed is picked off in half a minute. */
const CAST_MIN = 1.2
const SNAG_MIN = 3
const WEED_MIN = 0.5

type Fate = 'past' | 'weed' | 'snag'

/**
 * Chance of a snag at the point, by seeded Monte Carlo: an obstacle of radius R slides along the bait at some angle round
 * it; it passes under the point when opening + compression > R, else it rides over; once caught it holds if it is
 * stronger than the pull that frees it, else it comes away as weed on the hook.
 */
export function evaluateSnag(
  lip: PointLip, obstacles: readonly Obstacle[], postures: Postures, random: Random, draws = DRAWS,
): SnagResult {
  if (!(draws >= 1)) throw new RangeError('evaluateSnag: draws must be at least 1')
  const rate = { snag: [0, 0, 0], weed: [0, 0, 0] }
  const causes: SnagCause[] = []
  for (const obstacle of obstacles) {
    const count = { past: 0, weed: 0, snag: 0 }
    for (let i = 0; i < draws; i++) count[meet(lip, obstacle, postures, random)]++
    const met = obstacle.perM * CAST_M
    for (const fate of ['snag', 'weed'] as const) {
      const [low, high] = wilson(count[fate], draws)
      rate[fate][0]! += met * count[fate] / draws
      rate[fate][1]! += met * low
      rate[fate][2]! += met * high
    }
    causes.push({ name: obstacle.name, perCast: chance(met * count.snag / draws) })
  }
  const snagPerCast = asChance(rate.snag)
  const weedPerCast = asChance(rate.weed)
  const left = (snag: number, weed: number): number => (60 * CAST_MIN) / (CAST_MIN + SNAG_MIN * snag + WEED_MIN * weed)
  return {
    snagPerCast,
    weedPerCast,
    minutesLeft: measure(
      left(snagPerCast.value, weedPerCast.value), left(snagPerCast.high, weedPerCast.high), left(snagPerCast.low, weedPerCast.low),
    ),
    causes: causes.sort((a, b) => b.perCast - a.perCast),
    draws,
  }
}

const chance = (events: number): number => 1 - Math.exp(-events)

const asChance = (rate: readonly number[]): Measure =>
  measure(chance(rate[0]!), chance(rate[1]! / RATE_DOUBT), chance(rate[2]! * RATE_DOUBT))

function meet(lip: PointLip, obstacle: Obstacle, postures: Postures, random: Random): Fate {
  const rolls = random() < TIGHT_SHARE ? postures.retrieveRollRad : postures.fallRollRad
  const wander = ROLL_WANDER_RAD * (2 * random() - 1) * Math.sqrt(3)
  const roll = rolls[Math.floor(random() * rolls.length)]! + wander
  const angle = contactAngle(obstacle, random) - roll
  if (Math.cos(angle) <= 0) return 'past'
  const radius = logNormal(random, obstacle.diameterM, obstacle.diameterGsd) / 2
  const press = logNormal(random, PRESS_N.median, PRESS_N.gsd)
  const compression = press * lip.givePerN
  const opening = openingAt(lip, angle)
  if (opening + compression <= radius || opening + compression <= 0) return 'past'
  const strength = logNormal(random, obstacle.strengthN, obstacle.strengthGsd)
  if (lip.guardN > 0 && Math.min(strength, GUARD_PRESS * press) < lip.guardN) return 'past'
  return strength > logNormal(random, FREE_N.median, FREE_N.gsd) ? 'snag' : 'weed'
}

/** Where round the bait a thing touches, rad from straight up, positive to the left. */
function contactAngle(obstacle: Obstacle, random: Random): number {
  const spread = 0.5 * (2 * random() - 1)
  if (random() < obstacle.upright) return (random() < 0.5 ? 1 : -1) * Math.PI / 2 + spread
  return (random() < obstacle.overhead ? 0 : Math.PI) + spread
}
