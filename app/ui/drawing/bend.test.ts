import { describe, expect, it } from 'vitest'
import {
  assembleRig,
  bentFall,
  rotate,
  SAMPLE_STRIDE,
  solidOf,
  type BentLink,
  type Conditions,
  type Quaternion,
} from '#core'
import { bentParts } from './bend'
import { bendAt } from './dropPath'
import { sideView } from './projection'

/** A root with two links behind it and one ahead. */
const LINKS: readonly BentLink[] = [
  { parent: -1, joint: [0, 0, 0], behind: false },
  { parent: 0, joint: [-0.02, 0, 0.001], behind: true },
  { parent: 1, joint: [-0.05, 0, 0.001], behind: true },
  { parent: 0, joint: [0.03, 0, 0], behind: false },
]
const STILL: Quaternion = [1, 0, 0, 0]
const down = (angle: number): Quaternion => [Math.cos(angle / 2), 0, Math.sin(angle / 2), 0]
const apart = (a: readonly number[], b: readonly number[]): number =>
  Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!)

const conditions: Conditions = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 0,
  cover: 'open',
  bottom: 'sand',
  lineKind: 'braid',
  lineStrengthN: 66,
}

describe('a bent rig', () => {
  it('that is not bent lies where the straight one does', () => {
    const part = bentParts(LINKS, [STILL, STILL, STILL])
    for (const x of [0.06, 0.02, -0.01, -0.03, -0.08])
      expect(apart(part(x).place([x, 0.004, -0.002]), [x, 0.004, -0.002])).toBeLessThan(1e-12)
  })
  it('turns what lies behind a joint about it, and what hangs on that as well', () => {
    const part = bentParts(LINKS, [down(Math.PI / 2), STILL, STILL])
    const [x, , z] = part(-0.08).place([-0.08, 0, 0.001])
    // a quarter turn: 60 mm behind the joint is 60 mm above or below it
    expect(x).toBeCloseTo(-0.02, 12)
    expect(Math.abs(z - 0.001)).toBeCloseTo(0.06, 12)
    expect(part(0.01).place([0.01, 0, 0])).toEqual([0.01, 0, 0])
    expect(part(0.05).place([0.05, 0, 0])[0]).toBeCloseTo(0.05, 12)
  })
  it('hangs together at its joints however it is turned', () => {
    const part = bentParts(LINKS, [down(0.7), down(-0.4), down(1.1)])
    for (const { joint } of LINKS.slice(1)) {
      const [x, y, z] = joint
      expect(apart(part(x - 1e-9).place([x, y, z]), part(x + 1e-9).place([x, y, z]))).toBeLessThan(1e-9)
    }
  })
})

describe('the drop of a rig that bends', () => {
  const bait = { form: 'straightWorm', lengthM: 0.2, material: 'plain' } as const
  const spec = {
    family: 'E1',
    hookSize: '4/0',
    weightKg: 0.0018,
    weightMaterial: 'lead',
    pointRest: 'open',
  } as const
  const found = bentFall(bait, spec, conditions)
  if (!found.ok) throw new Error(found.message)
  const { drop, links } = found.value
  const solid = solidOf(assembleRig(bait, spec))

  it('has an attitude for every link at every moment, straight at the splash', () => {
    expect(drop.bent.length / 4).toBe((links.length - 1) * (drop.samples.length / SAMPLE_STRIDE))
    for (const turned of bendAt(drop, 0)) expect(turned).toEqual([1, 0, 0, 0])
    for (const t of [0.1, 0.5 * drop.timeS, drop.timeS, drop.timeS + 5])
      for (const turned of bendAt(drop, t)) expect(Math.hypot(...turned)).toBeCloseTo(1, 12)
    expect(bendAt({ samples: drop.samples } as typeof drop, 1)).toEqual([])
  })
  it('is drawn as long as it is, along its bend', () => {
    const at = 0.5 * drop.timeS
    const part = bentParts(links, bendAt(drop, at))
    const xs = Array.from({ length: 21 }, (_, i) => solid.stations[5 * i]!)
    const points = xs.map((x, i) =>
      part(x).place([x, solid.stations[5 * i + 1]!, solid.stations[5 * i + 2]!]),
    )
    let long = 0
    points.slice(1).forEach((point, i) => (long += apart(point, points[i]!)))
    expect(long).toBeGreaterThan(0.97 * 0.2)
    expect(long).toBeLessThan(1.01 * 0.2)
    // nose first with the tail trailing, a rod of it would lean: the tail end is above the nose
    const q = [4, 5, 6, 7].map(k => drop.samples.at(-SAMPLE_STRIDE + k)!) as unknown as Quaternion
    const end = bentParts(links, bendAt(drop, drop.timeS))
    const height = (x: number): number => rotate(q, end(x).place([x, 0, 0]))[2]
    expect(height(xs[20]!) - height(xs[0]!)).toBeGreaterThan(0.15)
    // its outline goes with it
    const straight = sideView(solid, q).body[0]!
    const bent = sideView(solid, q, end).body[0]!
    expect(bent).toHaveLength(straight.length)
    expect(bent).not.toEqual(straight)
  })
})

describe('a rig that has no bent drop', () => {
  const code = (form: 'slimShad' | 'straightWorm', lengthM: number, more: object): string | undefined => {
    const found = bentFall(
      { form, lengthM, material: 'plain' },
      { family: 'E1', hookSize: '4/0', weightKg: 0.0018, weightMaterial: 'lead', pointRest: 'open', ...more },
      conditions,
    )
    return found.ok ? undefined : found.code
  }
  it('is held by the hook from end to end', () => {
    expect(code('straightWorm', 0.15, { family: 'J4', pointRest: 'skin' })).toBeUndefined()
    expect(code('slimShad', 0.055, { hookSize: '6/0' })).toBe('stiff')
  })
})
