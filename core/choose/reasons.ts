import { toTheEnd } from '../numerics/toTheEnd'
import type { FamilyId, PointRest, RigSpec } from '../rig/spec'
import type { CoverId } from '../snag/cover'
import type { Aim, Day, Way } from './day'
import type { Finalist } from './finish'
import type { Goods, Rigging } from './goods'
import { limitOf, type Limit, type LimitId } from './limits'
import { betterThan, scoresAmong } from './odds'
import { factorsOf, FACTOR_IDS, scoreOf, scoringOf, type FactorId, type Factors, type Traits } from './score'
import { lineFor, lookedAtWith, screen, type Candidate } from './screen'
import type { SearchMemory } from './memory'

/** Figures by which rigs are told apart, from the full evaluation. SI; shares as in `Factors`. */
export interface PickFigures {
  readonly minutesLeft: number
  readonly snagPerCast: number
  readonly hookUp: number
  readonly landed: number
  readonly zone: number
  readonly speedMS: number
  readonly pitchRad: number
  readonly posture: Finalist['report']['fall']['rest']['posture']
  /** its highest part over the bottom, at rest */ readonly highestM: number
  readonly massKg: number
  readonly castM: number
  readonly noticedM: number
  readonly reach: number
}

/** Why a well-known rig is not among the picks. */
export type WhyNot = { readonly family: FamilyId } & (
  | { readonly why: 'limit'; readonly limit: Limit }
  /** no bait like the food fits it: what puts out the others, where there are any */
  | { readonly why: 'noBait'; readonly limit?: Limit }
  /** behind already where it was only looked through, most of all in this */
  | { readonly why: 'behind'; readonly by: FactorId }
  /** a little less of everything */
  | { readonly why: 'little'; readonly pBetter: number }
  | {
      readonly why: 'loses'
      readonly by: FactorId
      readonly own: PickFigures
      readonly best: PickFigures
    }
)
/** One thing that is otherwise on another day. */
export type DayChange =
  | { readonly id: 'active' | 'slow' | 'slackWater' | 'runsHarder' | 'openBeside' | 'twiceDeep' }
  | { readonly id: 'current'; readonly speedMS: number }
  | { readonly id: 'cover'; readonly cover: CoverId }

/** What would change the choice. */
export interface WhatIf {
  readonly change: DayChange
  readonly same: boolean
  readonly family: FamilyId
  readonly bait: number
  readonly weightKg: number
  /** part of the members in which it scores at least as well there as the first pick would */
  readonly pBetter: number
  /**
   * what the change gave it over the first pick; undefined where it is the same rig, or the first pick cannot
   * be fished then
   */
  readonly gain?: Gain
}
/**
 * A share in which one rig is ahead of another, and by what figures: minutes of the hour (time), m/s
 * (follow), kg (quiet, intake), else shares.
 */
export interface Gain {
  readonly by: FactorId
  readonly one: number
  readonly other: number
}
/** What an angler's own way costs: best score with it against the best of all. */
export interface WayCost {
  readonly school: keyof Way
  readonly choice: string
  readonly share: number
}

/** What is told of a finalist. */
export const figuresOf = ({
  report: { fall, snag, strike, massKg, cast },
  factors,
}: Finalist): PickFigures => ({
  minutesLeft: snag.minutesLeft.value,
  snagPerCast: snag.snagPerCast.value,
  hookUp: strike.hookUp.value,
  landed: factors.landed,
  zone: factors.zone,
  speedMS: fall.meanSpeedMS.value,
  pitchRad: fall.pitchRad.value,
  posture: fall.rest.posture,
  highestM: fall.rest.highestM,
  massKg,
  castM: cast.distanceM.value,
  noticedM: cast.splash.noticedM,
  reach: factors.reach,
})

/** What is told first, by what the angler is about. */
const TOLD_FIRST: Readonly<Record<Aim, readonly FactorId[]>> = {
  search: ['reach'],
  sight: ['quiet', 'time', 'reach'],
}

/**
 * What speaks for a rig: first what the angler is about, then what it gains most over the others; then what
 * is weak in it.
 */
export function reasonsFor(best: Finalist, others: readonly Finalist[], aim?: Aim): FactorId[] {
  const asked = aim ? TOLD_FIRST[aim] : []
  const middle = (id: FactorId): number =>
    Math.max(0.02, others.reduce((sum, o) => sum + o.factors[id], 0) / Math.max(1, others.length))
  // what is the same for all of them says nothing
  const telling = FACTOR_IDS.filter(id => !asked.includes(id)).filter(id =>
    [best, ...others].some(f => f.factors[id] !== 1),
  )
  const order = telling.sort((a, b) => best.factors[b] / middle(b) - best.factors[a] / middle(a))
  return [...asked, ...order.filter((id, i) => i < 3 || best.factors[id] < WEAK)]
}

/** A share below this is a weakness worth saying. */
const WEAK = 0.5

/**
 * Why a family is not picked: what put it out, or the figure in which it loses most. Undefined where the box
 * holds none of it.
 */
export function whyNots(
  families: readonly FamilyId[],
  best: Finalist,
  done: readonly Finalist[],
  candidates: readonly Candidate[],
  riggings: readonly Rigging[],
): WhyNot[] {
  const of = new Map(families.map(id => [id, [] as Candidate[]]))
  for (const c of candidates) of.get(riggings[c.rigging]!.base.family)?.push(c)
  return families.flatMap(id => (of.get(id)!.length > 0 ? whyNot(id, best, done, of.get(id)!) : []))
}

/** The same of one, of which there are candidates. */
function whyNot(
  family: FamilyId,
  best: Finalist,
  done: readonly Finalist[],
  own: readonly Candidate[],
): WhyNot {
  const finalist = done.filter(f => f.rig.family === family).sort((a, b) => b.score - a.score)[0]
  if (finalist?.limit) return { family, why: 'limit', limit: finalist.limit }
  if (!finalist) return { family, ...(behind(own, best) ?? barred(own)) }
  const ratio = (id: FactorId): number => finalist.factors[id] / best.factors[id]
  const by = [...FACTOR_IDS].sort((a, b) => ratio(a) - ratio(b))[0]!
  return ratio(by) > NO_LOSS
    ? { family, why: 'little', pBetter: betterThan(finalist.scores, best.scores) }
    : { family, why: 'loses', by, own: figuresOf(finalist), best: figuresOf(best) }
}

const NO_LOSS = 0.93

/**
 * Where a family that was only looked through is furthest behind, without figures, which are those of the
 * full evaluation alone.
 */
function behind(
  own: readonly Candidate[],
  best: Finalist,
): { readonly why: 'behind'; readonly by: FactorId } | undefined {
  const able = firstOfMost(own, c => (!c.limit && c.factors ? c.score : undefined))
  if (!able) return undefined
  const lag = (id: FactorId): number => able.factors![id] / best.factors[id]
  return { why: 'behind', by: [...FACTOR_IDS].sort((a, b) => lag(a) - lag(b))[0]! }
}

/** The first of those with the most of something, among those that have it. */
function firstOfMost(
  list: readonly Candidate[],
  of: (c: Candidate) => number | undefined,
): Candidate | undefined {
  let [found, most]: [Candidate | undefined, number] = [undefined, -Infinity]
  for (const c of list) {
    const has = of(c)
    if (has !== undefined && has > most) [found, most] = [c, has]
  }
  return found
}

type Barred =
  { readonly why: 'limit'; readonly limit: Limit } | { readonly why: 'noBait'; readonly limit?: Limit }

/** What puts out the candidate that would score best without it; a bad fit only where nothing fits. */
function barred(own: readonly Candidate[]): Barred {
  const fitting = firstOfMost(own, c => (c.limit && c.factors ? scoreOf(c.factors) : undefined))
  if (fitting?.limit) return { why: 'limit', limit: fitting.limit }
  const count = new Map<string, { readonly limit: Limit; times: number }>()
  for (const { limit } of own) {
    if (!limit || limit.id === 'match') continue
    const kind = limitKind(limit)
    const met = count.get(kind) ?? { limit, times: 0 }
    met.times++
    count.set(kind, met)
  }
  const [most] = [...count.values()].sort((a, b) => b.times - a.times)
  return { why: 'noBait', ...(most ? { limit: most.limit } : {}) }
}

/** Limits of one kind, whatever their figures. */
const limitKind = (limit: Limit): string =>
  [
    limit.id,
    'rule' in limit && limit.rule.id,
    'problem' in limit && limit.problem.code,
    'misfit' in limit && limit.misfit,
  ].join(' ')

/** Cover one step thicker, where there is one. */
const THICKER: Readonly<Partial<Record<CoverId, CoverId>>> = {
  open: 'sparseWeed',
  sparseWeed: 'thickWeed',
  thickWeed: 'mat',
  pads: 'mat',
}
/** A current in water that has none, m/s; and how many times more it may run. */
const A_CURRENT_MS = 0.5

interface OtherDay {
  readonly change: DayChange
  readonly day: Day
  /** the box must be looked through again */ readonly afresh?: true
}

/** Days that differ in one thing. */
function otherDays(day: Day): readonly OtherDay[] {
  const thicker = THICKER[day.cover]
  const turned = (['active', 'slow'] as const)
    .filter(activity => activity !== day.activity)
    .map((activity): OtherDay => ({ change: { id: activity }, day: { ...day, activity } }))
  const cover: OtherDay = thicker
    ? { change: { id: 'cover', cover: thicker }, day: { ...day, cover: thicker }, afresh: true }
    : { change: { id: 'openBeside' }, day: { ...day, cover: 'open' }, afresh: true }
  return [...turned, ...otherFlows(day), cover, { change: { id: 'twiceDeep' }, day: twiceDeep(day) }]
}

function otherFlows(day: Day): OtherDay[] {
  const { stream, ...still } = day
  const surfaceMS = stream?.surfaceMS ?? 0
  if (!stream || surfaceMS <= 0.05)
    return [
      {
        change: { id: 'current', speedMS: A_CURRENT_MS },
        day: { ...day, stream: { surfaceMS: A_CURRENT_MS, towardRad: 0 } },
      },
    ]
  return [
    { change: { id: 'slackWater' }, day: still },
    { change: { id: 'runsHarder' }, day: { ...day, stream: { ...stream, surfaceMS: 1.5 * surfaceMS } } },
  ]
}

/** Twice the depth; fish that keep to a part of the water stay as far over the bottom. */
const twiceDeep = (day: Day): Day => ({
  ...day,
  depthM: 2 * day.depthM,
  ...(day.zone ? { zone: { fromM: day.zone.fromM + day.depthM, toM: day.zone.toM + day.depthM } } : {}),
})

/** Baits that the choice is tried again with where the cover changes: those that scored best. */
const TRIED = 3

/**
 * The best candidate of each other day: by the traits already found, or looked through again with few baits
 * where the cover changes.
 */
export function whatIfs(
  day: Day,
  goods: Goods,
  riggings: readonly Rigging[],
  candidates: readonly Candidate[],
  best: Finalist,
  memory?: SearchMemory,
): WhatIf[] {
  const today = candidates.find(c => sameRig(c, best))
  return otherDays(day).flatMap(({ change, day: other, afresh }): WhatIf[] => {
    const there = afresh
      ? again(other, goods, riggings, candidates, best, memory)
      : rescored(other, goods, candidates)
    const found = there.sort((a, b) => b.score - a.score)[0]
    if (!found) return []
    const {
      base: { family },
      weights,
    } = riggings[found.rigging]!
    const weightKg = weights[found.weight]!.weightKg
    const same = family === best.rig.family && Math.abs(weightKg - best.rig.weightKg) < 1e-4
    const first = there.find(c => sameRig(c, best))
    const scoring = scoringOf(other)
    const scores = (c: Stood): Float64Array =>
      scoresAmong(scoring, c.traits, lookedAtWith(other), lineFor(goods, scoring.pull, c.traits.openingN))
    return [
      {
        change,
        same,
        family,
        bait: found.bait,
        weightKg,
        pBetter: same ? 1 : first ? betterThan(scores(found), scores(first)) : 1,
        ...(same || !first
          ? {}
          : {
              gain: gainOf(
                found,
                first,
                candidates.find(c => sameRig(c, found)),
                today,
              ),
            }),
      },
    ]
  })
}

/** A candidate that can be fished on the day that is asked about, with what it comes to then. */
type Stood = Candidate & { readonly traits: Traits; readonly factors: Factors }
const sameRig = (
  c: Candidate,
  {
    bait,
    rigging,
    weight,
    ...rest
  }: Pick<Candidate, 'bait' | 'rigging' | 'weight'> &
    ({ readonly point: PointRest } | { readonly rig: RigSpec }),
): boolean =>
  c.bait === bait &&
  c.rigging === rigging &&
  c.weight === weight &&
  c.point === ('rig' in rest ? rest.rig.pointRest : rest.point)

function rescored(day: Day, goods: Goods, candidates: readonly Candidate[]): Stood[] {
  const scoring = scoringOf(day)
  const retrieve = lookedAtWith(day)
  return candidates.flatMap((c): Stood[] => {
    if (!c.traits || c.near || (c.limit && !OF_DAY.has(c.limit.id))) return []
    const line = lineFor(goods, scoring.pull, c.traits.openingN)
    const factors = factorsOf(scoring, c.traits, retrieve, line)
    return limitOf(day, c.traits, line, scoring.water)
      ? []
      : [{ ...c, traits: c.traits, factors, score: scoreOf(factors) }]
  })
}

/** Limits that another day may lift. */
const OF_DAY: ReadonlySet<LimitId> = new Set(['reach', 'current', 'roof'])

function again(
  day: Day,
  goods: Goods,
  riggings: readonly Rigging[],
  candidates: readonly Candidate[],
  first: Finalist,
  memory: SearchMemory | undefined,
): Stood[] {
  const order = [...candidates].sort((a, b) => b.score - a.score).map(c => c.bait)
  const baits = [...new Set([first.bait, ...order])].slice(0, TRIED)
  const search = screen({
    day,
    goods: { ...goods, baits: baits.map(b => goods.baits[b]!) },
    riggings,
    ...(memory ? { memory } : {}),
  })
  return toTheEnd(search).flatMap((c): Stood[] =>
    c.limit || c.near || !c.traits || !c.factors
      ? []
      : [{ ...c, bait: baits[c.bait]!, traits: c.traits, factors: c.factors }],
  )
}

/** A share so much greater (its logarithm) is worth naming. */
const PLAINLY = 0.03

/**
 * What speaks for another rig on another day: of what it has over the first pick there, that which the change
 * gave it.
 */
function gainOf(
  found: Stood,
  first: Stood,
  foundToday: Candidate | undefined,
  firstToday: Candidate | undefined,
): Gain {
  const lead = (id: FactorId, one: Factors | undefined, other: Factors | undefined): number =>
    one && other ? Math.log(Math.max(1e-4, one[id]) / Math.max(1e-4, other[id])) : 0
  const gain = (id: FactorId): number =>
    lead(id, found.factors, first.factors) - Math.max(0, lead(id, foundToday?.factors, firstToday?.factors))
  const ahead = FACTOR_IDS.filter(one => lead(one, found.factors, first.factors) > PLAINLY)
  const [by] = (ahead.length > 0 ? ahead : FACTOR_IDS).toSorted((one, other) => gain(other) - gain(one)) as [
    FactorId,
  ]
  const figure = ({ traits, factors }: Stood): number =>
    (
      ({
        time: traits.minutesLeft,
        follow: traits.sinkMS,
        quiet: traits.massKg,
        intake: traits.massKg,
      }) as Partial<Record<FactorId, number>>
    )[by] ?? factors[by]
  return { by, one: figure(found), other: figure(first) }
}

/** What each school costs: the best score that keeps to it against the best of all, as looked through. */
export function costsOfWays(
  candidates: readonly Candidate[],
  riggings: readonly Rigging[],
  goods: Goods,
  day: Day,
): WayCost[] {
  const able = candidates.filter(c => !c.limit && !c.near)
  const best = (keep: (c: Candidate) => boolean): number =>
    able.reduce((most, c) => (c.score > most && keep(c) ? c.score : most), 0)
  const all = best(() => true)
  if (all === 0) return []
  const cost = (school: keyof Way, choice: string, keep: (c: Candidate) => boolean): WayCost => ({
    school,
    choice,
    share: best(keep) / all,
  })
  const rests: readonly PointRest[] = ['flush', 'skin', 'buried']
  const peg = (c: Candidate): string | undefined => riggings[c.rigging]!.base.peg
  const slow = median(candidates.flatMap(c => (!c.limit && c.traits ? [c.traits.sinkMS] : [])))
  return [
    cost('heads', 'open', c => c.point === 'open'),
    cost('heads', 'weedless', c => c.point !== 'open'),
    ...rests.map(point => cost('point', point, c => c.point === point)),
    cost('peg', 'pegged', c => peg(c) === 'pegged'),
    cost('peg', 'free', c => peg(c) === 'free'),
    cost('fall', 'fast', c => c.traits!.sinkMS > slow),
    cost('fall', 'slow', c => c.traits!.sinkMS <= slow),
  ]
    .filter(({ school, choice }) => day.way?.[school] === undefined || day.way[school] === choice)
    .filter(w => w.share > 0 || goods.weights.length > 0)
}

const median = (xs: readonly number[]): number => Float64Array.from(xs).sort()[Math.floor(xs.length / 2)] ?? 0

/** Why nothing can be fished. */
export type NothingId = 'noBaits' | 'noHooks' | 'noWayOfRigging' | 'ownWay' | Exclude<LimitId, 'match'>

/** Why nothing can be fished: what the box lacks, or what puts out most of what is in it. */
export function nothingFits(
  day: Day,
  goods: Goods,
  riggings: readonly Rigging[],
  candidates: readonly Candidate[],
): NothingId {
  if (goods.baits.length === 0) return 'noBaits'
  if (riggings.length === 0) {
    if (day.way && Object.keys(day.way).length > 0) return 'ownWay'
    return goods.hooks.length > 0 || goods.heads.length > 0 ? 'noWayOfRigging' : 'noHooks'
  }
  const count = new Map<NothingId, number>()
  for (const { limit } of candidates)
    if (limit && limit.id !== 'match' && limit.id !== 'fit')
      count.set(limit.id, (count.get(limit.id) ?? 0) + 1)
  return [...count].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'fit'
}
