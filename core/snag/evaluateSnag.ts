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
  /** casts until a hidden point has worked out and must be laid back; undefined for an open one */ readonly castsPerFix?: number
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

type Count = Record<Fate, number>

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
  const counts = obstacles.map((): Count => ({ past: 0, weed: 0, freed: 0, opened: 0, lost: 0 }))
  const lodged = obstacles.map(() => new Map<LipId | 'wedged', number>())
  const sizes = obstacles.map(() => new Float64Array(SIZE_BINS * 3))
  const rubs = obstacles.map(() => 0)
  let draws = 0
  // a stream of chance for each kind of thing, so that pieces drawn one after the other come to what one draw comes to
  let streams: Random[] | undefined
  const streamOf = (k: number): Random => (streams ??= obstacles.map(() => seededRandom(Math.floor(random() * 2 ** 32))))[k]!

  function note(k: number, { fate, lip, sizeM, rubbed }: Meeting): void {
    counts[k]![fate]++
    if (rubbed) rubs[k]!++
    const kind = fate === 'past' ? 0 : fate === 'weed' ? 1 : 2
    sizes[k]![3 * binOf(sizeM) + kind]!++
    if (kind === 2 && lip) lodged[k]!.set(lip, (lodged[k]!.get(lip) ?? 0) + 1)
  }

  function draw(each: number): void {
    obstacles.forEach((obstacle, k) => {
      const stream = streamOf(k)
      for (let i = 0; i < each; i++) note(k, meet(rig, obstacle, ride, stream))
    })
    draws += each
  }

  function go(drawn: readonly (readonly Chance[])[]): void {
    drawn.forEach((chances, k) => chances.forEach(chance => note(k, resolve(rig, obstacles[k]!, ride.postures, chance))))
    draws += drawn[0]?.length ?? 0
  }

  function result(): SnagResult {
    const rate = { snag: [0, 0, 0], weed: [0, 0, 0] }
    const mean = { freed: 0, opened: 0, lost: 0, rubs: 0 }
    const causes: SnagCause[] = []
    obstacles.forEach((obstacle, k) => {
      const count = counts[k]!
      const met = rateOf(obstacle, ride) * CAST_M
      const add = (into: number[], n: number): void => {
        const [low, high] = wilson(n, draws)
        for (const [i, share] of [n / draws, low, high].entries()) into[i]! += met * share
      }
      add(rate.snag, count.freed + count.opened + count.lost)
      add(rate.weed, count.weed)
      for (const fate of ['freed', 'opened', 'lost'] as const) mean[fate] += met * count[fate] / draws
      mean.rubs += met * rubs[k]! / draws
      for (const [lip, n] of lodged[k]!) causes.push({ name: obstacle.name, lip, perCast: chance(met * n / draws) })
    })
    return summed(rig, ride, rate, mean, causes.sort((a, b) => b.perCast - a.perCast), draws)
  }

  return { draw, go, result, sizes: () => sizes }
}

function summed(rig: SnagRig, { retrieve }: Ride, rate: { readonly snag: number[], readonly weed: number[] }, mean: Record<'freed' | 'opened' | 'lost' | 'rubs', number>, causes: readonly SnagCause[], draws: number): SnagResult {
  const castsPerFix = rig.rubs / (mean.rubs + RUBS_PER_CAST)
  const fixing = COST_MIN.fix / castsPerFix
  const total = mean.freed + mean.opened + mean.lost
  const perSnag = total > 0 ? (mean.freed * COST_MIN.freed + mean.opened * COST_MIN.opened + mean.lost * COST_MIN.lost) / total : 0
  const castMin = (snag: number, weed: number): number => retrieve.castMin + perSnag * snag + COST_MIN.weed * weed + fixing
  const left = (snag: number, weed: number): number => (60 * retrieve.castMin) / castMin(snag, weed)
  const doubt = (list: readonly number[]): [number, number, number] => [list[0]!, list[1]! / RATE_DOUBT, list[2]! * RATE_DOUBT]
  const [snag, snagLow, snagHigh] = doubt(rate.snag)
  const [weed, weedLow, weedHigh] = doubt(rate.weed)
  const weedChance = measure(chance(weed), chance(weedLow), chance(weedHigh))
  const casts = 60 / castMin(snag, weedChance.value)
  return {
    snagPerCast: measure(chance(snag), chance(snagLow), chance(snagHigh)),
    snagPerM: measure(chance(snag / CAST_M), chance(snagLow / CAST_M), chance(snagHigh / CAST_M)),
    weedPerCast: weedChance,
    minutesLeft: measure(left(snag, weedChance.value), left(snagHigh, weedChance.high), left(snagLow, weedChance.low)),
    hour: {
      casts, rigsLost: casts * mean.lost, hooksOpened: casts * mean.opened,
      minutes: { snags: casts * perSnag * snag, weed: casts * COST_MIN.weed * weedChance.value, fixing: casts * fixing },
    },
    ...(Number.isFinite(castsPerFix) ? { castsPerFix } : {}),
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
export type SnagDoubtId = 'rate' | 'press' | 'free' | 'strength'

/** Doubt in medians that are not in the range of every figure, a factor either way. *Assumed.* */
const MEDIAN_DOUBT = 1.5

/**
 * How far each doubt moves the minutes left for fishing: the rate of meetings by its factor of 1.6, the press of what slides by, the pull that frees
 * and the strength of things by 1.5, each on the same draws. Largest first.
 */
export function snagDoubts(rig: SnagRig, obstacles: readonly Placed[], ride: Ride, seed: number, draws = 1500): { readonly id: SnagDoubtId, readonly minutes: number }[] {
  const left = (scale: Ride['scale'], rate = 1): number =>
    evaluateSnag(rig, obstacles.map(o => ({ ...o, perM: o.perM * rate })), { ...ride, ...(scale ? { scale } : {}) }, seededRandom(seed), draws).minutesLeft.value
  const span = (at: (factor: number) => number, factor: number): number => Math.abs(at(factor) - at(1 / factor))
  return [
    { id: 'rate' as const, minutes: span(f => left(undefined, f), RATE_DOUBT) },
    ...(['press', 'free', 'strength'] as const).map(id => ({ id, minutes: span(f => left({ [id]: f }), MEDIAN_DOUBT) })),
  ].sort((a, b) => b.minutes - a.minutes)
}
