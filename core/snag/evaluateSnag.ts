import { seededRandom, type Random } from '../numerics/random'
import { measure, type Measure } from '../outcome'
import { forgetful, type Recall } from '../numerics/recall'
import type { Draws } from '../uncertainty/draws'
import { measureOf } from '../uncertainty/members'
import type { Placed } from './cover'
import {
  CAST_M,
  chanceOf,
  hourOf,
  LOOKS_EVERY,
  RUBS_PER_CAST,
  wearBetweenLooks,
  type CastRates,
  type FishingHour,
  type Wear,
} from './hour'
import type { CatchSiteId, SnagRig } from './catchSite'
import {
  AS_MET,
  closeUp,
  drawMeeting,
  endOf,
  sizeOf,
  stanceTo,
  type Chance,
  type CloseUp,
  type Fate,
  type Ride,
} from './meet'
import { drawMeetings, meetingsKey, rateOf, snagMembers, streamsFor, type SnagMembers } from './snagMembers'

export type { Ride } from './meet'

/** A snag's or a hanging strand's share, by what was met and where it lodged. */
interface SnagCause {
  readonly name: string
  readonly site: CatchSiteId | 'wedged'
  readonly perCast: number
}

export interface SnagResult {
  /** chance that a cast hangs up */ readonly snagPerCast: Measure
  /** the same for a metre of retrieve */ readonly snagPerM: Measure
  /** chance that a cast comes back with weed on the hook */ readonly weedPerCast: Measure
  /** minutes of an hour left for fishing once snags, weed and re-skinning are paid for */
  readonly minutesLeft: Measure
  readonly hour: FishingHour
  /** what a cast comes to */ readonly rates: CastRates
  /** casts from one time a hidden point is laid back to the next; undefined for an open one */
  readonly castsPerFix?: number
  /** casts fished with a point that has worked out unseen, as a fraction; undefined for an open one */
  readonly wornFraction?: number
  readonly causes: readonly SnagCause[]
  readonly draws: number
  /** chance that a cast hangs up as the model has it by itself, where something was learned */
  readonly byModel?: number
  /** the same in every member of the ensemble; undefined where the figures stand alone */
  readonly members?: SnagMembers
}

/** Draws for each kind of obstacle. */
export const DRAWS = 4000

/** Bins of size met, from half a millimetre to half a metre, even in the logarithm. */
export const SIZE_BINS = 24
const LEAST_SIZE_M = 0.0005
const MOST_SIZE_M = 0.5
const BINS_PER_LOG = SIZE_BINS / Math.log(MOST_SIZE_M / LEAST_SIZE_M)
const binOf = (sizeM: number): number =>
  Math.max(0, Math.min(SIZE_BINS - 1, Math.floor(BINS_PER_LOG * Math.log(sizeM / LEAST_SIZE_M))))
export const binEdgeM = (bin: number): number =>
  LEAST_SIZE_M * (MOST_SIZE_M / LEAST_SIZE_M) ** (bin / SIZE_BINS)

/** Weights of meetings that ended so. */
type Count = Record<Fate, number>
const noCount = (): Count => ({ past: 0, weed: 0, freed: 0, opened: 0, lost: 0 })

/** What was counted of one rig in one state: its point as it was laid, or worked out. */
interface Counted {
  readonly rig: SnagRig
  readonly counts: readonly Count[]
  readonly lodged: readonly Map<CatchSiteId | 'wedged', number>[]
  readonly sizes: readonly Float64Array[]
}

/** Draws made so far, which can be added to and read at any time. */
export interface SnagTally {
  /** draws so many meetings with each kind of obstacle */ readonly draw: (each: number) => void
  /** goes through meetings drawn beforehand, as many with each kind */ readonly go: (
    drawn: readonly (readonly Chance[])[],
  ) => void
  /** @param among the members that give the figures their range */ readonly result: (
    among?: Draws,
  ) => SnagResult
  /** meetings by kind of obstacle, bin of size and fate (past, weed, snag), SIZE_BINS × 3 each */
  readonly sizes: () => readonly Float64Array[]
}

/** Starts a tally of meetings with everything in a place. */
export function snagTally(
  rig: SnagRig,
  obstacles: readonly Placed[],
  ride: Ride,
  random: Random,
  recall: Recall = forgetful,
): SnagTally {
  const states: Counted[] = [rig, ...(rig.wornPoints ? [{ ...rig, points: rig.wornPoints }] : [])].map(
    state => ({
      rig: state,
      counts: obstacles.map(noCount),
      lodged: obstacles.map(() => new Map<CatchSiteId | 'wedged', number>()),
      sizes: obstacles.map(() => new Float64Array(SIZE_BINS * 3)),
    }),
  )
  const rubs = obstacles.map(() => 0)
  let draws = 0
  let streams: Random[] | undefined
  const streamOf = (k: number): Random => (streams ??= streamsFor(obstacles.length, random))[k]!

  function note(k: number, chance: Chance): void {
    const weight = chance.kind === 'rod' ? chance.weight : 1
    const bin = 3 * binOf(sizeOf(chance))
    for (let i = 0; i < states.length; i++) {
      const { rig: state, counts, lodged, sizes } = states[i]!
      const stance = stanceTo(state, obstacles[k]!, ride.postures, chance)
      const { fate, site } = endOf(state, obstacles[k]!, chance, stance, AS_MET)
      counts[k]![fate] += weight
      if (stance.rubbed && i === 0) rubs[k]! += weight
      const kind = fate === 'past' ? 0 : fate === 'weed' ? 1 : 2
      sizes[k]![bin + kind]! += weight
      if (kind === 2 && site) lodged[k]!.set(site, (lodged[k]!.get(site) ?? 0) + weight)
    }
  }

  function draw(each: number): void {
    obstacles.forEach((obstacle, k) => {
      const stream = streamOf(k)
      for (let i = 0; i < each; i++) note(k, drawMeeting(obstacle, ride, stream))
    })
    draws += each
  }

  function go(drawn: readonly (readonly Chance[])[]): void {
    drawn.forEach((chances, k) => chances.forEach(chance => note(k, chance)))
    draws += drawn[0]?.length ?? 0
  }

  /** Works out and looks. */
  function wear(): Wear {
    if (states.length === 1 || draws === 0) return { worn: 0, laidBack: 0 }
    const perCast = (of: (k: number) => number): number =>
      obstacles.reduce((sum, obstacle, k) => sum + (rateOf(obstacle, ride) * CAST_M * of(k)) / draws, 0)
    const hazard = (perCast(k => rubs[k]!) + RUBS_PER_CAST) * rig.wornPerRub
    const catches = perCast(k => CATCHES.reduce((sum, fate) => sum + states[1]!.counts[k]![fate], 0))
    return wearBetweenLooks(hazard, ride.looksEvery ?? LOOKS_EVERY, chanceOf(catches))
  }

  /** Something counted in both states, mixed by the fraction of casts with a worn point. */
  const mixed = (worn: number, of: (state: Counted) => number): number =>
    states.length === 1 ? of(states[0]!) : (1 - worn) * of(states[0]!) + worn * of(states[1]!)

  function result(among?: Draws): SnagResult {
    const usual = wear()
    const per = (fate: Fate): number =>
      obstacles.reduce(
        (sum, obstacle, k) =>
          sum +
          (rateOf(obstacle, ride) * CAST_M * mixed(usual.worn, ({ counts }) => counts[k]![fate])) / draws,
        0,
      )
    const counted = {
      weed: per('weed'),
      freed: per('freed'),
      opened: per('opened'),
      lost: per('lost'),
      ...usual,
    }
    const hidden = states.length > 1
    const members = among && snagMembers(rig, obstacles, ride, counted, among, undefined, recall)
    const rates = members?.centre ?? counted
    const snags = snagsOf(rates)
    const more = snags / Math.max(1e-12, snagsOf(counted))
    const causes = obstacles
      .flatMap((obstacle, k) => {
        const sites = new Set(states.flatMap(({ lodged }) => [...lodged[k]!.keys()]))
        return [...sites].map((site): SnagCause => ({
          name: obstacle.name,
          site,
          perCast: chanceOf(
            (more *
              rateOf(obstacle, ride) *
              CAST_M *
              mixed(usual.worn, ({ lodged }) => lodged[k]!.get(site) ?? 0)) /
              draws,
          ),
        }))
      })
      .sort((a, b) => b.perCast - a.perCast)
    const { minutesLeft, ...hour } = hourOf(ride, rates, hidden)
    const of = (value: number, list: Float64Array | undefined): Measure =>
      list ? measureOf(value, list, rates === counted ? 'computed' : 'logged') : measure(value, value, value)
    return {
      snagPerCast: of(chanceOf(snags), members?.snagPerCast),
      snagPerM: of(
        chanceOf(snags / CAST_M),
        members?.snagPerCast.map(c => chanceOf(-Math.log(1 - Math.min(1 - 1e-9, c)) / CAST_M)),
      ),
      weedPerCast: of(chanceOf(rates.weed), members?.weedPerCast),
      minutesLeft: of(minutesLeft, members?.minutesLeft),
      hour,
      rates,
      ...(hidden ? { castsPerFix: 1 / rates.laidBack, wornFraction: rates.worn } : {}),
      causes,
      draws,
      ...(rates === counted ? {} : { byModel: chanceOf(snagsOf(counted)) }),
      ...(members ? { members } : {}),
    }
  }

  const sizes = (): readonly Float64Array[] => {
    const { worn } = wear()
    return obstacles.map((_, k) =>
      Float64Array.from({ length: SIZE_BINS * 3 }, (__, bin) => mixed(worn, state => state.sizes[k]![bin]!)),
    )
  }

  return { draw, go, result, sizes }
}

/** Times a cast hangs up. */
const snagsOf = ({ freed, opened, lost }: CastRates): number => freed + opened + lost

const CATCHES = ['weed', 'freed', 'opened', 'lost'] as const

/**
 * Chance of a snag and what it costs, by seeded Monte Carlo: stems, blades and edges slide along the bait and
 * pass under a point, hang on a step, or ride over; heads wedge in gaps; what holds gives way in the thing,
 * from the other side, in the hook or in the line.
 * @param among the members that give it its range; without them the figures stand alone
 * @throws RangeError unless draws is at least 1
 */
export function evaluateSnag(
  rig: SnagRig,
  obstacles: readonly Placed[],
  ride: Ride,
  random: Random,
  draws = DRAWS,
  among?: Draws,
): SnagResult {
  if (!(draws >= 1)) throw new RangeError('evaluateSnag: draws must be at least 1')
  const tally = snagTally(rig, obstacles, ride, random)
  tally.draw(draws)
  return tally.result(among)
}

/**
 * The same on meetings that are drawn once and remembered, whatever rig meets them: to the last digit what
 * `evaluateSnag` finds with that seed.
 */
export function evaluateSnagOf(
  rig: SnagRig,
  obstacles: readonly Placed[],
  ride: Ride,
  seed: number,
  among: Draws,
  recall: Recall,
): SnagResult {
  return drawnTally(rig, obstacles, ride, seed, DRAWS, recall).result(among)
}

/** The same at the middle of everything, without its range, on so many meetings with each kind of obstacle. */
export const snagAtCentre = (
  rig: SnagRig,
  obstacles: readonly Placed[],
  ride: Ride,
  seed: number,
  draws: number,
  recall: Recall,
): SnagResult => drawnTally(rig, obstacles, ride, seed, draws, recall).result()

function drawnTally(
  rig: SnagRig,
  obstacles: readonly Placed[],
  ride: Ride,
  seed: number,
  draws: number,
  recall: Recall,
): SnagTally {
  const tally = snagTally(rig, obstacles, ride, unused, recall)
  tally.go(
    recall(meetingsKey(obstacles, ride, seed, draws), () => drawMeetings(obstacles, ride, seed, draws)),
  )
  return tally
}

const unused: Random = () => {
  throw new Error('snagOn: nothing is drawn')
}

/** What becomes of one rig at meetings drawn beforehand. */
export function snagOn(
  rig: SnagRig,
  obstacles: readonly Placed[],
  ride: Ride,
  drawn: readonly (readonly Chance[])[],
): SnagResult {
  const tally = snagTally(rig, obstacles, ride, unused)
  tally.go(drawn)
  return tally.result()
}

/** One meeting on a cast: how far out, with what, and the seed of its draws. */
export interface CastMeeting {
  readonly atM: number
  readonly obstacle: number
  readonly seed: number
}

/** What stands along one cast: Poisson along its metres, the same for every rig brought through it. */
export function castThrough(obstacles: readonly Placed[], ride: Ride, random: Random): CastMeeting[] {
  return obstacles
    .flatMap((obstacle, k) => {
      const meetings: CastMeeting[] = []
      const perM = rateOf(obstacle, ride)
      if (!(perM > 0)) return meetings
      for (let at = -Math.log(1 - random()) / perM; at < CAST_M; at += -Math.log(1 - random()) / perM)
        meetings.push({ atM: at, obstacle: k, seed: Math.floor(random() * 2 ** 31) })
      return meetings
    })
    .sort((a, b) => a.atM - b.atM)
}

/** What becomes of a rig at one meeting of a cast. */
export const meetOn = (
  rig: SnagRig,
  obstacles: readonly Placed[],
  ride: Ride,
  { obstacle, seed }: CastMeeting,
): CloseUp => closeUp(rig, obstacles[obstacle]!, ride, seededRandom(seed))
