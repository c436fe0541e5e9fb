import { describe, expect, it } from 'vitest'
import { tradedOf, type Trader } from './trade'

const m = (value: number) => ({ value, low: value - 0.1, high: value + 0.1, basis: 'computed' }) as const
const trader = (
  letter: string,
  hookUp: number,
  minutes: number,
  lost: number,
  shift: (i: number) => number = () => 0,
): Trader => ({
  letter,
  hookUp: m(hookUp),
  minutesLeft: m(minutes),
  rigsLost: lost,
  members: {
    fallS: new Float64Array(100),
    snagPerCast: new Float64Array(100),
    hookUp: Float64Array.from({ length: 100 }, (_, i) => hookUp + shift(i)),
    minutesLeft: new Float64Array(100).fill(minutes),
    lostPerHour: new Float64Array(100).fill(lost),
  },
})
const open = trader('C', 0.7, 45, 1.5)
const hidden = trader('A', 0.45, 58, 0.05)

describe('the trade', () => {
  it('counts bites hooked in the time left, less what lost rigs are worth', () => {
    expect(tradedOf([open], 4, 0)[0]!.net.value).toBeCloseTo(4 * 0.75 * 0.7, 12)
    expect(tradedOf([open], 4, 0.5)[0]!.net.value).toBeCloseTo(4 * 0.75 * 0.7 - 0.75, 12)
  })
  it('few bites: the rig that is not lost; many: the one that hooks', () => {
    expect(tradedOf([open, hidden], 1, 0.5)[0]).toMatchObject({ letter: 'A', pBest: 1 })
    expect(tradedOf([open, hidden], 20, 0.5)[0]).toMatchObject({ letter: 'C', pBest: 1 })
    expect(tradedOf([], 5, 0)).toEqual([])
  })
  it('is compared world by world: what moves both alike decides nothing', () => {
    const sway = (i: number): number => 0.2 * Math.sin(i)
    const [first, second] = tradedOf([trader('A', 0.5, 50, 0, sway), trader('D', 0.48, 50, 0, sway)], 4, 0)
    expect(first).toMatchObject({ letter: 'A', pBest: 1 })
    expect(second!.net.high).toBeGreaterThan(first!.net.low)
    expect(
      tradedOf([trader('A', 0.5, 50, 0, i => (i % 2 ? 0.1 : -0.1)), trader('D', 0.5, 50, 0)], 4, 0).map(
        t => t.pBest,
      ),
    ).toEqual([0.5, 0.5])
  })
})
