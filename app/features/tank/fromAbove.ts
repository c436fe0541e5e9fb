import { rotate, SAMPLE_STRIDE } from '#core'
import type { TankFrame } from '~/ui/drawing/diver'
import { momentAt, weightAt } from '~/ui/drawing/dropPath'
import { laneColour, PATTERNS, token } from '~/ui/drawing/identity'
import type { TankScale } from '~/ui/drawing/tankDrawing'

/**
 * The same drops seen from above: away from the rod to the left as in the side view, the angler's left side
 * at the bottom.
 */
export function drawFromAbove(
  ctx: CanvasRenderingContext2D,
  frame: TankFrame,
  scale: TankScale,
  t: number,
): void {
  const middle = frame.height / 2
  ctx.fillStyle = token('water-top')
  ctx.fillRect(0, 0, frame.width, frame.height)
  ctx.strokeStyle = token('hair-strong')
  ctx.lineWidth = 1
  ctx.setLineDash([2, 4])
  ctx.beginPath()
  ctx.moveTo(0, middle)
  ctx.lineTo(frame.width, middle)
  ctx.stroke()
  ctx.setLineDash([])
  frame.divers.forEach(({ letter, drop, solid, rest }, i) => {
    const start = scale.starts[i]!
    const s = drop.samples
    const place = (x: number, y: number): [number, number] => [
      start - x * scale.perM,
      middle + y * scale.perM,
    ]
    ctx.strokeStyle = laneColour(letter)
    ctx.lineWidth = 2
    ctx.setLineDash([...PATTERNS[letter]])
    ctx.beginPath()
    for (let k = 0; k < s.length && s[k]! <= t; k += SAMPLE_STRIDE) ctx.lineTo(...place(s[k + 1]!, s[k + 2]!))
    ctx.stroke()
    ctx.setLineDash([])
    const m = momentAt(drop, t, rest)
    const nose = rotate(m.q, [1, 0, 0])
    const half = (solid.lengthM / 2) * scale.perM * scale.magnified
    const [x, y] = place(m.x, m.y)
    ctx.lineWidth = 5
    ctx.lineCap = 'round'
    ctx.beginPath()
    ctx.moveTo(x + nose[0] * half, y - nose[1] * half)
    ctx.lineTo(x - nose[0] * half, y + nose[1] * half)
    ctx.stroke()
    ctx.lineCap = 'butt'
    ctx.fillStyle = token('paper')
    ctx.beginPath()
    ctx.arc(x - nose[0] * half, y + nose[1] * half, 2, 0, 2 * Math.PI)
    ctx.fill()
    const weight = weightAt(drop, t)
    if (!weight) return
    ctx.fillStyle = token('lead')
    ctx.beginPath()
    ctx.arc(...place(weight[0], weight[1]), 4, 0, 2 * Math.PI)
    ctx.fill()
  })
}
