import { describe, expect, it } from 'vitest'
import { assembleRig, type AssembledRig } from '../../rig/assemble'
import type { BaitSpec } from '../../rig/spec'
import { rotate, type Vec3 } from '../../numerics/quaternion'
import type { Water } from '../../water/water'
import { dropRig, type DropOptions } from '../drop'
import { DEFAULT_FACTORS, type FallFactors } from '../factors'
import { hydroBody, STRAIGHT_STRIDE } from '../hydroBody'
import { lineFromLb } from '../../tackle/lines'
import { SAMPLE_STRIDE } from '../recorder'
import { summarize } from '../summary'
import { FRESH } from '../testing'
import { giveOf } from './bending'
import { chainMotion, chainStateSize, LINK_STATE, ROOT_STATE, type Link } from './chain'
import { cutRig, type CutOptions } from './cut'
import { HEAD, rigOf, RIGS } from './testing'
import { dropBent, placesOf, quickestSwing, stepperFor, type BentDrop } from './dropBent'

function drop(
  rig: AssembledRig,
  options: CutOptions = {},
  depthM = 2,
  around: Partial<DropOptions> = {},
): BentDrop {
  const done = dropBent(cutRig(rig, FRESH, options), hydroBody(rig.geometry, FRESH), { depthM, ...around })
  if (!done.ok) throw new Error(done.message)
  return done.value
}

/** A chain let go straight, its root moving. */
function straight(links: readonly Link[], root: readonly number[] = [0, 0, 0, 0, 0, 0]): Float64Array {
  const y = new Float64Array(chainStateSize(links))
  y[3] = 1
  y.set(root, 7)
  for (let n = 1; n < links.length; n++) y[ROOT_STATE + LINK_STATE * (n - 1)] = 1
  return y
}

describe('a bait that bends', () => {
  it.each(RIGS)('is one body where it is stiff: %s', (_, rig) => {
    const rigid = dropRig(hydroBody(rig.geometry, FRESH), { depthM: 1 })
    if (!rigid.ok) throw new Error(rigid.message)
    const bent = drop(rig, { stiffer: 400 }, 1)
    expect(Math.abs(bent.timeS / rigid.value.timeS - 1)).toBeLessThan(1e-3)
    const [a, b] = [summarize(bent), summarize(rigid.value)]
    expect(Math.abs(a.pitchRad - b.pitchRad)).toBeLessThan(0.01)
    expect(Math.abs(a.glide - b.glide)).toBeLessThan(0.01)
  })

  it.each([
    ['in a current', { stream: { surfaceMS: 0.4, towardRad: 0.7, depthM: 2 } }, 0.001],
    ['on a line that gives under a light pull', { hold: { mode: 'controlled', rodDistanceM: 15 } }, 0.005],
    ['on a closed bail', { hold: { mode: 'tight', rodDistanceM: 15 } }, 0.005],
  ] as const)('is one body where it is stiff: %s', (_, around, apart) => {
    const rig = rigOf('slimShad', 0.09, HEAD)
    const body = hydroBody(rig.geometry, FRESH)
    const options = { depthM: 2, line: lineFromLb('braid', 15), ...around }
    const rigid = dropRig(body, options)
    const bent = dropBent(cutRig(rig, FRESH, { stiffer: 400 }), body, options)
    if (!rigid.ok || !bent.ok) throw new Error('it does not come down')
    expect(Math.abs(bent.value.timeS / rigid.value.timeS - 1)).toBeLessThan(apart)
    const [a, b] = [bent.value, rigid.value].map(({ samples }) => samples.slice(-SAMPLE_STRIDE))
    // where it comes down, m
    for (const k of [1, 2]) expect(Math.abs(a![k]! - b![k]!)).toBeLessThan(0.02)
    expect(bent.value.linePath?.length).toBe(rigid.value.linePath?.length)
  })
  it('hangs on a closed bail that is too short for the water, as one body does', () => {
    const rig = rigOf('straightWorm', 0.25, HEAD)
    const options = {
      depthM: 6,
      line: lineFromLb('braid', 15),
      hold: { mode: 'tight', rodDistanceM: 2 },
    } as const
    const done = dropBent(cutRig(rig, FRESH), hydroBody(rig.geometry, FRESH), options)
    expect(done).toMatchObject({ ok: false, code: 'hangs' })
  })

  // a tail with a ribbon is not cut finer: what lies beyond the body would hang on a slice of it
  it.each(RIGS.filter(([, { bait }]) => bait.limbs.length === 0 || bait.form.tail?.kind === 'paddle'))(
    'comes down alike in links half as long: %s',
    (_, rig) => {
      const links = cutRig(rig, FRESH)
      const ahead = links.filter(({ jointAt }) => jointAt[0] < 0).length
      const finer = drop(rig, { behind: 2 * (links.length - 1 - ahead), ahead: 2 * ahead })
      expect(Math.abs(drop(rig).timeS / finer.timeS - 1)).toBeLessThan(0.02)
    },
  )

  it.each([
    ['a worm', rigOf('straightWorm', 0.25, { family: 'O2' })],
    ['a shad', rigOf('slimShad', 0.09, HEAD)],
    ['a stick hooked across', rigOf('stick', 0.125, { family: 'L6', hookSize: '1/0', pointRest: 'open' })],
  ])('without water keeps its energy, of motion and of its springs: %s', (_, rig) => {
    const links = cutRig(rig, { densityKgM3: 1e-9, viscosityPaS: 1e-3 }, { lossier: 0 })
    const y = straight(links, [0.3, 0.1, -0.2, 2, 3, -1])
    for (let n = 1; n < links.length; n++) y.set([5, 12, -9], ROOT_STATE + LINK_STATE * (n - 1) + 4)
    const advance = stepperFor(
      links,
      chainMotion(links, { factors: DEFAULT_FACTORS, viscous: false, gravityMS2: 0 }).rate,
    )
    const before = energyOf(links, y)
    let bent = 0
    const stepS = 0.14 / quickestSwing(links)
    for (let t = 0; t < 10; t += stepS) {
      advance(y, stepS)
      bent = Math.max(bent, springsOf(links, y) / before)
    }
    expect(Math.abs(energyOf(links, y) / before - 1)).toBeLessThan(1e-4)
    // some of it went through the springs
    expect(bent).toBeGreaterThan(0.02)
  })
})

const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
const plus = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]

function springsOf(links: readonly Link[], y: Float64Array): number {
  return links.reduce((sum, { stiffness }, n) => {
    if (n === 0) return 0
    const [w, ...v] = y.slice(ROOT_STATE + LINK_STATE * (n - 1)) as unknown as [
      number,
      number,
      number,
      number,
    ]
    const half = Math.acos(Math.min(1, Math.abs(w)))
    const per = half > 1e-9 ? (2 * half) / Math.sin(half) : 2
    return sum + [0, 1, 2].reduce((of, k) => of + 0.5 * stiffness[k]! * (per * v[k]!) ** 2, 0)
  }, 0)
}

/** Of motion, summed link by link in the world's axes, and of the springs. */
function energyOf(links: readonly Link[], y: Float64Array): number {
  const places = placesOf(links, y)
  const speeds: { readonly v: Vec3; readonly w: Vec3 }[] = []
  let energy = springsOf(links, y)
  for (const [n, { body, parent, jointAt, jointOnParent, slowing }] of links.entries()) {
    const { q } = places[n]!
    const rates = y.subarray(n === 0 ? 7 : ROOT_STATE + LINK_STATE * (n - 1) + 4)
    const three = (at: number): Vec3 => [rates[at]!, rates[at + 1]!, rates[at + 2]!]
    if (n === 0) speeds.push({ v: rotate(q, three(0)), w: rotate(q, three(3)) })
    else {
      const on = speeds[parent]!
      const w = plus(on.w, rotate(q, three(0)))
      const joint = plus(on.v, cross(on.w, rotate(places[parent]!.q, jointOnParent)))
      speeds.push({ v: plus(joint, cross(w, rotate(q, [-jointAt[0], -jointAt[1], -jointAt[2]]))), w })
      energy += 0.5 * slowing * rates[0]! ** 2
    }
    const back = [q[0], -q[1], -q[2], -q[3]] as const
    const own = [...rotate(back, speeds[n]!.v), ...rotate(back, speeds[n]!.w)]
    for (let i = 0; i < 6; i++)
      for (let k = 0; k < 6; k++) energy += 0.5 * own[i]! * body.inertia[6 * i + k]! * own[k]!
  }
  return energy
}

/** How far each free end is turned away from the part that the hook holds, over the second half of a fall, rad. */
function turnedEnds(rig: AssembledRig, options: CutOptions = {}): number[] {
  const links = cutRig(rig, FRESH, options)
  const { bent } = drop(rig, options)
  const joints = links.length - 1
  const moments = bent.length / (4 * joints)
  const half = Math.floor(moments / 2)
  const ends = links.map((_, n) => n).filter(n => n > 0 && links.every(({ parent }) => parent !== n))
  return ends.map(end => {
    let sum = 0
    for (let moment = half; moment < moments; moment++) {
      let axis: Vec3 = [1, 0, 0]
      for (let n = end; n > 0; n = links[n]!.parent) {
        const at = 4 * (joints * moment + n - 1)
        axis = rotate([bent[at]!, bent[at + 1]!, bent[at + 2]!, bent[at + 3]!], axis)
      }
      sum += Math.acos(Math.min(1, axis[0]))
    }
    return sum / (moments - half)
  })
}
const timeOf = (rig: AssembledRig): number => drop(rig).timeS
const pitchOf = (rig: AssembledRig): number => summarize(drop(rig)).pitchRad

describe('what comes out, and nothing was set for', () => {
  const worm = (
    material: BaitSpec['material'],
    rig: Parameters<typeof rigOf>[2],
    lengthM = 0.15,
  ): AssembledRig => rigOf('straightWorm', lengthM, { hookSize: '1/0', ...rig }, { material })
  it('hooked across, softer plastic folds more under its hook', () => {
    const rig = worm('plain', { family: 'L6', pointRest: 'open' }, 0.2)
    const folds = [2, 1, 0.5, 0.25].map(stiffer => {
      const [behind, ahead] = turnedEnds(rig, { stiffer }) as [number, number]
      return behind + ahead
    })
    expect(folds).toEqual([...folds].sort((x, y) => x - y))
    expect(folds[3]!).toBeGreaterThan(2 * folds[0]!)
  })
  it('a limp worm on a head falls nose first, with its tail behind it, where a rod would glide', () => {
    for (const lengthM of [0.2, 0.25, 0.3]) {
      const rig = worm('plain', { ...HEAD, weightKg: HEAD.weightKg / 2 }, lengthM)
      const rigid = dropRig(hydroBody(rig.geometry, FRESH), { depthM: 2 })
      if (!rigid.ok) throw new Error(rigid.message)
      expect(pitchOf(rig)).toBeLessThan(-1.3)
      expect(pitchOf(rig)).toBeLessThan(summarize(rigid.value).pitchRad)
      expect(summarize(drop(rig)).glide).toBeLessThan(0.5 * summarize(rigid.value).glide)
    }
  })
  it('hooked across the middle it is far slower than with a weight in its nose', () => {
    const across = { family: 'L6', pointRest: 'open', hookSize: '1/0' } as const
    const stick = (rig: Parameters<typeof rigOf>[2]): AssembledRig =>
      rigOf('stick', 0.125, rig, { material: 'salted' })
    const nose = stick({ ...across, family: 'L7', weightKg: HEAD.weightKg / 2 })
    expect(timeOf(stick(across))).toBeGreaterThan(2 * timeOf(nose))
  })
  it.each(['controlled', 'tight'] as const)(
    'on a line that is held (%s) a nose weight in a worm hooked in the middle comes down steeper than a head',
    mode => {
      const held = { line: lineFromLb('braid', 15), hold: { mode, rodDistanceM: 15 } } as const
      const pitch = (rig: AssembledRig): number => summarize(drop(rig, {}, 2, held)).pitchRad
      for (const lengthM of [0.15, 0.2])
        for (const weightKg of [HEAD.weightKg / 2, HEAD.weightKg]) {
          const nose = worm('plain', { family: 'L7', pointRest: 'open', weightKg }, lengthM)
          const fixed = worm('plain', { ...HEAD, weightKg }, lengthM)
          expect(pitch(nose)).toBeLessThan(pitch(fixed) - 0.07)
        }
    },
  )
  it('a ribbon trails: a worm with one comes down steeper than the same without', () => {
    const with_ = rigOf('ribbonWorm', 0.2, { ...HEAD, weightKg: HEAD.weightKg / 2 })
    expect(pitchOf(with_)).toBeLessThan(-1.5)
    expect(Math.max(...turnedEnds(with_))).toBeLessThan(0.6)
  })
})

describe('a rod held at one end', () => {
  const LENGTH = 0.2
  const EVENLY = Array.from({ length: 11 }, (_, i) => i / 10)
  const rod = assembleRig(
    {
      form: 'straightWorm',
      lengthM: LENGTH,
      material: 'plain',
      own: { at: EVENLY, width: EVENLY.map(() => 0.035), height: EVENLY.map(() => 0.035) },
    },
    { hookSize: '1/0', weightMaterial: 'lead', ...HEAD },
  )
  /** Nothing but drag across, and that the same at every speed but for its square. */
  const THIN: Water = { densityKgM3: 999, viscosityPaS: 1e-12 }
  const across: FallFactors = { ...DEFAULT_FACTORS, axialDrag: 0, eta: 0, etaRoll: 0 }

  /** How far the free end is carried off in water that goes by, over the free length, and that length. */
  function carried(speedMS: number, behind: number): { readonly share: number; readonly free: number } {
    const links = cutRig(rod, THIN, { behind, lossier: 6 })
    // a root that nothing moves
    const { body } = links[0]!
    const held: Link[] = [
      { ...links[0]!, body: { ...body, inertia: body.inertia.map(x => 1e7 * x) } },
      ...links.slice(1),
    ]
    const advance = stepperFor(
      held,
      chainMotion(held, { factors: across, viscous: true, gravityMS2: 0 }).rate,
    )
    const y = straight(held, [0, 0, -speedMS, 0, 0, 0])
    // the dampers are heavy here
    const stepS = 0.2 / quickestSwing(held)
    for (let t = 0; t < 10; t += stepS) advance(y, stepS)
    const last = placesOf(held, y).at(-1)!
    const { centre } = held.at(-1)!.body.geometry
    const tip = plus(last.at, rotate(last.q, [-LENGTH - centre[0], -centre[1], -centre[2]]))
    const free = LENGTH - (held[1]!.jointOnParent[0] + body.geometry.centre[0]) * -1
    return { share: (tip[2] - y[2]!) / free, free }
  }
  const stiffness = (): number => LENGTH / giveOf(rod.bait, 25, 0, LENGTH)[1]
  /** Drag of a metre of it square to the water, N/m. */
  function perMetre(speedMS: number): number {
    const { straight: strips, geometry } = hydroBody(rod.geometry, THIN)
    const { lengthM } = geometry.strips[0]!
    return (
      0.5 * THIN.densityKgM3 * across.crossDrag * (strips[STRAIGHT_STRIDE * 20 + 3]! / lengthM) * speedMS ** 2
    )
  }

  it('bends in a stream as beam theory has it, as long as it bends little', () => {
    const speed = 0.02
    const { share, free } = carried(speed, 10)
    const beam = (perMetre(speed) * free ** 3) / (8 * stiffness())
    expect(beam).toBeLessThan(0.05)
    expect(share / beam).toBeGreaterThan(0.98)
    expect(share / beam).toBeLessThan(1.02)
  })

  it('lays itself along a strong one as a thin rod does whose load is that across it (Luhar & Nepf 2011)', () => {
    for (const speed of [0.08, 0.2]) {
      const { share, free } = carried(speed, 10)
      const exact = laidOver((perMetre(speed) * free ** 3) / stiffness())
      expect(exact).toBeGreaterThan(0.3)
      expect(Math.abs(share / exact - 1)).toBeLessThan(0.05)
    }
  })
})

/**
 * Deflection of the tip, over the length, of an elastic rod in a stream square to its held end, whose load is c·cos²θ
 * per length, square to itself: by going over the moments of all that lies beyond each place until they stand.
 * @param c load per length times length cubed over stiffness
 */
function laidOver(c: number): number {
  const N = 400
  const ds = 1 / N
  let theta = new Float64Array(N + 1)
  for (let round = 0; round < 4000; round++) {
    const [x, z, nx, nz] = [0, 0, 0, 0].map(() => new Float64Array(N + 1)) as [
      Float64Array,
      Float64Array,
      Float64Array,
      Float64Array,
    ]
    for (let i = 0; i <= N; i++) {
      const angle = theta[i]!
      if (i > 0) {
        const mid = (theta[i - 1]! + angle) / 2
        x[i] = x[i - 1]! + ds * Math.cos(mid)
        z[i] = z[i - 1]! + ds * Math.sin(mid)
      }
      const load = c * Math.cos(angle) ** 2 * (i === 0 || i === N ? ds / 2 : ds)
      nx[i] = -load * Math.sin(angle)
      nz[i] = load * Math.cos(angle)
    }
    const next = new Float64Array(N + 1)
    let [fx, fz, m] = [nx[N]!, nz[N]!, 0]
    const moment = new Float64Array(N + 1)
    for (let i = N - 1; i >= 0; i--) {
      m += (x[i + 1]! - x[i]!) * fz - (z[i + 1]! - z[i]!) * fx
      moment[i] = m
      fx += nx[i]!
      fz += nz[i]!
    }
    for (let i = 1; i <= N; i++) next[i] = next[i - 1]! + (ds * (moment[i]! + moment[i - 1]!)) / 2
    let change = 0
    for (let i = 0; i <= N; i++) {
      change = Math.max(change, Math.abs(next[i]! - theta[i]!))
      next[i] = theta[i]! + 0.1 * (next[i]! - theta[i]!)
    }
    theta = next
    if (change < 1e-7) {
      return z[N]!
    }
  }
  throw new Error('laidOver: it does not stand')
}
