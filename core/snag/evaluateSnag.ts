import { seededRandom, type Random } from '../numerics/random'
import { wilson } from '../numerics/statistics'
import { measure, type Measure } from '../outcome'
import { RATE_DOUBT, type Placed } from './cover'
import type { LipId, SnagRig } from './lip'
import { drawMeeting, meet, resolve, type Chance, type Fate, type Meeting, type Ride } from './meet'

export type { Postures, Ride } from './meet'

/** A snag's or a hanging strand's share, by what was met and where it lodged. */
export interface SnagCause { readonly name: string, readonly lip: LipId | 'wedged', readonly perCast: number }

/** What an hour of fishing comes to. */
export interface FishingHour {
  readonly casts: number
  readonly minutes: { readonly snags: number, readonly weed: number, readonly fixing: number }
  readonly rigsLost: number
  readonly hooksOpened: number
}

export interface SnagResult {
  /** chance that a cast hangs up */ readonly snagPerCast: Measure
  /** the same for a metre of retrieve */ readonly snagPerM: Measure
  /** chance that a cast comes back with weed on the hook */ readonly weedPerCast: Measure
  /** minutes of an hour left for fishing once snags, weed and re-skinning are paid for */ readonly minutesLeft: Measure
  readonly hour: FishingHour
  /** casts from one time a hidden point is laid back to the next; undefined for an open one */ readonly castsPerFix?: number
  /** casts fished with a point that has worked out unseen, as a fraction; undefined for an open one */ readonly wornFraction?: number
  readonly causes: readonly SnagCause[]
  readonly draws: number
}

/** Metres of a cast spent near cover. */
export const CAST_M = 15

/** Draws for each kind of obstacle. */
export const DRAWS = 4000

/** What things cost in minutes. *Assumed*: a rig is freed in two and a half, tied anew in five; weed is picked off in half a minute, a point laid back in a sixth. */
const COST_MIN = { freed: 2.5, opened: 4, lost: 5, weed: 0.5, fix: 0.17 } as const

/** A cast rubs a hidden point about as much as so many meetings. *Assumed.* */
const RUBS_PER_CAST = 1

/** Bins of size met, from half a millimetre to half a metre, even in the logarithm. */
export const SIZE_BINS = 24
const LEAST_SIZE_M = 0.0005
const MOST_SIZE_M = 0.5
export const binOf = (sizeM: number): number => Math.max(0, Math.min(SIZE_BINS - 1, Math.floor(SIZE_BINS * Math.log(sizeM / LEAST_SIZE_M) / Math.log(MOST_SIZE_M / LEAST_SIZE_M))))
export const binEdgeM = (bin: number): number => LEAST_SIZE_M * (MOST_SIZE_M / LEAST_SIZE_M) ** (bin / SIZE_BINS)

/** Weights of meetings that ended so, and their squares. */
type Count = Record<Fate, { sum: number, squares: number }>
const noCount = (): Count => ({ past: { sum: 0, squares: 0 }, weed: { sum: 0, squares: 0 }, freed: { sum: 0, squares: 0 }, opened: { sum: 0, squares: 0 }, lost: { sum: 0, squares: 0 } })

/** What was counted of one rig in one state: its point as it was laid, or worked out. */
interface Counted {
  readonly rig: SnagRig
  readonly counts: readonly Count[]
  readonly lodged: readonly Map<LipId | 'wedged', number>[]
  readonly sizes: readonly Float64Array[]
}

/** Casts from one look at the point to the next, when nothing is said. *Assumed*: people look every few casts in cover. */
export const LOOKS_EVERY = 4
/** Taking a look, minutes. *Assumed.* */
const LOOK_MIN = 0.03

/** How a hidden point fares between looks. */
export interface Wear {
  /** casts fished with a point that has worked out, as a fraction */ readonly worn: number
  /** times it is laid back, per cast */ readonly laidBack: number
}

/**
 * A hidden point works out at random, unseen, after 1/hazard casts on average, and is laid back at the next look, or where it catches
 * something before that: a hook that is cleared is looked at. Cast by cast over one stretch from look to look.
 * @param revealed chance that a cast with a worn point catches something
 */
export function wearBetweenLooks(hazardPerCast: number, looksEvery: number, revealed: number): Wear {
  const worksOut = 1 - Math.exp(-hazardPerCast)
  // part of a cast that is fished worn where the cast began covered
  const within = hazardPerCast > 1e-6 ? 1 - worksOut / hazardPerCast : hazardPerCast / 2
  const casts = Math.max(1, Math.round(looksEvery))
  let covered = 1
  let worn = 0
  let laidBack = 0
  for (let i = 0; i < casts; i++) {
    worn += covered * within + (1 - covered)
    const out = covered * worksOut
    const caught = revealed * (1 - covered + out)
    laidBack += caught
    covered = covered - out + caught
  }
  return { worn: worn / casts, laidBack: (laidBack + 1 - covered) / casts }
}

/** Draws made so far, which can be added to and read at any time. */
export interface SnagTally {
  /** draws so many meetings with each kind of obstacle */ readonly draw: (each: number) => void
  /** goes through meetings drawn beforehand, as many with each kind */ readonly go: (drawn: readonly (readonly Chance[])[]) => void
  readonly result: () => SnagResult
  /** meetings by kind of obstacle, bin of size and fate (past, weed, snag), SIZE_BINS × 3 each */ readonly sizes: () => readonly Float64Array[]
}

/** Meetings per metre with an obstacle, worked in a given way. */
export const rateOf = ({ perM, on }: Placed, { retrieve }: Ride): number => perM * (on === 'bottom' ? retrieve.bottom : retrieve.cover)

/** Starts a tally of meetings with everything in a place. */
export function snagTally(rig: SnagRig, obstacles: readonly Placed[], ride: Ride, random: Random): SnagTally {
  const states: Counted[] = [rig, ...(rig.wornPoints ? [{ ...rig, points: rig.wornPoints }] : [])].map(state => ({
    rig: state, counts: obstacles.map(noCount), lodged: obstacles.map(() => new Map<LipId | 'wedged', number>()), sizes: obstacles.map(() => new Float64Array(SIZE_BINS * 3)),
  }))
  const rubs = obstacles.map(() => 0)
  let draws = 0
  // a stream of chance for each kind of thing, so that pieces drawn one after the other come to what one draw comes to
  let streams: Random[] | undefined
  const streamOf = (k: number): Random => (streams ??= obstacles.map(() => seededRandom(Math.floor(random() * 2 ** 32))))[k]!

  function note(k: number, chance: Chance): void {
    const weight = chance.kind === 'rod' ? chance.weight : 1
    for (const [i, { rig: state, counts, lodged, sizes }] of states.entries()) {
      const { fate, lip, sizeM, rubbed } = resolve(state, obstacles[k]!, ride.postures, chance)
      const count = counts[k]![fate]
      count.sum += weight
      count.squares += weight * weight
      if (rubbed && i === 0) rubs[k]! += weight
      const kind = fate === 'past' ? 0 : fate === 'weed' ? 1 : 2
      sizes[k]![3 * binOf(sizeM) + kind]! += weight
      if (kind === 2 && lip) lodged[k]!.set(lip, (lodged[k]!.get(lip) ?? 0) + weight)
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

  /** Works out and looks, at a rate of wear against the usual. */
  function wear(factor = 1): Wear {
    if (states.length === 1 || draws === 0) return { worn: 0, laidBack: 0 }
    const perCast = (of: (k: number) => number): number => obstacles.reduce((sum, obstacle, k) => sum + rateOf(obstacle, ride) * CAST_M * of(k) / draws, 0)
    const hazard = factor * (ride.scale?.wear ?? 1) * (perCast(k => rubs[k]!) + RUBS_PER_CAST) / rig.rubs
    const catches = perCast(k => CATCHES.reduce((sum, fate) => sum + states[1]!.counts[k]![fate].sum, 0))
    return wearBetweenLooks(hazard, ride.looksEvery ?? LOOKS_EVERY, chance(catches))
  }

  /** Something counted in both states, mixed by the fraction of casts with a worn point. */
  const mixed = (worn: number, of: (state: Counted) => number): number => states.length === 1 ? of(states[0]!) : (1 - worn) * of(states[0]!) + worn * of(states[1]!)

  function rateWith(worn: number, fates: readonly Fate[]): readonly [number, number, number] {
    const rate: [number, number, number] = [0, 0, 0]
    obstacles.forEach((obstacle, k) => {
      const met = rateOf(obstacle, ride) * CAST_M
      const total = (what: 'sum' | 'squares'): number => fates.reduce((sum, fate) => sum + mixed(worn, ({ counts }) => counts[k]![fate][what]), 0)
      const [low, high] = weightedWilson(total('sum'), total('squares'), draws)
      for (const [i, share] of [total('sum') / draws, low, high].entries()) rate[i]! += met * share
    })
    return rate
  }

  function result(): SnagResult {
    const usual = wear()
    const [slow, fast] = [wear(1 / WEAR_DOUBT).worn, wear(WEAR_DOUBT).worn]
    const rate = (fates: readonly Fate[]): readonly [number, number, number] => {
      const middle = rateWith(usual.worn, fates)
      return [middle[0], Math.min(middle[1], rateWith(slow, fates)[1]), Math.max(middle[2], rateWith(fast, fates)[2])]
    }
    const per = (fate: Fate): number => obstacles.reduce((sum, obstacle, k) => sum + rateOf(obstacle, ride) * CAST_M * mixed(usual.worn, ({ counts }) => counts[k]![fate].sum) / draws, 0)
    const causes = obstacles.flatMap((obstacle, k) => {
      const lips = new Set(states.flatMap(({ lodged }) => [...lodged[k]!.keys()]))
      return [...lips].map((lip): SnagCause => ({
        name: obstacle.name, lip, perCast: chance(rateOf(obstacle, ride) * CAST_M * mixed(usual.worn, ({ lodged }) => lodged[k]!.get(lip) ?? 0) / draws),
      }))
    }).sort((a, b) => b.perCast - a.perCast)
    return summed(ride, {
      snag: rate(HOLDS), weed: rate(['weed']), freed: per('freed'), opened: per('opened'), lost: per('lost'), ...usual, hidden: states.length > 1, causes, draws,
    })
  }

  const sizes = (): readonly Float64Array[] => {
    const { worn } = wear()
    return obstacles.map((_, k) => Float64Array.from({ length: SIZE_BINS * 3 }, (__, bin) => mixed(worn, state => state.sizes[k]![bin]!)))
  }

  return { draw, go, result, sizes }
}

const HOLDS = ['freed', 'opened', 'lost'] as const
const CATCHES = ['weed', ...HOLDS] as const
/** Doubt in how fast a point works out, a factor either way. *Assumed.* */
const WEAR_DOUBT = 1.6

/** Wilson's interval for a weighted count: as of the unweighted count that is known as well (Kish's effective number). */
function weightedWilson(sum: number, squares: number, draws: number): readonly [number, number] {
  if (!(sum > 0)) return wilson(0, draws)
  const effective = sum * sum / squares
  return wilson(effective, Math.max(effective, effective * draws / sum))
}

/** Means of a cast, per fate, as they go into the hour. */
interface CastMeans {
  readonly snag: readonly [number, number, number]
  readonly weed: readonly [number, number, number]
  readonly freed: number
  readonly opened: number
  readonly lost: number
  readonly worn: number
  readonly laidBack: number
  readonly hidden: boolean
  readonly causes: readonly SnagCause[]
  readonly draws: number
}

function summed({ retrieve, looksEvery = LOOKS_EVERY }: Ride, { snag: snags, weed: weeds, freed, opened, lost, worn, laidBack, hidden, causes, draws }: CastMeans): SnagResult {
  const fixing = hidden ? LOOK_MIN / looksEvery + laidBack * COST_MIN.fix : 0
  const total = freed + opened + lost
  const perSnag = total > 0 ? (freed * COST_MIN.freed + opened * COST_MIN.opened + lost * COST_MIN.lost) / total : 0
  const castMin = (snag: number, weed: number): number => retrieve.castMin + perSnag * snag + COST_MIN.weed * weed + fixing
  const left = (snag: number, weed: number): number => (60 * retrieve.castMin) / castMin(snag, weed)
  const doubt = (list: readonly [number, number, number]): [number, number, number] => [list[0], list[1] / RATE_DOUBT, list[2] * RATE_DOUBT]
  const [snag, snagLow, snagHigh] = doubt(snags)
  const [weed, weedLow, weedHigh] = doubt(weeds)
  const weedChance = measure(chance(weed), chance(weedLow), chance(weedHigh))
  const casts = 60 / castMin(snag, weedChance.value)
  return {
    snagPerCast: measure(chance(snag), chance(snagLow), chance(snagHigh)),
    snagPerM: measure(chance(snag / CAST_M), chance(snagLow / CAST_M), chance(snagHigh / CAST_M)),
    weedPerCast: weedChance,
    minutesLeft: measure(left(snag, weedChance.value), left(snagHigh, weedChance.high), left(snagLow, weedChance.low)),
    hour: {
      casts, rigsLost: casts * lost, hooksOpened: casts * opened,
      minutes: { snags: casts * perSnag * snag, weed: casts * COST_MIN.weed * weedChance.value, fixing: casts * fixing },
    },
    ...(hidden ? { castsPerFix: 1 / laidBack, wornFraction: worn } : {}),
    causes,
    draws,
  }
}

const chance = (events: number): number => 1 - Math.exp(-events)

/**
 * Chance of a snag and what it costs, by seeded Monte Carlo: stems, blades and edges slide along the bait and pass under a point, hang on a step, or
 * ride over; heads wedge in gaps; what holds gives way in the thing, from the other side, in the hook or in the line.
 * @throws RangeError unless draws is at least 1
 */
export function evaluateSnag(rig: SnagRig, obstacles: readonly Placed[], ride: Ride, random: Random, draws = DRAWS): SnagResult {
  if (!(draws >= 1)) throw new RangeError('evaluateSnag: draws must be at least 1')
  const tally = snagTally(rig, obstacles, ride, random)
  tally.draw(draws)
  return tally.result()
}

/** Draws so many meetings with each kind of obstacle, for letting many rigs meet the very same. */
export function drawMeetings(obstacles: readonly Placed[], ride: Omit<Ride, 'postures'>, seed: number, each: number): Chance[][] {
  const random = seededRandom(seed)
  return obstacles.map(obstacle => Array.from({ length: each }, () => drawMeeting(obstacle, ride, random)))
}

const unused: Random = () => {
  throw new Error('snagOn: nothing is drawn')
}

/** What becomes of one rig at meetings drawn beforehand. */
export function snagOn(rig: SnagRig, obstacles: readonly Placed[], ride: Ride, drawn: readonly (readonly Chance[])[]): SnagResult {
  const tally = snagTally(rig, obstacles, ride, unused)
  tally.go(drawn)
  return tally.result()
}

/** One meeting on a cast: how far out, with what, and the seed of its draws. */
export interface CastMeeting { readonly atM: number, readonly obstacle: number, readonly seed: number }

/** What stands along one cast: Poisson along its metres, the same for every rig brought through it. */
export function castThrough(obstacles: readonly Placed[], ride: Ride, random: Random): CastMeeting[] {
  return obstacles.flatMap((obstacle, k) => {
    const meetings: CastMeeting[] = []
    const perM = rateOf(obstacle, ride)
    if (!(perM > 0)) return meetings
    for (let at = -Math.log(1 - random()) / perM; at < CAST_M; at += -Math.log(1 - random()) / perM) meetings.push({ atM: at, obstacle: k, seed: Math.floor(random() * 2 ** 31) })
    return meetings
  }).sort((a, b) => a.atM - b.atM)
}

/** What becomes of a rig at one meeting of a cast. */
export const meetOn = (rig: SnagRig, obstacles: readonly Placed[], ride: Ride, { obstacle, seed }: CastMeeting): Meeting => meet(rig, obstacles[obstacle]!, ride, seededRandom(seed))

/** What is uncertain about snags. */
export type SnagDoubtId = 'rate' | 'press' | 'free' | 'strength' | 'wear'

/** Doubt in medians that are not in the range of every figure, a factor either way. *Assumed.* */
const MEDIAN_DOUBT = 1.5

/**
 * How far each doubt moves the minutes left for fishing: the rate of meetings by its factor of 1.6, the press of what slides by, the pull that frees
 * the strength of things
 * and how fast a hidden point works out by 1.5, each on the same draws. Largest first.
 */
export function snagDoubts(rig: SnagRig, obstacles: readonly Placed[], ride: Ride, seed: number, draws = 1500): { readonly id: SnagDoubtId, readonly minutes: number }[] {
  const left = (scale: Ride['scale'], rate = 1): number =>
    evaluateSnag(rig, obstacles.map(o => ({ ...o, perM: o.perM * rate })), { ...ride, ...(scale ? { scale } : {}) }, seededRandom(seed), draws).minutesLeft.value
  const span = (at: (factor: number) => number, factor: number): number => Math.abs(at(factor) - at(1 / factor))
  return [
    { id: 'rate' as const, minutes: span(f => left(undefined, f), RATE_DOUBT) },
    ...(rig.wornPoints ? (['press', 'free', 'strength', 'wear'] as const) : (['press', 'free', 'strength'] as const)).map(id => ({ id, minutes: span(f => left({ [id]: f }), MEDIAN_DOUBT) })),
  ].sort((a, b) => b.minutes - a.minutes)
}
