import type { Draws } from '../uncertainty/draws'
import { parameterAt, type ParameterId } from '../uncertainty/parameters'
import type { StrikeRig, Tackle } from './bite'
import { follower, PLAIN, type Scale } from './chain'
import { biteOf, drawFish, takenAt } from './fish'

/** What is uncertain of a bite, and what of the bite it moves. */
const MOVES = {
  biteForce: 'forceN',
  hold: 'holdS',
  jawNeed: 'needM',
  penetration: 'penetrationN',
  slack: 'slackM',
  sweep: 'sweepM',
  modulus: 'modulusPa',
  whereTaken: 'taken',
} as const satisfies Partial<Record<ParameterId, keyof Scale>>
export type StrikeDoubtId = keyof typeof MOVES
const STRIKE_DOUBTS = Object.keys(MOVES) as StrikeDoubtId[]
/** Everything that a bite hangs on and is not sure. */
export const STRIKE_NUMBERS: readonly ParameterId[] = [...STRIKE_DOUBTS, 'hookKind', 'hookOwn']

/** Fish that bite every rig in every member. */
const USUAL_FISH = { seed: 4711, count: 224 }

/**
 * Factor on the odds of a bite at head or middle for each standard score. *Assumed*: nine in ten places lie
 * within 1.6 either way.
 */
const TAKEN = 1.33

/**
 * Hook-up in every member: the same fish, with what is uncertain of them as the member has it. Told as a
 * change, on the odds, from how those fish are hooked at the middle of everything, and laid on the figure
 * from many more; with what the model leaves out of covered or open points and of the rig itself.
 * @param value hook-up at the middle of everything, inside 0..1
 * @param fishes other fish than the usual, for trying these on
 */
export const hookedMembers = (
  rig: StrikeRig,
  tackle: Tackle,
  value: number,
  among: Draws,
  fishes = USUAL_FISH,
): HookedMembers => hookedAmong(rig, tackle, value, fishes)(among)

/** Hook-up in every member. */
export interface HookedMembers {
  readonly members: Float64Array
  /** at the middle of everything, with what was learned */ readonly centre: number
}

/** The same, for asking more than once. */
export function hookedAmong(
  rig: StrikeRig,
  tackle: Tackle,
  value: number,
  fishes = USUAL_FISH,
): (among: Draws) => HookedMembers {
  const { seed, count } = fishes
  const fish = drawFish(seed, count)
  const bites = fish.map(one => biteOf(rig, tackle, one))
  const lnOddsHooked = (scale: Readonly<Scale>): number => {
    const follow = follower(rig, tackle, scale)
    let hooked = 0
    for (let i = 0; i < count; i++)
      if (
        !follow(bites[i]!, scale.taken === 1 ? bites[i]!.atM : takenAt(rig, tackle, fish[i]!, scale.taken))
          .loss
      )
        hooked++
    return lnOdds((hooked + 0.5) / (count + 1))
  }
  const from = lnOdds(value) - lnOddsHooked(PLAIN)
  return among => {
    const values = new Map(
      STRIKE_DOUBTS.map(
        id =>
          [
            MOVES[id],
            id === 'whereTaken' ? among.scores(id).map(z => TAKEN ** z) : among.values(id),
          ] as const,
      ),
    )
    const [kind, own] = [among.values('hookKind'), among.values('hookOwn')]
    const members = Float64Array.from({ length: among.size }, (_, m) => {
      const scale = { ...PLAIN }
      for (const [key, list] of values) scale[key] = list[m]!
      return fromLnOdds(from + lnOddsHooked(scale) + Math.log(kind[m]! * own[m]!))
    })
    if (STRIKE_NUMBERS.every(id => among.centre(id) === 0)) return { members, centre: value }
    const scale = { ...PLAIN }
    for (const id of STRIKE_DOUBTS)
      scale[MOVES[id]] = id === 'whereTaken' ? TAKEN ** among.centre(id) : parameterAt(id, among.centre(id))
    const middle = (id: ParameterId): number => Math.log(parameterAt(id, among.centre(id)))
    return {
      members,
      centre: fromLnOdds(from + lnOddsHooked(scale) + middle('hookKind') + middle('hookOwn')),
    }
  }
}

export const lnOdds = (p: number): number => Math.log(p / (1 - p))
const fromLnOdds = (x: number): number => 1 / (1 + Math.exp(-x))

/** The doubt that moves hook-up most from member to member. */
export function mainDoubtAmong(members: Float64Array, among: Draws): StrikeDoubtId {
  const mean = members.reduce((sum, h) => sum + h, 0) / members.length
  const moves = (id: StrikeDoubtId): number => {
    const z = among.scores(id)
    return Math.abs(members.reduce((sum, h, m) => sum + (h - mean) * z[m]!, 0))
  }
  return STRIKE_DOUBTS.reduce((most, id) => (moves(id) > moves(most) ? id : most))
}
