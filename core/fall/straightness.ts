import type { Line } from '../tackle/lines'
import { DEFAULT_FACTORS } from './factors'
import { dropRig } from './drop'
import type { HydroBody } from './hydroBody'
import { summarize } from './summary'

/** A rig that turns this often in a metre twists line and looks wrong. *Assumed*: a turn in four metres. */
export const SPINS_TURNS_PER_M = 0.25

/** Leaning over by this much more than when straight, a bait no longer swims as it should, rad. *Assumed.* */
const LEANS_RAD = 0.35

/** How crooked a bait may be rigged, m off at the tail, before it spins or leans over. */
export interface Straightness {
  /** undefined where it does neither within the range tried, or spins however straight */
  readonly withinM?: number
  readonly then?: 'spins' | 'leans'
  readonly spinsAnyway: boolean
}

/** Steps of crookedness tried, m, and water it is tried in, m. */
const STEPS_M = [0.001, 0.002, 0.003, 0.004, 0.005, 0.006, 0.008, 0.01, 0.013] as const
export const MOST_CROOKED_M = STEPS_M.at(-1)!
const DEPTH_M = 3

/**
 * The least bend at which a rig begins to spin or lean as it falls, from drops of the same rig bent more and
 * more.
 * @param bent the rig's body with its tail so far off, m
 */
export function straightness(bent: (bendM: number) => HydroBody, line?: Line): Straightness {
  const fall = (bendM: number): { turns: number; roll: number } => {
    const drop = dropRig(bent(bendM), {
      depthM: DEPTH_M,
      factors: DEFAULT_FACTORS,
      ...(line ? { line } : {}),
    })
    if (!drop.ok) return { turns: 0, roll: 0 }
    const { turnsPerM, rollRad } = summarize(drop.value)
    return { turns: Math.abs(turnsPerM), roll: rollRad }
  }
  const straight = fall(0)
  if (straight.turns >= SPINS_TURNS_PER_M) return { spinsAnyway: true }
  for (const withinM of STEPS_M) {
    const { turns, roll } = fall(withinM)
    if (turns >= SPINS_TURNS_PER_M) return { spinsAnyway: false, withinM, then: 'spins' }
    if (roll >= straight.roll + LEANS_RAD) return { spinsAnyway: false, withinM, then: 'leans' }
  }
  return { spinsAnyway: false }
}
