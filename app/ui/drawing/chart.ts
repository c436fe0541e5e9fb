import type { Diver } from './diver'
import { laneColour, PATTERNS, token } from './identity'
import { seriesOf, type SeriesId } from './series'

export interface Box {
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
}

/** What a chart shows: which series, in what words, on what axis (values at the top and bottom edge). */
export interface ChartSpec {
  readonly id: SeriesId
  readonly title: string
  readonly top: number
  readonly bottom: number
  /** what is written at the left edge, and where */ readonly marks: readonly {
    readonly at: number
    readonly text: string
  }[]
}

/** Seconds along the whole of a chart's axis. */
export const spanOf = (divers: readonly Diver[], ghosts: readonly Diver[]): number =>
  Math.max(1, ...[...divers, ...ghosts].map(d => d.drop.timeS))

/**
 * One series of every rig against seconds; older drops dotted behind; with `t` the moment shown in the tank
 * marked.
 */
export function drawChart(
  ctx: CanvasRenderingContext2D,
  divers: readonly Diver[],
  ghosts: readonly Diver[],
  spec: ChartSpec,
  box: Box,
  t?: number,
): void {
  const longest = spanOf(divers, ghosts)
  const x = (s: number): number => box.left + ((box.right - box.left) * s) / longest
  const y = (value: number): number =>
    box.top + ((box.bottom - box.top) * (value - spec.top)) / (spec.bottom - spec.top)
  frame(ctx, spec, box, longest, x, y)
  ctx.save()
  ctx.beginPath()
  ctx.rect(box.left, box.top - 1, box.right - box.left, box.bottom - box.top + 2)
  ctx.clip()
  for (const { drop } of ghosts) curve(ctx, drop, spec.id, x, y, token('ink-soft'), 1.2, [1, 4])
  for (const { letter, drop } of divers)
    curve(ctx, drop, spec.id, x, y, laneColour(letter), 2, PATTERNS[letter])
  ctx.restore()
  if (t === undefined) return
  ctx.strokeStyle = token('float')
  ctx.lineWidth = 1.5
  segment(ctx, x(Math.min(t, longest)), box.top, x(Math.min(t, longest)), box.bottom)
}

function frame(
  ctx: CanvasRenderingContext2D,
  spec: ChartSpec,
  box: Box,
  longest: number,
  x: (s: number) => number,
  y: (v: number) => number,
): void {
  ctx.font = '12px "Archivo Variable", sans-serif'
  ctx.fillStyle = token('ink-soft')
  ctx.textAlign = 'left'
  ctx.fillText(spec.title, box.left, box.top - 6)
  ctx.strokeStyle = token('hair')
  ctx.lineWidth = 1
  ctx.strokeRect(box.left + 0.5, box.top + 0.5, box.right - box.left, box.bottom - box.top)
  const step = [0.5, 1, 2, 5, 10, 20, 50].find(s => longest / s <= 6) ?? 50
  ctx.textAlign = 'center'
  for (let s = 0; s <= longest; s += step) {
    ctx.fillText(String(s), x(s), box.bottom + 14)
    segment(ctx, x(s), box.top, x(s), box.bottom)
  }
  ctx.textAlign = 'right'
  for (const mark of spec.marks) {
    ctx.fillText(mark.text, box.left - 4, y(mark.at) + 4)
    segment(ctx, box.left, y(mark.at), box.right, y(mark.at))
  }
  ctx.textAlign = 'left'
}

function curve(
  ctx: CanvasRenderingContext2D,
  drop: Diver['drop'],
  id: SeriesId,
  x: (s: number) => number,
  y: (v: number) => number,
  colour: string,
  weight: number,
  dashes: readonly number[],
): void {
  const series = seriesOf(drop)
  ctx.strokeStyle = colour
  ctx.lineWidth = weight
  ctx.setLineDash([...dashes])
  ctx.beginPath()
  for (let i = 0; i < series.t.length; i++) ctx.lineTo(x(series.t[i]!), y(series[id][i]!))
  ctx.stroke()
  ctx.setLineDash([])
}

function segment(ctx: CanvasRenderingContext2D, x1: number, y1: number, x2: number, y2: number): void {
  ctx.beginPath()
  ctx.moveTo(x1, y1)
  ctx.lineTo(x2, y2)
  ctx.stroke()
}
