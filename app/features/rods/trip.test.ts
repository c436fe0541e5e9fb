import { describe, expect, it } from 'vitest'
import type { BoxItem } from '#schemas/box'
import type { TripAnswer } from '~/compute/trip'
import { tripCalendar } from './calendar'
import { hoursOf, hoursText } from './clock'
import { packingList } from './packing'
import { layOut } from '~/features/pick/pickSheet'
import { starterContent } from '~/sheet/starter'
import { weightText } from '#words/units'

const item = (id: string, name: string, count: number): [string, BoxItem] => [
  id,
  {
    id,
    name,
    count,
    tags: [],
    notes: '',
    revision: 1,
    photographed: false,
    details: { kind: 'rod', lengthM: 2, power: 'medium', castKg: [0, 1] },
  },
]
const byId = new Map([
  item('s1', 'shad 90, pearl', 4),
  item('s2', 'shad 90, black', 3),
  item('h', 'hook 4/0', 5),
  item('w', 'bullet 7 g', 1),
  item('l', 'braid', 1),
  item('r1', 'rod one', 1),
  item('r2', 'rod two', 1),
])

describe('packing', () => {
  const plan = {
    rods: [{ rodId: 'r1' }, {}],
    items: [
      { baitId: 's1', hookId: 'h', weightIds: ['w'], lineId: 'l' },
      { baitId: 's1', hookId: 'h', weightIds: [], lineId: 'l' },
    ],
    freeRodId: 'r2',
  } as unknown as TripAnswer
  const list = packingList(plan, byId, new Map([['s1', ['s1', 's2']]]))
  const of = (name: string) => list.find(p => p.name === name)
  it('counts baits of all colours together, and adds up what two rods need', () => {
    expect(of('shad 90')).toMatchObject({ take: 12, has: 7 })
    expect(of('hook 4/0')).toMatchObject({ take: 6, has: 5 })
  })
  it('takes one line for both, the rods, and the one left free', () => {
    expect(of('braid')).toMatchObject({ take: 1 })
    expect(list.filter(p => p.what === 'rod').map(p => p.name)).toEqual(['rod one', 'rod two'])
  })
})

it('a trip as iCalendar: an event for each stop and change, in UTC, lines folded and closed', () => {
  const from = Date.UTC(2026, 11, 5, 7)
  const change = {
    at: from,
    name: 'Flat',
    letter: 'A',
    family: 'W1',
    weightKg: 0.01,
    heavier: true,
    depthM: 4,
    currentMS: -0.5,
  } as const
  const trip = ['Saturday', [{ name: 'Flat', from, to: from + 3_600_000 }]] as const
  const plan: Parameters<typeof tripCalendar>[2] = {
    moments: [],
    hand: [],
    rods: [],
    countdowns: [],
    tide: { name: 'coast', simulated: true },
    turns: [{ at: from + 600_000, heightM: 3.4, high: true }],
    changes: [
      { ...change, kind: 'stop' },
      { ...change, at: from + 1_800_000, kind: 'weight' },
    ],
  }
  const text = tripCalendar(...trip, plan, 'metric')
  expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2)
  expect(text).toContain('DTSTART:20261205T070000Z')
  expect(text).toContain('SUMMARY:Up to 10 g on rod A (ebb 0.5 m/s\\, 4 m).')
  const inFeet = tripCalendar(...trip, plan, 'imperial').replaceAll('\r\n ', '')
  expect(inFeet).toContain('SUMMARY:Up to 0.353 oz on rod A (ebb 1.6 ft/s\\, 13.1 ft).')
  expect(inFeet).toContain('11.2 ft (simulated)')
  expect(text.trimEnd().endsWith('END:VCALENDAR')).toBe(true)
  expect(Math.max(...text.split('\r\n').map(line => line.length))).toBeLessThanOrEqual(75)
})

it('times of day are read and written', () => {
  expect([hoursOf('7:30'), hoursOf('07'), hoursOf('24:10'), hoursOf('noon')]).toEqual([
    7.5,
    7,
    undefined,
    undefined,
  ])
  expect(hoursText(13.25)).toBe('13:15')
})

it('a weight sold by the gram is told in grams where ounces are shown', () => {
  expect(weightText(0.0141748, 'mixed')).toBe('1/2 oz')
  expect(weightText(0.014, 'mixed')).toBe('14 g')
  expect(weightText(0.01, 'mixed')).toBe('10 g')
})

it("picks laid out become lanes with the first one's bait, line, rod and cadence", () => {
  const content = starterContent()
  const outfit = {
    line: { kind: 'braid', strengthN: 133, diameterM: 2e-4, stiffnessN: 3000, densityKgM3: 970 },
    retrieve: 'drag',
    rod: 'heavy',
  } as const
  const rig = {
    family: 'L1',
    hookSize: '4/0',
    weightKg: 0.007,
    weightMaterial: 'tungsten',
    pointRest: 'skin',
    peg: 'pegged',
  } as const
  const laid = layOut(
    content,
    [{ rig, bait: { form: 'craw', lengthM: 0.09, material: 'plain' }, pick: { outfit, match: 'close' } }],
    { feeding: 'gulp' } as never,
  )
  expect(laid).toMatchObject({
    bait: { form: 'craw' },
    line: { kind: 'braid', strengthN: 133 },
    fishing: { feeding: 'gulp', retrieve: 'drag', rod: 'heavy', match: 'close' },
    lanes: [{ letter: 'A', ...rig }],
    water: content.water,
  })
})
