import type { RigSpec } from '../rig/spec'
import type { Day } from '../choose/day'
import type { Finalist } from '../choose/finish'
import { riggingsOf, type Goods, type Rigging } from '../choose/goods'
import { castable, limitOf } from '../choose/limits'
import { WORTH_A_LOOK, type OnTopPick } from '../choose/onTop'
import { keep } from '../choose/memory'
import { factorsOf, scoreOf, scoringOf } from '../choose/score'
import { lineFor, lookedAtWith, type Candidate } from '../choose/screen'
import type { Line } from '../tackle/lines'
import { RIPPLE_MS, type WeatherSource } from './weather'
import { turnsBetween, type TideSource, type Turn } from './tide'

/**
 * A stop of a trip: a spot's day at mean level, its part of the tide, and from when to when (ms since 1970).
 */
export interface Stop {
  readonly name: string
  readonly from: number
  readonly to: number
  readonly day: Day
  /** depth below chart datum counts where this is over 0 */ readonly tide: number
  readonly currentMS: number
}

/** The water of a stop at one time. */
export interface Moment {
  readonly at: number
  readonly stop: number
  readonly depthM: number
  /** positive on the flood */ readonly currentMS: number
  readonly windMS: number
  readonly heightM: number
  /** a splash is heard: shallow and still */ readonly quiet: boolean
}

/** A rod of the plan: what is tied on it, and which weights it changes through. */
export interface PlanRod {
  readonly letter: string
  readonly finalist: Finalist
  readonly stop: number
  readonly rodId?: string
  readonly weightsKg: readonly number[]
  /** share of the trip it is in hand */ readonly used: number
}

/** What is in hand at a moment. */
export interface InHand {
  readonly moment: number
  readonly rod: number
  readonly weightKg: number
  /** against the best rig of the box at this moment */ readonly share: number
}

/** Something to do at a time of the trip: go to a stop, take another rod, change the weight. */
export interface Change {
  readonly at: number
  readonly kind: 'rod' | 'weight' | 'stop'
  /** of the stop */ readonly name: string
  /** of the rod */ readonly letter: string
  readonly family: RigSpec['family']
  readonly weightKg: number
  /** than the weight before, where only that changes */ readonly heavier: boolean
  readonly depthM: number
  /** positive on the flood */ readonly currentMS: number
}

export interface TripPlan {
  readonly moments: readonly Moment[]
  readonly turns: readonly Turn[]
  readonly rods: readonly PlanRod[]
  readonly hand: readonly InHand[]
  readonly changes: readonly Change[]
  /** windows in which a splash is heard */ readonly quiet: readonly {
    readonly from: number
    readonly to: number
  }[]
  /** rods of the box that carry nothing: one is left free for what turns up */ readonly freeRodId?: string
  readonly riggings: readonly Rigging[]
  /** stops where nothing in the box can be fished, by name */ readonly without: readonly string[]
  /** what could be fished on the surface there instead, worth a look */ readonly onTop: readonly OnTopAt[]
}

/** A floating rig at a stop. */
interface OnTopAt {
  readonly stop: number
  readonly pick: OnTopPick
}

const STEP_MS = 30 * 60_000
/** Shallow enough for a splash to be heard, m. */
const HEARD_M = 1.5
const LETTERS = 'ABCDE'
/** Depth below which a tidal spot is dry, m. */
const LEAST_M = 0.2

/** The water of every half hour of a trip. */
export function momentsOf(stops: readonly Stop[], tide: TideSource, weather: WeatherSource): Moment[] {
  return stops.flatMap((stop, i) => {
    const found: Moment[] = []
    for (let at = stop.from; at < stop.to; at += STEP_MS) {
      const heightM = stop.tide * tide.heightM(at)
      const depthM = Math.max(LEAST_M, stop.day.depthM + heightM)
      const currentMS = stop.tide > 0 ? (stop.currentMS * tide.riseMS(at)) / tide.meanRiseMS : stop.currentMS
      const { windMS } = weather.at(at)
      found.push({
        at,
        stop: i,
        depthM,
        currentMS,
        windMS,
        heightM,
        quiet: depthM < HEARD_M && windMS < RIPPLE_MS,
      })
    }
    return found
  })
}

/** A stop's day as the water stands at a moment. */
export function dayAt({ day }: Stop, { depthM, currentMS }: Moment): Day {
  const { stream: _, zone, ...rest } = day
  const flow = Math.abs(currentMS)
  const down = zone
    ? {
        zone: {
          fromM: Math.max(0, depthM - (day.depthM - zone.fromM)),
          toM: Math.max(0.1, depthM - (day.depthM - zone.toM)),
        },
      }
    : {}
  return { ...rest, depthM, ...down, ...(flow > 0.03 ? { stream: { surfaceMS: flow, towardRad: 0 } } : {}) }
}

/** A candidate worth carrying: what is tied on, whatever its weight. */
interface Tied {
  readonly stop: number
  readonly bait: number
  readonly rigging: number
  readonly point: Candidate['point']
  readonly weights: readonly Candidate[]
}

/** The water of a trip, the usual day of each stop, and what there is to tie on: what a plan is looked for in. */
export function toLookThrough(
  stops: readonly Stop[],
  goods: Goods,
  tide: TideSource,
  weather: WeatherSource,
): {
  readonly moments: readonly Moment[]
  readonly days: readonly Day[]
  readonly riggings: readonly Rigging[]
} {
  const moments = momentsOf(stops, tide, weather)
  return {
    moments,
    days: stops.map((stop, i) =>
      typicalDay(
        stop,
        moments.filter(m => m.stop === i),
      ),
    ),
    riggings: riggingsOf(goods, stops[0]?.day.way),
  }
}

/** What a trip comes to before what is tied on its rods is evaluated in full. */
export interface TripLayout {
  readonly moments: readonly Moment[]
  /** the usual day of each stop */ readonly days: readonly Day[]
  readonly riggings: readonly Rigging[]
  /** what is tied on each rod, at which stop, and the day that it is evaluated for */
  readonly tied: readonly {
    readonly stop: number
    readonly day: Day
    readonly candidate: Candidate
    readonly used: number
  }[]
  readonly hand: readonly InHand[]
  /** the best that can be had at each stop, by the quick look; 0 where nothing can be fished */
  readonly best: readonly number[]
}

/**
 * Lays out a trip: the water of every half hour, rigs tied beforehand so that the fewest need tying anew, and weights
 * that follow the tide. Rods are chosen one after the other, each the one that adds most to the whole trip (greedy
 * cover, within 1 − 1/e of the best: Nemhauser et al. 1978).
 * @param looked what a search of the usual day of each stop found
 */
export function layOutTrip(
  stops: readonly Stop[],
  goods: Goods,
  tide: TideSource,
  weather: WeatherSource,
  rods: number,
  looked: readonly (readonly Candidate[])[],
): TripLayout {
  const { moments, days, riggings } = toLookThrough(stops, goods, tide, weather)
  const pools = looked.flatMap((candidates, stop) => tiedOf(stop, candidates))
  const { values, weights } = worthOf(stops, moments, pools, goods)
  const best = values.map(row => Math.max(0, ...row))
  const picked = greedy(values, best, pools, tiedAtMost(rods, goods.rods.length, stops.length))
  const { hand, used } = assign(values, best, picked, weights, moments, riggings)
  const tied = picked.map((k, n) => {
    const mine = hand.filter(h => h.rod === n)
    const candidate = mostUsed(mine.map(h => weights[h.moment]![k]!)) ?? pools[k]!.weights[0]!
    const middle = mine.find(h => weights[h.moment]![k] === candidate)
    const { stop } = pools[k]!
    const day = middle ? dayAt(stops[stop]!, moments[middle.moment]!) : stops[stop]!.day
    return { stop, day, candidate, used: used[n]! }
  })
  return {
    moments,
    days,
    riggings,
    tied,
    hand,
    best: stops.map((_, i) => Math.max(0, ...best.filter((__, k) => moments[k]!.stop === i))),
  }
}

/**
 * A trip from its layout: which rods carry what, and when to change.
 * @param finalists what is tied on each rod of the layout, in full; undefined where it cannot be fished after all
 * @param onTop the best that floats on the usual day of each stop, where anything does
 */
export function planOf(
  stops: readonly Stop[],
  goods: Goods,
  tide: TideSource,
  { moments, riggings, tied, hand, best }: TripLayout,
  finalists: readonly (Finalist | undefined)[],
  onTop: readonly (OnTopPick | undefined)[],
): TripPlan {
  const rods: PlanRod[] = []
  const left = [...goods.rods]
  const kept: number[] = []
  for (const [n, { stop, used }] of tied.entries()) {
    const finalist = finalists[n]
    if (!finalist) continue
    const rod =
      left.find(r => r.id === finalist.rodId) ?? left.find(r => castable(finalist.report.massKg, r.castKg))
    if (rod) left.splice(left.indexOf(rod), 1)
    const weights = [...new Set(hand.filter(h => h.rod === n).map(h => h.weightKg))].sort((a, b) => a - b)
    kept[n] = rods.length
    rods.push({
      letter: LETTERS[rods.length]!,
      finalist,
      stop,
      ...(rod ? { rodId: rod.id } : {}),
      weightsKg: weights.length > 0 ? weights : [finalist.rig.weightKg],
      used,
    })
  }
  const inHand = hand.flatMap((h): InHand[] =>
    kept[h.rod] === undefined ? [] : [{ ...h, rod: kept[h.rod]! }],
  )
  const from = Math.min(...stops.map(s => s.from))
  const to = Math.max(...stops.map(s => s.to))
  return {
    moments,
    turns: stops.some(s => s.tide > 0) ? turnsBetween(tide, from, to) : [],
    rods,
    hand: inHand,
    changes: changesOf(inHand, rods, moments, stops),
    quiet: windows(moments),
    ...(left[0] ? { freeRodId: left[0].id } : {}),
    riggings,
    without: stops.filter((_, i) => best[i] === 0).map(stop => stop.name),
    onTop: onTop.flatMap((pick, stop): OnTopAt[] =>
      pick && pick.score >= WORTH_A_LOOK * best[stop]! ? [{ stop, pick }] : [],
    ),
  }
}

/** What every rig is worth at every moment, and the weight that it is worth that with; rows are moments. */
function worthOf(
  stops: readonly Stop[],
  moments: readonly Moment[],
  pools: readonly Tied[],
  goods: Goods,
): { readonly values: readonly number[][]; readonly weights: readonly Candidate[][] } {
  const values: number[][] = []
  const weights: Candidate[][] = []
  for (const [m, moment] of moments.entries()) {
    const day = dayAt(stops[moment.stop]!, moment)
    const scoring = scoringOf(day)
    const retrieve = lookedAtWith(day)
    /** by what opens the hook: most weights of a hook share one */
    const lines = new Map<number, Line>()
    values[m] = pools.map(() => 0)
    weights[m] = []
    for (const [k, tied] of pools.entries()) {
      if (tied.stop !== moment.stop) continue
      for (const c of tied.weights) {
        const { openingN } = c.traits!
        const line = keep(lines, openingN, () => lineFor(goods, scoring.pull, openingN))
        if (limitOf(day, c.traits!, line, scoring.water)) continue
        const score = scoreOf(factorsOf(scoring, c.traits!, retrieve, line))
        if (score > values[m]![k]!) {
          values[m]![k] = score
          weights[m]![k] = c
        }
      }
    }
  }
  return { values, weights }
}

/** A stop's day in the middle of what its water does. */
function typicalDay(stop: Stop, moments: readonly Moment[]): Day {
  const order = [...moments].sort((a, b) => a.depthM - b.depthM)
  const middle = order[Math.floor(order.length / 2)]
  return middle ? dayAt(stop, { ...middle, currentMS: 0 }) : stop.day
}

/** Rigs worth carrying at a stop. */
const POOL = 60

/** Candidates gathered by what is tied on, with every weight that goes on it; the best of a stop. */
function tiedOf(stop: number, candidates: readonly Candidate[]): Tied[] {
  const gathered = new Map<string, Candidate[]>()
  for (const c of candidates) {
    if (!c.traits || c.near || (c.limit && c.limit.id !== 'current' && c.limit.id !== 'reach')) continue
    const key = `${c.bait} ${c.rigging} ${c.point}`
    const list = gathered.get(key) ?? []
    list.push(c)
    gathered.set(key, list)
  }
  const worth = (list: readonly Candidate[]): number =>
    Math.max(...list.map(c => (c.factors ? scoreOf(c.factors) : 0)))
  return [...gathered.values()]
    .sort((a, b) => worth(b) - worth(a))
    .slice(0, POOL)
    .map(weights => ({
      stop,
      bait: weights[0]!.bait,
      rigging: weights[0]!.rigging,
      point: weights[0]!.point,
      weights,
    }))
}

/**
 * One rod of the box is left free for what turns up, unless every stop would then not have one. A box that
 * names no rods sets no limit.
 */
const tiedAtMost = (asked: number, owned: number, stops: number): number =>
  owned === 0 ? asked : Math.min(asked, Math.max(stops, owned - 1))

/** A further rod must add this much to the trip, and the first of a stop always comes along. */
const WORTHWHILE = 0.02

function greedy(
  values: readonly (readonly number[])[],
  best: readonly number[],
  pools: readonly Tied[],
  most: number,
): number[] {
  const picked: number[] = []
  const covered = values.map(() => 0)
  const total = best.filter(b => b > 0).length
  while (picked.length < most) {
    let gain = 0
    let at = -1
    for (let k = 0; k < pools.length; k++) {
      const sum = values.reduce(
        (s, row, m) => s + (best[m]! > 0 ? Math.max(0, row[k]! / best[m]! - covered[m]!) : 0),
        0,
      )
      if (sum > gain + 1e-9) [gain, at] = [sum, k]
    }
    if (at < 0 || gain < WORTHWHILE * total) break
    picked.push(at)
    for (const [m, row] of values.entries())
      if (best[m]! > 0) covered[m] = Math.max(covered[m]!, row[at]! / best[m]!)
  }
  return picked
}

/** The rod in hand is kept until another is better by a twentieth. */
const KEPT_WITHIN = 1.05

function assign(
  values: readonly (readonly number[])[],
  best: readonly number[],
  picked: readonly number[],
  weights: readonly (readonly Candidate[])[],
  moments: readonly Moment[],
  riggings: readonly Rigging[],
): { readonly hand: InHand[]; readonly used: number[] } {
  const used = picked.map(() => 0)
  let before = -1
  const hand = moments.flatMap((_, m): InHand[] => {
    const scores = picked.map(k => values[m]![k]!)
    const top = scores.indexOf(Math.max(...scores))
    if (top < 0 || scores[top] === 0) return []
    const rod = before >= 0 && scores[before]! * KEPT_WITHIN >= scores[top]! ? before : top
    before = rod
    used[rod]! += 1 / moments.length
    const { rigging, weight } = weights[m]![picked[rod]!]!
    return [
      {
        moment: m,
        rod,
        weightKg: riggings[rigging]!.weights[weight]!.weightKg,
        share: scores[rod]! / best[m]!,
      },
    ]
  })
  return { hand, used }
}

function mostUsed(list: readonly Candidate[]): Candidate | undefined {
  const count = new Map<Candidate, number>()
  for (const c of list) count.set(c, (count.get(c) ?? 0) + 1)
  return [...count].sort((a, b) => b[1] - a[1])[0]?.[0]
}

function changesOf(
  hand: readonly InHand[],
  rods: readonly PlanRod[],
  moments: readonly Moment[],
  stops: readonly Stop[],
): Change[] {
  let last: InHand | undefined
  return hand.flatMap((h): Change[] => {
    const before = last
    last = h
    const { at, stop, depthM, currentMS } = moments[h.moment]!
    const rod = rods[h.rod]!
    const moved = !before || moments[before.moment]!.stop !== stop
    const kind = moved
      ? 'stop'
      : before.rod !== h.rod
        ? 'rod'
        : before.weightKg !== h.weightKg
          ? 'weight'
          : ''
    if (!kind) return []
    return [
      {
        at,
        kind,
        name: stops[stop]!.name,
        letter: rod.letter,
        family: rod.finalist.rig.family,
        weightKg: h.weightKg,
        heavier: h.weightKg > (before?.weightKg ?? 0),
        depthM,
        currentMS,
      },
    ]
  })
}

function windows(moments: readonly Moment[]): { from: number; to: number }[] {
  const found: { from: number; to: number }[] = []
  for (const { at, quiet } of moments) {
    if (!quiet) continue
    const last = found[found.length - 1]
    if (last && last.to === at) last.to = at + STEP_MS
    else found.push({ from: at, to: at + STEP_MS })
  }
  return found
}
