import { SAMPLE_STRIDE } from '#catalogue'
import type { Drop, Quaternion, TetheredDrop } from '#core'

/** Place (m, world) and attitude of a drop at a time; the last state once it lies on the bottom. */
export interface Moment { readonly x: number, readonly y: number, readonly z: number, readonly q: Quaternion, readonly landed: boolean }

export function momentAt({ samples, timeS }: Drop, t: number): Moment {
  const low = firstFrom(samples, t)
  const b = low * SAMPLE_STRIDE
  const a = Math.max(0, low - 1) * SAMPLE_STRIDE
  const span = samples[b]! - samples[a]!
  const f = span > 0 ? Math.min(1, Math.max(0, (t - samples[a]!) / span)) : 1
  const mix = (k: number): number => samples[a + k]! + f * (samples[b + k]! - samples[a + k]!)
  const q = [mix(4), mix(5), mix(6), mix(7)]
  const size = Math.hypot(...q)
  return { x: mix(1), y: mix(2), z: mix(3), q: q.map(v => v / size) as unknown as Quaternion, landed: t >= timeS }
}

/** Least and greatest X of a drop, m. */
export function reachOf({ samples }: Drop): readonly [number, number] {
  let low = Infinity
  let high = -Infinity
  for (let i = 1; i < samples.length; i += SAMPLE_STRIDE) {
    low = Math.min(low, samples[i]!)
    high = Math.max(high, samples[i]!)
  }
  return [low, high]
}

/** Index of the first sample at or after a time; the last one after the end. */
export function firstFrom(samples: Float64Array, t: number): number {
  let low = 0
  let high = samples.length / SAMPLE_STRIDE - 1
  while (low < high) {
    const middle = (low + high) >> 1
    if (samples[middle * SAMPLE_STRIDE]! < t) low = middle + 1
    else high = middle
  }
  return low
}

/** Place of a weight that hangs on its own, m; undefined where the rig has none. */
export function weightAt(drop: Drop | TetheredDrop, t: number): readonly [number, number, number] | undefined {
  if (!('weightPath' in drop)) return undefined
  const i = 3 * firstFrom(drop.samples, t)
  return [drop.weightPath[i]!, drop.weightPath[i + 1]!, drop.weightPath[i + 2]!]
}
