import {
  fromHeadingPitchRoll,
  LINE_EVERY,
  LINE_MARKS,
  rotate,
  SAMPLE_S,
  SAMPLE_STRIDE,
  type BentDrop,
  type Drop,
  type Quaternion,
  type Rest,
  type TetheredDrop,
} from '#core'

/**
 * Place (m, world) and attitude of a drop at a time, and how far its lowest part has sunk into the bottom, m.
 */
export interface Moment {
  readonly x: number
  readonly y: number
  readonly z: number
  readonly q: Quaternion
  readonly landed: boolean
  readonly sunkM: number
}

/**
 * A rig is shown to come to rest within this time after the touch, s. How long it truly takes is not worked
 * out.
 */
export const SETTLE_S = 0.6

/**
 * @param rest how the rig comes to lie; without it, or where it hangs above the bottom, it stays as it
 * touched
 */
export function momentAt(drop: Drop, t: number, rest?: Rest): Moment {
  const touched = inFall(drop, t)
  const eased = settledPart(drop, t, rest)
  if (rest?.centreM === undefined || eased === 0) return touched
  const nose = rotate(touched.q, [1, 0, 0])
  return {
    ...touched,
    z: touched.z + eased * (rest.centreM - drop.depthM - touched.z),
    q: between(
      touched.q,
      fromHeadingPitchRoll(Math.atan2(nose[1], nose[0]), rest.pitchRad, rest.rollRad),
      eased,
    ),
    sunkM: eased * rest.sunkM,
  }
}

/** How far it has come to lie, 0 to 1. */
function settledPart({ timeS }: Drop, t: number, rest: Rest | undefined): number {
  if (t <= timeS || rest?.centreM === undefined) return 0
  const part = Math.min(1, (t - timeS) / SETTLE_S)
  return part * part * (3 - 2 * part)
}

/** From one attitude to another the short way round (normalised linear interpolation). */
function between(from: Quaternion, to: Quaternion, part: number): Quaternion {
  const same = from[0] * to[0] + from[1] * to[1] + from[2] * to[2] + from[3] * to[3] < 0 ? -1 : 1
  const q = from.map((v, i) => (1 - part) * v + part * same * to[i]!)
  const size = Math.hypot(...q)
  return q.map(v => v / size) as unknown as Quaternion
}

function inFall({ samples, timeS }: Drop, t: number): Moment {
  const { before, after, part: f } = betweenSamples(samples, t)
  const [a, b] = [before * SAMPLE_STRIDE, after * SAMPLE_STRIDE]
  const mix = (k: number): number => samples[a + k]! + f * (samples[b + k]! - samples[a + k]!)
  const q = [mix(4), mix(5), mix(6), mix(7)]
  const size = Math.hypot(...q)
  return {
    x: mix(1),
    y: mix(2),
    z: mix(3),
    q: q.map(v => v / size) as unknown as Quaternion,
    landed: t >= timeS,
    sunkM: 0,
  }
}

/**
 * Attitude of every link behind the root against the one it hangs on, at a moment; none where nothing bends.
 * @param rest as above: as it comes to lie, straight where that was not worked out
 */
export function bendAt(drop: Drop | BentDrop, t: number, rest?: Rest): readonly Quaternion[] {
  if (!('bent' in drop)) return []
  const { samples, bent } = drop
  const joints = bent.length / 4 / (samples.length / SAMPLE_STRIDE)
  const { before, after, part } = betweenSamples(samples, t)
  const eased = settledPart(drop, t, rest)
  return Array.from({ length: joints }, (_, joint) => {
    const turn = between(turnAt(bent, before * joints + joint), turnAt(bent, after * joints + joint), part)
    return eased === 0 ? turn : between(turn, rest?.bent ? turnAt(rest.bent, joint) : STRAIGHT, eased)
  })
}

const STRAIGHT: Quaternion = [1, 0, 0, 0]

/** One of many attitudes, w x y z each. */
const turnAt = (packed: Float64Array, n: number): Quaternion => [
  packed[4 * n]!,
  packed[4 * n + 1]!,
  packed[4 * n + 2]!,
  packed[4 * n + 3]!,
]

/** How every link behind the root is turned against the one that it hangs on; none where nothing bends. */
export const turnsOf = (bent: Float64Array | undefined): readonly Quaternion[] =>
  bent ? Array.from({ length: bent.length / 4 }, (_, n) => turnAt(bent, n)) : []

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

/** The samples before and after a time, and how far it lies between them. */
function betweenSamples(
  samples: Float64Array,
  t: number,
): { readonly before: number; readonly after: number; readonly part: number } {
  const after = firstFrom(samples, t)
  const before = Math.max(0, after - 1)
  const [from, to] = [samples[before * SAMPLE_STRIDE]!, samples[after * SAMPLE_STRIDE]!]
  return { before, after, part: to > from ? Math.min(1, Math.max(0, (t - from) / (to - from))) : 1 }
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
export function weightAt(
  drop: Drop | TetheredDrop,
  t: number,
): readonly [number, number, number] | undefined {
  if (!('weightPath' in drop)) return undefined
  const i = 3 * firstFrom(drop.samples, t)
  return [drop.weightPath[i]!, drop.weightPath[i + 1]!, drop.weightPath[i + 2]!]
}

/** Places of the points of a held line at a moment, x y z, m; undefined on an open spool. */
export function heldLineAt({ linePath }: Drop, t: number): Float64Array | undefined {
  if (!linePath) return undefined
  const each = 3 * LINE_MARKS
  const last = linePath.length / each - 1
  const at = Math.min(last, Math.max(0, t / (LINE_EVERY * SAMPLE_S)))
  const i = Math.min(last, Math.floor(at))
  const next = Math.min(last, i + 1)
  return Float64Array.from(
    { length: each },
    (_, k) => linePath[i * each + k]! + (at - i) * (linePath[next * each + k]! - linePath[i * each + k]!),
  )
}
