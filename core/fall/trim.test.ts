import { describe, expect, it } from 'vitest'
import { lineFromLb } from '../tackle/lines'
import { FORM_IDS } from '../tackle/forms'
import { radToDeg } from '../units'
import { rollOf } from '../numerics/quaternion'
import { SAMPLE_STRIDE, type Drop } from './drop'
import { summarize } from './summary'
import { bodyOf, mustDrop, usualLength, usualSize } from './testing'
import { trimFall } from './trim'

const line = lineFromLb('braid', 10)

/** Degrees between the least and the greatest roll in the last quarter of a drop. */
function lateRollSpan({ samples }: Drop): number {
  const rolls: number[] = []
  const count = samples.length / SAMPLE_STRIDE
  for (let i = Math.floor(0.75 * count); i < count; i++) {
    const at = i * SAMPLE_STRIDE + 4
    rolls.push(radToDeg(rollOf([samples[at]!, samples[at + 1]!, samples[at + 2]!, samples[at + 3]!])))
  }
  return Math.max(...rolls) - Math.min(...rolls)
}

describe('trimFall', () => {
  for (const form of FORM_IDS) {
    it.each(['E1', 'W1', 'O2'] as const)(
      `${form} on %s agrees with the integrated motion where both are steady`,
      family => {
        const body = bodyOf({ form, family, lengthM: usualLength(form), size: usualSize(usualLength(form)) })
        const trim = trimFall(body, { depthM: 1 })
        const fallen = mustDrop(body, { depthM: 12 })
        const drop = summarize(fallen)
        const steady = radToDeg(drop.pitchSwingRad) < 0.5 && lateRollSpan(fallen) < 1
        if (steady) {
          if (!trim.ok) throw new Error(trim.message)
          expect(trim.value.stable).toBe(true)
          expect(Math.abs(trim.value.sinkMS / drop.endSpeedMS - 1)).toBeLessThan(0.01)
          expect(Math.abs(radToDeg(trim.value.pitchRad - drop.pitchRad))).toBeLessThan(1)
          expect(Math.abs(Math.abs(radToDeg(trim.value.rollRad)) - radToDeg(drop.rollRad))).toBeLessThan(2)
          expect(Math.abs(trim.value.glide - drop.glide)).toBeLessThan(0.03)
        } else {
          // Still moving or rolling over and over after six metres: a steady fall may exist, one slow to be
          // reached, or one beside it that sinks about as fast.
          if (trim.ok)
            expect(
              trim.value.growthPerS > -0.3 || Math.abs(trim.value.sinkMS / drop.endSpeedMS - 1) < 0.2,
            ).toBe(true)
          else expect(trim.code).toBe('noSteadyFall')
        }
      },
    )
  }

  it('says that a floating rig floats', () => {
    const trim = trimFall(bodyOf({ family: 'O2', densityKgM3: 700 }), { depthM: 2 })
    expect(trim.ok).toBe(false)
    if (!trim.ok) expect(trim.code).toBe('floats')
  })

  it('starts from a neighbour and finds the same answer', () => {
    const body = bodyOf({ family: 'W1' })
    const first = trimFall(body, { line, depthM: 2 })
    if (!first.ok) throw new Error(first.message)
    const again = trimFall(body, { line, depthM: 2, near: first.value })
    if (!again.ok) throw new Error(again.message)
    expect(again.value.sinkMS).toBeCloseTo(first.value.sinkMS, 7)
  })
})
