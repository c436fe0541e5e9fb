import { describe, expect, it, vi } from 'vitest'

vi.mock('~/ui/drawing/identity', () => ({
  token: (name: string) => name,
  laneColour: (letter: string) => letter,
}))
vi.mock('~/ui/charts/theme', () => ({
  axis: (of: object) => of,
  common: () => ({}),
  tooltip: () => ({}),
  through: () => '',
}))
const { dayCurves, dayOptions, dayRows } = await import('./dayChart')
const { runsOf } = await import('./runs')
type DayOf = Parameters<typeof dayCurves>[0]

const HALF_HOUR = 30 * 60_000
const BEGIN = Date.UTC(2026, 10, 28, 7)
const moment = (n: number, stop: number, depthM: number, currentMS: number) => ({
  at: BEGIN + n * HALF_HOUR,
  stop,
  depthM,
  currentMS,
  windMS: 3,
  heightM: 0,
  quiet: false,
})
/** A flat of one metre below datum for an hour, then a hole of four for an hour. */
const day: DayOf = {
  plan: {
    moments: [moment(0, 0, 1.5, 0.2), moment(1, 0, 2, 0.1), moment(2, 1, 5.5, 0), moment(3, 1, 5, -0.4)],
    turns: [{ at: BEGIN + 2 * HALF_HOUR, high: true, heightM: 1.5 }] as DayOf['plan']['turns'],
    quiet: [],
  },
  stops: [
    { name: 'flat', from: BEGIN, to: BEGIN + 2 * HALF_HOUR, day: { depthM: 1 } },
    { name: 'hole', from: BEGIN + 2 * HALF_HOUR, to: BEGIN + 4 * HALF_HOUR, day: { depthM: 4 } },
  ],
  runs: [{ rod: 0, weightKg: 0.005, from: BEGIN, to: BEGIN + 3 * HALF_HOUR }],
  sky: undefined,
  depth: m => m,
  speed: v => v,
  depthLabel: 'm',
  speedLabel: 'm/s',
  weight: kg => `${kg * 1000} g`,
}

describe('the day as curves', () => {
  it('stands the level of the water against datum, over the bottom of each stop, with a gap between stops', () => {
    const { level, bottom } = dayCurves(day)
    // one tide for both stops: the depth less what lies below datum
    expect(level.map(p => p.y)).toEqual([0.5, 1, 1, null, 1.5, 1, 1, null])
    expect(bottom.map(p => p.y)).toEqual([-1, -1, -1, null, -4, -4, -4, null])
    expect(level[2]!.x).toBe(day.stops[0]!.to)
  })
  it('holds everything within its scales', () => {
    const { scales } = dayOptions(day) as unknown as { scales: Record<string, { min: number; max: number }> }
    expect(scales.y!.min).toBeLessThan(-4)
    expect(scales.y!.max).toBeGreaterThan(1.5)
    expect(scales.flow).toMatchObject({ min: -0.4, max: 0.4 })
    expect(scales.x).toMatchObject({ min: BEGIN, max: BEGIN + 4 * HALF_HOUR })
  })
  it('has each half hour in the table behind, with the rod in hand or none', () => {
    expect(dayRows(day).map(row => row.slice(1))).toEqual([
      ['flat', 1.5, 0.2, 'A 5 g'],
      ['flat', 2, 0.1, 'A 5 g'],
      ['hole', 5.5, 0, 'A 5 g'],
      ['hole', 5, -0.4, '–'],
    ])
  })
  it('joins half hours of the same rod and weight, and parts them where either changes or time passes', () => {
    const hand = (moment: number, rod: number, weightKg: number) => ({ moment, rod, weightKg, share: 1 })
    const runs = runsOf({
      moments: day.plan.moments,
      hand: [hand(0, 0, 0.005), hand(1, 0, 0.005), hand(2, 0, 0.007), hand(3, 1, 0.007)],
    } as Parameters<typeof runsOf>[0])
    expect(runs.map(r => [r.rod, r.weightKg, (r.to - r.from) / HALF_HOUR])).toEqual([
      [0, 0.005, 2],
      [0, 0.007, 1],
      [1, 0.007, 1],
    ])
  })
})
