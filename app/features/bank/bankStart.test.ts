import { describe, expect, it } from 'vitest'
import { reactive } from 'vue'
import { DEMO_SPOTS } from '../../../demo/spots'
import type { StoredDocument, TripContent } from '#schemas/spot'
import { depthOf, fromSheet, fromTrip } from './bankStart'
import { starterContent } from '~/sheet/starter'

const spots = new Map(
  DEMO_SPOTS.map(({ name, content }, i) => [
    `s${i}`,
    { id: `s${i}`, kind: 'spot', name, content, revision: 1 } as StoredDocument<'spot'>,
  ]),
)
const content = starterContent()
const { letter, ...rig } = content.lanes[0]!
const trip: TripContent = {
  date: '2026-12-05',
  stops: [
    { spotId: 's0', fromH: 7, toH: 10 },
    { spotId: 's1', fromH: 10, toH: 12 },
  ],
  rods: 1,
  rules: '',
  tied: { temperatureC: 9, rods: [{ letter, name: 'paddle-tail shad 90', bait: content.bait, rig }] },
}

describe('what a day on the bank begins with', () => {
  it('the rigs of a sheet, in its water, free of the page that watches them', () => {
    const watched = reactive(starterContent())
    const { rods, stops } = fromSheet(watched)
    expect(rods.map(r => r.letter)).toEqual(content.lanes.map(l => l.letter))
    expect(stops).toEqual([content.water])
    expect(() => structuredClone({ rods, stops })).not.toThrow()
    watched.bait.lengthM = 0.2
    expect(rods[0]!.bait.lengthM).toBe(0.09)
  })
  it('the rods of a trip, at its spots in order, as cold as it was planned', () => {
    const { rods, stops } = fromTrip({ name: 'Saturday', content: trip }, spots)
    expect(rods).toEqual(trip.tied!.rods)
    expect(stops.map(s => s.temperatureC)).toEqual([9, 9])
    expect(stops[0]).toMatchObject({
      depthM: DEMO_SPOTS[0]!.content.depthM,
      cover: DEMO_SPOTS[0]!.content.cover,
    })
    expect(stops[0]!.place).toContain(DEMO_SPOTS[0]!.name)
  })
  it('a spot of the tide is as deep as the tide makes it, one without stays as it is', () => {
    const tidal = [...spots.values()].find(s => s.content.tide === 1)!
    const at = { ...trip, stops: [{ spotId: tidal.id, fromH: 7, toH: 10 }], tideId: 't1' }
    const { stops, tideId } = fromTrip({ name: 'Saturday', content: at }, spots)
    expect(tideId).toBe('t1')
    expect(depthOf(stops[0]!, 1.24)).toBeCloseTo(tidal.content.depthM + 1.24, 9)
    expect(depthOf(stops[0]!, -50)).toBe(0.2)
    expect(depthOf(stops[0]!, undefined)).toBe(tidal.content.depthM)
    const still = fromSheet(starterContent()).stops[0]!
    expect(depthOf(still, 1.24)).toBe(still.depthM)
  })
  it('says so where a trip was never planned, or its spots are gone', () => {
    const { tied: _, ...plain } = trip
    expect(() => fromTrip({ name: 'Saturday', content: plain }, spots)).toThrow(
      'Saturday has no rods yet: plan it in Rods.',
    )
    expect(() => fromTrip({ name: 'Saturday', content: trip }, new Map())).toThrow(
      'The spots of Saturday are no longer there.',
    )
  })
})
