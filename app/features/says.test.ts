import { describe, expect, it } from 'vitest'
import { FAMILY_IDS, FAMILIES, type Factors, type RigSpec } from '#core'
import { DEMO_BOX } from '../../demo/box'
import { hoursOf, hoursText } from '~/features/rods/clock'
import { instrumentWords } from '~/features/log/instrumentWords'
import { sizeOf, sizeRank, whatOf } from '~/features/box/boxWords'
import { costWords, factorRows, rigWords, SCHOOLS, sizeWords } from '#words/pickWords'
import { UNITS, UNIT_SYSTEMS } from '#words/units'
import { oddsText, restWords } from '#words/words'

describe('instruments in words', () => {
  const of = (reading: Record<string, number>, more = {}): string =>
    instrumentWords({ id: 'x', on: true, reading, ...more }, UNITS.metric)
  it('with their units, whatever they measure', () => {
    expect(of({ depthM: 3.42, temperatureC: 14.6 }, { port: 4100, good: 31, malformed: 2 })).toBe(
      'depth 3.42 m, water 15 °C, port 4100, 31 sentences, 2 malformed and skipped',
    )
    expect(of({ heightM: 1.5, riseMS: 0.5 / 3600 })).toBe('1.5 m over datum, rising 0.5 m an hour')
    expect(of({ heightM: 1.5, riseMS: -0.5 / 3600 })).toContain('falling 0.5 m an hour')
    expect(of({ heightM: 1.5, riseMS: 1e-6 })).toContain('standing')
    expect(of({ windMS: 6.3, windFrom: 277.6, airC: 2.1, cloud: 0.9 })).toBe(
      'wind 6.3 m/s from 278°, air 2 °C',
    )
    expect(of({ massKg: 0.00842 })).toBe('8.42 g')
    expect(instrumentWords({ id: 'tank', on: true }, UNITS.metric)).toBe('ready')
  })
  it('in feet for those who count in feet', () =>
    expect(instrumentWords({ id: 'x', on: true, reading: { depthM: 3.048 } }, UNITS.imperial)).toBe(
      'depth 10 ft',
    ))
})

describe('hours', () => {
  it('are read as typed and written as on a clock', () => {
    expect(hoursOf('7:30')).toBe(7.5)
    expect(hoursOf(' 18 ')).toBe(18)
    for (const bad of ['noon', '25', '-1', '7.5', '7:3']) expect(hoursOf(bad)).toBeUndefined()
    for (const h of [0, 6.5, 12.25, 23.75]) expect(hoursOf(hoursText(h))).toBe(h)
  })
})

describe('the box in words', () => {
  it('every thing says what it is and its size, in every system of units, without a gap', () => {
    for (const { details } of DEMO_BOX) {
      for (const system of UNIT_SYSTEMS) {
        expect(whatOf(details, system)).not.toMatch(/undefined|NaN|, $|^$/)
        expect(sizeOf(details, system)).not.toMatch(/undefined|NaN/)
      }
    }
  })
  it('hooks stand in order of their size, number six before one before 1/0 before 12/0', () => {
    const rank = (size: RigSpec['hookSize']): number =>
      sizeRank({ details: { kind: 'hook', style: 'wideGap', size } })
    const sizes: RigSpec['hookSize'][] = ['6', '4', '2', '1', '1/0', '3/0', '10/0', '12/0']
    expect([...sizes].sort((a, b) => rank(a) - rank(b))).toEqual(sizes)
  })
})

describe('picks in words', () => {
  it('every family has a name and a size that can be read out', () => {
    for (const family of FAMILY_IDS) {
      const rig: RigSpec = {
        family,
        hookSize: '3/0',
        weightKg: FAMILIES[family].weighted ? 0.007 : 0,
        weightMaterial: 'lead',
        pointRest: FAMILIES[family].pointRests[0]!,
        ...(family === 'L1' ? { peg: 'free' } : {}),
      }
      expect(rigWords(rig)).toMatch(/^[a-z]/)
      expect(sizeWords(rig, 'metric')).toMatch(FAMILIES[family].weighted ? /7 g lead$/ : /no weight$/)
    }
    expect(
      rigWords({
        family: 'L1',
        hookSize: '3/0',
        weightKg: 0.007,
        weightMaterial: 'lead',
        pointRest: 'skin',
        peg: 'free',
      }),
    ).toMatch(/, free$/)
  })
  it('what a school costs is told as a share of the fish', () => {
    const cost = (share: number): string => costWords({ share } as Parameters<typeof costWords>[0])
    expect([0, 0.6, 1].map(cost)).toEqual(['nothing left', 'costs 40 % of the fish', 'costs nothing here'])
    for (const { choices } of Object.values(SCHOOLS))
      expect(Object.keys(choices).length).toBe(choices === SCHOOLS.point.choices ? 3 : 2)
  })
  it('shares say which of them are computed', () => {
    const factors: Factors = {
      time: 0.9,
      hook: 0.4,
      landed: 1,
      zone: 0.5,
      follow: 0.8,
      look: 0.9,
      quiet: 1,
      intake: 0.9,
      match: 1,
      reach: 1,
    }
    expect(
      factorRows(factors)
        .filter(r => r.computed)
        .map(r => r.id),
    ).toEqual(['time', 'hook', 'zone', 'reach'])
    expect(factorRows(factors).reduce((product, r) => product * r.share, 1)).toBeCloseTo(
      0.9 * 0.4 * 0.5 * 0.8 * 0.9 * 0.9,
      9,
    )
  })
})

describe('chances and rest in words', () => {
  it('rare snags as one in so many casts, common ones as a percentage', () => {
    const text = (value: number): string =>
      Object.values(oddsText({ value, low: 0, high: 1, basis: 'computed' })).join(' ')
    expect([0.0001, 0.026, 0.31].map(text)).toEqual(['< 1 in 2000 casts', '1 in 38 casts', '31 % of casts'])
  })
  it('how a rig lies, with its point and how deep in the mud', () => {
    const rest = {
      posture: 'stands',
      point: 'up',
      pitchRad: -1.2,
      rollRad: 0,
      sunkM: 0.004,
      highestM: 0.1,
      tiltRad: 1,
    } as unknown as Parameters<typeof restWords>[0]
    expect(restWords(rest, 'metric')).toBe('stands, tail up, point up, 4.0 mm into the mud')
    expect(restWords({ ...rest, posture: 'lies', point: 'side', sunkM: 0 }, 'metric')).toBe(
      'lies, point to the side',
    )
  })
})
