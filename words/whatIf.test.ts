import { describe, expect, it } from 'vitest'
import { FACTOR_IDS, type Gain, type WhatIf } from '#core'
import { whatIfWords } from './pickWords'
import { UNITS } from './units'

const whatIf = (gain?: Gain, same = false): WhatIf => ({
  change: 'if they slow down',
  same,
  family: 'W1',
  bait: 0,
  weightKg: 0.005,
  pBetter: 0.7,
  ...(gain ? { gain } : {}),
})
const said = (gain: Gain, system: 'metric' | 'imperial' = 'metric'): string =>
  whatIfWords(whatIf(gain), UNITS[system], system)

describe('what would change a pick', () => {
  it("is told in the angler's units", () => {
    expect(said({ by: 'follow', one: 0.3048, other: 0.6096 })).toBe(
      'it falls at about 0.3 m/s against 0.61, nearer to what they then follow.',
    )
    expect(said({ by: 'follow', one: 0.3048, other: 0.6096 }, 'imperial')).toBe(
      'it falls at about 1 ft/s against 2, nearer to what they then follow.',
    )
    expect(said({ by: 'intake', one: 0.007, other: 0.012 })).toBe(
      'it is easier to take in: 7 g in all against 12 g.',
    )
    expect(said({ by: 'intake', one: 0.007, other: 0.012 }, 'imperial')).toMatch(
      /^it is easier to take in: .* oz in all against .* oz\.$/,
    )
  })
  it('tells shares of what they are shares of', () => {
    expect(said({ by: 'zone', one: 0.8, other: 0.55 })).toBe(
      'of a cast it is among the fish for 80 % against 55.',
    )
    expect(said({ by: 'hook', one: 0.614, other: 0.47 })).toBe('of bites it hooks about 61 % against 47.')
    expect(said({ by: 'time', one: 41.2, other: 30 })).toContain(
      '41 minutes of the hour for fishing against 30',
    )
  })
  it('has a sentence for every share, and for none', () => {
    for (const by of FACTOR_IDS) expect(said({ by, one: 0.8, other: 0.5 })).toMatch(/^[a-z].*\.$/)
    expect(whatIfWords(whatIf(), UNITS.metric, 'metric')).toBe('the first pick cannot be fished then.')
    expect(whatIfWords(whatIf(undefined, true), UNITS.metric, 'metric')).toBe('the same rig.')
  })
})
