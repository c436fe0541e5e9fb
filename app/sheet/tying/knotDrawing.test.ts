import { expect, it } from 'vitest'
import { crossingsOf, KNOT_IDS, KNOTS } from '#core'
import { knotDrawing } from './knotDrawing'

it('every crossing is drawn with what lies over it last, over a clear band', () => {
  for (const id of KNOT_IDS)
    for (const { strands } of KNOTS[id].steps) {
      const { strokes, viewBox } = knotDrawing(strands)
      const crossings = crossingsOf(strands)
      expect(strokes).toHaveLength(strands.length + 2 * crossings.length)
      expect(strokes.filter(s => s.clears)).toHaveLength(crossings.length)
      const [x, y, width, height] = viewBox.split(' ').map(Number) as [number, number, number, number]
      for (const { at } of crossings) {
        expect(at[0]).toBeGreaterThan(x)
        expect(at[0]).toBeLessThan(x + width)
        expect(-at[1]).toBeGreaterThan(y)
        expect(-at[1]).toBeLessThan(y + height)
      }
    }
})
