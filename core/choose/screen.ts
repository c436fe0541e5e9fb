import { DRAG_SHARE } from '../fit/holdRules'
import { assembleRig, type AssembledRig } from '../rig/assemble'
import { FAMILIES } from '../rig/families'
import { problemsOf } from '../rig/problems'
import type { BaitSpec, FamilyId, PointRest, RigSpec } from '../rig/spec'
import { seededRandom } from '../numerics/random'
import { obstaclesOf, type Placed } from '../snag/cover'
import { snagOn } from '../snag/evaluateSnag'
import { drawMeeting, type Chance, type Ride } from '../snag/meet'
import { tiedTo, wedgeOf } from '../snag/catchSite'
import { RETRIEVES, type RetrieveId } from '../snag/retrieve'
import type { RodPower } from '../tackle/rods'
import { shareHooked } from '../strike/evaluateStrike'
import { drawFish } from '../strike/fish'
import type { RoughFall } from '../fall/trim'
import type { Line } from '../tackle/lines'
import { bittenBy, CADENCES, ROOFS, usualLine, type ChosenOutfit, type Day } from './day'
import { tackleOf } from './conditions'
import { USUAL_SEED } from './prepareRig'
import { matchOf } from './fish'
import type { Goods, Rigging } from './goods'
import { quickThrows } from './aim'
import { castable, limitOf, type Limit } from './limits'
import { misfit } from './misfit'
import {
  keep,
  layingKey,
  layOf,
  searchMemory,
  type Fitting,
  type Laid,
  type Met,
  type SearchMemory,
} from './memory'
import { between, nodesOf } from './nodes'
import { densityOf, fallAsOne, fallWithWeight, quickBody, type QuickFall } from './quick'
import {
  factorsOf,
  landedShare,
  matchShare,
  scoreOf,
  scoringOf,
  type Factors,
  type Pull,
  type Traits,
} from './score'

/** One bait rigged one way: its score, or what puts it out. */
export interface Candidate {
  readonly bait: number
  readonly rigging: number
  readonly weight: number
  readonly point: PointRest
  readonly score: number
  readonly limit?: Limit
  /** fits within the doubt of a rule only */ readonly near?: boolean
  readonly factors?: Factors
  readonly traits?: Traits
  /** line, rod and cadence of the box, once it was looked at closer */ readonly chosen?: ChosenOutfit
}

export interface Search {
  readonly day: Day
  readonly goods: Goods
  readonly riggings: readonly Rigging[]
  /** every so many-th bait alone, where several share the work */ readonly share?: Share
  /** what earlier searches worked out, kept by the caller */ readonly memory?: SearchMemory
}

/** One of several parts of a search: the baits whose number leaves `nth` when divided by `of`. */
export interface Share {
  readonly nth: number
  readonly of: number
}

/** Parts of one search put together in the order in which it would have found them. */
export const together = (parts: readonly (readonly Candidate[])[]): Candidate[] =>
  parts.flat().sort((a, b) => a.bait - b.bait)

/** Meetings and bites drawn for the quick look; the same for every rig. */
const SNAG_DRAWS = 64
const BITE_DRAWS = 80

export const rigOf = ({ base, weights }: Rigging, weight: number, pointRest: PointRest): RigSpec => {
  const { weightKg, weightMaterial } = weights[weight]!
  return { ...base, weightKg, weightMaterial, pointRest }
}

/** The way of working that everything is looked at with: only one goes through a roof. */
export function lookedAtWith({ cover, activity, way }: Day): RetrieveId {
  if (ROOFS[cover]) return 'punch'
  const tight = (id: RetrieveId): boolean => RETRIEVES[id].tight >= 0.5
  const usual = CADENCES[activity].map(([id]) => id)
  return usual.find(id => way?.work === undefined || (way.work === 'moving') === tight(id)) ?? usual[0]!
}

/** Fish that must be brought out for a line to be strong enough. */
const STRONG_ENOUGH = 0.9

/**
 * The thinnest line that brings out nine fish in ten, of those whose drag the hook bears; else the strongest
 * it bears, or the weakest there is.
 */
export function lineFor(goods: Goods, pull: Pull, openingN: number): Line {
  const lines = goods.lines.map(l => l.line).sort((a, b) => a.strengthN - b.strengthN)
  const borne = lines.filter(line => openingN >= BEARS * DRAG_SHARE * line.strengthN)
  const enough = borne
    .filter(line => landedShare(pull, openingN, line) >= STRONG_ENOUGH)
    .sort((a, b) => a.diameterM - b.diameterM)
  return enough[0] ?? borne[borne.length - 1] ?? lines[0] ?? usualLine()
}

/** A wire passes its rule where it opens a third over the drag. */
const BEARS = 1.35

/** Power of the stiffest rod that casts a mass; medium where the box names none. */
export function rodFor(goods: Goods, massKg: number): RodPower | undefined {
  if (goods.rods.length === 0) return 'medium'
  const order: readonly RodPower[] = ['heavy', 'mediumHeavy', 'medium', 'mediumLight', 'light']
  const able = goods.rods.filter(rod => castable(massKg, rod.castKg))
  return order.find(power => able.some(rod => rod.power === power))
}

/**
 * Looks through every bait on every rigging, by trim solver and few draws; the finalists are evaluated in
 * full elsewhere. Yields how many candidates have been looked at, bait by bait, so that progress can be shown
 * and the search called off.
 * @throws RangeError when a bait cannot be built
 */
export function* screen({
  day,
  goods,
  riggings,
  share,
  memory = searchMemory(),
}: Search): Generator<number, Candidate[]> {
  const found: Candidate[] = []
  const place = placeOf(day, goods)
  const alike = goods.baits.map(({ spec }) => matchShare(day, spec, matchOf(spec.form, day.prey)))
  const least = TOO_UNLIKE * Math.max(0, ...alike)
  for (const [bait, { spec }] of goods.baits.entries()) {
    if (share && bait % share.of !== share.nth) continue
    const look = alike[bait]! < least ? unlike(bait) : lookingAt(place, bait, spec, memory)
    for (const [rigging, way] of riggings.entries()) for (const seen of look(rigging, way)) found.push(seen)
    yield found.length
  }
  return found
}

/**
 * A bait whose likeness to the food is below this part of the best one's in the box is not looked at further.
 */
const TOO_UNLIKE = 0.3

const unlike =
  (bait: number) =>
  (rigging: number, way: Rigging): Candidate[] =>
    way.points.flatMap(point =>
      way.weights.map((_, weight) => ({
        bait,
        rigging,
        weight,
        point,
        score: 0,
        limit: { id: 'match' as const },
      })),
    )

/** While it is put together, field by field: thousands of them are. */
type Mutable<T> = { -readonly [K in keyof T]: T[K] }

/** So many meetings with each kind of thing, from one stream of chance. */
function inTurn(obstacles: readonly Placed[], ride: Omit<Ride, 'postures'>, each: number): Chance[][] {
  const random = seededRandom(USUAL_SEED)
  return obstacles.map(obstacle => Array.from({ length: each }, () => drawMeeting(obstacle, ride, random)))
}

/**
 * What is the same for every rig of a search: the water, how it is fished, what is met, and which fish bite.
 */
function placeOf(day: Day, goods: Goods) {
  const retrieve = lookedAtWith(day)
  const obstacles = obstaclesOf(day.cover, day.bottom)
  const ride = { retrieve: RETRIEVES[retrieve], postures: { retrieveRollRad: [0], fallRollRad: [0] } }
  return {
    ...scoringOf(day),
    goods,
    retrieve,
    obstacles,
    ride,
    meetings: inTurn(obstacles, ride, SNAG_DRAWS),
    fish: drawFish(USUAL_SEED + 1, BITE_DRAWS),
    throws: quickThrows(day),
    /** all that meetings, and bites, follow from */
    key: JSON.stringify([day.cover, day.bottom, retrieve]),
    bitten: JSON.stringify([bittenBy(day), retrieve]),
  }
}

/** Everything of one bait; what several riggings share is worked out once. */
function lookingAt(place: ReturnType<typeof placeOf>, nth: number, bait: BaitSpec, memory: SearchMemory) {
  const { day, goods, retrieve, water } = place
  const { laid, bodies, met, hooked } = memory
  const ofBait = JSON.stringify(bait)
  const ofWater = `${ofBait} ${JSON.stringify(water)}`
  const near = new Map<FamilyId, RoughFall>()
  /** rigs that were just laid, for as long as this bait is looked at */
  const rigs = new Map<string, AssembledRig>()
  const rigFor = (spec: RigSpec): AssembledRig => keep(rigs, keyOf(spec), () => assembleRig(bait, spec))

  /** The rig that is laid for a point: where the weight hangs on its own a bare hook of the same gap. */
  function plainOf(way: Rigging, point: PointRest): RigSpec {
    const spec = rigOf(way, 0, point)
    return hangs(way) && point !== 'open' ? { ...spec, family: 'O2', weightKg: 0, peg: 'pegged' } : spec
  }

  /** A hook laid with one point. */
  function laying(way: Rigging, point: PointRest, plain: RigSpec): Laid | Limit {
    const [problem] = problemsOf(bait, rigOf(way, 0, point))
    if (problem) return { id: 'fit', problem }
    return keep(laid, layingKey(ofBait, plain), () => layOf(rigFor(plain), laid.size))
  }

  /** Falls of every weight, those between the nodes interpolated in the logarithm of the mass. */
  function falls(way: Rigging, plain: RigSpec): (QuickFall | undefined)[] {
    const {
      base: { family },
      weights,
    } = way
    if (hangs(way)) {
      const body = keep(bodies, ofWater + keyOf({ ...plain, pointRest: 'skin' }), () =>
        quickBody(rigFor(plain), water, near.get(family)),
      )
      return weights.map(({ weightKg, weightMaterial }) =>
        fallWithWeight(
          body,
          day.bottom,
          bait.lengthM,
          family,
          weightKg,
          densityOf(way.base, weightMaterial),
          water,
        ),
      )
    }
    const nodes = nodesOf(weights.length)
    const at = nodes.map(weight => {
      const spec = rigOf(way, weight, way.points[0]!)
      const body = keep(bodies, ofWater + keyOf(spec), () =>
        quickBody(rigFor(weight === 0 ? plain : spec), water, near.get(family)),
      )
      if (body.fall) near.set(family, body.fall)
      return fallAsOne(body, day.bottom)
    })
    return weights.map((w, i) =>
      between(
        nodes.map(k => weights[k]!.weightKg),
        at,
        w.weightKg,
        nodes.indexOf(i),
      ),
    )
  }

  return function (rigging: number, way: Rigging): Candidate[] {
    const out = (point: PointRest, limit: Limit): Candidate[] =>
      way.weights.map((_, weight) => ({ bait: nth, rigging, weight, point, score: 0, limit }))
    const unfit = misfit(bait, way)
    if (unfit) return way.points.flatMap(point => out(point, unfit))
    let all: (QuickFall | undefined)[] | undefined
    let never: Limit | undefined
    return way.points.flatMap(point => {
      if (never) return out(point, never)
      const plain = plainOf(way, point)
      const one = laying(way, point, plain)
      if ('id' in one) return out(point, one)
      if (one.failed) {
        const limit: Limit = { id: 'fit', rule: one.failed }
        if (WHATEVER_POINT.has(one.failed.id)) never = limit
        return out(point, limit)
      }
      all ??= falls(way, plain)
      return scored(rigging, way, point, one, all)
    })
  }

  /** What the meetings of this place come to for a rig on a line. */
  function meetings(way: Rigging, one: Fitting, line: Line): Met {
    const { family } = way.base
    const middle = way.weights[Math.floor(way.weights.length / 2)]!
    const shape = hangs(way) ? FAMILIES[family].hangs?.shape : undefined
    const densityKgM3 = densityOf(way.base, middle.weightMaterial)
    const apart = shape ? `${family} ${middle.weightKg} ${densityKgM3}` : ''
    return keep(met, `${one.nth} ${place.key} ${line.diameterM} ${line.strengthN} ${apart}`, () => {
      const catches = tiedTo(one.untied, line)
      const whole = shape
        ? {
            ...catches,
            apartM: FAMILIES[family].pegs ? FREE_APART_M : (FAMILIES[family].hangs?.leaderM ?? 0),
            heads: [wedgeOf({ shape, massKg: middle.weightKg, densityKgM3 })],
          }
        : catches
      const { minutesLeft, snagPerCast } = snagOn(whole, place.obstacles, place.ride, place.meetings)
      return { minutesLeft: minutesLeft.value, snagPerCast: snagPerCast.value }
    })
  }

  function scored(
    rigging: number,
    way: Rigging,
    point: PointRest,
    one: Fitting,
    all: readonly (QuickFall | undefined)[],
  ): Candidate[] {
    const { family } = way.base
    const match = matchOf(bait.form, day.prey, FAMILIES[family].trailer)
    const line = lineFor(goods, place.pull, one.openingN)
    const { minutesLeft, snagPerCast } = meetings(way, one, line)
    const ofBite = `${one.nth} ${place.bitten} ${JSON.stringify(line)} ${match} `
    /** by the rod it takes to cast them: most weights of a hook share one */
    const byRod = new Map<RodPower, number>()
    const hookedWith = (power: RodPower): number =>
      keep(byRod, power, () =>
        keep(hooked, ofBite + power, () =>
          shareHooked(
            one.strike,
            tackleOf({ ...bittenBy(day), rod: power, retrieve, match }, line),
            place.fish,
          ),
        ),
      )
    return way.weights.map(({ weightKg }, weight): Candidate => {
      const fall = all[weight]
      if (!fall) return { bait: nth, rigging, weight, point, score: 0, limit: { id: 'floats' } }
      const rod = rodFor(goods, fall.massKg)
      const limit: Limit | undefined =
        rod === undefined ? { id: 'cast', massKg: fall.massKg } : limitOf(day, fall, line, water)
      const hookUp = hookedWith(rod ?? 'medium')
      const { massKg, wetN, sinkMS, sideM2, frontM2, pitchRad, standsM, aloneKg } = fall
      const { openingN } = one
      const traits: Mutable<Traits> = {
        bait,
        match,
        massKg,
        wetN,
        sinkMS,
        sideM2,
        frontM2,
        pitchRad,
        standsM,
        hookUp,
        minutesLeft,
        openingN,
      }
      if (aloneKg !== undefined) traits.aloneKg = aloneKg
      if (day.aim) traits.thrown = { ...place.throws(fall.massKg, weightKg), snagPerCast }
      const factors = factorsOf(place, traits, retrieve, line)
      const score = limit ? 0 : scoreOf(factors)
      const seen: Mutable<Candidate> = { bait: nth, rigging, weight, point, score, factors, traits }
      if (limit) seen.limit = limit
      if (one.near) seen.near = true
      return seen
    })
  }
}

/** Rules that come out the same however the point rests. */
const WHATEVER_POINT: ReadonlySet<string> = new Set(['length', 'freeTail', 'clearance', 'keeper', 'inside'])

/** How far a free weight stands from the bait, m: as the snag model takes it. */
const FREE_APART_M = 0.5

/** The weight hangs on its own: the hook is laid as if there were none. */
const hangs = ({ base: { family, peg } }: Rigging): boolean =>
  FAMILIES[family].hangs !== undefined && (!FAMILIES[family].pegs || peg === 'free' || peg === 'half')

const keyOf = (spec: RigSpec): string => JSON.stringify(spec)
