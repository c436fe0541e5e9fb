import { describe, expect, it } from 'vitest'
import { lineFromLb } from '../tackle/lines'
import { FORM_IDS } from '../tackle/forms'
import { radToDeg } from '../units'
import { summarize } from './summary'
import { bodyOf, mustDrop } from './testing'
import { trimFall } from './trim'

const line = lineFromLb('braid', 10)

describe('trimFall', () => {
  for (const form of FORM_IDS) {
    it.each(['E1', 'W1', 'O2'] as const)(`${form} on %s agrees with the integrated motion where both are steady`, (family) => {
      const body = bodyOf({ form, family, lengthM: form === 'stick' ? 0.125 : 0.09 })
      const trim = trimFall(body, { line, depthM: 5 })
      if (!trim.ok) throw new Error(trim.message)
      const drop = summarize(mustDrop(body, { depthM: 6, line }))
      // The drop averages depths 4–6 m and may still be settling: 3 % in speed, 4° in pitch.
      if (trim.value.stable && radToDeg(drop.pitchSwingRad) < 1 && trim.value.growthPerS < -1) {
        expect(Math.abs(trim.value.sinkMS / drop.endSpeedMS - 1)).toBeLessThan(0.03)
        expect(Math.abs(radToDeg(trim.value.pitchRad - drop.pitchRad))).toBeLessThan(4)
        expect(Math.abs(Math.abs(radToDeg(trim.value.rollRad)) - radToDeg(drop.rollRad))).toBeLessThan(6)
      } else {
        // An unsteady rig must be called so, or be slow to settle.
        expect(trim.value.growthPerS).toBeGreaterThan(-1)
      }
    })
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
