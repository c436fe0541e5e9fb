import type { QuickFall } from './quick'

/** Weights of one rigging whose fall is worked out; those between are interpolated. */
const NODES = 2

/** First and last, without repeats. */
export const nodesOf = (count: number): number[] => [
  ...new Set(
    Array.from({ length: Math.min(NODES, count) }, (_, i) =>
      Math.round((i * (count - 1)) / Math.max(1, Math.min(NODES, count) - 1)),
    ),
  ),
]

/** A fall between two that are known: all but the mass itself goes with the logarithm of the weight. */
export function between(
  known: readonly number[],
  falls: readonly (QuickFall | undefined)[],
  weightKg: number,
  node: number,
): QuickFall | undefined {
  if (node >= 0) return falls[node]
  const above = known.findIndex(kg => kg >= weightKg)
  const [a, b] = [falls[above - 1], falls[above]]
  if (!a || !b) return a ?? b
  const [low, high] = [known[above - 1]!, known[above]!]
  const t = Math.log(weightKg / low) / Math.log(high / low)
  const s = (weightKg - low) / (high - low)
  const mix = (x: number, y: number, share: number): number => x + share * (y - x)
  return {
    massKg: mix(a.massKg, b.massKg, s),
    wetN: mix(a.wetN, b.wetN, s),
    sinkMS: mix(a.sinkMS, b.sinkMS, t),
    sideM2: a.sideM2,
    frontM2: mix(a.frontM2, b.frontM2, t),
    pitchRad: mix(a.pitchRad, b.pitchRad, t),
    standsM: mix(a.standsM, b.standsM, t),
  }
}
