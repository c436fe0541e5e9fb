import type { Posterior } from '../uncertainty/posterior'

/** A rig and a place something was counted of: casts and snags, touches (bites and bumps) and hooked. */
export interface LoggedRig {
  readonly rigKey: string
  readonly placeKey: string
  readonly casts: number
  readonly snags: number
  readonly touches: number
  readonly hooked: number
}

/** What an angler's tallies say of everything that is uncertain, and which they were. */
export interface Learned extends Posterior {
  /** the most counted first */ readonly from: readonly LoggedRig[]
}

/** Rigs that are learned from in a place: each is asked of the model in every member. */
export const MOST_LOGGED = 8

/** A touch says as much as so many casts. */
const TOUCH = 3

/** The most counted, first; the same in whatever order they come. */
export function mostCounted(logged: readonly LoggedRig[]): LoggedRig[] {
  const worth = ({ casts, touches }: LoggedRig): number => casts + TOUCH * touches
  const key = ({ rigKey, placeKey }: LoggedRig): string => `${rigKey}\n${placeKey}`
  return logged
    .filter(l => worth(l) > 0)
    .sort((a, b) => worth(b) - worth(a) || (key(a) < key(b) ? -1 : 1))
    .slice(0, MOST_LOGGED)
}
