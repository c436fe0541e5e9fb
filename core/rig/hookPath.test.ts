import { describe, expect, it } from 'vitest'
import { HOOK_SIZES, typicalHook, WIRE_GRADES, type HookDims, type HookStyle } from '../tackle/hooks'
import { assembleRig } from './assemble'
import { shapeBait } from './bait'
import { dimsOf } from './dims'
import { FAMILIES, FAMILY_IDS } from './families'
import { gapFillM, pointPlace } from './gap'
import { guardN, guardOf } from './guard'
import { jigPath, offsetPath, topPath, turnAboutEye, type HookPath } from './hookPath'
import { layPoint, MOST_TURN_RAD, REST_DEPTH_M } from './placement'
import type { BaitSpec, RigSpec } from './spec'

const STYLES: readonly HookStyle[] = ['wideGap', 'worm', 'straight', 'bellyWeighted', 'jig', 'longJig']
const shad: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const reach = ({ points }: HookPath) => ({
  s: [Math.min(...points.map(p => p.s)), Math.max(...points.map(p => p.s))] as const,
  z: [Math.min(...points.map(p => p.z)), Math.max(...points.map(p => p.z))] as const,
})

describe('a hook of wire', () => {
  const each = (check: (dims: HookDims, style: HookStyle) => void): void =>
    STYLES.forEach(style => HOOK_SIZES.forEach(size => check(typicalHook(style, size), style)))
  it('is as long from eye to bend as its dimensions say, in every style and size', () =>
    each(dims => {
      const { s } = reach(offsetPath(dims, { s: 0, z: 0 }))
      expect(s[1] - s[0]).toBeCloseTo(dims.lengthM, 9)
      const top = reach(topPath(dims, { s: 0.01, z: 0.004 }))
      expect(top.s[1] - top.s[0]).toBeCloseTo(dims.lengthM, 9)
    }))
  it('stands as wide between shank and point as its gap, the point as long as it is', () =>
    each(dims => {
      for (const path of [
        offsetPath(dims, { s: 0, z: 0 }),
        topPath(dims, { s: 0, z: 0 }),
        jigPath(dims, { s: -0.005, z: 0.004 }, { s: 0.002, z: 0 }),
      ]) {
        expect(path.tip.z - path.shank.to.z).toBeCloseTo(dims.gapM, 9)
        expect(path.shank.to.s - path.tip.s).toBeCloseTo(dims.pointM, 9)
        const { s } = reach(path)
        expect(s[1] - path.shank.to.s).toBeCloseTo(dims.gapM / 2, 9)
      }
    }))
  it('an offset hook steps down from its neck by its step; a jig hook counts from where it is told', () => {
    const dims = typicalHook('wideGap', '3/0')
    const path = offsetPath(dims, { s: 0.001, z: 0.002 })
    expect(path.shank.from.z).toBeCloseTo(0.002 - dims.stepM, 12)
    expect(path.points[1]!.s - path.eye.s).toBeCloseTo(dims.neckM, 12)
    const jig = typicalHook('jig', '3/0')
    expect(reach(jigPath(jig, { s: -0.005, z: 0.004 }, { s: 0, z: 0 }, 0.02)).s[1]).toBeCloseTo(
      0.02 + jig.lengthM,
      9,
    )
  })
  it('turned about its eye keeps its eye and every length, and turned back is as before', () => {
    const path = offsetPath(typicalHook('wideGap', '4/0'), { s: 0.002, z: 0.001 })
    const turned = turnAboutEye(path, 0.2)
    expect(turned.points[0]).toEqual({
      s: expect.closeTo(0.002, 12) as number,
      z: expect.closeTo(0.001, 12) as number,
    })
    const far = (p: { s: number; z: number }, q: { s: number; z: number }): number =>
      Math.hypot(p.s - q.s, p.z - q.z)
    for (let i = 1; i < path.points.length; i++)
      expect(far(turned.points[i]!, turned.points[i - 1]!)).toBeCloseTo(
        far(path.points[i]!, path.points[i - 1]!),
        12,
      )
    expect(turned.tip.z).toBeGreaterThan(path.tip.z)
    const back = turnAboutEye(turned, -0.2)
    expect(far(back.tip, path.tip)).toBeLessThan(1e-12)
  })
})

describe('its dimensions', () => {
  it('typical of style and size, changed by wire and gap, each replaced by what was measured', () => {
    const typical = typicalHook('wideGap', '3/0')
    expect(dimsOf('wideGap', { hookSize: '3/0' })).toEqual(typical)
    expect(dimsOf('wideGap', { hookSize: '3/0', wire: 'fine' }).wireM).toBeCloseTo(
      typical.wireM * WIRE_GRADES.fine.factor,
      12,
    )
    expect(dimsOf('wideGap', { hookSize: '3/0', gap: 'deep' }).gapM).toBeGreaterThan(typical.gapM)
    expect(
      dimsOf('wideGap', {
        hookSize: '3/0',
        wire: 'heavy',
        gap: 'deep',
        hook: { gapM: 0.011, wireM: 0.0009 },
      }),
    ).toMatchObject({ gapM: 0.011, wireM: 0.0009, lengthM: typical.lengthM })
  })
})

describe('laid in a bait', () => {
  const laid = (pointRest: RigSpec['pointRest'], more: Partial<RigSpec> = {}) =>
    layPoint(
      offsetPath(dimsOf('wideGap', { hookSize: '4/0', ...more }), { s: 0.001, z: 0 }),
      shapeBait(shad),
      { pointRest, slit: more.slit ?? false },
    )
  it('the point comes to lie where it was asked to: on the back, just under it, or deeper', () => {
    for (const rest of ['flush', 'skin', 'buried'] as const) {
      const { openingM, restReached } = laid(rest)
      expect(restReached).toBe(true)
      expect(Math.abs(openingM + REST_DEPTH_M[rest])).toBeLessThan(5e-4)
    }
  })
  it('comes out of the back behind where it goes into the belly, both inside the bait', () => {
    const { exitM, bellyM } = laid('skin')
    expect(exitM).toBeGreaterThan(0)
    expect(exitM!).toBeLessThan(shad.lengthM)
    if (bellyM !== undefined) expect(exitM!).toBeLessThanOrEqual(bellyM + 0.01)
  })
  it('is never turned farther than a bait can be bent, and says so where that is not enough', () => {
    const deep = shapeBait({ form: 'deepShad', lengthM: 0.12, material: 'plain' })
    const path = offsetPath(dimsOf('wideGap', { hookSize: '1' }), { s: 0.001, z: 0 })
    const { path: found, restReached } = layPoint(path, deep, { pointRest: 'flush' })
    const angle =
      Math.atan2(found.tip.z - found.eye.z, found.tip.s - found.eye.s) -
      Math.atan2(path.tip.z - path.eye.z, path.tip.s - path.eye.s)
    expect(Math.abs(angle)).toBeLessThanOrEqual(MOST_TURN_RAD + 1e-9)
    expect(restReached).toBe(false)
  })
})

describe('what stands in the gap', () => {
  const rig = (family: RigSpec['family'], more: Partial<RigSpec> = {}, bait = shad) =>
    assembleRig(bait, {
      family,
      hookSize: '4/0',
      weightKg: FAMILIES[family].weighted ? 0.005 : 0,
      weightMaterial: 'lead',
      pointRest: FAMILIES[family].pointRests.includes('skin') ? 'skin' : FAMILIES[family].pointRests[0]!,
      ...more,
    })
  it('a weedless hook holds the whole body there, a jig hook only what is above the shank; a slit leaves the skin of the back', () => {
    const body = shapeBait(shad).heightAt(pointPlace(rig('O2')))
    expect(gapFillM(rig('O2'))).toBeGreaterThan(0.6 * body)
    expect(gapFillM(rig('E1', { hookSize: '3/0' }))).toBeLessThan(0.7 * gapFillM(rig('O2')))
    expect(gapFillM(rig('O2', { slit: true }))).toBeLessThan(gapFillM(rig('O2')))
    expect(gapFillM(rig('O2', { slit: true }))).toBeGreaterThanOrEqual(0.003 - 1e-12)
  })
  it('the point stands inside the bait for every family', () => {
    for (const family of FAMILY_IDS) {
      const bait: BaitSpec = FAMILIES[family].hollowOnly
        ? { form: 'tube', lengthM: 0.1, material: 'plain' }
        : { form: 'stick', lengthM: 0.125, material: 'salted' }
      const made = rig(family, { hookSize: '2/0' }, bait)
      expect(pointPlace(made)).toBeGreaterThan(0)
      expect(pointPlace(made)).toBeLessThan(bait.lengthM)
      expect(gapFillM(made)).toBeGreaterThanOrEqual(0)
    }
  })
})

describe('guards', () => {
  it("as asked for, else the family's own, and the stiffer the more it takes to press it down", () => {
    expect(guardOf({ family: 'J7' })).toBe('fibre')
    expect(guardOf({ family: 'J7', guard: 'none' })).toBe('none')
    expect(guardOf({ family: 'W1' })).toBe('none')
    expect(guardN({ family: 'E1', guard: 'none' })).toBe(0)
    expect(guardN({ family: 'E1', guard: 'fibre' })).toBeGreaterThan(guardN({ family: 'E1', guard: 'wire' }))
  })
})
