import { describe, expect, it } from 'vitest'
import { assembleRig } from '../rig/assemble'
import { sumParts, type Compact, type RigGeometry, type Strip } from '../rig/geometry'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { afloat, levelOf } from './afloat'
import { submergedOf } from './submerged'

const WATER = 1000
/** A round rod of one density along x, with a weight of no size at a place of it. */
function rod(
  { lengthM = 0.2, diameterM = 0.02, densityKgM3 = 500 },
  ballast?: { readonly at: readonly [number, number, number]; readonly kg: number },
): RigGeometry {
  const n = 40
  const volume = (Math.PI / 4) * diameterM ** 2 * lengthM
  const strips: Strip[] = Array.from({ length: n }, (_, i) => ({
    at: [-(i + 0.5) * (lengthM / n), 0, 0],
    axis: [1, 0, 0],
    side: [0, 1, 0],
    up: [0, 0, 1],
    lengthM: lengthM / n,
    widthM: diameterM,
    heightM: diameterM,
    massKg: (densityKgM3 * volume) / n,
    displacedM3: volume / n,
    wet: true,
    part: 'bait',
  }))
  const compacts: Compact[] = ballast
    ? [
        {
          kind: 'ball',
          at: ballast.at,
          size: [1e-4, 1e-4, 1e-4],
          massKg: ballast.kg,
          displacedM3: 1e-12,
          joined: false,
        },
      ]
    : []
  return sumParts(strips, compacts, [0, 0, 0])
}

describe('what is under water', () => {
  it('of a lying cylinder is the segment of its circle', () => {
    const body = rod({})
    const r = 0.01
    for (const u of [-0.7, -0.2, 0, 0.4, 0.9]) {
      const { volumeM3, middle } = submergedOf(body, [0, 0, 1], u * r)
      const angle = 2 * Math.acos(-u)
      const area = (r ** 2 / 2) * (angle - Math.sin(angle))
      expect(volumeM3 / (area * 0.2)).toBeCloseTo(1, 6)
      // middle of a segment: 4 r sin³(θ/2) / 3 (θ − sin θ) under the axis
      expect(middle[2]!).toBeCloseTo((-4 * r * Math.sin(angle / 2) ** 3) / (3 * (angle - Math.sin(angle))), 8)
    }
  })
  it('of a sphere is its cap', () => {
    const ball = sumParts(
      [],
      [
        {
          kind: 'ball',
          at: [0, 0, 0],
          size: [0.02, 0.02, 0.02],
          massKg: 0.001,
          displacedM3: (4 / 3) * Math.PI * 1e-6,
          joined: false,
        },
      ],
      [0, 0, 0],
    )
    for (const h of [0.004, 0.01, 0.017]) {
      const { volumeM3 } = submergedOf(ball, [0, 0.6, 0.8], h - 0.01)
      expect(volumeM3 / ((Math.PI * h * h * (0.03 - h)) / 3)).toBeCloseTo(1, 6)
    }
  })
  it('displaces its own mass at its level, in any attitude', () => {
    const body = rod({ densityKgM3: 720 }, { at: [-0.05, 0, -0.004], kg: 0.004 })
    for (const up of [
      [0, 0, 1],
      [0, 1, 0],
      [0.6, 0, 0.8],
      [1, 0, 0],
    ] as const) {
      const { volumeM3 } = submergedOf(body, up, levelOf(body, up, WATER))
      expect((volumeM3 * WATER) / body.massKg).toBeCloseTo(1, 6)
    }
  })
})

describe('a body afloat', () => {
  it('of a light rod lies, half under at half the density', () => {
    const { pitchRad, draftM, underShare } = afloat(rod({}), WATER)
    expect(Math.abs(pitchRad)).toBeLessThan(0.01)
    expect(draftM / 0.01).toBeCloseTo(1, 2)
    expect(underShare).toBeCloseTo(0.5, 6)
  })
  it('of a short fat cylinder stands or lies as its metacentre says', () => {
    // standing at half density: stable where radius over length exceeds 1/√2 (Archimedes, On Floating Bodies)
    for (const [lengthM, stands] of [
      [0.0125, true],
      [0.0165, false],
    ] as const) {
      const { up } = afloat(rod({ lengthM, diameterM: 0.02 }), WATER)
      expect([lengthM, Math.abs(up[0]) > 0.98]).toEqual([lengthM, stands])
    }
  })
  it('with ballast at one end stands as a spar, as deep as its mass asks', () => {
    const body = rod({ densityKgM3: 300 }, { at: [-0.198, 0, 0], kg: 0.025 })
    const { pitchRad, draftM } = afloat(body, WATER)
    expect(pitchRad).toBeGreaterThan(1.5)
    expect(draftM / (body.massKg / WATER / ((Math.PI / 4) * 0.02 ** 2))).toBeCloseTo(1, 2)
  })
  it('turns its weight down, and more stiffly the lower it hangs', () => {
    const hung = (depthM: number) => afloat(rod({}, { at: [-0.1, 0, -depthM], kg: 0.003 }), WATER)
    const [near, far] = [hung(0.003), hung(0.009)]
    for (const { rollRad } of [near, far]) expect(Math.abs(rollRad)).toBeLessThan(0.02)
    expect(far.stiffness).toBeGreaterThan(2 * near.stiffness)
    const over = afloat(rod({}, { at: [-0.1, 0, 0.009], kg: 0.003 }), WATER)
    expect(Math.abs(over.rollRad)).toBeCloseTo(Math.PI, 1)
  })
  it('trims by a weight off its middle as its longitudinal metacentre says, nose down with the weight in the nose', () => {
    const kg = 0.003
    for (const off of [0.04, 0.02, -0.04]) {
      const body = rod({ densityKgM3: 700 }, { at: [-0.1 + off, 0, -0.004], kg })
      const level = levelOf(body, [0, 0, 1], WATER)
      const plane = (2 * Math.sqrt(0.01 ** 2 - level ** 2) * 0.2 ** 3) / 12
      // tan of the trim is the moment over weight and metacentric height: I/V less what lies between the centres
      const angle = 2 * Math.acos(-level / 0.01)
      const under = (-4 * 0.01 * Math.sin(angle / 2) ** 3) / (3 * (angle - Math.sin(angle)))
      const height = plane / (body.massKg / WATER) - ((kg * -0.004) / body.massKg - under)
      const trim = Math.atan((-kg * off) / (body.massKg * height))
      expect(Math.abs(afloat(body, WATER).pitchRad / trim - 1)).toBeLessThan(0.01)
    }
  })
  it('refuses what sinks', () => {
    expect(() => afloat(rod({ densityKgM3: 1200 }), WATER)).toThrow(/heavier/)
  })
})

describe('baits afloat', () => {
  const frog = (material: BaitSpec['material']): BaitSpec => ({ form: 'frog', lengthM: 0.09, material })
  const on = (bait: BaitSpec, more: Partial<RigSpec> = {}): RigGeometry =>
    assembleRig(bait, {
      family: 'O2',
      hookSize: '3/0',
      weightKg: 0,
      weightMaterial: 'lead',
      pointRest: 'skin',
      ...more,
    }).geometry
  it('a frog of floating elastomer floats on a light hook, back up; one of plain plastisol on a heavy hook does not', () => {
    const sits = afloat(on(frog('floating')), WATER)
    expect(sits.underShare).toBeLessThan(1)
    expect(Math.cos(sits.rollRad)).toBeGreaterThan(0.7)
    expect(() => afloat(on(frog('plain'), { wire: 'heavy' }), WATER)).toThrow(/heavier/)
  })
})
