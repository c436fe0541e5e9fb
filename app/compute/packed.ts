import { FACTOR_IDS, type Candidate, type Factors, type Goods, type Traits } from '#core'

/**
 * Candidates as they go from one worker to another: a row of figures for each in one buffer, which is handed over
 * rather than copied, and what is no figure once.
 */
export interface PackedCandidates {
  readonly rows: Float64Array<ArrayBuffer>
  readonly points: readonly Candidate['point'][]
  readonly matches: readonly Traits['match'][]
  readonly limits: readonly NonNullable<Candidate['limit']>[]
  readonly throws: readonly NonNullable<Traits['thrown']>[]
}

const FIGURES = [
  'massKg',
  'wetN',
  'sinkMS',
  'sideM2',
  'frontM2',
  'pitchRad',
  'standsM',
  'hookUp',
  'minutesLeft',
  'openingN',
] as const satisfies readonly (keyof Traits)[]

/** Places in a row: its numbers, then shares and figures where there are any. */
const AT = {
  bait: 0,
  rigging: 1,
  weight: 2,
  score: 3,
  near: 4,
  point: 5,
  limit: 6,
  match: 7,
  thrown: 8,
  alone: 9,
}
const FACTORS_AT = 10
const FIGURES_AT = FACTORS_AT + FACTOR_IDS.length
const ROW = FIGURES_AT + FIGURES.length
/** Where there is none. */
const NONE = -1

/** The number of a thing in a list, to which it is added where it is new. */
function numbering<T>() {
  const list: T[] = []
  const numbers = new Map<T, number>()
  return {
    list,
    of(one: T | undefined): number {
      if (one === undefined) return NONE
      const known = numbers.get(one)
      if (known !== undefined) return known
      numbers.set(one, list.length)
      return list.push(one) - 1
    },
  }
}

export function packed(candidates: readonly Candidate[]): PackedCandidates {
  const rows = new Float64Array(candidates.length * ROW)
  const points = numbering<Candidate['point']>()
  const matches = numbering<Traits['match']>()
  const limits = numbering<NonNullable<Candidate['limit']>>()
  const throws = numbering<NonNullable<Traits['thrown']>>()
  for (const [
    i,
    { bait, rigging, weight, point, score, near, limit, factors, traits },
  ] of candidates.entries()) {
    const row = i * ROW
    rows[row + AT.bait] = bait
    rows[row + AT.rigging] = rigging
    rows[row + AT.weight] = weight
    rows[row + AT.score] = score
    rows[row + AT.near] = near ? 1 : 0
    rows[row + AT.point] = points.of(point)
    rows[row + AT.limit] = limits.of(limit)
    rows[row + AT.match] = matches.of(traits?.match)
    rows[row + AT.thrown] = throws.of(traits?.thrown)
    rows[row + AT.alone] = traits?.aloneKg ?? NONE
    if (!factors || !traits) continue
    for (const [k, id] of FACTOR_IDS.entries()) rows[row + FACTORS_AT + k] = factors[id]
    for (const [k, id] of FIGURES.entries()) rows[row + FIGURES_AT + k] = traits[id]
  }
  return { rows, points: points.list, matches: matches.list, limits: limits.list, throws: throws.list }
}

type Mutable<T> = { -readonly [K in keyof T]: T[K] }

/** @param baits those that the candidates count by */
export function unpacked(pack: PackedCandidates, baits: Goods['baits']): Candidate[] {
  const { rows, points, matches, limits, throws } = pack
  const found: Candidate[] = []
  for (let row = 0; row < rows.length; row += ROW) {
    const bait = rows[row + AT.bait]!
    const one: Mutable<Candidate> = {
      bait,
      rigging: rows[row + AT.rigging]!,
      weight: rows[row + AT.weight]!,
      point: points[rows[row + AT.point]!]!,
      score: rows[row + AT.score]!,
    }
    const match = matches[rows[row + AT.match]!]
    if (match !== undefined) {
      // field by field, in the order they are made in: by a list of names it takes five times as long
      const at = row + FIGURES_AT
      const traits: Mutable<Traits> = {
        bait: baits[bait]!.spec,
        match,
        massKg: rows[at]!,
        wetN: rows[at + 1]!,
        sinkMS: rows[at + 2]!,
        sideM2: rows[at + 3]!,
        frontM2: rows[at + 4]!,
        pitchRad: rows[at + 5]!,
        standsM: rows[at + 6]!,
        hookUp: rows[at + 7]!,
        minutesLeft: rows[at + 8]!,
        openingN: rows[at + 9]!,
      }
      const [alone, thrown] = [rows[row + AT.alone]!, throws[rows[row + AT.thrown]!]]
      if (alone !== NONE) traits.aloneKg = alone
      if (thrown) traits.thrown = thrown
      one.factors = factorsAt(rows, row + FACTORS_AT)
      one.traits = traits
    }
    const limit = limits[rows[row + AT.limit]!]
    if (limit) one.limit = limit
    if (rows[row + AT.near] === 1) one.near = true
    found.push(one)
  }
  return found
}

const factorsAt = (rows: Float64Array, at: number): Factors => ({
  time: rows[at]!,
  hook: rows[at + 1]!,
  landed: rows[at + 2]!,
  zone: rows[at + 3]!,
  follow: rows[at + 4]!,
  look: rows[at + 5]!,
  quiet: rows[at + 6]!,
  intake: rows[at + 7]!,
  match: rows[at + 8]!,
  reach: rows[at + 9]!,
})
