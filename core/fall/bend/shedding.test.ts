import { beforeAll, describe, expect, it } from 'vitest'
import { rotate } from '../../numerics/quaternion'
import { rungeKutta4 } from '../../numerics/rk4'
import type { AssembledRig } from '../../rig/assemble'
import { waterOf } from '../../water/water'
import { DEFAULT_FACTORS as USUAL } from '../factors'
import { hydroBody } from '../hydroBody'
import { chainMotion, chainStateSize, type ChainMotion, type Link } from './chain'
import { cutRig } from './cut'
import { chainStart, dropBent, placesOf } from './dropBent'
import { quiverOf, type Quiver } from './quiver'
import { sheddingOf, WAKE_STATE } from './shedding'
import { HEAD, rigOf } from './testing'

const WATER = waterOf(15, 0)
const ACROSS = { family: 'L6', hookSize: '1/0', pointRest: 'open' } as const
const across = (form: 'stick' | 'straightWorm', lengthM: number): AssembledRig =>
  rigOf(form, lengthM, ACROSS, { material: 'salted' })

/** The wake of one link that moves across the water as it is told to. */
function wakeOf(link: Link, speedMS: number, pushed: (t: number) => number) {
  const { wake, follow, begin } = sheddingOf([link], 0)
  const y = new Float64Array(WAKE_STATE + 1)
  begin(y)
  const v = Float64Array.from([0, 0, -speedMS, 0, 0, 0])
  const load = new Float64Array(6)
  let now = 0
  const motion = { hastens: (_: number, out: Float64Array) => out.set([0, pushed(now), 0]) }
  const advance = rungeKutta4(y.length, (at, dy) => {
    now = at[WAKE_STATE]!
    wake(0, at, v, load)
    follow(motion as ChainMotion, at, dy)
    dy[WAKE_STATE] = 1
  })
  /** Rate, 1/s, and greatest side force, N, over some seconds. */
  return (fromS: number, toS: number): { readonly hz: number; readonly newton: number } => {
    let [crossings, newton] = [0, 0]
    for (let t = 0; t < toS; t += 0.001) {
      const before = y[0]!
      advance(y, 0.001)
      if (t < fromS) continue
      if (before < 0 && y[0]! >= 0) crossings++
      load.fill(0)
      wake(0, y, v, load)
      newton = Math.max(newton, Math.hypot(load[1]!, load[2]!))
    }
    return { hz: crossings / (toS - fromS), newton }
  }
}

describe('a wake that leaves in turn', () => {
  const [link] = cutRig(across('stick', 0.125), WATER)
  const strips = link!.body.geometry.strips.filter(s => s.part === 'bait' && s.wet)
  const lengthM = strips.reduce((sum, s) => sum + s.lengthM, 0)
  const breadthM = strips.reduce((sum, s) => sum + s.widthM * s.lengthM, 0) / lengthM

  it('of a cylinder held still comes to the Strouhal rate, 0.2, and the lift coefficient of one, 0.3', () => {
    for (const speed of [0.1, 0.4]) {
      const { hz, newton } = wakeOf(link!, speed, () => 0)(20, 60)
      expect(hz / ((0.2 * speed) / breadthM)).toBeCloseTo(1, 1)
      const coefficient = newton / (0.5 * WATER.densityKgM3 * speed ** 2 * breadthM * lengthM)
      expect(coefficient).toBeGreaterThan(0.29)
      expect(coefficient).toBeLessThan(0.31)
    }
  })
  it('follows a motion to and fro that is near its own rate, and leaves one that is far from it', () => {
    const own = (0.2 * 0.2) / breadthM
    const moved = (times: number): number => {
      const turn = 2 * Math.PI * times * own
      const swing = 0.3 * breadthM
      return wakeOf(link!, 0.2, t => swing * turn ** 2 * Math.sin(turn * t))(20, 60).hz / own
    }
    expect(moved(0.85)).toBeCloseTo(0.85, 2)
    expect(moved(1.15)).toBeCloseTo(1.15, 2)
    expect(moved(0.3)).toBeGreaterThan(0.9)
  })
  it('is nothing where the water goes along', () => {
    const load = new Float64Array(6)
    const y = Float64Array.from([2, 0])
    sheddingOf([link!], 0).wake(0, y, Float64Array.from([-0.4, 0, 0, 0, 0, 0]), load)
    expect([...load]).toEqual([0, 0, 0, 0, 0, 0])
  })
  it('is driven by how the links go faster: as their places say, seen a moment before and after', () => {
    const links = cutRig(across('straightWorm', 0.15), WATER)
    const { rate, hastens } = chainMotion(links, { factors: USUAL, viscous: true, gravityMS2: 9.81 })
    const y = chainStart(links)
    const [stepS, out] = [0.0005, new Float64Array(3)]
    const advance = rungeKutta4(chainStateSize(links), rate)
    for (let n = 0; n < 400; n++) advance(y, stepS)
    const before = placesOf(links, y)
    advance(y, stepS)
    const now = placesOf(links, y)
    rate(y, new Float64Array(y.length))
    const said = links.map((_, n) => {
      hastens(n, out)
      return rotate(now[n]!.q, [out[0]!, out[1]!, out[2]!])
    })
    advance(y, stepS)
    const after = placesOf(links, y)
    for (const [n, haste] of said.entries())
      for (let k = 0; k < 3; k++) {
        const seen = (after[n]!.at[k]! - 2 * now[n]!.at[k]! + before[n]!.at[k]!) / stepS ** 2
        expect(haste[k]).toBeCloseTo(seen, 3)
      }
  })
})

describe('the quiver of a fall', () => {
  let [stick, worm, head]: (Quiver | undefined)[] = []
  const quiverIn = (rig: AssembledRig, stiffer = 1): Quiver | undefined => {
    const links = cutRig(rig, WATER, { stiffer })
    const whole = hydroBody(rig.geometry, WATER)
    const drop = dropBent(links, whole, { depthM: 2 })
    return drop.ok ? quiverOf(links, whole, drop.value) : undefined
  }
  beforeAll(() => {
    stick = quiverIn(across('stick', 0.125))
    worm = quiverIn(across('straightWorm', 0.15))
    head = quiverIn(rigOf('straightWorm', 0.15, HEAD, { material: 'salted' }))
  })

  it('of a stick hooked across is at a rate at which its wake leaves its thick and its thin parts, and small', () => {
    // 0.205 m/s down, 10.5 mm thick, 6 mm near its tip: cylinders heavier than half the water they push aside fall
    // straight, and hardly swing (Horowitz & Williamson, J. Fluids Struct. 22, 2006)
    expect(stick!.hz).toBeGreaterThan((0.2 * 0.205) / 0.0105)
    expect(stick!.hz).toBeLessThan((0.2 * 0.205) / 0.006)
    expect(stick!.swingM).toBeLessThan(0.001)
  })
  it('of a limp worm is far wider, and of the same worm stiffened it is not to be seen', () => {
    expect(worm!.swingM).toBeGreaterThan(3 * stick!.swingM)
    expect(quiverIn(across('straightWorm', 0.15), 40)?.swingM ?? 0).toBeLessThan(0.1 * worm!.swingM)
  })
  it('is next to none where the water goes along the bait', () => {
    expect(head?.swingM ?? 0).toBeLessThan(0.25 * worm!.swingM)
  })
})
