import {
  amongOf,
  BLOW_UPS_MISSED,
  dropPrepared,
  FAMILIES,
  guardOf,
  LOOKS_EVERY,
  measureOf,
  obstaclesOf,
  prepareRig,
  problemsOf,
  RETRIEVE_IDS,
  seededRandom,
  snagTally,
  strikeOf,
  USUAL_SEED,
  type BaitSpec,
  type Conditions,
  type Evidence,
  type Measure,
  type PointRest,
  type RetrieveId,
  type RigSpec,
} from '#core'
import type { Progress } from './progress'
import { throughPlace } from './cover'

/** One rig, and what could be done otherwise with it in the same cover. */
export interface CoverChangesJob {
  readonly bait: BaitSpec
  readonly conditions: Conditions
  readonly rig: RigSpec
  readonly evidence?: Evidence
}

/** What is done otherwise: on the rig, or in how it is fished. */
type CoverChangeWhat =
  | { readonly id: 'guard'; readonly rig: Pick<RigSpec, 'guard'> }
  | { readonly id: 'rest'; readonly rig: Pick<RigSpec, 'pointRest'> }
  | { readonly id: 'slimmer'; readonly rig: Pick<RigSpec, 'weightMaterial'> }
  | { readonly id: 'worked'; readonly fishing: { readonly retrieve: RetrieveId } }
  | { readonly id: 'looks'; readonly fishing: { readonly looksEvery: number } }

/** What it would give, member by member of the same ensemble. */
export type CoverChange = CoverChangeWhat & {
  /** minutes of an hour left for fishing, more or fewer */ readonly minutes: Measure
  /** share of bites hooked, more or fewer */ readonly hookUp: Measure
  /**
   * share of the bites of an hour without a snag that are hooked, more or fewer: minutes and hook-up together; a
   * difference, since a rig may hook none
   */
  readonly fish: Measure
}

/** Draws for each kind of obstacle: fewer than for the figures, the same for all that are compared. */
const DRAWS = 1500
/** Casts from look to look that are tried. */
const SOONER = 2
/** Points by how deep they lie. */
const DEEPER: readonly PointRest[] = ['open', 'flush', 'skin', 'buried']

/** Everything of the kind that this rig allows for and is not so already. */
function whatElse(
  rig: RigSpec,
  { retrieve = 'hop', looksEvery = LOOKS_EVERY }: Conditions,
): CoverChangeWhat[] {
  const { guards = [], pointRests, weighted } = FAMILIES[rig.family]
  const at = DEEPER.indexOf(rig.pointRest)
  return [
    ...guards
      .filter(guard => guard !== guardOf(rig))
      .map(guard => ({ id: 'guard', rig: { guard } }) as const),
    ...pointRests
      .filter(rest => Math.abs(DEEPER.indexOf(rest) - at) === 1)
      .map(pointRest => ({ id: 'rest', rig: { pointRest } }) as const),
    ...(weighted && rig.weightMaterial === 'lead'
      ? [{ id: 'slimmer', rig: { weightMaterial: 'tungsten' } } as const]
      : []),
    ...RETRIEVE_IDS.filter(id => id !== retrieve && id !== 'punch' && id !== 'fallInto').map(
      id => ({ id: 'worked', fishing: { retrieve: id } }) as const,
    ),
    ...(rig.pointRest !== 'open' && looksEvery > SOONER
      ? [{ id: 'looks', fishing: { looksEvery: SOONER } } as const]
      : []),
  ]
}

/** Part of the takes from below that do not miss a bait on the surface. */
const taken = 1 - BLOW_UPS_MISSED.value

interface Outcome {
  readonly minutes: Float64Array
  readonly hookUp: Float64Array
  readonly minutesLeft: number
  readonly hooked: number
}

function outcomeOf(bait: BaitSpec, spec: RigSpec, conditions: Conditions): Outcome {
  const prepared = prepareRig(bait, spec, conditions)
  const among = amongOf(prepared)
  const { met, ride, afloat } = throughPlace(
    prepared,
    dropPrepared(prepared),
    obstaclesOf(conditions.cover, conditions.bottom),
  )
  const tally = snagTally(prepared.snag, met, ride, seededRandom(USUAL_SEED))
  tally.draw(DRAWS)
  const snag = tally.result(among)
  const strike = strikeOf(prepared)
  return {
    minutes: snag.members!.minutesLeft,
    hookUp: afloat ? strike.members.map(h => h * taken) : strike.members,
    minutesLeft: snag.minutesLeft.value,
    hooked: strike.hookUp.value * (afloat ? taken : 1),
  }
}

/**
 * What one change would do to a rig in its cover, the best first: rigs with and without it meet the same things and
 * the same fish in every member. @returns undefined when it was called off
 */
export async function coverChanges(
  { bait, conditions, rig, evidence }: CoverChangesJob,
  { tell, pause }: Progress,
): Promise<readonly CoverChange[] | undefined> {
  const known = evidence ? { ...conditions, evidence } : conditions
  if (problemsOf(bait, rig).length > 0) return []
  const now = outcomeOf(bait, rig, known)
  const all = whatElse(rig, conditions)
  const found: CoverChange[] = []
  for (const [i, what] of all.entries()) {
    tell(i / all.length)
    if (!(await pause())) return undefined
    const other = 'rig' in what ? { ...rig, ...what.rig } : rig
    if (problemsOf(bait, other).length > 0) continue
    const then = outcomeOf(bait, other, 'fishing' in what ? { ...known, ...what.fishing } : known)
    found.push({
      ...what,
      minutes: measureOf(
        then.minutesLeft - now.minutesLeft,
        then.minutes.map((x, m) => x - now.minutes[m]!),
      ),
      hookUp: measureOf(
        then.hooked - now.hooked,
        then.hookUp.map((x, m) => x - now.hookUp[m]!),
      ),
      fish: measureOf(
        (then.minutesLeft * then.hooked - now.minutesLeft * now.hooked) / 60,
        then.minutes.map((x, m) => (x * then.hookUp[m]! - now.minutes[m]! * now.hookUp[m]!) / 60),
      ),
    })
  }
  return found.sort((a, b) => b.fish.value - a.fish.value)
}
