import { describe, expect, it } from 'vitest'
import { assembleBareBait, evaluateFit, assembleRig } from '#core'
import { detailsSchema } from '#schemas/box'
import { tracePicture, type Point, type Trace } from '~/compute/trace'
import { samplePhoto, SAMPLE_TRUTH, trueHeight } from './samplePhoto'
import { hookFrom, noseFirst, ownOutline, placeOf } from './traced'

function sample(): Trace {
  const answer = tracePicture({ picture: samplePhoto(), want: 'bait' })
  if (!answer.ok) throw new Error(answer.message)
  return answer.trace
}

describe('a traced bait', () => {
  const trace = sample()
  const own = ownOutline(trace, 'slimShad', 'side', !noseFirst(trace.stations))
  const bait = {
    form: 'slimShad',
    lengthM: trace.lengthPx / trace.pxPerMm / 1000,
    material: 'plain',
    own,
  } as const

  it('starts at the nose and can be kept, weighed and rigged', () => {
    expect(own.at[0]).toBe(0)
    expect(own.at.at(-1)).toBe(1)
    expect(detailsSchema.safeParse({ kind: 'bait', ...bait }).error?.issues).toBeUndefined()
    expect(assembleBareBait(bait).massKg).toBeGreaterThan(0.004)
    const fit = evaluateFit(
      assembleRig(bait, {
        family: 'W1',
        hookSize: '4/0',
        weightKg: 0.0035,
        weightMaterial: 'lead',
        pointRest: 'skin',
      }),
    )
    expect(fit.exitM).toBeGreaterThan(0.02)
  })
  it("has the height of the truth within 5 %, and the form's proportion of width", () => {
    const at = own.at.findIndex(a => a >= 0.3)
    expect(Math.abs(own.height[at]! / trueHeight(own.at[at]!) - 1)).toBeLessThan(0.05)
    expect(own.width[at]! / own.height[at]!).toBeCloseTo(0.128 / 0.168, 2)
    expect(Math.abs((bait.lengthM * 1000) / SAMPLE_TRUTH.lengthMm - 1)).toBeLessThan(0.02)
  })
  it('from above gives widths instead', () => {
    const above = ownOutline(trace, 'slimShad', 'above', false)
    expect(above.rise).toBeUndefined()
    expect(above.height[6]! / above.width[6]!).toBeGreaterThan(1)
  })
  it('places a station where it was measured', () => {
    const s = trace.stations[7]!
    const [x, y] = placeOf(trace, s.at, s.over)
    const back =
      ((x - trace.from[0]) * trace.along[0] + (y - trace.from[1]) * trace.along[1]) / trace.lengthPx
    expect(back).toBeCloseTo(s.at, 9)
  })
})

describe('a traced hook', () => {
  it('is as long as eye to bend and as wide as the point stands off the shank, however it lies', () => {
    const turn = ([x, y]: Point): Point => [
      x * Math.cos(0.6) - y * Math.sin(0.6),
      x * Math.sin(0.6) + y * Math.cos(0.6),
    ]
    const { lengthM, gapM } = hookFrom([turn([10, 10]), turn([10 + 46 * 5, 10]), turn([100, 10 + 16 * 5])], 5)
    expect(lengthM).toBeCloseTo(0.046, 9)
    expect(gapM).toBeCloseTo(0.016, 9)
  })
})
