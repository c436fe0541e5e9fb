import { describe, expect, it } from 'vitest'
import { lineFromLb } from '../tackle/lines'
import { SAMPLE_STRIDE, startState, STEP_S, type Start } from './drop'
import { DEFAULT_FACTORS } from './factors'
import { makeLoads } from './loads'
import { stepper } from './motion'
import { bodyOf, mustDrop } from './testing'

const line = lineFromLb('mono', 10)
const FAMILIES = ['W1', 'E1', 'O2', 'L1'] as const

/** Place after a fixed time, so that no bottom contact blurs the order of the method. */
function placeAfter(family: (typeof FAMILIES)[number], seconds: number, stepS: number): number[] {
  const body = bodyOf({ family })
  const advance = stepper(
    body,
    makeLoads(body, { factors: DEFAULT_FACTORS, viscous: true, gravityMS2: 9.80665, line }),
  )
  const y = startState(body, { heading: 0, pitch: -0.2, roll: 0.3 }, [0.1, 0.02, -0.1, 0, 0, 0])
  for (let i = 0; i < Math.round(seconds / stepS); i++) advance(y, stepS)
  return [y[0]!, y[1]!, y[2]!]
}

const apart = (a: number[], b: number[]): number => Math.hypot(...a.map((x, i) => x - b[i]!))

describe('the integrator', () => {
  it.each(FAMILIES)('%s: halving the step divides the error by about sixteen', family => {
    const reference = placeAfter(family, 0.8, 0.0001)
    const coarse = apart(placeAfter(family, 0.8, 0.005), reference)
    const fine = apart(placeAfter(family, 0.8, 0.0025), reference)
    // fourth order gives 16 in the limit of small steps; drag is not smooth where a flow reverses, hence the
    // band
    expect(coarse / fine).toBeGreaterThan(13)
    expect(coarse / fine).toBeLessThan(19)
  })

  it.each(FAMILIES)('%s: the usual step is within 0.02 % of a fine one in fall time', family => {
    for (const oz of family === 'O2' ? [0] : [1 / 64, 1 / 4]) {
      const body = bodyOf({ family, oz })
      const usual = mustDrop(body, { depthM: 1.5, line, stepS: STEP_S }).timeS
      const fine = mustDrop(body, { depthM: 1.5, line, stepS: 0.001 }).timeS
      expect(Math.abs(usual / fine - 1)).toBeLessThan(2e-4)
    }
  })
})

function drop(family: (typeof FAMILIES)[number], start: Start): Float64Array {
  return mustDrop(bodyOf({ family }), { depthM: 1, line, start }).samples
}

describe('symmetry', () => {
  it.each(FAMILIES)('%s: a mirrored start moves in the mirror', family => {
    const a = drop(family, { heading: 0, pitch: -0.1, roll: 0.3 })
    const b = drop(family, { heading: 0, pitch: -0.1, roll: -0.3 })
    expect(b.length).toBe(a.length)
    for (let i = 0; i < a.length; i += SAMPLE_STRIDE) {
      expect(b[i + 1]).toBeCloseTo(a[i + 1]!, 9)
      expect(b[i + 2]).toBeCloseTo(-a[i + 2]!, 9)
      expect(b[i + 3]).toBeCloseTo(a[i + 3]!, 9)
    }
  })

  it.each(FAMILIES)('%s: turning the start heading turns the path and nothing else', family => {
    const turn = 1.1
    const a = drop(family, { heading: 0, pitch: -0.1, roll: 0.3 })
    const b = drop(family, { heading: turn, pitch: -0.1, roll: 0.3 })
    expect(b.length).toBe(a.length)
    for (let i = 0; i < a.length; i += SAMPLE_STRIDE) {
      expect(b[i + 1]).toBeCloseTo(a[i + 1]! * Math.cos(turn) - a[i + 2]! * Math.sin(turn), 9)
      expect(b[i + 2]).toBeCloseTo(a[i + 1]! * Math.sin(turn) + a[i + 2]! * Math.cos(turn), 9)
      expect(b[i + 3]).toBeCloseTo(a[i + 3]!, 9)
    }
  })
})
