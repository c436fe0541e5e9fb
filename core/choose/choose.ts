import { FAMILIES } from '../rig/families'
import { HOOK_SIZES } from '../tackle/hooks'
import type { BaitSpec, FamilyId } from '../rig/spec'
import type { EvidenceBook } from '../evidence/book'
import { matchOf } from './fish'
import type { Day } from './day'
import { finish, type Finalist } from './finish'
import { matchShare, type FactorId } from './score'
import { bestOnTop, type OnTopPick } from './onTop'
import { beyondTheBox, riggingsOf, type Goods, type Rigging } from './goods'
import type { LimitId } from './limits'
import { oddsOf } from './odds'
import {
  costsOfWays,
  nothingFits,
  type NothingId,
  reasonsFor,
  whatIfs,
  whyNots,
  type WayCost,
  type WhatIf,
  type WhyNot,
} from './reasons'
import { weightSteps, type WeightStep } from './sizing'
import { lookCloser } from './closer'
import { screen, type Candidate } from './screen'
import type { SearchMemory } from './memory'

/** What the search came to. */
export interface Choice {
  /** the rig to tie on and the honest alternatives, the best first */ readonly picks: readonly Finalist[]
  /** part of the members in which each of them is the best of them */ readonly odds: readonly number[]
  /** what speaks for the first of them, the strongest first */ readonly reasons: readonly FactorId[]
  readonly whyNots: readonly WhyNot[]
  readonly whatIfs: readonly WhatIf[]
  readonly ways: readonly WayCost[]
  /** the first pick a weight lighter and heavier */ readonly steps: readonly WeightStep[]
  readonly candidates: readonly Candidate[]
  readonly riggings: readonly Rigging[]
  /** baits the candidates count by */ readonly baits: Goods['baits']
  /** candidates looked at, and how many each limit put out */ readonly looked: number
  readonly out: Readonly<Partial<Record<LimitId, number>>>
  /** the best that is fished on the surface, where anything of the box is */ readonly onTop?: OnTopPick
  /** where nothing can be fished: why */ readonly nothing?: NothingId
}

export type ChooseStep = { readonly part: number }

/** Rigs that anglers would expect to be asked about. */
const WELL_KNOWN: readonly FamilyId[] = [
  'E1',
  'E2',
  'W1',
  'O2',
  'O1',
  'L1',
  'L2',
  'L4',
  'J4',
  'J3',
  'J1',
  'E3',
  'L3',
  'L6',
]

/** Finalists evaluated in full at most, picks shown, and baits tried in the families that lead. */
const FINALISTS = 8
const PICKS = 4
const LEADERS = 3
const BAITS_EACH = 2
/** Evaluated in full before the race, so that something can be shown. */
const FIRST = 2
/** Looked at closer: those that lead by the quick look, the best of other ways and baits, and around what leads. */
const LEADING = 10
const OTHER_WAYS = 18
const AROUND = 5
const CLOSEST = 10
const RACED = LEADING + OTHER_WAYS + 2 * LEADERS * AROUND + CLOSEST
/** Work after looking through, counted in closer looks, of which an evaluation in full is worth so many. */
export const IN_FULL = 4
export const UNITS = RACED + IN_FULL * (FIRST + FINALISTS)
/** Baits with which goods beyond the box are tried: those most like the food. */
const BAITS_BEYOND = 5

export interface ChooseOptions {
  /** one way of rigging alone: its best hook and weight */ readonly family?: FamilyId
  /** look beyond the box: common hooks and heads in every size, with its baits */ readonly beyond?: boolean
  /** what earlier searches worked out */ readonly memory?: SearchMemory
  /** drops and tally of the angler's own */ readonly book?: EvidenceBook
}

/** What a search looks through: the baits and riggings of a box, or beyond it. */
export interface Field {
  readonly goods: Goods
  readonly riggings: readonly Rigging[]
}

export function fieldOf(
  day: Day,
  goods: Goods,
  { beyond, family }: Pick<ChooseOptions, 'beyond' | 'family'>,
): Field {
  const baits = beyond
    ? [...goods.baits].sort((a, b) => likeness(day, b.spec) - likeness(day, a.spec)).slice(0, BAITS_BEYOND)
    : goods.baits
  const every = beyond ? beyondTheBox(day.way) : riggingsOf(goods, day.way)
  return {
    goods: { ...goods, baits },
    riggings: family ? every.filter(r => r.base.family === family) : every,
  }
}

/** Candidates of a field in all, before any is looked at. */
export const sizeOf = ({ goods, riggings }: Field): number =>
  goods.baits.length * riggings.reduce((sum, r) => sum + r.points.length * r.weights.length, 0)

/** Those that no limit bars, of the angler's own size of hook, the best by the quick look first. */
export const ranked = (day: Day, { riggings }: Field, candidates: readonly Candidate[]): Candidate[] =>
  inOrder(ofSize(day, candidates, riggings))

/** Those that no limit bars, the best first. */
export const inOrder = (candidates: readonly Candidate[]): Candidate[] =>
  candidates
    .filter(c => !c.limit && c.score > 0)
    .sort((a, b) => b.score * (b.near ? NEARLY : 1) - a.score * (a.near ? NEARLY : 1))

/** Some that are looked at closer, on what the rounds before came to. */
export interface Round {
  readonly rough: boolean
  readonly among: (field: Field, order: readonly Candidate[], seen: readonly Candidate[]) => Candidate[]
}

/**
 * The race. The quick look may have put far behind what is best: first those that lead by it and the best of every way
 * with every bait, roughly; then twice other points, hooks and weights of what leads by now; last those that lead then,
 * as they are in full.
 */
export const ROUNDS: readonly Round[] = [
  {
    rough: true,
    among: (field, order) => {
      const leading = order.slice(0, LEADING)
      return [...leading, ...others(field, order, leading, OTHER_WAYS, (way, { bait }) => `${way} ${bait}`)]
    },
  },
  { rough: true, among: around },
  { rough: true, among: around },
  { rough: false, among: (_, __, seen) => inOrder(seen).slice(0, CLOSEST) },
]

/** What was seen with what is seen now, which counts where both are the same. */
export function seenWith(before: readonly Candidate[], now: readonly Candidate[]): Candidate[] {
  const again = new Set(now.map(keyOf))
  return [...before.filter(c => !again.has(keyOf(c))), ...now]
}

/** Other points, hooks and weights of the few that lead. */
function around(field: Field, order: readonly Candidate[], seen: readonly Candidate[]): Candidate[] {
  const found: Candidate[] = []
  const leaders = others(field, inOrder(seen), [], LEADERS, (way, { bait }) => `${way} ${bait}`)
  for (const leader of leaders) {
    const leads = wayOf(field, leader)
    const near = order.filter(c => c.bait === leader.bait && wayOf(field, c) === leads)
    found.push(...others(field, near, [...seen, ...found], AROUND, (_, c) => keyOf(c)))
  }
  return found
}

type Keyed = Pick<Candidate, 'bait' | 'rigging' | 'weight' | 'point'>
const keyOf = ({ bait, rigging, weight, point }: Keyed): string => `${bait} ${rigging} ${weight} ${point}`

/** The first so many that differ from one another, and from what is seen, in something. */
function others(
  field: Field,
  order: readonly Candidate[],
  seen: readonly Candidate[],
  most: number,
  of: (way: string, one: Candidate) => string,
): Candidate[] {
  const met = new Set(seen.map(c => of(wayOf(field, c), c)))
  const found: Candidate[] = []
  for (const c of order) {
    if (found.length === most) break
    const key = of(wayOf(field, c), c)
    if (met.has(key)) continue
    met.add(key)
    found.push(c)
  }
  return found
}

/** A family, its weight pegged or free. */
function wayOf({ riggings }: Field, { rigging }: Candidate): string {
  const { family, peg } = riggings[rigging]!.base
  return `${family} ${peg ?? ''}`
}

/** What candidates and finalists come to: all but what `account` and `elaborate` add. */
export function conclude(
  day: Day,
  { goods, riggings }: Field,
  candidates: readonly Candidate[],
  done: readonly Finalist[],
): Choice {
  const out: Partial<Record<LimitId, number>> = {}
  for (const { limit } of candidates) if (limit) out[limit.id] = (out[limit.id] ?? 0) + 1
  const picks = picked(soundOf(done))
  const [best] = picks
  return {
    candidates,
    riggings,
    baits: goods.baits,
    looked: candidates.length,
    out,
    picks,
    odds: oddsOf(picks.map(p => p.scores)),
    reasons: best ? reasonsFor(best, picks.slice(1), day.aim) : [],
    whyNots: [],
    ways: [],
    whatIfs: [],
    steps: [],
    ...(best ? {} : { nothing: nothingFits(day, goods, riggings, candidates) }),
  }
}

/** Why not what is not among the picks, and what each way of rigging costs: once every finalist is evaluated. */
export function account(
  day: Day,
  { goods, riggings }: Field,
  choice: Choice,
  done: readonly Finalist[],
): Choice {
  const { candidates, picks } = choice
  const [best] = picks
  if (!best) return choice
  const others = WELL_KNOWN.filter(id => !picks.some(p => p.rig.family === id))
  return {
    ...choice,
    whyNots: whyNots(others, best, done, candidates, riggings),
    ways: costsOfWays(candidates, riggings, goods, day),
  }
}

/**
 * What is told beside a choice, and takes about as long again: what would change it, the pick a weight lighter and
 * heavier, and what is fished on the surface.
 */
export function elaborate(
  day: Day,
  { goods, riggings }: Field,
  choice: Choice,
  { memory, book }: Pick<ChooseOptions, 'memory' | 'book'>,
): Choice {
  const { candidates, picks } = choice
  const [best] = picks
  const onTop = bestOnTop(day, goods, riggings, memory)
  return {
    ...choice,
    ...(onTop ? { onTop } : {}),
    ...(best
      ? {
          whatIfs: whatIfs(day, goods, riggings, candidates, best, memory),
          steps: stepsOf(day, goods, riggings, candidates, best, book),
        }
      : {}),
  }
}

/**
 * Chooses a rig for a day out of a box: hard limits, a score for every candidate by the trim solver and few
 * draws, a race of those that lead at the middle of what is uncertain, the best of each family in full, and why.
 * Yields how far it is, so that it can be shown and called off.
 * @throws RangeError when a bait of the box cannot be built
 */
export function* choose(day: Day, goods: Goods, options: ChooseOptions = {}): Generator<ChooseStep, Choice> {
  const field = fieldOf(day, goods, options)
  const total = sizeOf(field)
  const search = screen({ day, ...field, ...(options.memory ? { memory: options.memory } : {}) })
  let step = search.next()
  while (!step.done) {
    yield { part: (SCREENING * step.value) / Math.max(1, total) }
    step = search.next()
  }
  const candidates = step.value
  const order = ranked(day, field, candidates)
  const done: Finalist[] = []
  let seen: Candidate[] = []
  let units = 0
  const upTo = (more: number): ChooseStep => ({
    part: SCREENING + ((1 - SCREENING) * (units += more)) / UNITS,
  })
  function* inFull(ones: readonly Candidate[]): Generator<ChooseStep> {
    for (const one of ones) {
      const finalist = finish(day, field.goods, field.riggings, one, options)
      if (finalist) done.push(finalist)
      yield upTo(IN_FULL)
    }
  }
  yield* inFull(firstAmong(field, order))
  for (const { rough, among } of ROUNDS) {
    const now: Candidate[] = []
    for (const one of among(field, order, seen)) {
      now.push(lookCloser(day, field.goods, field.riggings, one, { ...options, rough }))
      yield upTo(1)
    }
    seen = seenWith(seen, now)
  }
  yield* inFull(finalistsAfter(field, seen, done))
  const choice = conclude(day, field, candidates, done)
  return elaborate(day, field, account(day, field, choice, done), options)
}

const likeness = (day: Day, bait: BaitSpec): number => matchShare(day, bait, matchOf(bait.form, day.prey))

/** Weights beside the pick's, from the traits it was looked through with. */
function stepsOf(
  day: Day,
  goods: Goods,
  riggings: readonly Rigging[],
  candidates: readonly Candidate[],
  best: Finalist,
  book: EvidenceBook | undefined,
): WeightStep[] {
  const traits = candidates.find(
    c =>
      c.bait === best.bait &&
      c.rigging === best.rigging &&
      c.weight === best.weight &&
      c.point === best.rig.pointRest,
  )?.traits
  return traits ? weightSteps(day, goods, riggings, best, traits, book) : []
}

/** Part of the work that is looking through. */
export const SCREENING = 0.75

/**
 * Where the angler likes big hooks, or small: of a family in a bait only the largest that fit, or the
 * smallest.
 */
function ofSize(
  { way }: Day,
  candidates: readonly Candidate[],
  riggings: readonly Rigging[],
): readonly Candidate[] {
  if (!way?.hook) return candidates
  const sign = way.hook === 'big' ? 1 : -1
  const rank = (c: Candidate): number => sign * HOOK_SIZES.indexOf(riggings[c.rigging]!.base.hookSize)
  const key = (c: Candidate): string => `${c.bait} ${riggings[c.rigging]!.base.family}`
  const most = new Map<string, number>()
  for (const c of candidates)
    if (!c.limit && !c.near) most.set(key(c), Math.max(most.get(key(c)) ?? -Infinity, rank(c)))
  return candidates.filter(c => rank(c) === most.get(key(c)))
}

/**
 * Those worth a full evaluation: the best of each family, those that fit without doubt first, and a second bait in
 * the families that lead.
 * @param order candidates as `ranked` has them
 */
export function finalistsAmong({ riggings }: Field, order: readonly Candidate[]): Candidate[] {
  const byFamily = new Map<FamilyId, Candidate[]>()
  for (const c of order) {
    const { family } = riggings[c.rigging]!.base
    const list = byFamily.get(family) ?? []
    byFamily.set(family, list)
    const most = [...byFamily.keys()].indexOf(family) < LEADERS ? BAITS_EACH : 1
    if (list.length < most && !list.some(l => l.bait === c.bait)) list.push(c)
  }
  const firsts = [...byFamily.values()].map(list => list[0]!)
  const seconds = [...byFamily.values()].flatMap(list => list.slice(1))
  return [...firsts.slice(0, FINALISTS - 2), ...seconds.slice(0, 2)]
}

/** Evaluated in full first. @param order candidates as `ranked` has them */
export const firstAmong = (field: Field, order: readonly Candidate[]): Candidate[] =>
  finalistsAmong(field, order).slice(0, FIRST)

/** Evaluated in full after the race, those left out that are done. @param seen what was looked at closer */
export function finalistsAfter(
  field: Field,
  seen: readonly Candidate[],
  done: readonly Finalist[],
): Candidate[] {
  const had = new Set(done.map(f => keyOf({ ...f, point: f.rig.pointRest })))
  return finalistsAmong(field, inOrder(seen)).filter(c => !had.has(keyOf(c)))
}

/** A rig that fits only within the doubt of a rule must be so much better to be shortlisted. */
const NEARLY = 0.6

/** Finalists that no limit bars, the best first; those that fit within the doubt of a rule only come after all others. */
const soundOf = (done: readonly Finalist[]): Finalist[] =>
  done
    .filter(f => !f.limit)
    .sort(
      (a, b) =>
        (a.report.fit.verdict === 'pass' ? 0 : 1) - (b.report.fit.verdict === 'pass' ? 0 : 1) ||
        b.score - a.score,
    )

/** The best, and the best of other families, one of each group before a second of any. */
function picked(sound: readonly Finalist[]): Finalist[] {
  const families = sound.filter((f, i) => sound.findIndex(g => g.rig.family === f.rig.family) === i)
  const groups = families.filter((f, i) => families.findIndex(g => groupOf(g) === groupOf(f)) === i)
  const rest = families.filter(f => !groups.includes(f))
  const chosen = new Set([...groups, ...rest].slice(0, PICKS))
  return families.filter(f => chosen.has(f))
}

const groupOf = (f: Finalist): string => FAMILIES[f.rig.family].group
