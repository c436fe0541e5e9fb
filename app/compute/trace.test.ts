import { describe, expect, it } from 'vitest'
import { SAMPLE_TRUTH, samplePhoto, trueHeight } from '~/features/trace/samplePhoto'
import { tracePicture, type Picture, type TraceAnswer } from './trace'

const traceBait = (picture: Picture): TraceAnswer => tracePicture({ picture, want: 'bait' })

const blank = (width: number, height: number): Picture => ({
  width,
  height,
  rgba: new Uint8ClampedArray(4 * width * height).fill(230),
})

/** A filled rectangle, turned, on a picture. */
function paint(
  { width, rgba }: Picture,
  cx: number,
  cy: number,
  w: number,
  h: number,
  turn: number,
  colour: number,
): void {
  for (let i = 0; i < rgba.length / 4; i++) {
    const [dx, dy] = [(i % width) - cx, Math.floor(i / width) - cy]
    const [u, v] = [dx * Math.cos(turn) + dy * Math.sin(turn), -dx * Math.sin(turn) + dy * Math.cos(turn)]
    if (Math.abs(u) <= w / 2 && Math.abs(v) <= h / 2) rgba.fill(colour, 4 * i, 4 * i + 3)
  }
}

describe('tracing a bait', () => {
  it("gives the sample's length within 2 % and its heights within 5 % of the truth it was made from", () => {
    const answer = traceBait(samplePhoto())
    if (!answer.ok) throw new Error(answer.message)
    const { trace } = answer
    expect(Math.abs(trace.lengthPx / trace.pxPerMm / SAMPLE_TRUTH.lengthMm - 1)).toBeLessThan(0.02)
    // the axis may run either way: the thicker half is the nose
    const heights = trace.stations.map(s => (s.over - s.under) / trace.pxPerMm)
    const half = heights.length >> 1
    const sum = (list: number[]): number => list.reduce((a, b) => a + b, 0)
    const ordered = sum(heights.slice(0, half)) >= sum(heights.slice(-half)) ? heights : heights.toReversed()
    ordered.forEach((h, k) => {
      const share = k / (ordered.length - 1)
      // the very ends are cut by a few pixels of slope; the outline is compared where there is one
      if (share > 0.02 && share < 0.98)
        expect(Math.abs(h / (SAMPLE_TRUTH.lengthMm * trueHeight(share)) - 1), `at ${share}`).toBeLessThan(
          0.05,
        )
    })
  })

  it('does so however it is turned', () => {
    for (const turn of [0, 0.7, 1.4, -0.9]) {
      const picture = blank(900, 900)
      paint(picture, 250, 250, 342.4, 215.9, 0.1, 60)
      paint(picture, 560, 620, 400, 48, turn, 120)
      const answer = traceBait(picture)
      if (!answer.ok) throw new Error(answer.message)
      // 4 px a millimetre by the card, whose corners here are square: 0.2 % more area than a card's
      expect(Math.abs(answer.trace.lengthPx / answer.trace.pxPerMm - 100)).toBeLessThan(1.2)
      expect(
        Math.abs(
          (answer.trace.stations[10]!.over - answer.trace.stations[10]!.under) / answer.trace.pxPerMm - 12,
        ),
      ).toBeLessThan(0.5)
    }
  })

  it('says what is missing', () => {
    expect(traceBait(blank(300, 200))).toMatchObject({
      ok: false,
      message: expect.stringMatching(/No card/) as string,
    })
    const lone = blank(900, 600)
    paint(lone, 300, 300, 342.4, 215.9, 0, 60)
    expect(traceBait(lone)).toMatchObject({ ok: false, message: expect.stringMatching(/no bait/) as string })
    expect(tracePicture({ picture: lone, want: 'scale' })).toMatchObject({ ok: true })
  })
})
