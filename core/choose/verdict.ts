import { measure, type Measure, type Outcome } from '../outcome'
import type { FitRule } from '../fit/rules'
import type { Ensemble } from '../uncertainty/ensemble'
import { meanOf, measureOf, shareOf } from '../uncertainty/members'
import type { RigMembers, RigReport } from './evaluateRig'
import { settlesOf, type Doubtful, type Settle } from './settle'
import type { ParameterId } from '../uncertainty/parameters'
import { EFFECTIVE } from '../uncertainty/posterior'
import { stakeOf, utilityOf, type Utility } from './utility'

/** A lane as the verdict needs it: its letter and what came of it. */
export interface JudgedLane {
  readonly letter: string
  readonly result: Outcome<RigReport>
}

/**
 * one: best in eight members of ten and more, or costs less than three in a hundred of the catch where it is
 * not. alike: several cost no more than that. group: some are surely behind. open: it matters and cannot be
 * told. none: nothing can be fished as rigged.
 */
export type VerdictKind = 'one' | 'alike' | 'group' | 'open' | 'none'
export type DecidedBy = 'fishing time' | 'hook-up' | 'lost rigs' | 'fit' | 'nothing'

/** A rig in the verdict. */
export interface Judged {
  readonly letter: string
  /** part of the members in which none is better */ readonly pBest: number
  /** what tying it on costs on average against the best in each member, in the unit of the utility */
  readonly expectedLoss: number
  readonly utility: Measure
}

/** What two rigs differ by, member by member. */
export interface Difference {
  readonly of: MeasureId
  readonly one: string
  readonly other: string
  /** one's less the other's */ readonly by: Measure
  /** part of the members in which one's is the greater */ readonly pGreater: number
}

export const MEASURE_IDS = [
  'fallS',
  'snagPerCast',
  'minutesLeft',
  'lostPerHour',
  'hookUp',
] as const satisfies readonly (keyof RigMembers)[]
export type MeasureId = (typeof MEASURE_IDS)[number] | 'utility'

export interface Verdict {
  readonly kind: VerdictKind
  /** the rig to tie on, or those among which it is not told */ readonly letters: readonly string[]
  /** surely behind, though they can be fished */ readonly behind: readonly string[]
  readonly decidedBy: DecidedBy
  readonly utility: Utility
  /** every rig that can be fished, the one with the least expected loss first */
  readonly rigs: readonly Judged[]
  readonly differences: readonly Difference[]
  /** what would settle it, the most worth first */ readonly settles: readonly Settle[]
  /** the one number on which it turns most; undefined where nothing is at stake */
  readonly turnsOn?: ParameterId
  /** members that count alike, where what was logged is hard to make one of and they are few */
  readonly effective?: number
  /** what cannot be fished as rigged, and why */
  readonly out: readonly ({ readonly letter: string } & (
    | { readonly why: 'fit'; readonly rule: FitRule }
    | { readonly why: 'floats' }
    | { readonly why: 'failed'; readonly message: string }
  ))[]
}

/** Best in so many members of a hundred: tie it on. Best in fewer than so many: surely behind. */
const BEST = 0.8
const BEHIND = 0.05
/** Less than this part of what the leader catches is no difference worth a re-tie. */
const WORTH_A_RETIE = 0.03
/** One is surely greater in so many members. */
export const SURELY = 0.95

type Standing = Doubtful & { readonly report: RigReport }

/**
 * Says which rig to tie on, how surely, what it would cost to be wrong and what would settle it. All rigs are
 * compared in each member of the same ensemble: one fish bites them all as hard, one weed stands in the way
 * of all. Rigs that fail to fit or never sink are out.
 * @param ensemble the one they were evaluated with; the usual when left out
 */
export function judgeLanes(lanes: readonly JudgedLane[], utility: Utility, ensemble?: Ensemble): Verdict {
  const out = lanes.flatMap(outOf)
  const standing = lanes.flatMap(lane => standingOf(lane, utility))
  const usual = { behind: [], utility, rigs: [], differences: [], settles: [], out } as const
  if (standing.length === 0) return { ...usual, kind: 'none', letters: [], decidedBy: 'fit' }
  const rigs = rankOf(standing)
  const leader = rigs.reduce((top, r) => (r.pBest > top.pBest ? r : top))
  const behind = rigs.filter(r => r !== leader && r.pBest < BEHIND).map(r => r.letter)
  const { kind, letters } = kindOf(standing, rigs, leader, behind, utility)
  const { settles, turnsOn } =
    kind === 'one' && leader.pBest > SURELY
      ? { settles: [], turnsOn: undefined }
      : settlesOf(standing, ensemble)
  const few = ensemble?.effective !== undefined && ensemble.effective < EFFECTIVE
  return {
    ...usual,
    kind,
    letters,
    behind: behind.filter(letter => !letters.includes(letter)),
    decidedBy: deciderOf(standing, kind === 'one' ? letters[0]! : rigs[0]!.letter, out.length > 0),
    rigs,
    differences: pairs(standing).flatMap(([one, other]) => differencesOf(one, other)),
    settles,
    ...(turnsOn ? { turnsOn } : {}),
    ...(few ? { effective: ensemble.effective } : {}),
  }
}

/** A rig that cannot be fished as it is, and why. */
function outOf({ letter, result }: JudgedLane): Verdict['out'] {
  if (!result.ok)
    return result.code === 'floats'
      ? [{ letter, why: 'floats' }]
      : [{ letter, why: 'failed', message: result.message }]
  const rule = result.value.fit.rules.find(r => r.verdict === 'fail')
  return rule ? [{ letter, why: 'fit', rule }] : []
}

/** One that can. */
function standingOf({ letter, result }: JudgedLane, utility: Utility): Standing[] {
  if (!result.ok || result.value.fit.verdict === 'fail') return []
  const { value: report } = result
  return [{ letter, report, owners: report.owners, members: utilityOf(report.members, utility) }]
}

/** Rigs by what it costs to tie them on where another is the best, the least first. */
function rankOf(standing: readonly Standing[]): Judged[] {
  const best = bestOf(standing)
  return standing
    .map((s): Judged => ({
      letter: s.letter,
      pBest: shareOf(best.length, m => s.members[m]! >= best[m]!),
      expectedLoss: meanOf(best) - meanOf(s.members),
      utility: measureOf(meanOf(s.members), s.members),
    }))
    .sort((a, b) => a.expectedLoss - b.expectedLoss || (a.letter < b.letter ? -1 : 1))
}

/** What is said, and of which rigs. @param rigs the least costly first */
function kindOf(
  standing: readonly Standing[],
  rigs: readonly Judged[],
  leader: Judged,
  behind: readonly string[],
  utility: Utility,
): { readonly kind: Exclude<Verdict['kind'], 'none'>; readonly letters: readonly string[] } {
  const cheapest = standing.find(s => s.letter === rigs[0]!.letter)!
  const worth = WORTH_A_RETIE * meanOf(stakeOf(cheapest.report.members, utility))
  const named = (list: readonly Judged[]): string[] => list.map(r => r.letter).sort()
  // tying on any of these costs next to nothing, whichever is the best
  const safe = rigs.filter(r => r.expectedLoss < worth)
  if (safe.length > 1) return { kind: 'alike', letters: named(safe) }
  if (safe.length === 1) return { kind: 'one', letters: named(safe) }
  if (leader.pBest >= BEST) return { kind: 'one', letters: [leader.letter] }
  return behind.length > 0
    ? { kind: 'group', letters: named(rigs.filter(r => !behind.includes(r.letter))) }
    : { kind: 'open', letters: named(rigs) }
}

/** The best utility in each member. */
function bestOf(standing: readonly Doubtful[]): Float64Array {
  return standing[0]!.members.map((_, m) => Math.max(...standing.map(s => s.members[m]!)))
}

const pairs = <T>(list: readonly T[]): (readonly [T, T])[] =>
  list.flatMap((one, i) => list.slice(i + 1).map(other => [one, other] as const))

function differencesOf(one: Standing, other: Standing): Difference[] {
  const of = (id: MeasureId, a: Float64Array, b: Float64Array, value: number): Difference => {
    const by = a.map((x, m) => x - b[m]!)
    const range = measureOf(value, by)
    return {
      of: id,
      one: one.letter,
      other: other.letter,
      by: measure(value, range.low, range.high),
      pGreater: shareOf(by.length, m => by[m]! > 0),
    }
  }
  return [
    of('utility', one.members, other.members, meanOf(one.members) - meanOf(other.members)),
    ...MEASURE_IDS.map(id =>
      of(
        id,
        one.report.members[id],
        other.report.members[id],
        valueOf(one.report, id) - valueOf(other.report, id),
      ),
    ),
  ]
}

/** A measure at the middle of everything. */
export function valueOf({ fall, snag, strike }: RigReport, id: (typeof MEASURE_IDS)[number]): number {
  switch (id) {
    case 'fallS':
      return fall.timeS.value
    case 'snagPerCast':
      return snag.snagPerCast.value
    case 'minutesLeft':
      return snag.minutesLeft.value
    case 'lostPerHour':
      return snag.hour.rigsLost + snag.hour.hooksOpened
    case 'hookUp':
      return strike.hookUp.value
  }
}

/**
 * What sets the leader most above the next: of time, hook-up and lost rigs the one whose exchange would cost
 * it most.
 */
function deciderOf(standing: readonly Standing[], letter: string, someOut: boolean): DecidedBy {
  const lead = standing.find(s => s.letter === letter)!
  const next = standing.filter(s => s !== lead).sort((a, b) => meanOf(b.members) - meanOf(a.members))[0]
  if (!next) return someOut ? 'fit' : 'nothing'
  const gap = (of: (r: RigReport) => number): number =>
    Math.log(Math.max(1e-6, of(lead.report)) / Math.max(1e-6, of(next.report)))
  const time = gap(r => r.snag.minutesLeft.value)
  const hook = gap(r => r.strike.hookUp.value)
  const lost = next.report.snag.hour.rigsLost - lead.report.snag.hour.rigsLost
  if (lost > 1 && time < 0.05 && hook < 0.05) return 'lost rigs'
  return time >= hook ? 'fishing time' : 'hook-up'
}
