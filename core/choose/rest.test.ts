import { describe, expect, it } from 'vitest'
import type { Conditions } from './conditions'
import { evaluateRig } from './evaluateRig'
import { fromHeadingPitchRoll } from '../numerics/quaternion'
import { rod } from '../rig/simpleBodies'
import type { PlasticId } from '../tackle/materials'
import type { FamilyId } from '../rig/spec'
import { radToDeg } from '../units'
import { hydroBody } from '../fall/hydroBody'
import { restOf, type Rest } from '../fall/rest'
import { FRESH } from '../fall/testing'
import { STILL } from './testing'

const conditions: Conditions = { ...STILL, depthM: 1.5 }
function rest(
  family: FamilyId,
  material: PlasticId,
  grams: number,
  form: 'stick' | 'slimShad' = 'stick',
  bottom: 'sand' | 'mud' = 'sand',
): Rest {
  const outcome = evaluateRig(
    { form, lengthM: form === 'stick' ? 0.125 : 0.09, material },
    {
      family,
      hookSize: '3/0',
      weightKg: grams / 1000,
      weightMaterial: 'lead',
      pointRest: family === 'E1' || family === 'E3' ? 'open' : 'skin',
    },
    { ...conditions, bottom },
  )
  if (!outcome.ok) throw new Error(outcome.message)
  return outcome.value.fall.rest
}

describe('rest on the bottom', () => {
  it('a rod let go on its end, leaning, lies down', () => {
    const body = hydroBody(rod(0.1, 0.008, 1300), FRESH)
    const r = restOf(body, { from: fromHeadingPitchRoll(0, -1.2, 0) })
    expect(r.posture).toBe('lies')
    expect(Math.abs(radToDeg(r.pitchRad))).toBeLessThan(3)
  })
  it('a bait that sinks comes to lie, whatever holds its weight at the nose', () => {
    for (const family of ['E1', 'L1', 'J4'] as const) expect(rest(family, 'salted', 7).posture).toBe('lies')
  })
  it('floating plastic behind a hinge stands up; the same rig in salted plastic lies down', () => {
    const standing = rest('J4', 'floating', 7)
    expect(standing.posture).toBe('stands')
    expect(standing.highestM).toBeGreaterThan(0.1)
    expect(rest('J4', 'salted', 7).posture).toBe('lies')
  })
  it('floating plastic stands on a head at the nose, and leans on a belly weight', () => {
    expect(rest('E1', 'floating', 5).posture).toBe('stands')
    // a sliding weight sits farther forward on the shank, and lets more of the tail rise
    expect(rest('W3', 'floating', 3.5).posture).toBe('leans')
    expect(rest('W1', 'floating', 3.5).posture).toBe('lies')
  })
  it('a belly-weighted bait lies with its point up', () =>
    expect(rest('W1', 'plain', 3.5, 'slimShad')).toMatchObject({ posture: 'lies', point: 'up' }))
  it('a bait over a leader hangs in the attitude the water gives it', () => {
    expect(rest('L3', 'floating', 10)).toMatchObject({ posture: 'hangs' })
  })
})

describe('on soft mud', () => {
  it('a heavy head sinks in, a light one stays on top, and on sand neither sinks', () => {
    expect(rest('E1', 'plain', 14, 'stick', 'mud').sunkM).toBeGreaterThan(
      rest('E1', 'plain', 5, 'stick', 'mud').sunkM,
    )
    expect(rest('E1', 'plain', 1.8, 'stick', 'mud').sunkM).toBeLessThan(0.003)
    expect(rest('E1', 'plain', 14).sunkM).toBe(0)
  })
  it('a salted bait behind a hinge, which lies on sand, is held nose down by its sunk weight', () => {
    expect(Math.abs(rest('J4', 'salted', 7).pitchRad)).toBeLessThan(0.35)
    expect(rest('J4', 'salted', 7, 'stick', 'mud').pitchRad).toBeLessThan(-0.35)
  })
  it('a head that lies on its weight keeps its centre over the bottom by what the outline says', () => {
    const r = rest('W1', 'plain', 3.5, 'slimShad')
    expect(r.centreM).toBeGreaterThan(0.002)
    expect(r.centreM).toBeLessThan(0.012)
  })
})

describe('on a flat-faced head', () => {
  it('a short floating bait stands on its face, and straighter than on a ball', () => {
    const face = rest('E3', 'floating', 3.5)
    expect(face.posture).toBe('stands')
    expect(Math.abs(radToDeg(face.pitchRad))).toBeGreaterThanOrEqual(
      Math.abs(radToDeg(rest('E1', 'floating', 3.5).pitchRad)) - 1,
    )
  })
})
