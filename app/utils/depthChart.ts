import { SAMPLE_STRIDE } from '#catalogue'
import type { TankFrame } from './diver'
import { laneColour, PATTERNS, token } from './identity'

interface Box { readonly left: number, readonly right: number, readonly top: number, readonly bottom: number }

/** Depth by seconds of every rig, with the moment shown in the tank marked. */
export function drawDepthChart(ctx: CanvasRenderingContext2D, { divers, depthM }: TankFrame, box: Box, t: number): void {
  const longest = Math.max(1, ...divers.map(d => d.drop.timeS))
  const x = (s: number): number => box.left + ((box.right - box.left) * s) / longest
  const y = (m: number): number => box.top + ((box.bottom - box.top) * m) / depthM
  ctx.font = '12px "Archivo Variable", sans-serif'
  ctx.fillStyle = token('ink-soft')
  ctx.fillText('depth by seconds', box.left, box.top - 6)
  ctx.strokeStyle = token('hair')
  ctx.lineWidth = 1
  ctx.strokeRect(box.left + 0.5, box.top + 0.5, box.right - box.left, box.bottom - box.top)
  const step = [0.5, 1, 2, 5, 10, 20, 50].find(s => longest / s <= 6) ?? 50
  ctx.textAlign = 'center'
  for (let s = 0; s <= longest; s += step) {
    ctx.fillText(String(s), x(s), box.bottom + 14)
    segment(ctx, x(s), box.top, x(s), box.bottom)
  }
  ctx.textAlign = 'left'
  for (const { letter, drop } of divers) {
    ctx.strokeStyle = laneColour(letter)
    ctx.lineWidth = 2
    ctx.setLineDash([...PATTERNS[letter]])
    ctx.beginPath()
    for (let i = 0; i < drop.samples.length; i += SAMPLE_STRIDE) ctx.lineTo(x(drop.samples[i]!), y(-drop.samples[i + 3]!))
    ctx.stroke()
    ctx.setLineDash([])
  }
  ctx.strokeStyle = token('float')
  ctx.lineWidth = 1.5
  segment(ctx, x(Math.min(t, longest)), box.top, x(Math.min(t, longest)), box.bottom)
}

function segment(ctx: CanvasRenderingContext2D, x1: number, y1: number, x2: number, y2: number): void {
  ctx.beginPath()
  ctx.moveTo(x1, y1)
  ctx.lineTo(x2, y2)
  ctx.stroke()
}
