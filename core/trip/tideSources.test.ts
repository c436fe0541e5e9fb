import { describe, expect, it } from 'vitest'
import { tideOf, weatherOf } from './sources'
import { turnsBetween } from './tide'
import { constantsTide } from './tideConstants'
import { oddRows, tableTide } from './tideTable'

const HOUR = 3_600_000
const MINUTE = 60_000
const begin = Date.UTC(2026, 10, 28)
const turns = [
  { at: begin + 2.1 * HOUR, heightM: 0.6 },
  { at: begin + 8.3 * HOUR, heightM: 4.4 },
  { at: begin + 14.6 * HOUR, heightM: 0.8 },
  { at: begin + 20.8 * HOUR, heightM: 4.1 },
]

describe('a tide table', () => {
  const tide = tableTide('harbour', turns)
  it('has its own turns, and goes as the rule of twelfths tells between them, within a fiftieth', () => {
    for (const { at, heightM } of turns) expect(tide.heightM(at)).toBeCloseTo(heightM, 9)
    // 1, 2, 3, 3, 2, 1 twelfths of the range in each sixth of the time
    const [low, high] = turns as [(typeof turns)[0], (typeof turns)[0]]
    const sums = [0, 1, 3, 6, 9, 11, 12]
    for (const [k, twelfths] of sums.entries()) {
      const level = tide.heightM(low.at + (k / 6) * (high.at - low.at))
      expect(Math.abs((level - low.heightM) / (high.heightM - low.heightM) - twelfths / 12)).toBeLessThan(
        0.02,
      )
    }
  })
  it('rises at the slope of its level, and turns where the table says', () => {
    for (let at = turns[0]!.at + HOUR / 2; at < turns[3]!.at; at += 1.3 * HOUR)
      expect(tide.riseMS(at)).toBeCloseTo((tide.heightM(at + MINUTE) - tide.heightM(at - MINUTE)) / 120, 6)
    const found = turnsBetween(tide, begin - 5 * HOUR, begin + 30 * HOUR)
    // the first and last rows have no slope on their far side
    expect(found.map(t => Math.round((t.at - begin) / MINUTE))).toEqual([498, 876, 1248])
    expect(found.map(t => t.high)).toEqual([true, false, true])
  })
  it('stands still beyond its rows, and tells how far it reaches', () => {
    expect(tide.heightM(begin)).toBe(0.6)
    expect(tide.riseMS(begin + 40 * HOUR)).toBe(0)
    expect(tide.coversMs).toEqual([turns[0]!.at, turns[3]!.at])
  })
  it('finds a row that is missing, and one that is no turn', () => {
    expect(oddRows(turns)).toEqual({ gaps: [], between: [] })
    expect(oddRows([turns[0]!, turns[3]!]).gaps).toEqual([1])
    expect(oddRows([turns[0]!, { at: begin + 5 * HOUR, heightM: 2 }, turns[1]!]).between).toEqual([1])
  })
  it('refuses rows out of order, and one alone', () => {
    expect(() => tableTide('x', [turns[1]!, turns[0]!])).toThrow(/order/)
    expect(() => tableTide('x', [turns[0]!])).toThrow(/two/)
  })
})

/** Mean longitudes, degrees, and hours of Greenwich (Meeus, Astronomical Algorithms, ch. 22, 25, 47; shortened). */
function moonAndSun(at: number) {
  const days = (at - Date.UTC(2000, 0, 1, 12)) / 86_400_000
  return {
    s: 218.3165 + 13.17639648 * days,
    h: 280.4665 + 0.98564736 * days,
    p: 83.3532 + 0.11140353 * days,
    node: ((125.0445 - 0.05295377 * days) * Math.PI) / 180,
    hours: ((at % 86_400_000) / HOUR) * 15,
  }
}

describe('harmonic constants', () => {
  it('of the moon turn with the moon: its transit, node and mean longitudes, as found by hand', () => {
    const g = 130
    const tide = constantsTide('port', [{ name: 'M2', amplitudeM: 1.5, phaseDeg: g }], 2)
    for (let k = 0; k < 60; k++) {
      const at = Date.UTC(2025, 1, 3) + k * 11.7 * 24 * HOUR
      const { s, h, node, hours } = moonAndSun(at)
      // 2(T + h − s), f and u of M2 by Schureman's leading terms
      const f = 1 - 0.037 * Math.cos(node)
      const u = -2.1 * Math.sin(node)
      const level = 2 + 1.5 * f * Math.cos(((2 * (hours + h - s) + u - g) * Math.PI) / 180)
      expect(Math.abs(tide.heightM(at) - level)).toBeLessThan(0.02)
    }
  })
  it('of the sun come round with the clock', () => {
    const tide = constantsTide('port', [{ name: 'S2', amplitudeM: 0.5, phaseDeg: 60 }], 1)
    // 2T − g: high at two o'clock and fourteen, Greenwich
    for (const hour of [2, 14]) expect(tide.heightM(begin + hour * HOUR)).toBeCloseTo(1.5, 2)
    expect(tide.heightM(begin + 8 * HOUR)).toBeCloseTo(0.5, 2)
  })
  it('are smooth from step to step and day to day', () => {
    const tide = constantsTide(
      'port',
      [
        { name: 'M2', amplitudeM: 1.5, phaseDeg: 130 },
        { name: 'M4', amplitudeM: 0.2, phaseDeg: 20 },
        { name: 'K1', amplitudeM: 0.1, phaseDeg: 300 },
      ],
      2,
    )
    for (let at = begin - 3 * HOUR; at < begin + 3 * HOUR; at += 7 * MINUTE)
      expect(tide.riseMS(at)).toBeCloseTo((tide.heightM(at + MINUTE) - tide.heightM(at - MINUTE)) / 120, 6)
    expect(turnsBetween(tide, begin, begin + 25 * HOUR).length).toBe(4)
    expect(tide.meanRiseMS).toBeCloseTo((1.5 * 2 * Math.PI) / (12.4206 * 3600), 7)
  })
})

it('a plan has the tide and the wind it is given, else the stand-ins, which say so', () => {
  expect(tideOf().simulated).toBe(true)
  expect(weatherOf().simulated).toBe(true)
  expect(tideOf({ kind: 'table', name: 'harbour', turns })).toMatchObject({
    name: 'harbour',
    simulated: false,
  })
  const wind = weatherOf({ windMS: 7 })
  expect(wind.simulated).toBe(false)
  for (let h = 0; h < 24; h += 5) expect(wind.at(begin + h * HOUR).windMS).toBe(7)
})
