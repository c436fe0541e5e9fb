import { describe, expect, it } from 'vitest'
import { fromHeadingPitchRoll } from '../numerics/quaternion'
import type { BaitSpec, RigSpec } from '../rig/spec'
import type { BentLink } from './bentFall'
import { evaluateRig } from './evaluateRig'
import { foldOf, posesOf } from './poses'
import { STILL } from './testing'

const HEAD: RigSpec = {
  family: 'E1',
  hookSize: '4/0',
  weightKg: 0.0035,
  weightMaterial: 'lead',
  pointRest: 'open',
}
const bait = (form: BaitSpec['form'], lengthM: number, material: BaitSpec['material']): BaitSpec => ({
  form,
  lengthM,
  material,
})

describe('how a rig lies in the water', () => {
  it('a limp worm is bent in all of it, and lies as its report says', () => {
    const worm = bait('straightWorm', 0.15, 'salted')
    const poses = posesOf(worm, HEAD, STILL)
    const report = evaluateRig(worm, HEAD, STILL)
    expect(report.ok && report.value.fall.rest).toEqual(poses.lies!.rest)
    expect(poses.links.length).toBeGreaterThan(2)
    for (const { bent, foldRad } of [poses.falls!, poses.rides, poses.lies!]) {
      expect(bent).toHaveLength(4 * (poses.links.length - 1))
      expect(foldRad).toBeGreaterThan(0.02)
    }
    // towed by its nose it trails, and hangs less steeply than it falls
    expect(poses.falls!.pitchRad).toBeLessThan(poses.rides.pitchRad)
    expect(poses.lies!.rest.posture).toBe('lies')
  })
  it('a stick hooked across folds on a tight line and hardly in the fall', () => {
    const poses = posesOf(
      bait('stick', 0.125, 'salted'),
      { ...HEAD, family: 'L6', hookSize: '1/0', weightKg: 0 },
      STILL,
    )
    expect(poses.rides.foldRad).toBeGreaterThan(0.1)
    expect(poses.falls!.foldRad).toBeLessThan(0.05)
    expect(poses.falls!.quiver!.hz).toBeGreaterThan(2)
  })
  it('nothing is told of a quiver on a line that is held', () => {
    const { falls } = posesOf(
      bait('stick', 0.125, 'salted'),
      { ...HEAD, family: 'L6', hookSize: '1/0', weightKg: 0 },
      { ...STILL, hold: { mode: 'tight', rodDistanceM: 8 } },
    )
    expect(falls?.quiver).toBeUndefined()
  })
  it('what is stiff is straight', () => {
    const { falls, rides, lies } = posesOf(
      bait('slimShad', 0.09, 'plain'),
      { ...HEAD, family: 'W1', pointRest: 'skin' },
      STILL,
    )
    for (const pose of [falls!, rides, lies!]) expect(pose).toMatchObject({ foldRad: 0 })
    // its tail has a beat of its own
    expect(falls!.quiver).toBeUndefined()
  })
  it('what floats has no fall and no rest, and rides all the same', () => {
    const poses = posesOf(
      bait('stick', 0.125, 'floating'),
      { ...HEAD, family: 'O2', weightKg: 0, pointRest: 'skin' },
      STILL,
    )
    expect(poses.falls).toBeUndefined()
    expect(poses.lies).toBeUndefined()
    expect(poses.rides.pitchRad).toBeTypeOf('number')
  })
})

describe('how far nose and tail are apart', () => {
  const link = (parent: number, behind: boolean): BentLink => ({ parent, joint: [0, 0, 0], behind })
  const packed = (...degrees: readonly number[]): Float64Array =>
    Float64Array.from(degrees.flatMap(d => [...fromHeadingPitchRoll(0, (d * Math.PI) / 180, 0)]))
  it('adds up along a tail', () => {
    const tail = [link(-1, false), link(0, true), link(1, true)]
    expect(foldOf(tail, packed(10, 20))).toBeCloseTo(Math.PI / 6, 12)
    expect(foldOf(tail, packed(10, -10))).toBeCloseTo(0, 7)
  })
  it('is between both ends where both are free', () => {
    const across = [link(-1, false), link(0, true), link(0, false)]
    expect(foldOf(across, packed(45, -45))).toBeCloseTo(Math.PI / 2, 12)
    expect(foldOf(across, packed(30, 30))).toBeCloseTo(0, 7)
  })
})
