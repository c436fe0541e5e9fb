import { describe, expect, it } from 'vitest'
import { asInOpenWater, wallSlowing } from '../fall/vessel'
import { normal, seededRandom } from '../numerics/random'
import { fitDrops, type DropModel } from './drops'

describe('drops timed in a bath', () => {
  it("with the thumb's lag taken off, those in a bucket find the drag that open water has; with it left on, they do not", () => {
    const random = seededRandom(11)
    const model: DropModel = {
      seconds: 0.9,
      byDrag: 0.45,
      byEta: 0,
      pitchRad: -0.2,
      pitchByDrag: 0,
      pitchByEta: 0,
    }
    const slowed = wallSlowing(0.035, 0.28)
    const truth = 0.2
    const taps = Array.from(
      { length: 20 },
      () => (0.9 * Math.exp(model.byDrag * truth)) / slowed + 0.14 + 0.02 * normal(random),
    )
    const raw = fitDrops(taps.map(seconds => ({ seconds, model, sharedS: 0.01 })))
    const put = fitDrops(
      taps.map(t => ({ seconds: asInOpenWater(t, { lagS: 0.14 }, slowed), model, sharedS: 0.01 })),
    )
    expect(Math.abs(put.lnDrag - truth)).toBeLessThan(0.5 * Math.abs(raw.lnDrag - truth))
  })
  it('shared doubt does not go away with the number of drops', () => {
    const model: DropModel = {
      seconds: 0.9,
      byDrag: 0.45,
      byEta: 0,
      pitchRad: 0,
      pitchByDrag: 0,
      pitchByEta: 0,
    }
    const fit = (n: number, sharedS: number): number =>
      fitDrops(Array.from({ length: n }, () => ({ seconds: 0.9, model, sharedS }))).vDrag
    expect(fit(400, 0.001)).toBeLessThan(0.1 * fit(400, 0.08))
    // what is left is the shared doubt alone, worth this much of drag, against the prior
    const shared = (0.08 / 0.9 / model.byDrag) ** 2
    const prior = fitDrops([]).vDrag
    expect(fit(400, 0.08)).toBeGreaterThan(0.95 / (1 / shared + 1 / prior))
    expect(fit(400, 0.08)).toBeLessThan(1.1 / (1 / shared + 1 / prior))
  })
})
