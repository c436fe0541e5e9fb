import { describe, expect, it } from 'vitest'
import type { Day } from '../choose/day'
import { finish } from '../choose/finish'
import type { Goods } from '../choose/goods'
import { bestOnTop } from '../choose/onTop'
import { screen } from '../choose/screen'
import { toTheEnd } from '../numerics/toTheEnd'
import { lineFromLb } from '../tackle/lines'
import { layOutTrip, momentsOf, planOf, toLookThrough, type Stop, type TripPlan } from './plan'
import { harmonicTide, TIDE_SPEEDS, turnsBetween } from './tide'
import { simulatedWeather } from './weather'

const HOUR = 3_600_000
const DAY = 24 * HOUR
const start = Date.UTC(2026, 5, 10)
const tide = harmonicTide('test')

describe('tide', () => {
  it('the moon alone comes round in 12 h 25 min, twice a lunar day', () => {
    const m2 = harmonicTide('moon', [{ name: 'M2', speed: TIDE_SPEEDS.M2, amplitudeM: 1, phase: 40 }], 2)
    const highs = turnsBetween(m2, start, start + 10 * DAY).filter(t => t.high)
    const gaps = highs.slice(1).map((t, i) => (t.at - highs[i]!.at) / HOUR)
    for (const gap of gaps) expect(gap).toBeCloseTo(360 / TIDE_SPEEDS.M2, 1)
    expect(360 / TIDE_SPEEDS.M2).toBeCloseTo(12.4206, 3)
  })
  it('rises at the slope of its height, and turns where that is nothing', () => {
    for (let k = 0; k < 40; k++) {
      const at = start + k * 1.7 * HOUR
      expect(tide.riseMS(at)).toBeCloseTo((tide.heightM(at + 30_000) - tide.heightM(at - 30_000)) / 60, 8)
    }
    // found to half a minute, in which the rate of rise changes by up to 1.5 m · (0.506 rad/h)² · 30 s
    for (const turn of turnsBetween(tide, start, start + 3 * DAY))
      expect(Math.abs(tide.riseMS(turn.at))).toBeLessThan(2e-6)
  })
  it('springs follow neaps a week apart', () => {
    const range = (from: number): number => {
      const t = turnsBetween(tide, from, from + DAY).map(x => x.heightM)
      return Math.max(...t) - Math.min(...t)
    }
    const ranges = Array.from({ length: 30 }, (_, d) => range(start + d * DAY))
    const top = ranges.indexOf(Math.max(...ranges.slice(0, 15)))
    const low = ranges.indexOf(Math.min(...ranges.slice(top, top + 12)))
    expect(low - top).toBeGreaterThanOrEqual(5)
    expect(low - top).toBeLessThanOrEqual(10)
    expect(ranges[top]! / ranges[low]!).toBeGreaterThan(1.5)
  })
})

it('weather is the same for the same seed and time, smooth, and within reason', () => {
  const a = simulatedWeather('a')
  for (let k = 0; k < 200; k++) {
    const at = start + k * 1.3 * HOUR
    const now = a.at(at)
    expect(simulatedWeather('b').at(at)).toEqual(now)
    expect(now.windMS).toBeGreaterThanOrEqual(0)
    expect(now.windMS).toBeLessThan(16)
    expect(Math.abs(a.at(at + 60_000).windMS - now.windMS)).toBeLessThan(0.2)
  }
})

const day: Day = {
  depthM: 4,
  temperatureC: 14,
  salinityGKg: 35,
  cover: 'open',
  bottom: 'sand',
  clarity: 'clear',
  light: 'bright',
  species: 'seaBass',
  activity: 'active',
  feeding: 'grab',
  prey: 'sandEel',
  preyM: 0.1,
}
const goods: Goods = {
  baits: [
    { id: 'shad', name: 'shad', spec: { form: 'slimShad', lengthM: 0.1, material: 'plain' } },
    { id: 'stick', name: 'stick', spec: { form: 'stick', lengthM: 0.125, material: 'salted' } },
  ],
  hooks: [
    { id: 'wide', style: 'wideGap', size: '4/0' },
    { id: 'worm', style: 'worm', size: '3/0' },
  ],
  heads: [5, 10, 14, 21, 28].map(g => ({
    id: `head${g}`,
    family: 'E1',
    size: '4/0',
    weightKg: g / 1000,
    weightMaterial: 'lead',
  })),
  weights: [3.5, 5, 7, 10, 14].map(g => ({
    id: `bullet${g}`,
    shape: 'bullet',
    weightKg: g / 1000,
    weightMaterial: 'tungsten',
  })),
  lines: [{ id: 'braid', line: lineFromLb('braid', 15) }],
  rods: [
    { id: 'r1', name: 'one', power: 'medium', castKg: [0.003, 0.03] },
    { id: 'r2', name: 'two', power: 'mediumHeavy', castKg: [0.005, 0.04] },
    { id: 'r3', name: 'three', power: 'medium', castKg: [0.003, 0.03] },
  ],
}
const stops: Stop[] = [
  { name: 'channel', from: start + 6 * HOUR, to: start + 14 * HOUR, day, tide: 1, currentMS: 0.45 },
  {
    name: 'flat',
    from: start + 14 * HOUR,
    to: start + 17 * HOUR,
    day: { ...day, depthM: 0.5, cover: 'thickWeed', activity: 'slow' },
    tide: 0.3,
    currentMS: 0.1,
  },
]
/** A trip planned by one alone: every stop looked through, what is tied on and what floats in full. */
function planned(at: readonly Stop[], box: Goods, rods: number): TripPlan {
  const weather = simulatedWeather('w')
  const { days, riggings } = toLookThrough(at, box, tide, weather)
  const looked = days.map(on => toTheEnd(screen({ day: on, goods: box, riggings })))
  const layout = layOutTrip(at, box, tide, weather, rods, looked)
  return planOf(
    at,
    box,
    tide,
    layout,
    layout.tied.map(tied => finish(tied.day, box, riggings, tied.candidate)),
    days.map(on => bestOnTop(on, box, riggings)),
  )
}
const plan = (rods: number): TripPlan => planned(stops, goods, rods)

describe('a trip', () => {
  const full = plan(3)
  it('has the water of every half hour, with the tide in it', () => {
    const moments = momentsOf(stops, tide, simulatedWeather('w'))
    expect(moments).toHaveLength(22)
    for (const m of moments.filter(m => m.stop === 0)) expect(m.depthM).toBeCloseTo(4 + tide.heightM(m.at), 9)
    expect(moments.every(m => !m.quiet || m.depthM < 1.5)).toBe(true)
  })
  it('carries a rod for every stop, each on its own rod of the box, and leaves one free', () => {
    expect(new Set(full.rods.map(r => r.stop))).toEqual(new Set([0, 1]))
    const ids = full.rods.map(r => r.rodId)
    expect(new Set(ids).size).toBe(ids.length)
    expect(full.rods.length).toBeLessThan(goods.rods.length)
    expect(goods.rods.map(r => r.id)).toContain(full.freeRodId)
    expect(ids).not.toContain(full.freeRodId)
  })
  it('always has a rod in hand that the moment allows, near the best of the box', () => {
    expect(full.hand).toHaveLength(22)
    for (const h of full.hand) {
      expect(full.rods[h.rod]!.weightsKg).toContain(h.weightKg)
      expect(h.share).toBeGreaterThan(0.3)
      expect(h.share).toBeLessThanOrEqual(1 + 1e-9)
    }
  })
  it('says when to change, and only then', () => {
    const times = full.changes.map(c => c.at)
    expect([...times].sort((a, b) => a - b)).toEqual(times)
    expect(full.changes.filter(c => c.kind === 'stop')).toHaveLength(2)
    expect(full.changes.length).toBeLessThan(14)
  })
  it('says what could be fished on the surface at a stop, where the box has something that floats', () => {
    expect(full.onTop).toEqual([])
    const frog = { form: 'frog', lengthM: 0.09, material: 'floating' } as const
    const box: Goods = {
      ...goods,
      baits: [...goods.baits, { id: 'frog', name: 'frog', spec: frog }],
      hooks: [...goods.hooks, { id: 'shorter', style: 'wideGap', size: '3/0' }],
    }
    const pads: Day = {
      ...day,
      depthM: 1,
      cover: 'pads',
      bottom: 'mud',
      species: 'pike',
      prey: 'frog',
      preyM: 0.08,
    }
    const at = [{ ...stops[1]!, day: pads, tide: 0 }]
    const done = planned(at, box, 1)
    expect(done.onTop).toMatchObject([{ stop: 0, pick: { bait: 2, rig: { weightKg: 0 } } }])
    expect(done.rods.every(r => r.finalist.rig.weightKg > 0)).toBe(true)
  })
  it('more rods never fish worse', () => {
    const total = (p: TripPlan): number => p.hand.reduce((sum, h) => sum + h.share, 0)
    expect(total(plan(1))).toBeLessThanOrEqual(total(plan(2)) + 1e-9)
    expect(plan(1).rods).toHaveLength(1)
  })
})
