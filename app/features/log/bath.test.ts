import { UNITS } from '#words/units'
import { describe, expect, it } from 'vitest'
import { ballSeconds, waterOf, type BaitSpec } from '#core'
import { DEMO_BATHS } from '../../../demo/baths'
import type { BathContent } from '#schemas/spot'
import { bathDrop, bathWords, readBath } from './bath'

const [{ name, content }] = DEMO_BATHS as [(typeof DEMO_BATHS)[number]]
const shad: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const withTaps = (taps: readonly number[]): BathContent => ({
  ...content,
  ball: { ...content.ball, taps: [...taps] },
})

describe('a bath', () => {
  const falls = ballSeconds(0.007, 11340, content, waterOf(content.temperatureC, content.salinityGKg))
  it('reads the made-up thumb that its taps were made with', () => {
    const { ballS, lag } = readBath(content)
    expect(ballS).toBe(falls)
    // seven taps that scatter by 0.03 s
    expect(Math.abs(lag.lagS - 0.11)).toBeLessThan((2 * 0.03) / Math.sqrt(7))
    expect(bathWords(content, { ballS, lag })).toMatch(
      /^The ball falls for 0\.3\d s here\. 7 of 7 taps: your thumb is 0\.1\d s late, give or take 0\.0\d s\./,
    )
  })
  it('says what to do while it is not calibrated, when a thumb is early, and when the depth must be wrong', () => {
    const words = (taps: readonly number[]): string => bathWords(withTaps(taps), readBath(withTaps(taps)))
    expect(words([])).toContain('Tap its splash')
    expect(words([falls - 0.06, falls - 0.06])).toContain('0.06 s early')
    expect(words([falls + 1, falls + 1.1])).toContain('Check the depth')
    expect(words([falls + 0.1, falls + 0.11, falls + 0.1, falls + 0.12, falls + 2])).toContain('1 set aside')
  })
  it('turns a tapped time into one on open water: less the lag, and faster than between walls', () => {
    const { seconds, bath } = bathDrop(UNITS.metric.vessel, 1.2, { name, content }, shad, -0.2, true)
    const { lag } = readBath(content)
    expect(bath).toMatchObject({ name, tappedS: 1.2, lagS: lag.lagS, lagSdS: lag.sdS })
    expect(bath.slowed).toBeLessThan(1)
    expect(seconds).toBeCloseTo((1.2 - lag.lagS) * bath.slowed, 12)
    // a clip has no thumb in it, but walls all the same
    expect(bathDrop(UNITS.metric.vessel, 1.2, { name, content }, shad, -0.2, false).seconds).toBeCloseTo(
      1.2 * bath.slowed,
      12,
    )
    // nose down it shows less to the water
    expect(
      bathDrop(UNITS.metric.vessel, 1.2, { name, content }, shad, -1.4, true).bath.slowed,
    ).toBeGreaterThan(bath.slowed)
  })
  it('refuses a bait that cannot turn in it, a thumb that is no thumb, and a time that leaves nothing', () => {
    expect(() =>
      bathDrop(UNITS.metric.vessel, 1.2, { name, content }, { ...shad, lengthM: 0.24 }, 0, true),
    ).toThrow(/too narrow.* 30 cm across/)
    expect(() =>
      bathDrop(UNITS.metric.vessel, 1.2, { name, content: withTaps([falls + 2]) }, shad, 0, true),
    ).toThrow(/not calibrated/)
    expect(() => bathDrop(UNITS.metric.vessel, 0.05, { name, content }, shad, 0, true)).toThrow(
      /nothing is left/,
    )
    expect(() => readBath({ ...content, acrossM: 0.01 })).toThrow(RangeError)
  })
})
