import { describe, expect, it } from 'vitest'
import { assembleRig } from '../rig/assemble'
import { sumParts } from '../rig/geometry'
import { FAMILIES, FAMILY_IDS } from '../rig/families'
import { LIMITS, type BaitSpec, type RigSpec } from '../rig/spec'
import { lineFromLb } from '../tackle/lines'
import { RODS } from '../tackle/rods'
import { airBody } from './airBody'
import { evaluateCast, type CastPlace, type CastResult } from './evaluateCast'
import { launchSpeed } from './launch'

const place: CastPlace = {
  rod: RODS.medium,
  line: lineFromLb('braid', 15),
  depthM: 1.5,
  waterKgM3: 1000,
}
const shad: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const stick: BaitSpec = { form: 'stick', lengthM: 0.125, material: 'salted' }
const rig = (family: RigSpec['family'], grams: number, more: Partial<RigSpec> = {}): RigSpec => ({
  family,
  hookSize: '3/0',
  weightKg: grams / 1000,
  weightMaterial: 'lead',
  pointRest: FAMILIES[family].pointRests[0]!,
  ...more,
})
function cast(bait: BaitSpec, spec: RigSpec, more: Partial<CastPlace> = {}): CastResult {
  const { geometry, parts } = assembleRig(bait, spec)
  return evaluateCast(geometry, parts.second, { ...place, ...more })
}
const metres = (bait: BaitSpec, spec: RigSpec, more: Partial<CastPlace> = {}): number =>
  cast(bait, spec, more).distanceM.value

describe('a rig in the air', () => {
  it('turning over shows a quarter of its surface: a bare rod against the closed form', () => {
    const [lengthM, widthM] = [0.1, 0.01]
    const n = 40
    const strips = Array.from({ length: n }, (_, i) => ({
      at: [-(i + 0.5) * (lengthM / n), 0, 0] as const,
      axis: [1, 0, 0] as const,
      side: [0, 1, 0] as const,
      up: [0, 0, 1] as const,
      lengthM: lengthM / n,
      widthM,
      heightM: widthM,
      massKg: 0.008 / n,
      displacedM3: 8e-6 / n,
      wet: true,
      part: 'bait' as const,
    }))
    const body = airBody(sumParts(strips, [], [0, 0, 0]))
    expect(body.flight).toBe('tumbles')
    expect(body.noseLoad).toBeCloseTo(0, 6)
    expect(body.dragAreaM2).toBeCloseTo((0.9 * Math.PI * widthM * lengthM) / 4, 8)
  })
  it('flies nose first behind a head, and turns over without one', () => {
    expect(cast(shad, rig('E1', 7)).flight).toBe('noseFirst')
    expect(cast(shad, rig('O2', 0)).flight).toBe('tumbles')
  })
})

describe('distance', () => {
  it('is what people report of usual tackle: some 25 to 40 m with ten grams on two metres of rod', () => {
    const { value, low, high } = cast(shad, rig('E1', 3.5)).distanceM
    expect(value).toBeGreaterThan(25)
    expect(value).toBeLessThan(40)
    expect(high / low).toBeGreaterThan(1.3)
  })
  it('grows with the weight, within what the rod casts', () => {
    const out = [1.8, 3.5, 5, 7, 10].map(g => metres(shad, rig('E1', g)))
    expect(out).toEqual([...out].sort((a, b) => a - b))
  })
  it('belly weight adds metres to an unweighted hook', () => {
    expect(metres(shad, rig('W1', 3.5))).toBeGreaterThan(metres(shad, rig('O2', 0)) + 2)
    expect(metres(shad, rig('W1', 7))).toBeGreaterThan(metres(shad, rig('W1', 3.5)))
  })
  it('wind ahead takes most from the light, and gives back less from behind', () => {
    const part = (bait: BaitSpec, spec: RigSpec, from: 'ahead' | 'behind'): number => {
      const { distanceM, stillM } = cast(bait, spec, { wind: { speedMS: 8, from } })
      return distanceM.value / stillM!.value
    }
    const light: BaitSpec = { ...shad, lengthM: 0.064 }
    const [a, b, c] = [
      part(light, rig('O2', 0, { hookSize: '1' }), 'ahead'),
      part(shad, rig('E1', 1.8), 'ahead'),
      part(shad, rig('E1', 14), 'ahead'),
    ]
    expect(a).toBeLessThan(b)
    expect(b).toBeLessThan(c)
    expect(c).toBeLessThan(1)
    expect(part(shad, rig('E1', 1.8), 'behind')).toBeGreaterThan(1.05)
  })
  it('falls off on a rod that is too light for it, and says so', () => {
    const heavy = cast({ ...shad, lengthM: 0.12 }, rig('E1', 28, { hookSize: '5/0' }), { rod: RODS.light })
    expect(heavy.load).toBe('heavy')
    expect(heavy.distanceM.value).toBeLessThan(
      metres({ ...shad, lengthM: 0.12 }, rig('E1', 28, { hookSize: '5/0' }), { rod: RODS.heavy }),
    )
    expect(
      cast({ ...shad, lengthM: 0.05 }, rig('E1', 0.5, { hookSize: '6' }), { rod: RODS.heavy }).load,
    ).toBe('light')
  })
  it('shrinks with a thicker line of the same strength', () => {
    expect(metres(shad, rig('E1', 3.5), { line: lineFromLb('mono', 15) })).toBeLessThan(
      metres(shad, rig('E1', 3.5)),
    )
  })
  it('a longer rod throws farther', () => {
    const [short, long] = [1.8, 2.7].map(lengthM => launchSpeed({ lengthM, castKg: [0.007, 0.022] }, 0.012))
    expect(long! / short!).toBeGreaterThan(1.2)
    expect(long! / short!).toBeLessThan(1.5)
  })
  it('moves to what was measured, and narrows with each cast', () => {
    const usual = cast(shad, rig('E1', 3.5))
    const measured = (n: number): CastResult =>
      cast(shad, rig('E1', 3.5), {
        measured: Array.from({ length: n }, () => ({ massKg: 0.01, distanceM: 55 })),
      })
    const wide = (r: CastResult): number => r.distanceM.high / r.distanceM.low
    expect(measured(1).distanceM.value).toBeGreaterThan(usual.distanceM.value)
    expect(measured(5).distanceM.value).toBeGreaterThan(measured(1).distanceM.value)
    expect(wide(measured(1))).toBeLessThan(wide(usual))
    expect(wide(measured(5))).toBeLessThan(wide(measured(1)))
    expect(measured(1).distanceM.basis).toBe('measured')
    expect(usual.moved).toBeUndefined()
  })
  it('is a figure for the lightest and the heaviest, the shortest and the longest of every family', () => {
    let looked = 0
    for (const family of FAMILY_IDS)
      for (const [lengthM, kg] of [
        [LIMITS.baitLengthM[0], 0.0005],
        [LIMITS.baitLengthM[1], 0.042],
      ] as const)
        for (const wind of [undefined, { speedMS: 15, from: 'ahead' }] as const) {
          const { hollowOnly, weighted } = FAMILIES[family]
          const out = cast(
            { form: hollowOnly ? 'tube' : 'slimShad', lengthM, material: 'plain' },
            { ...rig(family, weighted ? 1000 * kg : 0), hookSize: lengthM > 0.1 ? '8/0' : '6' },
            wind ? { wind } : {},
          )
          expect(out.distanceM.low, family).toBeGreaterThan(0)
          expect(out.distanceM.high, family).toBeLessThan(120)
          expect(Number.isFinite(out.splash.noticedM) && Number.isFinite(out.skip.underM), family).toBe(true)
          looked++
        }
    expect(looked).toBe(4 * FAMILY_IDS.length)
  })
})

describe('landing', () => {
  it('an unweighted rig lands softest, a heavy head hardest', () => {
    const [bare, belly, head] = [
      cast(shad, rig('O2', 0)),
      cast(shad, rig('W1', 3.5)),
      cast(shad, rig('E1', 14)),
    ].map(r => r.splash)
    expect(bare!.energyJ).toBeLessThan(belly!.energyJ)
    expect(belly!.energyJ).toBeLessThan(head!.energyJ)
    expect([bare!.kind, head!.kind]).toEqual(['soft', 'hard'])
  })
  it('counts a tail as plastic, and weight and hook as metal', () => {
    const { geometry } = assembleRig(shad, rig('E1', 7))
    const { hardKg, massKg } = airBody(geometry)
    const wireKg = geometry.strips.reduce((sum, s) => sum + (s.part === 'wire' ? s.massKg : 0), 0)
    expect(hardKg).toBeCloseTo(0.007 + wireKg, 6)
    expect(massKg).toBeGreaterThan(hardKg + 0.004)
  })
  it('is noticed from farther off in thin, clear water', () => {
    const of = (depthM: number, clarity: CastPlace['clarity']): number =>
      cast(shad, rig('E1', 3.5), { depthM, ...(clarity ? { clarity } : {}) }).splash.noticedM
    expect(of(0.4, 'clear')).toBeGreaterThan(of(0.4, 'dirty'))
    expect(of(0.4, 'stained')).toBeGreaterThan(of(4, 'stained'))
  })
})

describe('skipping', () => {
  it('flat and unweighted skips under a dock, a belly weight less far, a head not at all', () => {
    const [bare, belly, head] = [
      cast(stick, rig('L8', 0)),
      cast(shad, rig('W1', 3.5)),
      cast(shad, rig('E1', 7)),
    ]
    expect(bare!.skip.underM).toBeGreaterThan(3)
    expect(belly!.skip.underM).toBeGreaterThan(0)
    expect(belly!.skip.underM).toBeLessThan(bare!.skip.underM)
    expect(head!.skip).toEqual({ hops: 0, underM: 0 })
    // nor does anything behind a weight of its own
    for (const family of ['L3', 'L4', 'L5'] as const)
      expect(cast(stick, rig(family, 7)).skip.hops, family).toBe(0)
  })
})
