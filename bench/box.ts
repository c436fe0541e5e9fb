import { DEMO_DAYS } from '../demo/days'
import { fieldOf, screen, searchMemory, toTheEnd } from '#core'
import { boxOf } from './boxes'

/**
 * What it takes to work out all that searches remember of a box, by the number of things in it, and to look through
 * it again on another day; one worker, nothing shared.
 */
export function boxFigures(): Record<string, number> {
  const figures: Record<string, number> = {}
  for (const things of [120, 300, 1000]) {
    const goods = boxOf(things)
    const memory = searchMemory()
    const look = (depthM: number): number => {
      const day = { ...DEMO_DAYS.channel, depthM }
      const begun = performance.now()
      toTheEnd(screen({ day, ...fieldOf(day, goods, {}), memory }))
      return performance.now() - begun
    }
    figures[`box.index.${things}.ms`] = look(6)
    figures[`box.again.${things}.ms`] = Math.min(look(5.5), look(5), look(4.5))
  }
  return figures
}
