import { describe, expect, it } from 'vitest'
import { seededRandom } from '../numerics/random'
import { lineFromLb } from '../tackle/lines'
import { DEFAULT_FACTORS } from './factors'
import { STRAIGHT_STRIDE, type HydroBody } from './hydroBody'
import { makeLoads, STANDARD_GRAVITY } from './loads'
import { bodyOf, FRESH } from './testing'

/** The same body with every straight strip written in the general form. */
function general(body: HydroBody): HydroBody {
  const strips = Array.from(body.strips)
  for (let i = 0; i < body.straight.length; i += STRAIGHT_STRIDE) {
    const [x, z, ...drag] = Array.from(body.straight.subarray(i, i + STRAIGHT_STRIDE)) as [
      number,
      number,
      ...number[],
    ]
    strips.push(x, 0, z, 1, 0, 0, 0, 1, 0, 0, 0, 1, ...drag)
  }
  return { ...body, strips: Float64Array.from(strips), straight: new Float64Array(0) }
}

const options = {
  factors: DEFAULT_FACTORS,
  viscous: true,
  gravityMS2: STANDARD_GRAVITY,
  line: lineFromLb('mono', 8),
}

describe('loads', () => {
  it.each(['W1', 'E1', 'L1'] as const)('%s: straight strips give the loads of the general ones', family => {
    const body = bodyOf({ family })
    const [short, long] = [makeLoads(body, options), makeLoads(general(body), options)]
    const random = seededRandom(3)
    const draw = (n: number, scale: number): Float64Array =>
      Float64Array.from({ length: n }, () => scale * (2 * random() - 1))
    for (let i = 0; i < 50; i++) {
      const v = Float64Array.of(...draw(3, 1), ...draw(3, 4))
      const axes = draw(6, 1)
      const [a, b] = [new Float64Array(6), new Float64Array(6)]
      short(v, axes, 1.2, a)
      long(v, axes, 1.2, b)
      for (let k = 0; k < 6; k++) expect(a[k]!).toBeCloseTo(b[k]!, 12)
    }
  })

  it('lopsided shedding pushes aside, never along the flow or against it, and the other way for the other bend', () => {
    const forces = (bendM: number, vortexSide: number): Float64Array => {
      const loads = makeLoads(bodyOf({ family: 'O2', form: 'stick', bendM }), {
        factors: { ...DEFAULT_FACTORS, vortexSide, eta: 1, etaRoll: 1 },
        viscous: true,
        gravityMS2: 0,
      })
      const out = new Float64Array(6)
      loads(Float64Array.of(0.3, 0, -0.3, 0, 0, 0), Float64Array.of(0, 0, 1, 1, 0, 0), 1, out)
      return out
    }
    const part = (bendM: number): number[] =>
      [0, 1, 2].map(k => forces(bendM, 0.6)[k]! - forces(bendM, 0)[k]!)
    const [, left] = part(0.006) as [number, number, number]
    expect(Math.abs(left)).toBeGreaterThan(0.05 * Math.abs(forces(0.006, 0)[2]!))
    expect(part(-0.006)[1]).toBeCloseTo(-left, 12)
    expect(part(0)).toEqual([0, 0, 0])
  })

  it('a forked tail lifts as a slender wing does, by a share; a round stick has none to lift with', () => {
    const rise = (form: 'softJerkbait' | 'stick', tailLift: number, u: number): number => {
      const loads = makeLoads(bodyOf({ family: 'O2', form, size: '2/0' }), {
        factors: { ...DEFAULT_FACTORS, tailLift, eta: 1, etaRoll: 1 },
        viscous: true,
        gravityMS2: 0,
      })
      const out = new Float64Array(6)
      loads(Float64Array.of(u, 0, -0.02, 0, 0, 0), Float64Array.of(0, 0, 1, 1, 0, 0), 1, out)
      return out[2]!
    }
    const span = 0.075 * 0.09
    const gained = rise('softJerkbait', 0.5, 0.4) - rise('softJerkbait', 0, 0.4)
    expect(gained).toBeCloseTo(0.5 * (Math.PI / 4) * FRESH.densityKgM3 * span ** 2 * 0.4 * 0.02, 9)
    expect(rise('stick', 1, 0.4)).toBe(rise('stick', 0, 0.4))
  })

  it('most of a straight bait lies on the short path, a crooked one on the general', () => {
    expect(bodyOf({ family: 'W1' }).straight.length / STRAIGHT_STRIDE).toBeGreaterThan(25)
    expect(bodyOf({ family: 'W1', bendM: 0.005 }).straight.length / STRAIGHT_STRIDE).toBeLessThan(10)
  })

  it('drag takes energy out, whatever the motion', () => {
    const body = bodyOf({ family: 'W1', bendM: 0.01 })
    const loads = makeLoads(body, {
      ...options,
      gravityMS2: 0,
      factors: { ...DEFAULT_FACTORS, eta: 1, etaRoll: 1 },
    })
    const random = seededRandom(8)
    for (let i = 0; i < 100; i++) {
      const v = Float64Array.from({ length: 6 }, (_, k) => (k < 3 ? 1 : 5) * (2 * random() - 1))
      const out = new Float64Array(6)
      loads(v, Float64Array.of(0, 0, 1, 1, 0, 0), 1, out)
      expect(v.reduce((power, x, k) => power + x * out[k]!, 0)).toBeLessThan(0)
    }
  })
})
