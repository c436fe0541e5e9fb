import { describe, expect, it } from 'vitest'
import { lineFromLb } from '../tackle/lines'
import { SPINS_TURNS_PER_M, straightness } from './straightness'
import { bodyOf, fallOf } from './testing'

const line = lineFromLb('braid', 15)

describe('straightness', () => {
  it('finds the bend at which a belly-weighted stick begins to spin, and a drop bent so far does spin', () => {
    const given = { family: 'W1', form: 'stick', lengthM: 0.125, size: '3/0' } as const
    const { withinM, then, spinsAnyway } = straightness(bendM => bodyOf({ ...given, bendM }), line)
    expect(spinsAnyway).toBe(false)
    expect(then).toBe('spins')
    expect(Math.abs(fallOf({ ...given, bendM: withinM! }, 3, line).turnsPerM)).toBeGreaterThanOrEqual(
      SPINS_TURNS_PER_M,
    )
    expect(Math.abs(fallOf({ ...given, bendM: withinM! / 2 }, 3, line).turnsPerM)).toBeLessThan(
      SPINS_TURNS_PER_M,
    )
  })
  it('says when a rig spins however straight it is', () => {
    expect(
      straightness(
        bendM => bodyOf({ family: 'E1', form: 'stick', lengthM: 0.125, size: '3/0', oz: 1 / 4, bendM }),
        line,
      ).spinsAnyway,
    ).toBe(true)
  })
})
