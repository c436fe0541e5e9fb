import type { Random } from '../numerics/random'
import type { Measure } from '../outcome'
import { usualEnsemble } from '../uncertainty/ensemble'
import { drawsFor, type Draws } from '../uncertainty/draws'
import { measureOf } from '../uncertainty/members'
import type { StrikeRig, Tackle } from './bite'
import { biteChain, follower, LOSSES, type BiteChain, type LossId } from './chain'
import { biteOf, drawOne, type Fish } from './fish'
import { hookedMembers, mainDoubtAmong, type StrikeDoubtId } from './strikeMembers'

export interface Loss {
  readonly id: LossId
  readonly share: number
}

export interface StrikeResult {
  /** chance that a bite becomes a hooked fish */ readonly hookUp: Measure
  /** shares of all bites lost at each step, largest first */ readonly losses: readonly Loss[]
  /** what is least certain: the number whose doubt moves the figure most */ readonly mainDoubt: StrikeDoubtId
  readonly draws: number
  /** hook-up as the model has it by itself, where something was learned */ readonly byModel?: number
  /** hook-up in every member of the ensemble */ readonly members: Float64Array
}

const DRAWS = 4000

/** One rig by itself, with the usual ensemble. */
const alone = (): Draws => drawsFor(usualEnsemble(), { plastic: '', kind: '', rig: '' })

/**
 * Chance that a bite is hooked, by seeded Monte Carlo over bite place, bite force, jaw and slack. A bite is
 * lost where it first fails: behind the hook; let go before the set; point not squeezed out of the plastic;
 * no gap left over the squeezed body; set too weak to go in; or so hard that the hook opens. A bite away from
 * the point squeezes it only as the bait is drawn through the jaws, with what grip is left. The range is that
 * of the ensemble's members, each of which lets the same fish bite every rig.
 * @throws RangeError unless draws is at least 1
 */
export function evaluateStrike(
  rig: StrikeRig,
  tackle: Tackle,
  random: Random,
  draws = DRAWS,
  among: Draws = alone(),
): StrikeResult {
  if (!(draws >= 1)) throw new RangeError('evaluateStrike: draws must be at least 1')
  const count = lossesOf(rig, tackle, random, draws)
  const hooked = draws - LOSSES.reduce((sum, id) => sum + count[id], 0)
  const asDrawn = (hooked + 0.5) / (draws + 1)
  const { members, centre } = hookedMembers(rig, tackle, asDrawn, among)
  const moved = centre !== asDrawn
  // what loses the rest keeps its part of it
  const scale = moved ? (1 - centre) / (1 - asDrawn) : 1
  return {
    hookUp: measureOf(moved ? centre : hooked / draws, members, moved ? 'logged' : 'computed'),
    losses: LOSSES.map(id => ({ id, share: (scale * count[id]) / draws }))
      .filter(l => l.share > 0)
      .sort((a, b) => b.share - a.share),
    mainDoubt: mainDoubtAmong(members, among),
    draws,
    ...(moved ? { byModel: hooked / draws } : {}),
    members,
  }
}

function lossesOf(rig: StrikeRig, tackle: Tackle, random: Random, draws: number): Record<LossId, number> {
  const count: Record<LossId, number> = {
    tailNip: 0,
    letGo: 0,
    notReached: 0,
    noBite: 0,
    noForce: 0,
    opens: 0,
  }
  const follow = follower(rig, tackle)
  for (let i = 0; i < draws; i++) {
    const bite = biteOf(rig, tackle, drawOne(random))
    const { loss } = follow(bite, bite.atM)
    if (loss) count[loss]++
  }
  return count
}

/** Hook-up at the middle of everything, as those bites are drawn; inside 0..1. */
export function shareDrawn(rig: StrikeRig, tackle: Tackle, random: Random, draws = DRAWS): number {
  const count = lossesOf(rig, tackle, random, draws)
  return (draws - LOSSES.reduce((sum, id) => sum + count[id], 0) + 0.5) / (draws + 1)
}

/** Share of these fish that one rig hooks. */
export function shareHooked(rig: StrikeRig, tackle: Tackle, fish: readonly Fish[]): number {
  const follow = follower(rig, tackle)
  let hooked = 0
  for (const one of fish) {
    const bite = biteOf(rig, tackle, one)
    if (!follow(bite, bite.atM).loss) hooked++
  }
  return hooked / fish.length
}

/** How the take of one fish ends on one rig. */
export const takeOf = (rig: StrikeRig, tackle: Tackle, fish: Fish): BiteChain =>
  biteChain(rig, tackle, biteOf(rig, tackle, fish))
