import { describe, expect, it } from 'vitest'
import { seededRandom } from '../numerics/random'
import { assembleRig } from '../rig/assemble'
import type { PointRest, RigSpec } from '../rig/spec'
import { COVER_IDS, COVERS, obstaclesOf, type Obstacle } from './cover'
import { evaluateSnag, type SnagResult } from './evaluateSnag'
import { openingAt, pointLip, type PointLip } from './lip'

const upright = { retrieveRollRad: [0], fallRollRad: [0] }
const lipOf = (family: RigSpec['family'], pointRest: PointRest): PointLip => pointLip(assembleRig(
  { form: 'slimShad', lengthM: 0.09, material: 'plain' },
  { family, hookSize: family === 'E1' ? '3/0' : '4/0', weightKg: family === 'O2' ? 0 : 0.0035, weightMaterial: 'lead', pointRest },
))
const snag = (lip: PointLip, obstacles: readonly Obstacle[], roll = 0, draws = 4000, seed = 5): SnagResult =>
  evaluateSnag(lip, obstacles, { retrieveRollRad: [roll], fallRollRad: [roll] }, seededRandom(seed), draws)
const open = lipOf('E1', 'open')
const lost = (r: SnagResult): number => r.snagPerCast.value + r.weedPerCast.value

describe('the point as a lip', () => {
  it('opens as high as it stands, along the back; and closes round the flank', () => {
    expect(openingAt(open, 0)).toBeCloseTo(open.openingM, 12)
    expect(openingAt(open, Math.PI / 2)).toBeLessThan(0)
    expect(openingAt(open, 0.4)).toBeLessThan(openingAt(open, 0))
  })
  it('stands open on a jig head, under the skin on a skin-hooked point', () => {
    expect(open.openingM).toBeGreaterThan(0.002)
    expect(lipOf('W1', 'skin').openingM).toBeCloseTo(-0.0012, 3)
    expect(lipOf('W1', 'buried').openingM).toBeLessThan(lipOf('W1', 'flush').openingM)
  })
})

describe('snags', () => {
  it.each(COVER_IDS)('in %s over shell: open, then flush, then skin-hooked, then buried', (cover) => {
    const [a, b, c, d] = [open, lipOf('W1', 'flush'), lipOf('W1', 'skin'), lipOf('W1', 'buried')].map(lip => lost(snag(lip, obstaclesOf(cover, 'shell'), 0, 20_000)))
    expect(a!).toBeGreaterThan(b!)
    expect(b!).toBeGreaterThanOrEqual(c!)
    expect(c!).toBeGreaterThanOrEqual(d!)
  })

  it('a hidden point rolled on its side catches upright stems that it passes when upright', () => {
    const lip = lipOf('W1', 'flush')
    expect(lost(snag(lip, COVERS.thickWeed.obstacles, Math.PI / 2, 20_000))).toBeGreaterThan(lost(snag(lip, COVERS.thickWeed.obstacles, 0, 20_000)))
  })

  it('a certain catch gives the chance of one or more events: 1 - exp(-rate)', () => {
    const certain: Obstacle = { name: 'hair', perM: 0.1, diameterM: 1e-6, diameterGsd: 1, upright: 0, overhead: 1, strengthN: 1e6, strengthGsd: 1 }
    const wide: PointLip = { openingM: 0.01, halfWidthM: 0.001, halfHeightM: 0.05, givePerN: 0, guardN: 0 }
    expect(snag(wide, [certain]).snagPerCast.value).toBeCloseTo(1 - Math.exp(-1.5), 2)
  })

  it('a thing wider than the opening rides over', () => {
    const log: Obstacle = { name: 'log', perM: 1, diameterM: 0.5, diameterGsd: 1, upright: 0, overhead: 1, strengthN: 1e6, strengthGsd: 1 }
    expect(snag(open, [log]).snagPerCast.value).toBe(0)
  })

  it('nothing there, nothing lost; the hour is whole', () => {
    const r = evaluateSnag(open, [], upright, seededRandom(1))
    expect(r.snagPerCast.value).toBe(0)
    expect(r.minutesLeft.value).toBe(60)
  })

  it('the same seed gives the same result; four times the draws halve the scatter', () => {
    const cover = obstaclesOf('sparseWeed', 'rock')
    expect(snag(open, cover)).toEqual(snag(open, cover))
    const scatter = (draws: number): number => {
      const values = Array.from({ length: 60 }, (_, seed) => snag(open, cover, 0, draws, seed + 1).snagPerCast.value)
      const m = values.reduce((a, b) => a + b) / values.length
      return Math.sqrt(values.reduce((s, v) => s + (v - m) ** 2, 0) / values.length)
    }
    // 60 repeats know each scatter to about 9 %: the ratio of 2 is seen as 1.5 to 2.7 nearly always
    expect(scatter(400) / scatter(1600)).toBeGreaterThan(1.5)
    expect(scatter(400) / scatter(1600)).toBeLessThan(2.7)
  })

  it('names the causes, the worst first, and refuses no draws', () => {
    const { causes } = snag(open, obstaclesOf('thickWeed', 'shell'))
    for (let i = 1; i < causes.length; i++) expect(causes[i]!.perCast).toBeLessThanOrEqual(causes[i - 1]!.perCast)
    expect(() => snag(open, [], 0, 0)).toThrow(/evaluateSnag/)
  })
})
