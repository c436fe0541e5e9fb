import { solveInPlace } from '../numerics/linear'
import { meanOf } from '../uncertainty/members'
import { ownerOf, usualEnsemble, type Ensemble, type Owners } from '../uncertainty/ensemble'
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../uncertainty/parameters'

/** A rig's utility in every member, and whose values of the uncertain numbers it has. */
export interface Doubtful {
  readonly letter: string
  readonly owners: Owners
  readonly members: Float64Array
}

/** What can be looked into, and the numbers it tells about. */
export const TESTS = {
  casts: [
    'standing',
    'coverSize',
    'press',
    'coverStrength',
    'freeing',
    'snagKind',
    'snagOwn',
    'snagDrawnOwn',
  ],
  bites: [
    'biteForce',
    'hold',
    'jawNeed',
    'penetration',
    'whereTaken',
    'slack',
    'sweep',
    'hookKind',
    'hookOwn',
  ],
  looks: ['wear'],
  squeeze: ['modulus'],
  drops: [
    'crossDrag',
    'axialDrag',
    'eta',
    'etaRoll',
    'tailLift',
    'vortexSide',
    'lineBow',
    'lineDrag',
    'density',
    'bending',
    'bendingLoss',
    'fallModel',
  ],
  weighing: ['density'],
} as const satisfies Record<string, readonly ParameterId[]>
export type TestId = keyof typeof TESTS

/** A test, and what knowing all that it tells about would be worth on average, in the unit of the utility. */
export interface Settle {
  readonly test: TestId
  readonly worth: number
}

/** Less than this part of what is caught is not worth a test. */
const WORTH_A_TEST = 0.002

/**
 * Expected value of partial perfect information from the members: the best rig is chosen on what each utility
 * comes to where the numbers are known, found by regression on their standard scores (Strong & Oakley, Med.
 * Decis. Making 34, 2014).
 * @returns tests worth doing, the best first; and the one number on which the choice turns most
 */
export function settlesOf(
  rigs: readonly Doubtful[],
  ensemble: Ensemble = usualEnsemble(),
): { readonly settles: readonly Settle[]; readonly turnsOn: ParameterId | undefined } {
  if (rigs.length < 2) return { settles: [], turnsOn: undefined }
  const least = WORTH_A_TEST * Math.max(...rigs.map(r => Math.abs(meanOf(r.members))))
  const worthOf = (ids: readonly ParameterId[]): number =>
    evppi(
      rigs.map(r => r.members),
      scoresOf(ids, rigs, ensemble),
    )
  const settles = (Object.keys(TESTS) as TestId[])
    .map((test): Settle => ({ test, worth: worthOf(TESTS[test]) }))
    .filter(s => s.worth > least)
    .sort((a, b) => b.worth - a.worth)
  const single = PARAMETER_IDS.filter(id => PARAMETERS[id].scope !== 'taste')
    .map(id => ({ id, worth: worthOf([id]) }))
    .reduce((most, one) => (one.worth > most.worth ? one : most))
  return { settles, turnsOn: single.worth > least ? single.id : undefined }
}

/** Scores of some numbers over the members: once for what the rigs share, for each rig where they do not. */
function scoresOf(
  ids: readonly ParameterId[],
  rigs: readonly Doubtful[],
  ensemble: Ensemble,
): Float64Array[] {
  const keys = new Map<string, Float64Array>()
  for (const id of ids)
    for (const { owners } of rigs)
      keys.set(`${id}\n${ownerOf(id, owners)}`, ensemble.scores(id, ownerOf(id, owners)))
  return [...keys.values()]
}

/**
 * What knowing some numbers would be worth: mean of the best conditional utility less the best mean utility,
 * never below 0.
 * @param utilities of each rig over the members
 * @param scores of each number over the members
 */
export function evppi(utilities: readonly Float64Array[], scores: readonly Float64Array[]): number {
  const fitted = fit(utilities, scores)
  const size = utilities[0]!.length
  let sum = 0
  for (let m = 0; m < size; m++) sum += Math.max(...fitted.map(f => f[m]!)) / size
  return Math.max(0, sum - Math.max(...utilities.map(u => meanOf(u))))
}

/** A little of the identity, so that numbers that move nothing do no harm. */
const RIDGE = 1e-6

/** Utilities fitted by a parabola in every score; what fits by chance alone is taken back (adjusted R²). */
function fit(utilities: readonly Float64Array[], scores: readonly Float64Array[]): Float64Array[] {
  const size = utilities[0]!.length
  const columns = [new Float64Array(size).fill(1), ...scores, ...scores.map(z => z.map(x => x * x - 1))]
  const p = columns.length
  const normal = new Float64Array(p * p)
  for (let a = 0; a < p; a++)
    for (let b = 0; b < p; b++) {
      let sum = a === b ? RIDGE * size : 0
      for (let m = 0; m < size; m++) sum += columns[a]![m]! * columns[b]![m]!
      normal[p * a + b] = sum
    }
  return utilities.map(u => {
    const by = new Float64Array(p)
    for (let a = 0; a < p; a++) for (let m = 0; m < size; m++) by[a]! += columns[a]![m]! * u[m]!
    if (!solveInPlace(Float64Array.from(normal), by))
      throw new RangeError('evppi: the numbers cannot be told apart')
    const mean = meanOf(u)
    const raw = u.map((_, m) => columns.reduce((sum, column, a) => sum + by[a]! * column[m]!, 0))
    const explained = raw.reduce((sum, f) => sum + (f - mean) ** 2, 0)
    const total = u.reduce((sum, x) => sum + (x - mean) ** 2, 0)
    const byChance = (p - 1) / (size - 1)
    const r2 = total > 0 ? Math.min(1, explained / total) : 0
    const kept = r2 > 0 ? Math.sqrt(Math.max(0, (r2 - byChance) / (1 - byChance)) / r2) : 0
    return raw.map(f => mean + kept * (f - mean))
  })
}
