/** A place on a frame, pixels from its upper left corner. */
export interface Spot2 {
  readonly x: number
  readonly y: number
}
/** A bait marked on one frame. */
export interface ClipMark {
  readonly t: number
  readonly nose: Spot2
  readonly tail: Spot2
}

/** What two marks say. */
export interface ClipReading {
  readonly speedMS: number
  /** nose up positive */ readonly pitchRad: number
  readonly metres: number
  readonly seconds: number
}

/**
 * Speed and steepness from a bait marked on two frames or more. Speed downward, by least squares over all
 * marks; pitch the mean of all.
 * @param perM pixels in a metre
 * @returns undefined with fewer than two marks at different times
 * @throws RangeError unless perM is positive
 */
export function readClip(marks: readonly ClipMark[], perM: number): ClipReading | undefined {
  if (!(perM > 0)) throw new RangeError('readClip: perM must be positive')
  if (marks.length < 2) return undefined
  const middle = marks.map(({ t, nose, tail }) => ({ t, y: (nose.y + tail.y) / 2 / perM }))
  const t0 = middle.reduce((sum, m) => sum + m.t, 0) / middle.length
  const y0 = middle.reduce((sum, m) => sum + m.y, 0) / middle.length
  const square = middle.reduce((sum, m) => sum + (m.t - t0) ** 2, 0)
  if (square < 1e-9) return undefined
  const speedMS = middle.reduce((sum, m) => sum + (m.t - t0) * (m.y - y0), 0) / square
  const pitches = marks.map(({ nose, tail }) => Math.atan2(tail.y - nose.y, Math.abs(nose.x - tail.x)))
  const times = middle.map(m => m.t)
  return {
    speedMS,
    pitchRad: pitches.reduce((sum, p) => sum + p, 0) / pitches.length,
    metres: Math.abs(middle[middle.length - 1]!.y - middle[0]!.y),
    seconds: Math.max(...times) - Math.min(...times),
  }
}

/** Pixels in a metre from the two ends of something of known length. */
export const scaleOf = (a: Spot2, b: Spot2, metres: number): number =>
  Math.hypot(a.x - b.x, a.y - b.y) / metres
