import { describe, expect, it } from 'vitest'
import type { AssembledRig } from '../../rig/assemble'
import { fromHeadingPitchRoll } from '../../numerics/quaternion'
import { radToDeg } from '../../units'
import { SOFT_BEDS } from '../../water/bed'
import { hydroBody } from '../hydroBody'
import { SAMPLE_STRIDE } from '../recorder'
import { restOf, type Rest } from '../rest'
import { retrievePosture, SLOW_RETRIEVE } from '../retrieve'
import { FRESH } from '../testing'
import { comeToLie, type LyingIn } from './comeToLie'
import { cutRig } from './cut'
import { dropBent } from './dropBent'
import { retrieveBent } from './retrieveBent'
import { HEAD, rigOf, RIGS } from './testing'

const mean = (of: ArrayLike<number>): number => Array.from(of).reduce((sum, v) => sum + v, 0) / of.length

/** How a rig comes to lie after a fall of a metre, as it bends and as one body from the same touch. */
function lying(
  rig: AssembledRig,
  around: Partial<LyingIn> = {},
  stiffer = 1,
): { readonly bent: Rest; readonly rod: Rest } {
  const whole = hydroBody(rig.geometry, FRESH)
  const links = cutRig(rig, FRESH, { stiffer })
  const { stream, bed } = around
  const drop = dropBent(links, whole, { depthM: 1, ...(stream ? { stream } : {}) })
  if (!drop.ok) throw new Error(drop.message)
  const last = drop.value.samples.slice(-SAMPLE_STRIDE)
  const bent = comeToLie(links, whole, drop.value, { heightM: -1, ...around })
  if (!bent) throw new Error('it could not be followed')
  return {
    bent,
    rod: restOf(whole, { from: [last[4]!, last[5]!, last[6]!, last[7]!], ...(bed ? { bed } : {}) }),
  }
}
/** The steepest that any link stands to the one it hangs on, degrees. */
const mostBent = ({ bent = new Float64Array() }: { readonly bent?: Float64Array }): number =>
  Math.max(
    0,
    ...Array.from({ length: bent.length / 4 }, (_, n) => radToDeg(2 * Math.acos(Math.abs(bent[4 * n]!)))),
  )

const LIMP = rigOf('straightWorm', 0.15, HEAD, { material: 'salted' })

describe('a bait that bends, on the bottom', () => {
  it.each(RIGS.filter(([name]) => !name.includes('worm')))(
    'where it is stiff, lies where its energy as one body is least: %s',
    (_, rig) => {
      const { bent } = lying(rig, {}, 40)
      // let go from there, one body stays
      const rod = restOf(hydroBody(rig.geometry, FRESH), {
        from: fromHeadingPitchRoll(0, bent.pitchRad, bent.rollRad),
      })
      expect(Math.abs(radToDeg(bent.pitchRad - rod.pitchRad))).toBeLessThan(3)
      expect(Math.abs(radToDeg(bent.rollRad - rod.rollRad))).toBeLessThan(8)
      expect(Math.abs(bent.highestM - rod.highestM)).toBeLessThan(0.002)
      expect(Math.abs(bent.centreM! - rod.centreM!)).toBeLessThan(0.001)
      expect(mostBent(bent)).toBeLessThan(1)
    },
  )
  it('limp, lies along it where a rod keeps its tail up', () => {
    const { bent, rod } = lying(LIMP)
    expect(rod.highestM).toBeGreaterThan(0.015)
    expect(bent.highestM).toBeLessThan(0.01)
    expect(bent.posture).toBe('lies')
  })
  it('floating, stands up from its head, and is laid over by a current that leaves the head where it is', () => {
    const rig = rigOf('straightWorm', 0.25, { ...HEAD, weightKg: 0.0106 }, { material: 'floating' })
    const still = lying(rig).bent
    expect(still.posture).toBe('stands')
    expect(still.highestM).toBeGreaterThan(0.24)
    const leaning = [0.1, 0.2, 0.3].map(
      surfaceMS => lying(rig, { stream: { surfaceMS, towardRad: 0, depthM: 1 } }).bent.highestM,
    )
    expect(leaning[0]).toBeLessThan(still.highestM)
    expect(leaning[1]).toBeLessThan(leaning[0]!)
    expect(leaning[2]).toBeLessThan(leaning[1]!)
  })
  it('sinks into mud as far as a rod does, and its tail stays on top', () => {
    const { bent, rod } = lying(rigOf('straightWorm', 0.2, { ...HEAD, weightKg: 0.0106 }), {
      bed: SOFT_BEDS.mud!,
    })
    expect(rod.sunkM).toBeGreaterThan(0.002)
    expect(Math.abs(bent.sunkM / rod.sunkM - 1)).toBeLessThan(0.3)
    expect(bent.highestM).toBeGreaterThan(0)
  })
  it('is held by its nose at the height of a hinge', () => {
    const low = lying(LIMP, { hingeM: 0.005 }).bent
    const high = lying(LIMP, { hingeM: 0.03 }).bent
    expect(high.pitchRad).toBeGreaterThan(low.pitchRad + 0.1)
    expect(mostBent(high)).toBeGreaterThan(3)
  })
})

describe('a bait that bends, on a tight line', () => {
  it.each(RIGS)('where it is stiff, rides as one body: %s', (_, rig) => {
    const whole = hydroBody(rig.geometry, FRESH)
    const rod = retrievePosture(whole)
    const bent = retrieveBent(cutRig(rig, FRESH, { stiffer: 400 }), whole, SLOW_RETRIEVE)!
    expect(bent.pitchRad).toHaveLength(rod.pitchRad.length)
    expect(Math.abs(radToDeg(mean(bent.pitchRad) - mean(rod.pitchRad)))).toBeLessThan(1)
  })
  it('streams out behind the hook: a limp ribbon worm rides nearer to level than a rod', () => {
    const rig = rigOf('ribbonWorm', 0.2, { family: 'W1', weightKg: 0.003 }, { material: 'salted' })
    const whole = hydroBody(rig.geometry, FRESH)
    const rod = mean(retrievePosture(whole).pitchRad)
    const ride = retrieveBent(cutRig(rig, FRESH), whole, SLOW_RETRIEVE)!
    expect(rod).toBeLessThan(-0.35)
    expect(Math.abs(mean(ride.pitchRad))).toBeLessThan(0.2)
    expect(mostBent(ride)).toBeGreaterThan(3)
  })
  it('the softer it is, the more it bends', () => {
    const rig = rigOf('straightWorm', 0.15, HEAD, { material: 'salted' })
    const whole = hydroBody(rig.geometry, FRESH)
    const bent = [8, 4, 2].map(stiffer =>
      mostBent(retrieveBent(cutRig(rig, FRESH, { stiffer }), whole, SLOW_RETRIEVE)!),
    )
    expect(bent[1]).toBeGreaterThan(bent[0]!)
    expect(bent[2]).toBeGreaterThan(bent[1]!)
  })
})
