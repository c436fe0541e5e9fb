import { describe, expect, it } from 'vitest'
import { WEIGHT_MATERIALS } from '../tackle/weights'
import { FORM_IDS } from '../tackle/forms'
import { assembleBareBait, assembleRig } from './assemble'
import { shapeBait } from './bait'
import { drawRig } from './drawing'
import { FAMILIES, FAMILY_IDS } from './families'
import { problemsOf } from './problems'
import { bareWeight, rod } from './simpleBodies'
import type { BaitSpec, RigSpec } from './spec'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
/** A tube for what goes inside one. */
const baitFor = (family: RigSpec['family']): BaitSpec =>
  FAMILIES[family].hollowOnly ? { ...bait, form: 'tube' } : bait
const specOf = (family: RigSpec['family'], more: Partial<RigSpec> = {}): RigSpec => ({
  family,
  hookSize: '4/0',
  weightKg: FAMILIES[family].weighted ? 0.0035 : 0,
  weightMaterial: 'lead',
  pointRest: FAMILIES[family].pointRests[0]!,
  ...more,
})

describe('assembly', () => {
  it.each(FORM_IDS)('%s: volume of the slices agrees with the volume of its outline', form => {
    const shape = shapeBait({ ...bait, form })
    let volume = 0
    for (let i = 0; i < 20_000; i++) {
      const s = ((i + 0.5) * shape.bodyM) / 20_000
      volume +=
        ((Math.PI / 4) * shape.widthAt(s) * shape.heightAt(s) * (1 - shape.hollowAt(s)) * shape.bodyM) /
        20_000
    }
    const strips = assembleBareBait({ ...bait, form }).strips.reduce((sum, s) => sum + s.displacedM3, 0)
    expect(Math.abs(strips / volume - 1)).toBeLessThan(0.002)
  })

  it('on its side a bait keeps its mass, and what it was across it is upright; only trailers are threaded so', () => {
    const craw: BaitSpec = { ...bait, form: 'craw' }
    const [flat, side] = [{}, { sideOn: true }].map(more => assembleRig(craw, specOf('T1', more)))
    expect(side!.geometry.massKg).toBeCloseTo(flat!.geometry.massKg, 9)
    for (const s of [0.01, 0.03, 0.05]) expect(side!.bait.heightAt(s)).toBe(flat!.bait.widthAt(s))
    const claws = (rig: typeof flat) => rig!.geometry.compacts.filter(c => c.kind === 'claw').map(c => c.at)
    const apart = (rig: typeof flat, k: 1 | 2) => Math.abs(claws(rig)[0]![k] - claws(rig)[1]![k])
    expect(apart(side, 2)).toBeCloseTo(apart(flat, 1), 9)
    expect(apart(side, 1)).toBeCloseTo(0, 9)
    expect(problemsOf(craw, specOf('E1', { sideOn: true }))).toEqual([
      { field: 'rig.sideOn', code: 'noSide' },
    ])
  })

  it('a rod has the mass, centre and inertia of the textbook cylinder', () => {
    const [L, d, rho] = [0.1, 0.01, 1200]
    const body = rod(L, d, rho)
    const mass = ((rho * Math.PI * d * d) / 4) * L
    expect(body.massKg).toBeCloseTo(mass, 12)
    expect(body.centre[0]).toBeCloseTo(-L / 2, 12)
    expect(body.inertia[0]! / ((mass * d * d) / 8)).toBeCloseTo(1, 6)
    expect(body.inertia[4]! / (mass * ((L * L) / 12 + (d * d) / 16))).toBeCloseTo(1, 3)
  })

  it('adds exactly the weight asked for, but for the millimetres of wire through a larger head', () => {
    for (const [family, tolerance] of [
      ['E1', 5e-5],
      ['W1', 1e-12],
      ['L1', 1e-12],
    ] as const) {
      const light = assembleRig(bait, specOf(family)).geometry
      const heavy = assembleRig(bait, specOf(family, { weightKg: 0.0105 })).geometry
      expect(Math.abs(heavy.massKg - light.massKg - 0.007)).toBeLessThan(tolerance)
      expect(
        Math.abs(heavy.displacedM3 - light.displacedM3 - 0.007 / WEIGHT_MATERIALS.lead.densityKgM3),
      ).toBeLessThan(tolerance / 1000)
    }
  })

  it('takes the density of the weight as given', () => {
    const volume = (more: Partial<RigSpec>): number =>
      assembleRig(bait, specOf('W1', more)).geometry.displacedM3
    expect(volume({ weightDensityKgM3: 7000 }) - volume({ weightDensityKgM3: 14000 })).toBeCloseTo(
      0.0035 / 14000,
      12,
    )
  })

  it('puts the weight where the family says: head in front of the nose, belly weight under the bait, bullet on the line', () => {
    const heaviest = (family: RigSpec['family']) =>
      [...assembleRig(bait, specOf(family)).geometry.compacts].sort((a, b) => b.massKg - a.massKg)[0]!
    expect(heaviest('E1').at[0]).toBeGreaterThan(0)
    expect(heaviest('L1').at[0]).toBeGreaterThan(0)
    expect(heaviest('W1').at[0]).toBeLessThan(-0.01)
    expect(heaviest('W1').at[2]).toBeLessThan(-0.003)
  })

  it("draws every family within bounds of a hand's breadth round the bait", () => {
    for (const family of FAMILY_IDS) {
      const rig = assembleRig(baitFor(family), specOf(family))
      const { bounds, shapes } = drawRig(rig)
      expect(bounds[0], family).toBeGreaterThan(-0.04)
      expect(bounds[2], family).toBeLessThan(0.1)
      expect(bounds[3] - bounds[1], family).toBeLessThan(0.055)
      if (!rig.parts.onTop)
        expect(
          shapes.some(s => s.kind === 'wire' && s.hidden),
          family,
        ).toBe(true)
    }
  })
})

describe('what cannot be built', () => {
  const fields = (rig: RigSpec, b = bait): string[] => problemsOf(b, rig).map(p => p.field)
  it('is told a field at a time', () => {
    expect(fields(specOf('W1'))).toEqual([])
    expect(fields(specOf('W1', { weightKg: 0 }))).toEqual(['rig.weightKg'])
    expect(fields(specOf('O2', { weightKg: 0.003 }))).toEqual(['rig.weightKg'])
    expect(fields(specOf('E1', { pointRest: 'skin' }))).toEqual(['rig.pointRest'])
    expect(fields(specOf('W1', { hookSize: '10/0' }), { ...bait, lengthM: 0.08 })).toEqual(['rig.hookSize'])
    expect(fields(specOf('W1', { hook: { gapM: -1 } }))).toEqual(['rig.hook.gapM'])
    expect(fields(specOf('W1', { weightAtM: 3 }))).toEqual(['rig.weightAtM'])
    expect(fields(specOf('W1'), { ...bait, lengthM: Number.NaN })).toEqual(['bait.lengthM'])
    expect(fields({ ...specOf('W1'), family: 'X9' as 'W1' })).toEqual(['rig.family'])
  })
  it('throws when it is assembled all the same', () => {
    expect(() => assembleRig(bait, specOf('W1', { weightKg: -1 }))).toThrow(/assembleRig: rig.weightKg/)
    expect(() => assembleBareBait({ ...bait, lengthM: 9 })).toThrow(/assembleBareBait: bait.lengthM/)
    expect(() => bareWeight('ball', 0, 11340)).toThrow(/bareWeight/)
  })
})
