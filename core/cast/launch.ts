/** A rod as a thrower. SI. */
export interface CastingRod {
  readonly lengthM: number
  /** weights it is sold to cast, least and most, kg */ readonly castKg: readonly [number, number]
}

/** A cast that was measured with the rod in hand. SI. */
export interface MeasuredCast {
  readonly massKg: number
  readonly distanceM: number
}

/**
 * Speed of an easy overhead cast that loads a rod of `REACH_M` fully. *Assumed*: 25 m/s with 10 g on two
 * metres of rod is what gives the 35 to 40 m that anglers report of such tackle.
 */
const SPEED_MS = 25
const REACH_M = 2.1
/** A longer rod throws faster, by less than its length. *Assumed.* */
const LENGTH_POWER = 0.7
/** Mass of a rod's tip that is thrown along, and the load it throws best, shares of its most. *Assumed.* */
const TIP = 0.35
const BEST = 0.75
/** How sharply a rod goes from throwing by its own speed to being held back by the load. */
const BEND = 4

/** A load beside what a rod is sold to cast, with a little over either end, as anglers use such figures. */
export const loadOf = (massKg: number, [least, most]: CastingRod['castKg']): 'light' | 'within' | 'heavy' =>
  massKg < 0.8 * least ? 'light' : massKg > 1.15 * most ? 'heavy' : 'within'

/**
 * Speed at which a rod lets go of a mass, m/s: its tip's own speed while the load is light, as fast as its
 * spring's energy allows once it is heavy.
 */
export function launchSpeed({ lengthM, castKg: [, most] }: CastingRod, massKg: number): number {
  const own = SPEED_MS * (lengthM / REACH_M) ** LENGTH_POWER
  const load = (massKg + TIP * most) / ((BEST + TIP) * most)
  return own * (1 + load ** BEND) ** (-1 / (2 * BEND))
}
