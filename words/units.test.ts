import { describe, expect, it } from 'vitest'
import {
  fromTo,
  loadText,
  parseNumber,
  shown,
  smallText,
  UNIT_SYSTEMS,
  UNITS,
  usualUnits,
  weightText,
  withUnit,
} from './units'

describe('units', () => {
  it('round trip in every system', () => {
    for (const system of UNIT_SYSTEMS) {
      for (const unit of Object.values(UNITS[system])) {
        if ('from' in unit) expect(unit.to(unit.from(1.7))).toBeCloseTo(1.7, 12)
      }
    }
  })
  it('show what a packet says', () => {
    expect(weightText(0.0283495 / 8, 'mixed')).toBe('1/8 oz')
    expect(weightText(0.0035, 'metric')).toBe('3.5 g')
    expect(weightText(0.0045, 'imperial')).toBe('0.159 oz')
    expect(withUnit(2, UNITS.imperial.depth)).toBe('6.6 ft')
    expect(withUnit(15, UNITS.imperial.temperature)).toBe('59 °F')
    expect(shown(0.09, UNITS.metric.length)).toBe('90')
  })
  it('write lengths along a bait and loads finer where they are small, and a true minus', () => {
    expect([0.0042, 0.046].map(m => smallText(m, 'metric'))).toEqual(['4.2 mm', '46 mm'])
    expect([0.0042, 0.046].map(m => smallText(m, 'imperial'))).toEqual(['0.17 in', '1.8 in'])
    expect([5, 31, 200].map(n => loadText(n, 'metric'))).toEqual(['0.51 kg', '3.2 kg', '20.4 kg'])
    expect([5, 31, 200].map(n => loadText(n, 'mixed'))).toEqual(['1.1 lb', '7.0 lb', '45 lb'])
    expect(fromTo(-1, -0.3, 1)).toBe('−1.0 to −0.3')
    expect(fromTo(-0.2, 4)).toBe('0 to 4')
  })
  it.each([
    ['en-US', 'imperial'],
    ['en-GB', 'mixed'],
    ['en', 'imperial'],
    ['de', 'metric'],
    ['fr-CA', 'mixed'],
    ['', 'metric'],
  ])('a visitor of “%s” begins with %s units', (language, system) =>
    expect(usualUnits(language)).toBe(system),
  )
  it.each([
    ['1/8', 0.125],
    ['1 1/4', 1.25],
    ['2,5', 2.5],
    ['.5', 0.5],
    [' 90 ', 90],
  ])('reads %s', (text, value) => expect(parseNumber(text)).toBe(value))
  it.each(['', 'abc', '1/2/3', '3 m', '--2', '1e3'])('does not read "%s"', text =>
    expect(parseNumber(text)).toBeUndefined(),
  )
})
