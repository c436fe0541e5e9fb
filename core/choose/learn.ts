import { specsOf } from '../evidence/keys'
import { mostCounted, type Learned, type LoggedRig } from '../evidence/learned'
import { seededRandom } from '../numerics/random'
import { makeRecall, type Recall } from '../numerics/recall'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { problemsOf } from '../rig/problems'
import { snagAtCentre } from '../snag/evaluateSnag'
import { SNAG_NUMBERS, snagsAmong } from '../snag/snagMembers'
import { shareDrawn } from '../strike/evaluateStrike'
import { hookedAmong, lnOdds, STRIKE_NUMBERS } from '../strike/strikeMembers'
import type { BottomId, CoverId } from '../snag/cover'
import { lbfToN } from '../units'
import { drawsFor } from '../uncertainty/draws'
import { ownerOf, usualEnsemble, type Ensemble, type Owners } from '../uncertainty/ensemble'
import { posteriorOf, type Counted, type Known } from '../uncertainty/posterior'
import { parameterAt, type ParameterId } from '../uncertainty/parameters'
import type { Conditions } from './conditions'
import { dropPrepared, ownersOf, prepareRig, USUAL_SEED } from './prepareRig'

/** What is kept meanwhile: meetings of a place and postures. */
const KEPT = 32

/**
 * Where nothing more is known of a log than its rig and place. *Assumed*: a usual line and rod in two metres,
 * hopped.
 */
const USUAL_PLACE = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 0,
  lineKind: 'braid',
  lineStrengthN: lbfToN(15),
} as const satisfies Partial<Conditions>

/** A rig that was fished somewhere, with what is known of it. */
export interface Fished {
  readonly bait: BaitSpec
  readonly rig: RigSpec
  readonly conditions: Conditions
  readonly casts: number
  readonly snags: number
  readonly touches: number
  readonly hooked: number
}

/**
 * What tallies say of everything that is uncertain: of the place, the fish, the kinds of rig and the rigs
 * themselves, so that what one rig showed moves every rig that shares a doubt with it. Rigs that cannot be
 * built are left out; of more than MOST_LOGGED the most counted are taken. In use they are all of one place.
 * @returns nothing where nothing was counted
 */
export function learnFrom(
  logged: readonly LoggedRig[],
  ensemble: Ensemble = usualEnsemble(),
): Learned | undefined {
  const fished = mostCounted(logged).flatMap(one => {
    const specs = specsOf(one.rigKey)
    const [cover = '', bottom = ''] = one.placeKey.split('/')
    if (!specs || problemsOf(specs.bait, specs.rig).length > 0) return []
    return [
      { one, ...specs, conditions: { ...USUAL_PLACE, cover: cover as CoverId, bottom: bottom as BottomId } },
    ]
  })
  if (fished.length === 0) return undefined
  const recall = makeRecall(KEPT)
  const counted = fished.flatMap(({ one, ...rest }) => countedOf({ ...one, ...rest }, recall))
  return { ...posteriorOf(counted, ensemble), from: fished.map(f => f.one) }
}

/**
 * Meetings with each kind of thing, and bites, by which a logged rig is told: what they leave unsure is
 * little beside its own doubt.
 */
const DRAWS = 1200

/** Lying as it floats, back up: of one that does not sink. */
const UPRIGHT = Float64Array.of(0, 0, 0, 0, 1, 0, 0, 0)

/** Casts and touches of one rig, each with what the model gives for it. */
export function countedOf(
  { bait, rig, conditions, casts, snags, touches, hooked }: Fished,
  recall: Recall,
): Counted[] {
  const prepared = prepareRig(bait, rig, conditions, undefined, recall)
  const drop = dropPrepared(prepared)
  const ride = prepared.rideOf(drop.ok ? drop.value : { samples: UPRIGHT })
  const owners: Owners = ownersOf(prepared)
  const by = (ids: readonly ParameterId[]): Known[] => ids.map(id => ({ id, of: ownerOf(id, owners) }))
  // a factor on how often, and on the odds: ln is straight in its score
  const own = (id: ParameterId): Counted['own'] => ({
    known: { id, of: ownerOf(id, owners) },
    perScore: Math.log(parameterAt(id, 1)),
  })
  const events = (chance: number): number =>
    Math.log(-Math.log1p(-Math.min(1 - 1e-9, Math.max(1e-9, chance))))
  const odds = (chance: number): number => lnOdds(Math.min(1 - 1e-5, Math.max(1e-5, chance)))
  const snag = (): Counted => {
    const { rates } = snagAtCentre(prepared.snag, prepared.obstacles, ride, USUAL_SEED, DRAWS, recall)
    const snagsOf = snagsAmong(prepared.snag, prepared.obstacles, ride, rates, undefined, recall)
    return {
      link: 'events',
      tries: casts,
      hits: Math.min(casts, snags),
      by: by(SNAG_NUMBERS.filter(id => id !== 'wear' || prepared.snag.wornPoints)),
      own: own('snagOwn'),
      predict: ensemble => {
        const { snagPerCast, centre } = snagsOf(drawsFor(ensemble, owners))
        return {
          members: snagPerCast.map(events),
          centre: Math.log(Math.max(1e-9, centre.freed + centre.opened + centre.lost)),
        }
      },
    }
  }
  const hook = (): Counted => {
    const asDrawn = shareDrawn(prepared.strike, prepared.tackle, seededRandom(USUAL_SEED + 1), DRAWS)
    const bitesOf = hookedAmong(prepared.strike, prepared.tackle, asDrawn)
    return {
      link: 'odds',
      tries: touches,
      hits: Math.min(touches, hooked),
      by: by(STRIKE_NUMBERS),
      own: own('hookOwn'),
      predict: ensemble => {
        const { members, centre } = bitesOf(drawsFor(ensemble, owners))
        return { members: members.map(odds), centre: odds(centre) }
      },
    }
  }
  return [...(casts > 0 ? [snag()] : []), ...(touches > 0 ? [hook()] : [])]
}
