import type { Line } from '../tackle/lines'
import type { RetrieveId } from '../snag/retrieve'
import { usualEnsemble, type Ensemble } from '../uncertainty/ensemble'
import { shareOf } from '../uncertainty/members'
import type { RigMembers } from './evaluateRig'
import { factorsOf, scoreOf, TASTES, type Scoring, type Taste, type Traits } from './score'

/** What fish like in each member of the usual ensemble, once. */
let usual: readonly Taste[] | undefined
const usualTastes = (): readonly Taste[] => (usual ??= tastesOf(usualEnsemble()))

/** What fish like, in every member. */
export function tastesOf(ensemble: Ensemble): readonly Taste[] {
  const values = TASTES.map(id => ensemble.values(id))
  return Array.from(
    { length: ensemble.size },
    (_, m) => Object.fromEntries(TASTES.map((id, i) => [id, values[i]![m]!])) as unknown as Taste,
  )
}

/**
 * Score of a rig in every member: hook-up, time and fall as the member has them, and what its fish like.
 * Without members of its own (a quick look) only what they like differs.
 */
export function scoresAmong(
  scoring: Scoring,
  traits: Traits,
  retrieve: RetrieveId,
  line: Line,
  members?: Pick<RigMembers, 'hookUp' | 'minutesLeft' | 'fallS'>,
  fallS = 1,
  tastes = usualTastes(),
): Float64Array {
  return Float64Array.from(tastes, (taste, m) =>
    scoreOf(
      factorsOf(
        scoring,
        members
          ? {
              ...traits,
              hookUp: members.hookUp[m]!,
              minutesLeft: members.minutesLeft[m]!,
              sinkMS: (traits.sinkMS * fallS) / members.fallS[m]!,
            }
          : traits,
        retrieve,
        line,
        taste,
      ),
    ),
  )
}

/** Part of the members in which each is the best of them; those that tie share it. */
export function oddsOf(scores: readonly Float64Array[]): number[] {
  const size = scores[0]?.length ?? 0
  const won = scores.map(() => 0)
  for (let m = 0; m < size; m++) {
    const best = Math.max(...scores.map(s => s[m]!))
    const winners = scores.flatMap((s, i) => (s[m]! === best ? [i] : []))
    for (const i of winners) won[i]! += 1 / winners.length / size
  }
  return won
}

/** Part of the members in which one scores at least as well as another. */
export const betterThan = (one: Float64Array, other: Float64Array): number =>
  shareOf(one.length, m => one[m]! >= other[m]!)
