import { normalBelow } from '../numerics/normal'
import {
  atBottom,
  CADENCES,
  FOLLOWED,
  FUZZ_M,
  GROWTH_M,
  LOOKS_M,
  PATIENCE,
  pullOutOf,
  workedS,
  zoneOf,
  type Day,
} from './day'
import { reachShare, unheardShare, type Thrown } from './aim'
import { wantedLengthM } from './fish'
import { RETRIEVES, type RetrieveId } from '../snag/retrieve'
import type { BaitSpec } from '../rig/spec'
import type { Line } from '../tackle/lines'
import type { FeedingId, MatchId } from '../strike/bite'
import { waterOf, type Water } from '../water/water'
import { drapeN, liftN } from './pull'

/** What is known of a rig when it is scored: quickly, or from the full evaluation. SI, rad. */
export interface Traits {
  readonly bait: BaitSpec
  readonly match: MatchId
  readonly massKg: number
  readonly sinkMS: number
  /** weight in water, N, and area it shows from the side, m² */ readonly wetN: number
  readonly sideM2: number
  readonly pitchRad: number
  /** highest part over the bottom at rest, m */ readonly standsM: number
  readonly hookUp: number
  readonly minutesLeft: number
  readonly openingN: number
  /** area that must go through a roof, m², and the bait's own mass where it goes through alone, kg */
  readonly frontM2: number
  readonly aloneKg?: number
  /** its cast, where the angler covers water or casts at one fish */ readonly thrown?: Thrown
}

/** Shares of an hour's fish that each thing leaves, 0..1; their product is the score. */
export const FACTOR_IDS = [
  'time',
  'hook',
  'landed',
  'zone',
  'follow',
  'look',
  'quiet',
  'intake',
  'match',
  'reach',
] as const
export type FactorId = (typeof FACTOR_IDS)[number]
export type Factors = Readonly<Record<FactorId, number>>

export const FACTOR_NAMES: Readonly<Record<FactorId, string>> = {
  time: 'fishing time left',
  hook: 'bites hooked',
  landed: 'brought out',
  zone: 'time among the fish',
  follow: 'fall they follow',
  look: 'posture and rest',
  quiet: 'quiet landing',
  intake: 'light to take in',
  match: 'like their food',
  reach: 'reached by the cast',
}
/** Which factors the model computes; the rest weigh computed figures by what fish are assumed to like. */
export const COMPUTED_FACTORS: ReadonlySet<FactorId> = new Set(['time', 'hook', 'zone', 'reach'])

/**
 * Share of takes that come on the fall, where fish feed over the bottom and on it; the rest come as the rig
 * is worked or lies. *Assumed.*
 */
const ON_THE_FALL = { over: 0.85, on: { active: 0.35, steady: 0.45, slow: 0.6 } } as const
/**
 * A midwater rig must be lifted again each time it has fallen through the zone: time of a lift, s. *Assumed.*
 */
const LIFT_S = 2.5
/** Share of the time that even a rig worked clear of the bottom is near it. *Assumed.* */
const TOUCHES = 0.3
/** Ways of working that hold a depth. */
const SWUM: ReadonlySet<RetrieveId> = new Set(['swim', 'slowRoll'])
/** Mass whose landing halves the bites in one metre of calm, clear water, kg. *Assumed.* */
const LOUD_KG = 0.028
/**
 * Mass that half of the fish fail to suck in, by how they take, and what slow fish manage of it, kg.
 * *Assumed*: a mouth gives what it sucks at one impulse, so that the heavier comes in the slower.
 */
const SUCKED_KG: Readonly<Record<FeedingId, number>> = { gulp: 0.2, grab: 0.08, nip: 0.03 }
const HALF_HEARTED = 0.4
/** Tolerance in length, a factor (one standard deviation), and what likeness of shape is worth. *Assumed.* */
const LENGTH_GSD = 1.45
const LIKENESS: Readonly<Record<MatchId, number>> = { close: 1, fair: 0.8, poor: 0.5 }

const bell = (ratio: number, gsd: number): number => Math.exp(-0.5 * (Math.log(ratio) / Math.log(gsd)) ** 2)

/** Pull that brings a fish out of a cover, a log-normal, N. */
export interface Pull {
  readonly medianN: number
  readonly gsd: number
}

/** What a day comes to for every rig alike, worked out once. */
export interface Scoring {
  readonly day: Day
  readonly water: Water
  readonly pull: Pull
  /** what firm things hold a line up with, N */ readonly drapeN: number
}

export const scoringOf = (day: Day): Scoring => ({
  day,
  water: waterOf(day.temperatureC, day.salinityGKg),
  pull: pullOutOf(day.cover, day.bottom),
  drapeN: drapeN(day),
})

/**
 * What fish are assumed to like, as factors on it: the speed they follow, how much level and rest count, the
 * mass whose splash costs half, the mass half of them fail to suck in, how much likeness counts.
 */
export interface Taste {
  readonly followed: number
  readonly patience: number
  readonly splash: number
  readonly suction: number
  readonly likeness: number
}
export const USUAL_TASTE: Taste = { followed: 1, patience: 1, splash: 1, suction: 1, likeness: 1 }
export const TASTES = Object.keys(USUAL_TASTE) as (keyof Taste)[]

/**
 * Scores a rig on a day: ten shares and their product. With one fish in sight time is the chance that the one
 * cast does not hang up, and quiet the chance that the fish does not hear it land.
 */
export function factorsOf(
  scoring: Scoring,
  t: Traits,
  retrieve: RetrieveId,
  line: Line,
  taste: Taste = USUAL_TASTE,
): Factors {
  const { day, pull } = scoring
  const seen = day.aim === 'sight' ? t.thrown : undefined
  return {
    time: seen ? 1 - seen.snagPerCast : t.minutesLeft / 60,
    hook: t.hookUp,
    landed: landedShare(pull, t.openingN, line),
    zone: inZone(scoring, t, retrieve, line),
    follow: followed(day, t.sinkMS / taste.followed),
    look: looked(day, t, taste.patience),
    quiet: seen ? unheardShare(seen, taste.splash) : quiet(day, t.massKg, taste.splash),
    intake: intakeShare(day, t.massKg, taste.suction),
    match:
      matchShare(day, t.bait, t.match) ** taste.likeness *
      (CADENCES[day.activity].find(([id]) => id === retrieve)?.[1] ?? 0.7),
    reach: t.thrown ? reachShare(day, t.thrown, retrieve) : 1,
  }
}

export const scoreOf = (f: Factors): number => FACTOR_IDS.reduce((product, id) => product * f[id], 1)

function followed(day: Day, sinkMS: number): number {
  const share = atBottom(day) ? ON_THE_FALL.on[day.activity] : ON_THE_FALL.over
  return 1 - share + share * bell(sinkMS / wantedSpeedMS(day), FOLLOWED[day.activity].gsd)
}

/** Sinking speed that most fish follow, m/s; the angler's own way moves it by two fifths. */
export const wantedSpeedMS = ({ activity, way }: Day): number =>
  FOLLOWED[activity].speedMS * (way?.fall === 'fast' ? 1.4 : way?.fall === 'slow' ? 1 / 1.4 : 1)

/**
 * Chance that line and hook bear the pull that brings a fish out of the cover; knots keep four fifths of a
 * line.
 */
export function landedShare({ medianN, gsd }: Pull, openingN: number, line: Line): number {
  return normalBelow(Math.log(Math.min(0.8 * line.strengthN, openingN) / medianN) / Math.log(gsd))
}

/**
 * Share of a cast's time that the rig is where the fish are: sinking there costs, being lifted away costs,
 * and so does falling through.
 */
function inZone(
  { day, water, drapeN: draped }: Scoring,
  { sinkMS, wetN, sideM2 }: Traits,
  retrieve: RetrieveId,
  line: Line,
): number {
  const { fromM, toM } = zoneOf(day)
  const work = workedS(retrieve)
  const down = work / (work + fromM / sinkMS)
  const stays = wetN / (wetN + liftN(day, sideM2, retrieve, line, water) + draped)
  if (atBottom(day)) return down * stays * Math.min(1, TOUCHES + (1 - TOUCHES) * RETRIEVES[retrieve].bottom)
  if (SWUM.has(retrieve)) return down * stays
  const through = (toM - fromM) / sinkMS
  return (down * stays * through) / (through + LIFT_S)
}

/**
 * Level counts in the fall with fish that look; at rest, what stands clear of the bottom is seen, and what
 * hangs far over it is not looked for.
 */
function looked(day: Day, { pitchRad, standsM }: Traits, patience: number): number {
  const [still, level] = [PATIENCE[day.activity].still, PATIENCE[day.activity].level].map(share =>
    Math.min(1, share * patience),
  ) as [number, number]
  const fall = 1 - level * (1 - Math.cos(pitchRad))
  if (!atBottom(day)) return fall
  const hidden = FUZZ_M[day.bottom] + (GROWTH_M[day.cover] ?? 0)
  const seen = (standsM / (standsM + hidden)) * Math.exp(-standsM / LOOKS_M[day.activity])
  return fall * (1 - still + still * seen)
}

/** A heavy splash in skinny, clear or dead calm water costs bites; depth, colour and ripple hide it. */
export function quiet({ depthM, clarity, activity }: Day, massKg: number, splash = 1): number {
  const heard =
    (massKg / (splash * LOUD_KG)) *
    (1 / Math.max(0.3, depthM)) ** 2 *
    (clarity === 'clear' ? 1 : clarity === 'stained' ? 0.7 : 0.4) *
    (activity === 'active' ? 0.6 : 1)
  return 1 / (1 + heard)
}

/** Share of the fish that manage to suck so much in, by how they take. */
export const intakeShare = ({ feeding, activity }: Day, massKg: number, suction = 1): number =>
  1 / (1 + massKg / (suction * SUCKED_KG[feeding] * (activity === 'slow' ? HALF_HEARTED : 1)))

/** Length against the food's, and likeness of shape. */
export function matchShare(day: Day, bait: BaitSpec, match: MatchId): number {
  const wanted = wantedLengthM(day.preyM, day.clarity, day.light, day.activity)
  return bell(bait.lengthM / wanted, LENGTH_GSD) * LIKENESS[match]
}
