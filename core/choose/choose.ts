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
const FINALISTS = 9
const PICKS = 4
const LEADERS = 3
const BAITS_EACH = 2
/** Evaluated in full after the finalists: ways not among them yet, and others of the family that leads. */
const OTHER_WAYS = 2
const BESIDE = 3
/** Evaluated in full in all, at most. */
export const IN_FULL = FINALISTS + OTHER_WAYS + 2 * BESIDE
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
  ofSize(day, candidates, riggings)
    .filter(c => !c.limit && c.score > 0)
    .sort((a, b) => b.score * (b.near ? NEARLY : 1) - a.score * (a.near ? NEARLY : 1))

/**
 * Evaluated in full after the finalists, one step after another, each on what the steps before came to: what the
 * quick look may have put behind a finalist by mistake. First ways that are not among them, as a weight that runs
 * free where a pegged one is; then other baits and points of the way that leads by now; then other hooks and weights of
 * the one that leads then. Each time the best few by the quick look.
 */
export const STEPS_BESIDE: readonly ((
  field: Field,
  order: readonly Candidate[],
  done: readonly Finalist[],
) => Candidate[])[] = [
  (field, order, done) => besides(field, order, done, OTHER_WAYS, way => way),
  (field, order, done) => {
    const leads = wayOfLeader(field, done)
    return besides(field, order, done, BESIDE, (way, { bait, point }) =>
      way === leads ? `${bait} ${point}` : undefined,
    )
  },
  (field, order, done) => {
    const leads = wayOfLeader(field, done)
    const [leader] = soundOf(done)
    return besides(field, order, done, BESIDE, (way, { bait, point, rigging, weight }) =>
      way === leads && bait === leader!.bait && point === leader!.rig.pointRest
        ? `${rigging} ${weight}`
        : undefined,
    )
  },
]

/** The first so many by the quick look that differ from one another, and from what is done, in something. */
function besides(
  field: Field,
  order: readonly Candidate[],
  done: readonly Finalist[],
  most: number,
  of: (way: string, one: Candidate) => string | undefined,
): Candidate[] {
  const keyOf = (one: Candidate): string | undefined => of(wayOf(field, one), one)
  const met = new Set(done.map(f => keyOf({ ...f, point: f.rig.pointRest })))
  const found: Candidate[] = []
  for (const c of order) {
    if (found.length === most) break
    const key = keyOf(c)
    if (key === undefined || met.has(key)) continue
    met.add(key)
    found.push(c)
  }
  return found
}

const wayOfLeader = (field: Field, done: readonly Finalist[]): string | undefined => {
  const [leader] = soundOf(done)
  return leader && wayOf(field, leader)
}

/** A family, its weight pegged or free. */
function wayOf({ riggings }: Field, { rigging }: Pick<Candidate, 'rigging'>): string {
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
 * draws, the best of each family in full, and why. Yields how far it is, so that it can be shown and called
 * off.
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
  let ready = 0
  for (const among of [finalistsAmong, ...STEPS_BESIDE]) {
    for (const one of among(field, order, done)) {
      const finalist = finish(day, field.goods, field.riggings, one, options)
      if (finalist) done.push(finalist)
      yield { part: SCREENING + ((1 - SCREENING) * ++ready) / IN_FULL }
    }
  }
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
