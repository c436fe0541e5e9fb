import type { Wind } from '../cast/evaluateCast'
import { lineOf } from '../tackle/lines'
import { obstaclesOf, type BottomId, type CoverId } from '../snag/cover'
import { RETRIEVES, type RetrieveId } from '../snag/retrieve'
import type { FeedingId } from '../strike/bite'
import type { PointRest } from '../rig/spec'
import type { Stream } from '../water/stream'
import {
  fishOf,
  type Activity,
  type Clarity,
  type Light,
  type PreyId,
  type Species,
  type SpeciesId,
} from './fish'
import type { Conditions } from './conditions'
import type { Line } from '../tackle/lines'

/** What a rig is chosen for: the water, the fish, and the angler's own way. SI but for °C and g/kg. */
export interface Day {
  readonly depthM: number
  readonly temperatureC: number
  readonly salinityGKg: number
  readonly cover: CoverId
  readonly bottom: BottomId
  readonly stream?: Omit<Stream, 'depthM'>
  /** depths the fish feed between, from the surface, m; near the bottom when left out */ readonly zone?: {
    readonly fromM: number
    readonly toM: number
  }
  readonly clarity: Clarity
  readonly light: Light
  readonly species: SpeciesId
  /** the angler's own kind of fish, in place of that species */ readonly own?: Species
  readonly activity: Activity
  readonly feeding: FeedingId
  readonly prey: PreyId
  readonly preyM: number
  /** wind along the cast; still air when left out */ readonly wind?: Wind
  /** covering water, or one fish in sight; neither when left out */ readonly aim?: Aim
  /** how far off the fish in sight is, m */ readonly sightM?: number
  readonly way?: Way
}

/** What changes the weight of everything: covering water, or one fish that was seen. */
export type Aim = 'search' | 'sight'

/** The angler's own way where schools differ; each costs what `costOfWay` says. */
export interface Way {
  readonly point?: PointRest
  readonly peg?: 'pegged' | 'free'
  readonly heads?: 'open' | 'weedless'
  readonly fall?: 'fast' | 'slow'
  readonly hook?: 'big' | 'small'
  readonly work?: 'moving' | 'paused'
  /** custom alone: no figure depends on it */ readonly knot?: 'loop' | 'snug'
  /** no lead */ readonly unleaded?: boolean
}

/**
 * Falls that fish follow: median sinking speed, m/s, and how far from it they still do (a factor, one
 * standard deviation). *Assumed* from what anglers say of fish that are on, about, and off.
 */
export const FOLLOWED: Readonly<Record<Activity, { readonly speedMS: number; readonly gsd: number }>> = {
  active: { speedMS: 0.34, gsd: 2.5 },
  steady: { speedMS: 0.2, gsd: 2.5 },
  slow: { speedMS: 0.11, gsd: 2.6 },
}

/**
 * Share of its time at the bottom that a bait is left lying, and how much a level posture counts with fish
 * that look before they take. *Assumed.*
 */
export const PATIENCE: Readonly<Record<Activity, { readonly still: number; readonly level: number }>> = {
  active: { still: 0.15, level: 0 },
  steady: { still: 0.4, level: 0.1 },
  slow: { still: 0.8, level: 0.18 },
}

/** How far over the bottom fish that feed there look for food, m. *Assumed.* */
export const LOOKS_M: Readonly<Record<Activity, number>> = { active: 2, steady: 0.6, slow: 0.3 }

/** Speed through the water while a rig is moved, m/s. *Assumed*, from how each is fished. */
export const MOVED_MS: Readonly<Record<RetrieveId, number>> = {
  hop: 0.45,
  drag: 0.25,
  slowRoll: 0.5,
  shake: 0.12,
  swim: 0.65,
  snap: 0.7,
  fallInto: 0.25,
  punch: 0.2,
}

/** Ways of working that suit fish, the best first, and what each is worth against the best. *Assumed.* */
export const CADENCES: Readonly<Record<Activity, readonly (readonly [RetrieveId, number])[]>> = {
  active: [
    ['hop', 1],
    ['swim', 0.95],
    ['snap', 0.95],
    ['slowRoll', 0.9],
    ['drag', 0.75],
  ],
  steady: [
    ['hop', 1],
    ['drag', 0.95],
    ['slowRoll', 0.95],
    ['fallInto', 0.85],
    ['swim', 0.8],
  ],
  slow: [
    ['shake', 1],
    ['drag', 0.95],
    ['fallInto', 0.8],
    ['hop', 0.75],
    ['slowRoll', 0.7],
  ],
}

/** Things on a bottom that hide what lies on it, m: ooze, ripples, stones, shell. *Assumed.* */
export const FUZZ_M: Readonly<Record<BottomId, number>> = {
  mud: 0.04,
  sand: 0.004,
  gravel: 0.012,
  rock: 0.02,
  shell: 0.015,
}

/** Growth that stands up from the bottom in a cover and hides more of it, m. *Assumed.* */
export const GROWTH_M: Readonly<Partial<Record<CoverId, number>>> = { sparseWeed: 0.02, thickWeed: 0.06 }

/**
 * A layer that must be broken through to fish under it: thickness, and the pressure that tears it, Pa.
 * *Assumed*, so that from about 20 g of slim tungsten on go through, as people use.
 */
export const ROOFS: Readonly<
  Partial<Record<CoverId, { readonly thicknessM: number; readonly tearPa: number }>>
> = { mat: { thicknessM: 0.06, tearPa: 2.2e4 } }

/**
 * Pull of a fish in open water, N, and how much of the strength of things it runs into is added, a cast being
 * so many metres near them. *Assumed.*
 */
const FISH_N = 14
const TANGLED = 0.55
const PULL_GSD = 1.7

/** Median pull needed to bring a fish out of a cover, N: what it pulls, and a part of what holds it. */
export function pullOutOf(
  cover: CoverId,
  bottom: BottomId,
): { readonly medianN: number; readonly gsd: number } {
  const held = obstaclesOf(cover, bottom).reduce(
    (sum, o) => sum + (o.on === 'cover' ? o.perM * Math.min(150, o.strengthN) : 0),
    0,
  )
  return { medianN: FISH_N + TANGLED * held, gsd: PULL_GSD }
}

/** Tackle a rig is fished with. */
export interface Outfit {
  readonly line: Line
  readonly retrieve: RetrieveId
  readonly rod: NonNullable<Conditions['rod']>
  /** of a rod of the box; the usual of its power when left out */ readonly rodLengthM?: number
  readonly castKg?: readonly [number, number]
}

/** An outfit of the box: which rod and line of it, where it has any. */
export interface ChosenOutfit {
  readonly outfit: Outfit
  readonly rodId?: string
  readonly lineId?: string
}

/** How the fish of a day take, and with what jaws. */
export const bittenBy = (day: Day): Required<Pick<Conditions, 'feeding' | 'mouth'>> => ({
  feeding: day.feeding,
  mouth: fishOf(day).mouth,
})

/** A day and an outfit as every view evaluates them. */
export function conditionsFor(
  day: Day,
  { line, retrieve, rod, rodLengthM, castKg }: Outfit,
  match: Conditions['match'],
): Conditions {
  const { depthM, temperatureC, salinityGKg, cover, bottom, stream, wind, clarity } = day
  return {
    depthM,
    temperatureC,
    salinityGKg,
    cover,
    bottom,
    lineKind: line.kind,
    lineStrengthN: line.strengthN,
    retrieve,
    ...bittenBy(day),
    rod,
    clarity,
    ...(rodLengthM === undefined ? {} : { rodLengthM }),
    ...(castKg ? { castKg } : {}),
    ...(wind ? { wind } : {}),
    ...(match ? { match } : {}),
    ...(stream && stream.surfaceMS > 0 ? { stream } : {}),
  }
}

/** A kind of the list that feeds down to the bottom is sought there: in the last half metre or fifth of the water. */
const LEAST_SOUGHT_M = 0.5
const SOUGHT_SHARE = 0.2

/**
 * Depths the fish feed between, m: as they are given, else where fish of this kind are sought.
 */
export function zoneOf({ zone, depthM, species, own }: Day): {
  readonly fromM: number
  readonly toM: number
} {
  if (zone) return zone
  const [from, to] = fishOf({ species, ...(own ? { own } : {}) }).zone
  if (own || to < 1) return { fromM: from * depthM, toM: to * depthM }
  return { fromM: Math.max(0, depthM - Math.max(LEAST_SOUGHT_M, SOUGHT_SHARE * depthM)), toM: depthM }
}

/** The fish are at the bottom. */
export const atBottom = (day: Day): boolean => zoneOf(day).toM > day.depthM - 0.3

/** Seconds of a cast spent working a rig. */
export const workedS = (retrieve: RetrieveId): number => 60 * RETRIEVES[retrieve].castMin

/** A line of middling strength, for looking at a box without one. */
export const usualLine = (): Line => lineOf('braid', 67)
