import { describe, expect, it } from 'vitest'
import { cutRig } from '../fall/bend/cut'
import { dropBentPair, type BentPairDrop } from '../fall/bend/dropBentPair'
import { dropTethered, type TetheredDrop } from '../fall/dropTethered'
import { SAMPLE_STRIDE } from '../fall/recorder'
import { summarize } from '../fall/summary'
import { rotate } from '../numerics/quaternion'
import type { BaitSpec, RigSpec } from '../rig/spec'
import type { Conditions } from './conditions'
import { evaluateRig } from './evaluateRig'
import { prepareRig } from './prepareRig'
import { STILL } from './testing'

const still: Conditions = { ...STILL, depthM: 1 }
const stick: BaitSpec = { form: 'stick', lengthM: 0.125, material: 'salted' }
const floating: BaitSpec = { form: 'straightWorm', lengthM: 0.2, material: 'floating' }
const rigOf = (family: RigSpec['family'], more: Partial<RigSpec> = {}): RigSpec => ({
  family,
  hookSize: '3/0',
  weightKg: 0.0053,
  weightMaterial: 'lead',
  pointRest: 'skin',
  ...more,
})

/** The same rig dropped as one body with its weight, and with links that bend. */
function both(
  bait: BaitSpec,
  spec: RigSpec,
  where: Conditions,
  stiffer = 1,
): { readonly rod: TetheredDrop; readonly bent: BentPairDrop } {
  const { bodies, fall } = prepareRig(bait, spec, where)
  const rod = dropTethered(bodies.typical, bodies.weight!, fall)
  if (!rod.ok) throw new Error(rod.message)
  return { rod: rod.value, bent: bentOf(bait, spec, where, stiffer) }
}
function bentOf(bait: BaitSpec, spec: RigSpec, where: Conditions, stiffer = 1): BentPairDrop {
  const { rig, water, bodies, fall } = prepareRig(bait, spec, where)
  const bent = dropBentPair(cutRig(rig, water, { stiffer }), bodies.typical, bodies.weight!, fall)
  if (!bent.ok) throw new Error(bent.message)
  return bent.value
}

describe('a bait that bends, with a weight of its own', () => {
  it.each([
    ['hinged to it', 'J4', {}, {}],
    ['hinged, in a current', 'J4', {}, { stream: { surfaceMS: 0.4, towardRad: 1 } }],
    ['hinged, under a light pull', 'J4', {}, { hold: { mode: 'controlled', rodDistanceM: 15 } }],
    ['behind a stopped bullet', 'L1', { peg: 'half' }, {}],
    ['beside a free bullet', 'L1', { peg: 'free' }, {}],
    ['on a leader', 'L3', {}, {}],
    ['above it', 'L4', {}, {}],
    ['above it, on a closed bail', 'L4', {}, { hold: { mode: 'tight', rodDistanceM: 15 } }],
  ] as const)('is one body where it is stiff: %s', (_, family, more, around) => {
    const { rod, bent } = both(stick, rigOf(family, more), { ...still, ...around }, 400)
    expect(Math.abs(bent.timeS / rod.timeS - 1)).toBeLessThan(0.005)
    expect(Math.abs(bent.weightTimeS / rod.weightTimeS - 1)).toBeLessThan(0.005)
    expect(bent.ending).toBe(rod.ending)
    const [a, b] = [bent, rod].map(({ samples }) => samples.slice(-SAMPLE_STRIDE))
    for (const k of [1, 2, 3]) expect(Math.abs(a![k]! - b![k]!)).toBeLessThan(0.02)
    expect(Math.abs(summarize(bent).pitchRad - summarize(rod).pitchRad)).toBeLessThan(0.02)
    expect(bent.weightPath).toHaveLength((3 * bent.samples.length) / SAMPLE_STRIDE)
    expect(bent.linePath?.length).toBe(rod.linePath?.length)
  })
  it.each([
    ['hinged to it', 'J4', {}],
    ['behind a stopped bullet', 'L1', { peg: 'half' }],
    ['on a leader', 'L3', {}],
  ] as const)('follows nose first where a rod would plane: a limp stick %s', (_, family, more) => {
    const where = { ...still, depthM: 2 }
    const { rod, bent } = both(stick, rigOf(family, more), where)
    expect(summarize(rod).pitchRad).toBeGreaterThan(-0.9)
    expect(summarize(bent).pitchRad).toBeLessThan(-1.2)
    expect(bent.timeS).toBeLessThan(0.9 * rod.timeS)
    // and that is what the sheet has
    const found = evaluateRig(stick, rigOf(family, more), where)
    expect(found.ok && found.value.fall.timeS.value).toBe(bent.timeS)
    expect(found.ok && found.value.fall.bending!.rodS).toBe(rod.timeS)
  })
  it('floating behind a hinged ball stands up in still water, and leans with a current', () => {
    const tails = [0, 0.3].map(surfaceMS => {
      const where = { ...still, depthM: 1.5, stream: { surfaceMS, towardRad: 0 } }
      const bent = bentOf(floating, rigOf('J4', { weightKg: 0.0107 }), where)
      expect(bent.ending).toBe('hovers')
      const [w, x, y, z] = bent.samples.slice(4 - SAMPLE_STRIDE)
      return rotate([w!, x!, y!, z!], [-1, 0, 0])
    })
    expect(tails[0]![2]).toBeGreaterThan(0.97)
    expect(tails[1]![2]).toBeLessThan(0.8)
    expect(tails[1]![0]).toBeGreaterThan(0.5)
  })
})
