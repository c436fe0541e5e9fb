import { describe, expect, it } from 'vitest'
import { lineFromLb } from '../tackle/lines'
import { radToDeg } from '../units'
import { fallOf } from './testing'

const line = lineFromLb('fluorocarbon', 8)
const share = (of: number) => of * 0.09

describe('what is seen of other ways to rig', () => {
  it('a nose weight in a worm hooked in the middle falls straighter and faster than the same weight as a head at the nose', () => {
    const given = { form: 'straightWorm', lengthM: 0.14, size: '1/0', oz: 1 / 16 } as const
    const inside = fallOf({ ...given, family: 'L7' }, 3, line)
    const head = fallOf({ ...given, family: 'E1' }, 3, line)
    expect(inside.timeS).toBeLessThan(head.timeS)
    expect(inside.driftM).toBeLessThan(head.driftM)
  })

  it('a head in a tube glides more the farther back it sits, and at last falls flat', () => {
    const falls = [0.1, 0.2, 0.3, 0.35, 0.4].map(at =>
      fallOf({ form: 'tube', lengthM: 0.09, family: 'E7', size: '1/0', weightAtM: share(at) }, 3, line),
    )
    for (let i = 1; i < falls.length; i++) {
      expect(falls[i]!.glide).toBeGreaterThan(falls[i - 1]!.glide)
      expect(falls[i]!.pitchRad).toBeGreaterThan(falls[i - 1]!.pitchRad)
    }
    expect(radToDeg(falls[0]!.pitchRad)).toBeLessThan(-75)
    expect(radToDeg(falls[4]!.pitchRad)).toBeGreaterThan(-35)
    const flat = fallOf(
      { form: 'tube', lengthM: 0.09, family: 'E7', size: '1/0', weightAtM: share(0.46) },
      3,
      line,
    )
    expect(Math.abs(radToDeg(flat.pitchRad))).toBeLessThan(12)
    expect(flat.timeS).toBeGreaterThan(1.5 * falls[0]!.timeS)
  })

  it('a small bend makes a gliding tube circle down', () => {
    const turns = (bendM: number): number =>
      Math.abs(
        fallOf(
          { form: 'tube', lengthM: 0.09, family: 'E7', size: '1/0', weightAtM: share(0.4), bendM },
          6,
          line,
        ).turnsPerM,
      )
    expect(turns(0)).toBeLessThan(0.02)
    // anglers speak of a turn in a metre or two or three
    expect(turns(0.004)).toBeGreaterThan(0.3)
    expect(turns(0.004)).toBeLessThan(1)
    expect(turns(0.008)).toBeGreaterThan(turns(0.002))
  })

  it('a flat-bellied worm glides flat side down, a round one of the same weight less far', () => {
    const flat = fallOf(
      { form: 'flatWorm', lengthM: 0.14, family: 'O2', size: '3/0', densityKgM3: 1200 },
      3,
      line,
    )
    expect(radToDeg(flat.rollRad)).toBeLessThan(10)
    expect(Math.abs(radToDeg(flat.pitchRad))).toBeLessThan(20)
    const round = fallOf(
      { form: 'straightWorm', lengthM: 0.14, family: 'O2', size: '3/0', densityKgM3: 1200 },
      3,
      line,
    )
    expect(flat.glide).toBeGreaterThan(round.glide)
  })
})
