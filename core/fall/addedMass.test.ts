import { describe, expect, it } from 'vitest'
import { bareWeight, rod } from '../rig/simpleBodies'
import { addedMass, spheroidAxialShare } from './addedMass'

describe('added mass against textbook values', () => {
  it('sphere: half the displaced mass (Lamb art. 92)', () => {
    const ball = bareWeight('ball', 0.01, 11340)
    const m = addedMass(ball, 1000)
    const expected = 0.5 * 1000 * ball.displacedM3
    for (const k of [0, 7, 14]) expect(m[k]! / expected).toBeCloseTo(1, 12)
  })
  it('long cylinder across: the displaced mass; rotation: that spread over length squared / 12', () => {
    const r = rod(0.4, 0.01, 1500, 200)
    const m = addedMass(r, 1000)
    const displaced = 1000 * r.displacedM3
    expect(m[7]! / displaced).toBeCloseTo(1, 9)
    expect(m[14]! / displaced).toBeCloseTo(1, 9)
    expect(m[28]! / ((displaced * 0.4 ** 2) / 12)).toBeCloseTo(1, 3)
  })
  it('prolate spheroid along its axis (Lamb art. 115, table): 0.209 at 2:1, 0.059 at 4.99:1, 0.021 at 9.97:1', () => {
    // the table is printed to three decimals
    for (const [fineness, share] of [
      [2, 0.209],
      [4.99, 0.059],
      [9.97, 0.021],
    ] as const) {
      expect(Math.abs(spheroidAxialShare(fineness) - share)).toBeLessThan(0.0011)
    }
  })
  it('is symmetric', () => {
    const m = addedMass(rod(0.1, 0.01, 1100), 1000)
    for (let i = 0; i < 6; i++)
      for (let j = 0; j < 6; j++) expect(m[6 * i + j]).toBeCloseTo(m[6 * j + i]!, 15)
  })
})
