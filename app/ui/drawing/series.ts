import { pitchOf, radToDeg, SAMPLE_STRIDE, type Drop } from '#core'

/**
 * Depth (m, positive down), pitch (degrees) and sinking speed (m/s) of a drop against time (s), thinned for
 * drawing.
 */
export interface Series {
  readonly t: Float64Array
  readonly depth: Float64Array
  readonly pitch: Float64Array
  readonly speed: Float64Array
}
export type SeriesId = 'depth' | 'pitch' | 'speed'

/** No chart is wider than this many points. */
const MOST = 400
const kept = new WeakMap<Drop, Series>()

export function seriesOf(drop: Drop): Series {
  const found = kept.get(drop)
  if (found) return found
  const s = drop.samples
  const count = s.length / SAMPLE_STRIDE
  const every = Math.max(1, Math.ceil(count / MOST))
  const n = Math.ceil(count / every)
  const series: Series = {
    t: new Float64Array(n),
    depth: new Float64Array(n),
    pitch: new Float64Array(n),
    speed: new Float64Array(n),
  }
  for (let k = 0; k < n; k++) {
    const i = Math.min(count - 1, k * every)
    const at = i * SAMPLE_STRIDE
    const before = Math.max(0, i - 3) * SAMPLE_STRIDE
    series.t[k] = s[at]!
    series.depth[k] = -s[at + 3]!
    series.pitch[k] = radToDeg(pitchOf([s[at + 4]!, s[at + 5]!, s[at + 6]!, s[at + 7]!]))
    series.speed[k] = i > 0 ? (s[before + 3]! - s[at + 3]!) / (s[at]! - s[before]!) : 0
  }
  kept.set(drop, series)
  return series
}
