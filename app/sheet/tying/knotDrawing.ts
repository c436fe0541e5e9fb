import { crossingsOf, smooth, type Strand } from '#core'

/** A line to draw: its points, how wide, of which strand, and whether it clears what lies under it. */
interface Stroke {
  readonly kind: Strand['kind']
  readonly points: string
  readonly doubled: boolean
  readonly clears: boolean
}
export interface KnotDrawing {
  readonly strokes: readonly Stroke[]
  readonly viewBox: string
}

/** Pieces to either side of a crossing that the upper strand is drawn anew for, and clears for. */
const OVER = 3
const CLEARS = 2
/** Room left round a drawing, and the least it shows, in rings' half widths. */
const EDGE = 0.7
const LEAST = { width: 9, height: 4.6 } as const
/** What runs on to the rod, or is wire, is of no use to see farther than this from what is tied, in the same. */
const FAR = 3
const ABOUT_EYE = [-2.4, 4] as const

/**
 * A step of a knot as strokes from the lowest to the highest: every strand whole, then at each crossing the upper one
 * anew over a clear band, so that it is seen which lies over.
 */
export function knotDrawing(strands: readonly Strand[]): KnotDrawing {
  const lines = strands.map(smooth)
  const textOf = (strand: number, from: number, to: number): string =>
    lines[strand]!.slice(Math.max(0, from), to + 1)
      .map(([x, y]) => `${x.toFixed(2)},${(-y).toFixed(2)}`)
      .join(' ')
  const stroke = (strand: number, from: number, to: number, clears: boolean): Stroke => ({
    kind: strands[strand]!.kind,
    points: textOf(strand, from, to),
    doubled: strands[strand]!.doubled ?? false,
    clears,
  })
  const crossings = [...crossingsOf(strands)].sort((a, b) => a.gap - b.gap)
  const over = crossings.flatMap(({ over: { strand, along } }) => {
    const i = Math.floor(along)
    return [stroke(strand, i - CLEARS + 1, i + CLEARS, true), stroke(strand, i - OVER + 1, i + OVER, false)]
  })
  const tied = [...ABOUT_EYE, ...crossings.map(({ at }) => at[0])]
  const [from, to] = [Math.min(...tied) - FAR, Math.max(...tied) + FAR]
  const seen = lines.flat().filter(([x]) => x >= from && x <= to)
  const [xs, ys] = [seen.map(p => p[0]), seen.map(p => -p[1])]
  const width = Math.max(LEAST.width, Math.max(...xs) - Math.min(...xs) + 2 * EDGE)
  const height = Math.max(LEAST.height, Math.max(...ys) - Math.min(...ys) + 2 * EDGE)
  const [cx, cy] = [(Math.max(...xs) + Math.min(...xs)) / 2, (Math.max(...ys) + Math.min(...ys)) / 2]
  return {
    strokes: [...lines.map((line, s) => stroke(s, 0, line.length - 1, false)), ...over],
    viewBox: `${(cx - width / 2).toFixed(2)} ${(cy - height / 2).toFixed(2)} ${width.toFixed(2)} ${height.toFixed(2)}`,
  }
}
