import { describe, expect, it } from 'vitest'
import { moonText, skyOver } from './sky'

const at = (text: string): number => Date.parse(text)

describe('the sky over a trip', () => {
  // an almanac's rule: where the sun stands over the equator at an equinox, day and night are twelve hours each,
  // the day longer by the six minutes or so that refraction and the sun's width give it
  it('has a day of twelve hours and some minutes at the equator, at an equinox', () => {
    const { rises, sets } = skyOver(0, 0, at('2026-03-20T00:00:00Z'), at('2026-03-21T00:00:00Z'))
    expect(rises).toHaveLength(1)
    expect(sets).toHaveLength(1)
    const dayH = (sets[0]! - rises[0]!) / 3_600_000
    expect(dayH).toBeGreaterThan(12)
    expect(dayH).toBeLessThan(12.2)
  })
  it('covers night, dusk and day without a gap or an overlap', () => {
    const [from, to] = [at('2026-11-28T00:00:00Z'), at('2026-11-29T00:00:00Z')]
    const { darks, rises, sets } = skyOver(50, 0, from, to)
    const order = [...darks].sort((a, b) => a.from - b.from)
    expect(order.map(d => d.kind)).toEqual(['night', 'dusk', 'dusk', 'night'])
    expect(order[0]!.from).toBe(from)
    expect(order[1]!.to).toBe(rises[0])
    expect(order[2]!.from).toBe(sets[0])
    expect(order[3]!.to).toBe(to)
  })
  it('is never dark in summer beyond the polar circle', () => {
    const sky = skyOver(75, 0, at('2026-06-21T00:00:00Z'), at('2026-06-22T00:00:00Z'))
    expect(sky.darks).toEqual([])
    expect(sky.rises).toEqual([])
  })
  // total eclipses: of the moon at full moon (2026-03-03), of the sun at new moon (2026-08-12)
  it('has a full moon at an eclipse of the moon, and none at one of the sun', () => {
    expect(moonText(at('2026-03-03T11:34:00Z'))).toBe('full moon')
    expect(moonText(at('2026-08-12T17:46:00Z'))).toBe('new moon')
    expect(moonText(at('2026-08-19T12:00:00Z'))).toMatch(/^moon \d\d % lit, waxing$/)
  })
})
