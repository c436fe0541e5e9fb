import { describe, expect, it } from 'vitest'
import { parseNumber, shown, UNIT_SYSTEMS, UNITS, weightText, withUnit } from './units'

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
