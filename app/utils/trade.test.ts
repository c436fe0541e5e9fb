import { describe, expect, it } from 'vitest'
import { bestTraders, netPerHour, type Trader } from './trade'

const m = (value: number, off: number) => ({ value, low: value - off, high: value + off, basis: 'computed' }) as const
const open: Trader = { letter: 'C', hookUp: m(0.7, 0.02), minutesLeft: m(45, 1), rigsLost: 1.5 }
const hidden: Trader = { letter: 'A', hookUp: m(0.45, 0.02), minutesLeft: m(58, 1), rigsLost: 0.05 }

describe('the trade', () => {
  it('counts bites hooked in the time left, less what lost rigs are worth', () => {
    expect(netPerHour(open, 4, 0).value).toBeCloseTo(4 * 0.75 * 0.7, 12)
    expect(netPerHour(open, 4, 0.5).value).toBeCloseTo(4 * 0.75 * 0.7 - 0.75, 12)
  })
  it('few bites: the rig that is not lost; many: the one that hooks', () => {
    expect(bestTraders([open, hidden], 1, 0.5).best).toEqual(['A'])
    expect(bestTraders([open, hidden], 20, 0.5).best).toEqual(['C'])
  })
  it('does not choose between ranges that overlap', () => {
    expect(bestTraders([open, { ...open, letter: 'D', hookUp: m(0.69, 0.02) }], 5, 0).best).toEqual(['C', 'D'])
    expect(bestTraders([], 5, 0).best).toEqual([])
  })
})
