import { pitchOf, rollOf, assembleRig, dropRig, hydroBody, ozToKg, solidOf, waterOf } from '#core'
import { describe, expect, it } from 'vitest'
import { momentAt, reachOf } from './dropPath'
import { sideView } from './projection'
import { tankScale } from './tankDrawing'

const rig = assembleRig(
  { form: 'deepShad', lengthM: 0.1, material: 'plain' },
  { family: 'W1', hookSize: '7/0', weightKg: ozToKg(1 / 8), weightMaterial: 'lead', pointRest: 'skin' },
)
const solid = solidOf(rig)
const turned = (axis: 0 | 1 | 2, angle: number): [number, number, number, number] => {
  const q: [number, number, number, number] = [Math.cos(angle / 2), 0, 0, 0]
  q[axis + 1] = Math.sin(angle / 2)
  return q
}
const extent = (points: readonly number[], k: 0 | 1): number => {
  const own = points.filter((_, i) => i % 2 === k)
  return Math.max(...own) - Math.min(...own)
}

describe('side view', () => {
  it('shows length and height when level and broadside', () => {
    const [body] = sideView(solid, [1, 0, 0, 0]).body
    expect(extent(body!, 0)).toBeCloseTo(0.1, 6)
    expect(extent(body!, 1)).toBeCloseTo(0.0262, 3)
  })
  it('shows width in place of height when on its side', () => {
    const [body] = sideView(solid, turned(0, Math.PI / 2)).body
    expect(extent(body!, 1)).toBeCloseTo(0.0148, 3)
  })
  it('shows a bait that stands on its nose as long as it is', () => {
    const [body] = sideView(solid, turned(1, Math.PI / 2)).body
    expect(extent(body!, 1)).toBeCloseTo(0.1, 6)
  })
  it('shows the thickest section when the bait comes head on', () => {
    const view = sideView(solid, turned(2, Math.PI / 2))
    expect(extent(view.body[1]!, 0)).toBeCloseTo(0.0148, 3)
    expect(extent(view.body[1]!, 1)).toBeCloseTo(0.0262, 3)
  })
})

describe('a drop on the screen', () => {
  const dropped = dropRig(hydroBody(rig.geometry, waterOf(15, 0)), { depthM: 2 })
  if (!dropped.ok) throw new Error(dropped.message)
  const drop = dropped.value

  it('starts at the surface and ends on the bottom', () => {
    expect(momentAt(drop, 0).z).toBeGreaterThan(-0.05)
    const end = momentAt(drop, drop.timeS + 5)
    expect(end.landed).toBe(true)
    expect(end.z).toBeLessThan(-1.9)
    expect(momentAt(drop, drop.timeS / 2).z).toBeGreaterThan(end.z)
  })
  it('comes to lie as it was worked out, and stays there', () => {
    const rest = {
      pitchRad: -1.2,
      rollRad: 0.4,
      posture: 'stands',
      point: 'up',
      highestM: 0.08,
      centreM: 0.03,
      sunkM: 0.01,
    } as const
    const settled = momentAt(drop, drop.timeS + 3, rest)
    expect(pitchOf(settled.q)).toBeCloseTo(-1.2, 9)
    expect(rollOf(settled.q)).toBeCloseTo(0.4, 9)
    expect(settled.z).toBeCloseTo(0.03 - drop.depthM, 9)
    expect(settled.sunkM).toBe(0.01)
    expect(momentAt(drop, drop.timeS, rest)).toEqual(momentAt(drop, drop.timeS))
    const half = momentAt(drop, drop.timeS + 0.3, rest)
    expect(Math.hypot(...half.q)).toBeCloseTo(1, 12)
    expect(half.sunkM).toBeCloseTo(0.005, 9)
  })
  it('keeps attitude of unit length between samples', () =>
    expect(Math.hypot(...momentAt(drop, 0.913).q)).toBeCloseTo(1, 12))
  it('fits the glass at one scale for depth and drift', () => {
    const frame = {
      width: 236,
      height: 440,
      depthM: 2,
      unit: { from: (m: number) => m, to: (m: number) => m },
      divers: [
        { letter: 'A' as const, drop, solid },
        { letter: 'B' as const, drop, solid },
      ],
    }
    const scale = tankScale(frame)
    const [low, high] = reachOf(drop)
    for (const start of scale.starts) {
      expect(start - high * scale.perM).toBeGreaterThan(0)
      expect(start - low * scale.perM).toBeLessThan(frame.width)
    }
    expect(scale.floor - scale.top).toBeCloseTo(2 * scale.perM, 9)
  })
  it('keeps a column for one that floats, to the right of those that fall', () => {
    const frame = {
      width: 400,
      height: 440,
      depthM: 2,
      unit: { from: (m: number) => m, to: (m: number) => m },
      divers: [{ letter: 'A' as const, drop, solid }],
      floaters: [{ letter: 'B' as const, solid, sits: { pitchRad: 0, rollRad: 0, surfaceM: 0.005 } }],
    }
    const { starts, floats } = tankScale(frame)
    expect([starts.length, floats.length]).toEqual([1, 1])
    expect(floats[0]!).toBeGreaterThan(starts[0]!)
    expect(floats[0]!).toBeLessThan(frame.width)
    expect(tankScale({ ...frame, divers: [] }).floats).toHaveLength(1)
  })
})
