import type { Draws } from '../uncertainty/draws'
import type { ParameterId } from '../uncertainty/parameters'
import { Z90 } from '../numerics/statistics'

/**
 * How a fall answers to one uncertain number, at the low and high end of its range: changes of the logarithm
 * of its time, and of its posture.
 */
export interface FallResponse {
  readonly id: ParameterId
  readonly lnTime: readonly [number, number]
  readonly pitchRad: readonly [number, number]
  readonly rollRad: readonly [number, number]
  readonly glide: readonly [number, number]
}

/**
 * A change found at the low and high end of a range; an end that could not be worked out is taken to mirror the other.
 */
export function atBothEnds<End>(
  ends: readonly [End | undefined, End | undefined],
  change: (end: End) => number,
): [low: number, high: number] {
  const [low, high] = ends.map(end => (end === undefined ? undefined : change(end)))
  return [low ?? -(high ?? 0), high ?? -(low ?? 0)]
}

/** Two numbers that together do more or less than each by itself: what is added at both high ends. */
export interface FallPair {
  readonly ids: readonly [ParameterId, ParameterId]
  readonly lnTime: number
}

/** A fall through every member of an ensemble. Seconds, radians, metres per metre. */
export interface FallMembers {
  readonly timeS: Float64Array
  readonly pitchRad: Float64Array
  readonly rollRad: Float64Array
  readonly glide: Float64Array
}

/**
 * A response surface in the logarithm of the time (main effects with a slope for each side, and the strongest
 * pair), and straight in posture.
 * @param at the fall at the middle of everything
 * @param fastestS no draw is faster
 */
export function fallMembers(
  at: { readonly timeS: number; readonly pitchRad: number; readonly rollRad: number; readonly glide: number },
  responses: readonly FallResponse[],
  pair: FallPair | undefined,
  draws: Draws,
  fastestS: number,
): FallMembers {
  const lnTime = new Float64Array(draws.size)
  const pitch = new Float64Array(draws.size).fill(at.pitchRad)
  const roll = new Float64Array(draws.size).fill(at.rollRad)
  const glide = new Float64Array(draws.size).fill(at.glide)
  for (const { id, ...by } of responses) {
    const z = draws.scores(id)
    for (let m = 0; m < draws.size; m++) {
      const side = z[m]! < 0 ? 0 : 1
      const part = Math.abs(z[m]!) / Z90
      lnTime[m]! += part * by.lnTime[side]
      pitch[m]! += part * by.pitchRad[side]
      roll[m]! += part * by.rollRad[side]
      glide[m]! += part * by.glide[side]
    }
  }
  if (pair) {
    const [a, b] = pair.ids.map(id => draws.scores(id))
    for (let m = 0; m < draws.size; m++) lnTime[m]! += (pair.lnTime * a![m]! * b![m]!) / Z90 ** 2
  }
  return {
    timeS: lnTime.map(ln => Math.max(fastestS, at.timeS * Math.exp(ln))),
    pitchRad: pitch.map(p => Math.min(Math.PI / 2, Math.max(-Math.PI / 2, p))),
    rollRad: roll.map(r => Math.min(Math.PI, Math.max(0, r))),
    glide: glide.map(g => Math.max(0, g)),
  }
}
