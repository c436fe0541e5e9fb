import { boxOf } from './boxes'
import { seededDays, SETS } from './days'
import reference from './regret.json'
import { DEMO_BOX } from '../demo/box'
import {
  choose,
  fieldOf,
  finish,
  screen,
  searchMemory,
  type Candidate,
  type Day,
  type Field,
  type Finalist,
  type SearchMemory,
} from '#core'

/** Candidates of a day that are evaluated in full for the reference, the best of the quick look first. */
const LOOKED_AT = 300
/** Those among which the quick score and the full one are compared. */
const LEADING = 100

/** What the reference says of a day. */
export interface BestInFull {
  /** score of the best, and its place by the quick look, from 0; none where nothing can be fished */
  readonly score: number | null
  readonly place: number | null
  /** how far the quick score is from the full one among the leading, part of the full one, on average */
  readonly apart: number | null
}

const goods = boxOf(DEMO_BOX.length)

function lookedThrough(day: Day, field: Field, memory: SearchMemory): Candidate[] {
  const search = screen({ day, ...field, memory })
  let step = search.next()
  while (!step.done) step = search.next()
  return step.value
}

const inFull = (day: Day, field: Field, one: Candidate, memory: SearchMemory): Finalist | undefined =>
  finish(day, field.goods, field.riggings, one, { memory })

/** Those that fit without a doubt and meet no limit: what is picked while there are any. */
const sound = ({ limit, report }: Finalist): boolean => !limit && report.fit.verdict === 'pass'

/** The best of a day's leading candidates, each evaluated in full. */
export function bestInFull(day: Day): BestInFull {
  const [field, memory] = [fieldOf(day, goods, {}), searchMemory()]
  const leading = lookedThrough(day, field, memory)
    .filter(c => !c.limit && !c.near && c.score > 0)
    .sort((a, b) => b.score - a.score)
    .slice(0, LOOKED_AT)
  let [score, place]: [number | null, number | null] = [null, null]
  const apart: number[] = []
  for (const [i, one] of leading.entries()) {
    const full = inFull(day, field, one, memory)
    if (!full || !sound(full)) continue
    if (i < LEADING) apart.push(Math.abs(one.score - full.score) / full.score)
    if (score === null || full.score > score) [score, place] = [full.score, i]
  }
  return { score, place, apart: apart.length > 0 ? mean(apart) : null }
}

/** Score of what is picked for a day; none where nothing can be fished. */
function pickedScore(day: Day, memory: SearchMemory): number | null {
  const search = choose(day, goods, { memory })
  let step = search.next()
  while (!step.done) step = search.next()
  return step.value.picks[0]?.score ?? null
}

/**
 * How far what is picked falls short of the best of the reference, part of the best, on seeded days; and how far
 * the quick score is from the full one among the leading, as the reference has it.
 */
export function regretFigures(): Record<string, number> {
  const unseen = regretsOn('unseen')
  const laidOutOn = regretsOn('laidOutOn')
  return {
    'pick.regret.days': unseen.length,
    'pick.regret.mean': mean(unseen),
    'pick.regret.max': Math.max(...unseen),
    'pick.regretLaidOutOn.mean': mean(laidOutOn),
    'pick.regretLaidOutOn.max': Math.max(...laidOutOn),
    'pick.quickApart.mean': mean(reference.laidOutOn.flatMap(({ apart }) => apart ?? [])),
  }
}

function regretsOn(set: keyof typeof SETS): number[] {
  const memory = searchMemory()
  return seededDays(SETS[set]).flatMap((day, i) => {
    const { score } = reference[set][i]!
    if (score === null) return []
    const regret = Math.max(0, 1 - (pickedScore(day, memory) ?? 0) / score)
    if (regret > TOLD) console.error(`${set}, day ${i}: ${(100 * regret).toFixed(1)} % short`)
    return regret
  })
}

/** Regrets over this are told one by one. */
const TOLD = 0.01

const mean = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / list.length
