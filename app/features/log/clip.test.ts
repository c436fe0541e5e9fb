import { describe, expect, it } from 'vitest'
import { readClip, scaleOf, type ClipMark } from './clip'

/** A bait of 90 mm at a known pitch, sinking at a known speed, seen at 800 pixels a metre. */
const at = (t: number, speed: number, pitch: number, blur = 0): ClipMark => {
  const [x, y] = [300, 50 + 800 * speed * t + blur]
  const [dx, dy] = [36 * Math.cos(pitch), 36 * Math.sin(pitch)]
  return { t, nose: { x: x + dx, y: y - dy }, tail: { x: x - dx, y: y + dy } }
}

describe('a drop read off a clip', () => {
  it('gives the speed and steepness that were drawn', () => {
    const read = readClip([at(0, 0.4, -0.3), at(0.5, 0.4, -0.3), at(1, 0.4, -0.3)], 800)!
    expect(read.speedMS).toBeCloseTo(0.4, 9)
    expect(read.pitchRad).toBeCloseTo(-0.3, 9)
    expect(read.metres).toBeCloseTo(0.4, 9)
  })
  it('does not mind which way the bait looks, or a shaky finger', () => {
    const marks = [0, 0.3, 0.6, 0.9, 1.2]
      .map((t, i) => at(t, 0.5, 0.2, i % 2 ? 3 : -3))
      .map(m => ({ ...m, nose: m.tail, tail: m.nose }))
    const read = readClip(marks, 800)!
    expect(read.speedMS).toBeCloseTo(0.5, 1)
    expect(Math.abs(read.pitchRad)).toBeCloseTo(0.2, 6)
  })
  it('says nothing of one mark, or of two at one time', () => {
    expect(readClip([at(0, 1, 0)], 800)).toBeUndefined()
    expect(readClip([at(1, 1, 0), at(1, 1, 0)], 800)).toBeUndefined()
    expect(() => readClip([], 0)).toThrow(RangeError)
  })
  it('takes its scale from something of known length', () =>
    expect(scaleOf({ x: 10, y: 10 }, { x: 10, y: 410 }, 0.5)).toBe(800))
})
