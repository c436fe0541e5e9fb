import { describe, expect, it } from 'vitest'
import {
  BAIT_FORMS,
  fieldOf,
  finalistsAmong,
  ranked,
  finish,
  fishOf,
  screen,
  searchMemory,
  SPECIES_IDS,
  wantedLengthM,
  type Day,
  type Finalist,
  type CoverId,
  type BottomId,
  type SpeciesId,
  toTheEnd,
} from '#core'
import { dayOf } from '../shared/day'
import { onceEach, goodsOf } from '../shared/goods'
import { DEMO_BOX } from './box'

// every bait, every other of the rest: as good a box, and half the work
const box = DEMO_BOX.map((item, i) => ({ ...item, id: String(i) })).filter(
  ({ details: { kind } }, i) => kind === 'bait' || kind === 'line' || kind === 'rod' || i % 2 === 0,
)
const goods = onceEach(goodsOf(box))
const memory = searchMemory()

/** The water each kind of the list is usually fished in: depth, °C, salt, cover, bottom. */
const USUAL: Readonly<Record<SpeciesId, readonly [number, number, number, CoverId, BottomId]>> = {
  seaBass: [2, 14, 35, 'sparseWeed', 'sand'],
  wrasse: [6, 14, 35, 'boulders', 'rock'],
  pollack: [8, 11, 35, 'boulders', 'rock'],
  zander: [5, 14, 3, 'open', 'mud'],
  pike: [3, 12, 0, 'reeds', 'mud'],
  perch: [3, 14, 0, 'wood', 'mud'],
  blackBass: [2, 22, 0, 'sparseWeed', 'mud'],
  coolBass: [5, 16, 0, 'boulders', 'rock'],
  drum: [1.2, 22, 25, 'open', 'shell'],
  flathead: [2, 21, 35, 'open', 'sand'],
  barramundi: [3, 28, 10, 'wood', 'mud'],
  snapper: [4, 20, 35, 'open', 'shell'],
  flounder: [3, 13, 30, 'open', 'sand'],
  cod: [15, 8, 35, 'open', 'rock'],
  trout: [2, 12, 0, 'open', 'gravel'],
  char: [6, 8, 0, 'open', 'gravel'],
}

/** What the search puts first, in full. */
function pick(species: SpeciesId): { readonly best: Finalist; readonly day: Day } {
  const [depthM, temperatureC, salinityGKg, cover, bottom] = USUAL[species]
  const day = dayOf({
    species,
    depthM,
    temperatureC,
    salinityGKg,
    cover,
    bottom,
    clarity: 'stained',
    light: 'dull',
    month: 6,
  })
  const field = fieldOf(day, goods, {})
  const looked = toTheEnd(screen({ day, ...field, memory }))
  const [first] = finalistsAmong(field, ranked(day, field, looked))
  return { best: finish(day, field.goods, field.riggings, first!)!, day }
}

describe('every fish of the list, in its usual water, out of half the demo box', () => {
  it.each(SPECIES_IDS)('%s', species => {
    const { best, day } = pick(species)
    expect(day.activity).not.toBe('slow')
    const { spec } = goods.baits[best.bait]!
    // a bait that is like what they eat, of a length they take, that gets down in a time anyone waits
    expect([BAIT_FORMS[spec.form].name, best.match]).not.toContain('poor')
    const ratio = spec.lengthM / wantedLengthM(day.preyM, day.clarity, day.light, day.activity)
    expect(Math.abs(Math.log(ratio))).toBeLessThan(Math.log(1.6))
    expect(best.report.fall.timeS.value).toBeLessThan(30)
    expect(best.report.strike.hookUp.value).toBeGreaterThan(0.3)
    expect(best.report.snag.minutesLeft.value).toBeGreaterThan(25)
    // teeth that cut are met with wire
    if (fishOf(day).teeth === 'cutting') expect(best.leader.material).toBe('wire')
  })
})
