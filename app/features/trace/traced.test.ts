import { describe, expect, it } from 'vitest'
import { assembleBareBait, evaluateFit, assembleRig } from '#core'
import { detailsSchema } from '#schemas/box'
import { tracePicture, type Sighting } from '~/compute/trace'
import { homographyOf, inverseOf, mapped, type Point } from '~/compute/trace/homography'
import { samplePhoto, SAMPLE_TRUTH, trueHeight } from './samplePhoto'
import { acrossOf, hookFrom, noseFirst, overIsDown, ownOutline, placeOf, trueOverSeen } from './traced'

function sample(): Sighting {
  const answer = tracePicture({ picture: samplePhoto(), scale: { kind: 'card' }, want: 'bait' })
  if (!answer.ok) throw new Error(answer.problem.code)
  return answer.sighting
}

describe('a traced bait', () => {
  const sighting = sample()
  const { trace } = sighting.things[0]!
  const own = ownOutline(trace, 'slimShad', 'side', !noseFirst(trace.stations), overIsDown(sighting, trace))
  const bait = {
    form: 'slimShad',
    lengthM: (trace.lengthMm * trueOverSeen(own, trace.lengthMm, 'side', sighting)) / 1000,
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
    const above = ownOutline(trace, 'slimShad', 'above', false, false)
    expect(above.rise).toBeUndefined()
    expect(above.height[6]! / above.width[6]!).toBeGreaterThan(1)
  })
  it('places a station in the picture where it was measured on the table', () => {
    const s = trace.stations[7]!
    expect(acrossOf(sighting, trace, placeOf(sighting, trace, s.at, s.over))).toBeCloseTo(s.over, 6)
    const [x, y] = mapped(sighting.toMm, placeOf(sighting, trace, s.at, 0))
    const back =
      ((x - trace.from[0]) * trace.along[0] + (y - trace.from[1]) * trace.along[1]) / trace.lengthMm
    expect(back).toBeCloseTo(s.at, 6)
  })
  it('looks larger as it stands up from the table: from near more than from far', () => {
    const taken = (distanceMm: number): number => 1 - trueOverSeen(own, 100, 'side', { distanceMm })
    expect(taken(150) / taken(300)).toBeCloseTo(2, 9)
    expect(trace.lengthMm / SAMPLE_TRUTH.lengthMm).toBeGreaterThan(1.03)
  })
})

describe('a traced hook', () => {
  it('is as long as eye to bend and as wide as the point stands off the shank, however it lies and is seen', () => {
    const turn = ([x, y]: Point): Point => [
      x * Math.cos(0.6) - y * Math.sin(0.6),
      x * Math.sin(0.6) + y * Math.cos(0.6),
    ]
    const toPicture = homographyOf(
      [
        [0, 0],
        [80, 0],
        [80, 50],
        [0, 50],
      ],
      [
        [100, 120],
        [520, 90],
        [560, 330],
        [120, 380],
      ],
    )
    const seen = (
      [
        [2, 2],
        [48, 2],
        [20, 18],
      ] as const
    ).map(p => mapped(toPicture, turn(p)))
    const { lengthM, gapM } = hookFrom(seen as unknown as readonly [Point, Point, Point], {
      toMm: inverseOf(toPicture),
    })
    expect(lengthM).toBeCloseTo(0.046, 9)
    expect(gapM).toBeCloseTo(0.016, 9)
  })
})
