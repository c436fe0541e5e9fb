import type { TripAnswer } from '~/compute/trip'

/** A plan looks at every half hour, ms. */
export const STEP_MS = 30 * 60_000

/** A rod in hand without a change, ms. */
export interface Run {
  readonly rod: number
  readonly weightKg: number
  readonly from: number
  readonly to: number
}
/** Runs of the same rod and weight. */
export function runsOf({ hand, moments }: Pick<TripAnswer, 'hand' | 'moments'>): Run[] {
  const found: { -readonly [K in keyof Run]: Run[K] }[] = []
  for (const { moment, rod, weightKg } of hand) {
    const { at } = moments[moment]!
    const last = found.at(-1)
    if (last && last.rod === rod && last.weightKg === weightKg && last.to === at) last.to = at + STEP_MS
    else found.push({ rod, weightKg, from: at, to: at + STEP_MS })
  }
  return found
}
