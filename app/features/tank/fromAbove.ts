import { rotate, SAMPLE_STRIDE } from '#core'
import type { TankFrame } from '~/ui/drawing/diver'
import { bentParts, UNBENT } from '~/ui/drawing/bend'
import { bendAt, momentAt, weightAt } from '~/ui/drawing/dropPath'
import { laneColour, PATTERNS, token } from '~/ui/drawing/identity'
import type { TankScale } from '~/ui/drawing/tankDrawing'

/** Places along a bait through which it is drawn. */
const MARKS = 9

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
  frame.divers.forEach(({ letter, drop, solid, rest, links }, i) => {
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
    const part = links ? bentParts(links, bendAt(drop, t, rest)) : UNBENT
    const k = scale.perM * scale.magnified
    const [x, y] = place(m.x, m.y)
    const body = Array.from({ length: MARKS }, (_, n): [number, number] => {
      const along = solid.lengthM * (0.5 - n / (MARKS - 1))
      const [away, left] = rotate(m.q, part(along).place([along, 0, 0]))
      return [x + away * k, y - left * k]
    })
    ctx.lineWidth = 5
    ctx.lineCap = 'round'
    ctx.beginPath()
    for (const point of body) ctx.lineTo(...point)
    ctx.stroke()
    ctx.lineCap = 'butt'
    ctx.fillStyle = token('paper')
    ctx.beginPath()
    ctx.arc(...body[MARKS - 1]!, 2, 0, 2 * Math.PI)
    ctx.fill()
    const weight = weightAt(drop, t)
    if (!weight) return
    ctx.fillStyle = token('lead')
    ctx.beginPath()
    ctx.arc(...place(weight[0], weight[1]), 4, 0, 2 * Math.PI)
    ctx.fill()
  })
}
