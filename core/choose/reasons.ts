import { secondsTo } from '../fall/summary'
import type { FamilyId, PointRest, RigSpec } from '../rig/spec'
import { COVERS, BOTTOMS, type CoverId } from '../snag/cover'
import { FEEDING } from '../strike/bite'
import { radToDeg } from '../units'
import { atBottom, zoneOf, type Day, type Way } from './day'
import type { Finalist } from './finish'
import { PREY, SPECIES, type Activity } from './fish'
import type { Goods, Rigging } from './goods'
import { limitOf, type LimitId } from './limits'
import { betterThan, scoresAmong } from './odds'
import {
  factorsOf,
  FACTOR_IDS,
  FACTOR_NAMES,
  scoreOf,
  scoringOf,
  type FactorId,
  type Factors,
  type Traits,
} from './score'
import { lineFor, lookedAtWith, screen, type Candidate, type SearchMemory } from './screen'

/** Why a well-known rig is not among the picks. */
export interface WhyNot {
  readonly family: FamilyId
  readonly sentence: string
}
/** What would change the choice. */
export interface WhatIf {
  readonly change: string
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

const percent = (x: number): string => `${Math.round(100 * x)} %`
const minutes = (f: Finalist): number => Math.round(f.report.snag.minutesLeft.value)
const lowerFirst = (s: string): string => s.charAt(0).toLowerCase() + s.slice(1)
const ACTIVITY_WORDS: Readonly<Record<Activity, string>> = {
  active: 'active',
  steady: 'neither on nor off',
  slow: 'slow',
}

/**
 * What speaks for a rig, in the figures every view shows for it: first what it gains most over the others.
 */
export function reasonsFor(day: Day, best: Finalist, others: readonly Finalist[]): string[] {
  const middle = (id: FactorId): number =>
    Math.max(0.02, others.reduce((sum, o) => sum + o.factors[id], 0) / Math.max(1, others.length))
  const order = [...FACTOR_IDS].sort((a, b) => best.factors[b] / middle(b) - best.factors[a] / middle(a))
  return [
    ...new Set(
      order.filter((id, i) => i < 3 || best.factors[id] < WEAK).map(id => sentenceFor(id, day, best)),
    ),
  ]
}

/** A share below this is a weakness worth saying. */
const WEAK = 0.5

function sentenceFor(id: FactorId, day: Day, f: Finalist): string {
  const { report } = f
  const { fall, snag, strike } = report
  const speed = `${fall.meanSpeedMS.value.toFixed(2)} m/s`
  const cover = day.cover === 'open' ? `over ${BOTTOMS[day.bottom].name}` : `in ${COVERS[day.cover].name}`
  switch (id) {
    case 'time':
      return `${minutes(f)} minutes of the hour are left for fishing ${cover}; it hangs up on ${percent(snag.snagPerCast.value)} of casts.`
    case 'hook':
      return `It hooks ${percent(strike.hookUp.value)} of the bites of fish that ${FEEDING[day.feeding].name}.`
    case 'landed':
      return `Line and hook bring ${percent(f.factors.landed)} of hooked fish out ${day.cover === 'open' ? 'here' : `of ${COVERS[day.cover].name}`}.`
    case 'zone':
      return `It is among the fish for ${percent(f.factors.zone)} of a cast: down ${zoneOf(day).fromM > 0 ? `to ${zoneOf(day).fromM.toFixed(1)} m in ${secondsTo(fall.drop, zoneOf(day).fromM).toFixed(0)} s` : 'at once'}, and heavy enough to stay there as it is worked.`
    case 'follow':
      return `It falls at ${speed}; fish that are ${ACTIVITY_WORDS[day.activity]} follow best what falls slower or faster by less than a few times.`
    case 'look':
      return atBottom(day) && fall.rest.highestM > 0.03
        ? `It ${fall.rest.posture} ${fall.rest.posture === 'lies' ? 'with its highest part' : 'and shows itself'} ${Math.round(1000 * fall.rest.highestM)} mm over ${BOTTOMS[day.bottom].name}.`
        : `It falls at ${Math.round(radToDeg(fall.pitchRad.value))}° and ${fall.rest.posture} on the bottom.`
    case 'quiet':
      return `It lands quietly: ${(1000 * report.massKg).toFixed(0)} g in ${day.depthM.toFixed(1)} m of ${day.clarity} water.`
    case 'intake':
      return `It weighs ${(1000 * report.massKg).toFixed(0)} g in all: light enough for fish that ${FEEDING[day.feeding].name} to take in.`
    case 'match':
      return `The bait is ${f.match === 'close' ? 'close to' : f.match === 'fair' ? 'fairly like' : 'unlike'} ${PREY[day.prey].name} in shape.`
  }
}

/**
 * Why a family is not picked: what put it out, or the figure in which it loses most. Undefined where the box
 * holds none of it.
 */
export function whyNot(
  family: FamilyId,
  best: Finalist,
  done: readonly Finalist[],
  candidates: readonly Candidate[],
  riggings: readonly Rigging[],
): WhyNot | undefined {
  const own = candidates.filter(c => riggings[c.rigging]!.base.family === family)
  if (own.length === 0) return undefined
  const finalist = done.filter(f => f.rig.family === family).sort((a, b) => b.score - a.score)[0]
  if (finalist?.limit) return { family, sentence: `${finalist.limit.sentence}.` }
  if (!finalist) return { family, sentence: behind(own, best) ?? barred(own) }
  const ratio = (id: FactorId): number => finalist.factors[id] / best.factors[id]
  const worst = [...FACTOR_IDS].sort((a, b) => ratio(a) - ratio(b))[0]!
  if (ratio(worst) > NO_LOSS)
    return {
      family,
      sentence: `a little less of everything: it scores better than the first in ${Math.round(100 * betterThan(finalist.scores, best.scores))} in 100 ways it may be.`,
    }
  return { family, sentence: loss(worst, finalist, best) }
}

const NO_LOSS = 0.93

function loss(id: FactorId, f: Finalist, best: Finalist): string {
  const own = f.report
  const other = best.report
  switch (id) {
    case 'time':
      return `leaves ${minutes(f)} minutes of the hour for fishing against ${minutes(best)}: it hangs up on ${percent(own.snag.snagPerCast.value)} of casts.`
    case 'hook':
      return `hooks ${percent(own.strike.hookUp.value)} of bites against ${percent(other.strike.hookUp.value)}.`
    case 'landed':
      return `brings ${percent(f.factors.landed)} of hooked fish out against ${percent(best.factors.landed)}.`
    case 'zone':
      return `is among the fish for ${percent(f.factors.zone)} of a cast against ${percent(best.factors.zone)}: ${own.fall.meanSpeedMS.value < other.fall.meanSpeedMS.value ? 'slow to come down and easily lifted' : 'lifted away or gone through too soon'}.`
    case 'follow':
      return `falls at ${own.fall.meanSpeedMS.value.toFixed(2)} m/s against ${other.fall.meanSpeedMS.value.toFixed(2)}: ${own.fall.meanSpeedMS.value > other.fall.meanSpeedMS.value ? 'faster' : 'slower'} than these fish follow.`
    case 'look':
      return `falls at ${Math.round(radToDeg(own.fall.pitchRad.value))}° and ${own.fall.rest.posture} on the bottom, ${Math.round(1000 * own.fall.rest.highestM)} mm high against ${Math.round(1000 * other.fall.rest.highestM)}.`
    case 'quiet':
      return `lands loudly: ${(1000 * own.massKg).toFixed(0)} g against ${(1000 * other.massKg).toFixed(0)}.`
    case 'intake':
      return `weighs ${(1000 * own.massKg).toFixed(0)} g against ${(1000 * other.massKg).toFixed(0)}: harder for these fish to take in.`
    case 'match':
      return 'fits only baits that are less like the food, or is worked in a way these fish like less.'
  }
}

/**
 * Where a family that was only looked through is furthest behind, without figures, which are those of the
 * full evaluation alone.
 */
function behind(own: readonly Candidate[], best: Finalist): string | undefined {
  const able = own.filter(c => !c.limit && c.factors).sort((a, b) => b.score - a.score)[0]
  if (!able) return undefined
  const worst = [...FACTOR_IDS].sort(
    (a, b) => able.factors![a] / best.factors[a] - able.factors![b] / best.factors[b],
  )[0]!
  return `clearly behind already in the quick look, most of all in ${FACTOR_NAMES[worst]}.`
}

/** What puts out the candidate that would score best without it; a bad fit only where nothing fits. */
function barred(own: readonly Candidate[]): string {
  const fitting = own
    .filter(c => c.limit && c.factors)
    .sort((a, b) => scoreOf(b.factors!) - scoreOf(a.factors!))[0]
  if (fitting?.limit) return `${fitting.limit.sentence}.`
  const count = new Map<string, number>()
  for (const { limit } of own)
    if (limit && limit.id !== 'match') count.set(limit.sentence, (count.get(limit.sentence) ?? 0) + 1)
  const [most] = [...count].sort((a, b) => b[1] - a[1])
  return most
    ? `no bait like the food fits it: ${most[0]}.`
    : 'no bait in the box that is like the food fits it.'
}

/** Cover one step thicker, where there is one. */
const THICKER: Readonly<Partial<Record<CoverId, CoverId>>> = {
  open: 'sparseWeed',
  sparseWeed: 'thickWeed',
  thickWeed: 'mat',
  pads: 'mat',
}
/** A current in water that has none, m/s; and how many times more it may run. */
const A_CURRENT_MS = 0.5

/** Days that differ in one thing. */
function otherDays(
  day: Day,
): readonly { readonly change: string; readonly day: Day; readonly afresh?: true }[] {
  const { stream: _, ...still } = day
  const flow = day.stream?.surfaceMS ?? 0
  const thicker = THICKER[day.cover]
  return [
    ...(day.activity !== 'active'
      ? [{ change: 'if the fish turn active', day: { ...day, activity: 'active' as const } }]
      : []),
    ...(day.activity !== 'slow'
      ? [{ change: 'if they slow down', day: { ...day, activity: 'slow' as const } }]
      : []),
    ...(flow > 0.05
      ? [
          { change: 'at slack water', day: still as Day },
          {
            change: 'if it runs half as hard again',
            day: { ...day, stream: { towardRad: day.stream!.towardRad, surfaceMS: 1.5 * flow } },
          },
        ]
      : [
          {
            change: 'if a current of half a metre a second comes up',
            day: { ...day, stream: { surfaceMS: A_CURRENT_MS, towardRad: 0 } },
          },
        ]),
    ...(thicker
      ? [
          {
            change: `if it is ${COVERS[thicker].name}`,
            day: { ...day, cover: thicker },
            afresh: true as const,
          },
        ]
      : [
          {
            change: 'in open water beside it',
            day: { ...day, cover: 'open' as const },
            afresh: true as const,
          },
        ]),
    {
      change: 'with twice the depth',
      day: {
        ...day,
        depthM: 2 * day.depthM,
        ...(day.zone ? { zone: { fromM: day.zone.fromM + day.depthM, toM: day.zone.toM + day.depthM } } : {}),
      },
    },
  ]
}

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
  let step = search.next()
  while (!step.done) step = search.next()
  return step.value.flatMap((c): Stood[] =>
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
  const best = (keep: (c: Candidate) => boolean): number =>
    candidates.reduce((most, c) => (!c.limit && !c.near && c.score > most && keep(c) ? c.score : most), 0)
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

const median = (xs: readonly number[]): number =>
  [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)] ?? 0

/** Why nothing can be fished, and the nearest way out. */
export function nothingFits(
  day: Day,
  goods: Goods,
  riggings: readonly Rigging[],
  candidates: readonly Candidate[],
): { readonly sentence: string; readonly way: string } {
  if (goods.baits.length === 0)
    return {
      sentence: 'The box holds no baits.',
      way: 'Put a bait in the box, with its form and length, or look beyond it.',
    }
  if (
    riggings.length === 0 &&
    (goods.hooks.length > 0 || goods.heads.length > 0) &&
    !(day.way && Object.keys(day.way).length > 0)
  )
    return {
      sentence: 'The box holds nothing for this way of rigging.',
      way: 'Take another way of rigging, or look beyond the box.',
    }
  if (riggings.length === 0) {
    return day.way && Object.keys(day.way).length > 0
      ? {
          sentence: 'Nothing in the box keeps to your way.',
          way: 'Loosen one of your preferences, or look beyond the box.',
        }
      : {
          sentence: 'The box holds no hooks or heads.',
          way: 'Put a hook or a head in the box, or look beyond it.',
        }
  }
  const count = new Map<LimitId, number>()
  for (const { limit } of candidates)
    if (limit && limit.id !== 'match') count.set(limit.id, (count.get(limit.id) ?? 0) + 1)
  const [most] = [...count].filter(([id]) => id !== 'fit').sort((a, b) => b[1] - a[1])
  switch (most?.[0] ?? 'fit') {
    case 'current':
      return {
        sentence: 'Nothing in the box holds this current.',
        way: `The heaviest rig is not heavy enough for ${(day.stream?.surfaceMS ?? 0).toFixed(1)} m/s in ${day.depthM} m: buy a heavier weight, use thinner line, or fish the slack.`,
      }
    case 'reach':
      return {
        sentence: `Nothing in the box comes down to ${zoneOf(day).fromM.toFixed(1)} m in a time anyone waits.`,
        way: 'Take a heavier weight, or fish higher.',
      }
    case 'roof':
      return {
        sentence: 'Nothing in the box breaks through the mat.',
        way: 'It takes a slim bait behind a pegged weight of some 20 g and more; or fish its edge.',
      }
    case 'cast':
      return {
        sentence: 'No rod in the box casts these rigs.',
        way: 'Put a rod in the box with the weights it casts.',
      }
    case 'floats':
      return {
        sentence: 'Everything that fits floats in this water.',
        way: 'Take a weight, or a bait that sinks.',
      }
    default:
      return {
        sentence: `No hook in the box fits a bait that ${SPECIES[day.species].name} here would take for ${PREY[day.prey].name}.`,
        way: `${lowerFirst('Look')} beyond the box to see which hook to buy, or change what they eat.`.replace(
          /^l/,
          'L',
        ),
      }
  }
}
