import { boxOf } from './boxes'
import { seededDays, SETS } from './days'
import reference from './regret.json'
import { DEMO_BOX } from '../demo/box'
import {
  choose,
  fieldOf,
  inOrder,
  lookCloser,
  screen,
  searchMemory,
  type Candidate,
  type Day,
  type Field,
  type SearchMemory,
  toTheEnd,
} from '#core'

/**
 * Candidates of a day that the reference looks at: so many that lead by the quick look, and the best of every way behind
 * them as long as that gives it so much of the score it gives the first.
 */
const LOOKED_AT = 300
const BEHIND = 0.2
/** Those among which scores are compared. */
const LEADING = 100

/** What the reference says of a day. */
export interface BestInFull {
  /** score of the best, and its place by the quick look, from 0; none where nothing can be fished */
  readonly score: number | null
  readonly place: number | null
  /** how many were looked at */ readonly of: number
  /** how far scores of the leading are from the full ones, part of those, on average: quick, and in the race */
  readonly apart: number | null
  readonly raceApart: number | null
}

const goods = boxOf(DEMO_BOX.length)

function lookedThrough(day: Day, field: Field, memory: SearchMemory): Candidate[] {
  return toTheEnd(screen({ day, ...field, memory }))
}

/** The leading, and behind them the best of every way of rigging with every bait and point. */
function toLookAt({ riggings }: Field, order: readonly Candidate[]): Candidate[] {
  const met = new Set<string>()
  return order.filter(({ bait, rigging, point, score }, place) => {
    const { family, peg } = riggings[rigging]!.base
    const key = `${family} ${peg ?? ''} ${bait} ${point}`
    const first = !met.has(key) && score > BEHIND * order[0]!.score
    met.add(key)
    return first || place < LOOKED_AT
  })
}

/**
 * The best of a day's candidates as they are in full: at the middle of everything uncertain, which is what the full
 * evaluation shows (`core/choose/closer.long.test.ts`).
 */
export function bestInFull(day: Day): BestInFull {
  const [field, memory] = [fieldOf(day, goods, {}), searchMemory()]
  const look = (one: Candidate, rough: boolean): Candidate =>
    lookCloser(day, field.goods, field.riggings, one, { memory, rough })
  const order = inOrder(lookedThrough(day, field, memory).filter(c => !c.near))
  const ones = toLookAt(field, order)
  let [score, place]: [number | null, number | null] = [null, null]
  const [apart, raceApart]: [number[], number[]] = [[], []]
  for (const one of ones) {
    const full = look(one, false)
    if (full.near || !(full.score > 0)) continue
    const at = order.indexOf(one)
    if (at < LEADING) {
      apart.push(Math.abs(one.score - full.score) / full.score)
      raceApart.push(Math.abs(look(one, true).score - full.score) / full.score)
    }
    if (score === null || full.score > score) [score, place] = [full.score, at]
  }
  const [quick, race] = [apart, raceApart].map(list => (list.length > 0 ? mean(list) : null))
  return { score, place, of: ones.length, apart: quick!, raceApart: race! }
}

/** Score of what is picked for a day; none where nothing can be fished. */
function pickedScore(day: Day, memory: SearchMemory): number | null {
  return toTheEnd(choose(day, goods, { memory })).picks[0]?.score ?? null
}

/**
 * How far what is picked falls short of the best of the reference, part of the best, on seeded days; and how far
 * the quick score, and that of the race, are from the full one among the leading, as the reference has it.
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
    'pick.quickApart.mean': mean(reference.unseen.flatMap(({ apart }) => apart ?? [])),
    'pick.raceApart.mean': mean(reference.unseen.flatMap(({ raceApart }) => raceApart ?? [])),
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
