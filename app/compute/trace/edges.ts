import type { Smoothed } from './ground'
import type { Point } from './homography'

/** Places asked along the way across an edge, a pixel. */
const STEPS = 2
/** A difference of colour smaller than this, of 255, tells nothing. */
const LEAST_STEP = 10

/**
 * How far along a direction from a place near an edge the colour is half-way between inside and outside, px: what
 * smoothing and thresholds do to an edge falls out of it. 0 where nothing can be told.
 * @param out unit direction from inside to outside
 * @param insidePx how far to look inside, where the thing is thin
 * @param outsidePx how far to look outside
 */
export function edgeAlong(picture: Smoothed, at: Point, out: Point, insidePx: number, outsidePx = 6): number {
  const colour = (t: number): Colour => colourAt(picture, at[0] + t * out[0], at[1] + t * out[1])
  const mean = (from: number): Colour => {
    const [a, b, c] = [colour(from), colour(from + 0.75), colour(from + 1.5)]
    return [0, 1, 2].map(k => (a[k]! + b[k]! + c[k]!) / 3) as unknown as Colour
  }
  const inside = mean(-insidePx)
  const outside = mean(outsidePx - 1.5)
  const step = [0, 1, 2].map(k => outside[k]! - inside[k]!)
  const size2 = step.reduce((sum, v) => sum + v * v, 0)
  if (size2 < LEAST_STEP ** 2) return 0
  const part = (t: number): number => {
    const c = colour(t)
    return [0, 1, 2].reduce((sum, k) => sum + (c[k]! - inside[k]!) * step[k]!, 0) / size2
  }
  let best = 0
  let nearest = Infinity
  let before = part(-insidePx)
  for (let i = 1; i <= (insidePx + outsidePx) * STEPS; i++) {
    const t = -insidePx + i / STEPS
    const now = part(t)
    if (before < 0.5 && now >= 0.5) {
      const crossing = t - (now - 0.5) / (now - before) / STEPS
      if (Math.abs(crossing) < nearest) {
        nearest = Math.abs(crossing)
        best = crossing
      }
    }
    before = now
  }
  return best
}

type Colour = readonly [r: number, g: number, b: number]

/** Colour between pixels; the picture's rim goes on outside it. */
function colourAt({ width, height, rgb }: Smoothed, x: number, y: number): Colour {
  const cx = Math.max(0, Math.min(width - 1.001, x))
  const cy = Math.max(0, Math.min(height - 1.001, y))
  const [x0, y0] = [Math.floor(cx), Math.floor(cy)]
  const [fx, fy] = [cx - x0, cy - y0]
  const i = 3 * (y0 * width + x0)
  const j = i + 3 * width
  return [0, 1, 2].map(
    k =>
      (1 - fy) * ((1 - fx) * rgb[i + k]! + fx * rgb[i + 3 + k]!) +
      fy * ((1 - fx) * rgb[j + k]! + fx * rgb[j + 3 + k]!),
  ) as unknown as Colour
}
