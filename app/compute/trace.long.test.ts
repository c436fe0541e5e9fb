import { describe, expect, it } from 'vitest'
import { COIN_MM, photograph, samplePhoto, trueHeight, type PhotoOf } from '~/features/trace/samplePhoto'
import { tracePicture, type ScaleBy, type Sighted, type TraceAnswer } from './trace'
import type { Picture } from './trace/picture'

const CARD: ScaleBy = { kind: 'card' }
const look = (picture: Picture, scale: ScaleBy = CARD): TraceAnswer =>
  tracePicture({ picture, scale, want: 'bait' })

function sighted(answer: TraceAnswer) {
  if (!answer.ok) throw new Error(JSON.stringify(answer.problem))
  return answer.sighting
}

/** Length and the worst height of a trace against what the photograph was made from, as parts of it. */
function errors({ trace }: Sighted, lengthMm: number): { readonly length: number; readonly height: number } {
  const heights = trace.stations.map(s => s.over - s.under)
  const half = heights.length >> 1
  const sum = (list: number[]): number => list.reduce((a, b) => a + b, 0)
  const ordered = sum(heights.slice(0, half)) >= sum(heights.slice(-half)) ? heights : heights.toReversed()
  const wrong = ordered.map((h, k) => {
    const share = k / (ordered.length - 1)
    // at the very ends there is no height to compare
    return share < 0.02 || share > 0.98 ? 0 : Math.abs(h / (lengthMm * trueHeight(share)) - 1)
  })
  return { length: Math.abs(trace.lengthMm / lengthMm - 1), height: Math.max(...wrong) }
}

const DEG = Math.PI / 180
/** A small picture, for speed: a quarter of a millimetre a pixel. */
const SMALL = { pxPerMm: 4, width: 900, height: 640 } as const
const GROUNDS: readonly (Partial<PhotoOf> & Pick<PhotoOf, 'ground' | 'scale'>)[] = [
  { ground: 'paper', scale: 'plainCard' },
  { ground: 'paper', scale: 'printedCard', shadow: true },
  { ground: 'wood', scale: 'printedCard', bait: [120, 168, 64], shadow: true },
  { ground: 'cloth', scale: 'printedCard', bait: [226, 196, 188], shadow: true },
]

describe('a bait photographed beside a card', () => {
  const SIZES = [58, 92, 128]
  for (const [g, of] of GROUNDS.entries())
    for (const [t, tiltDeg] of [0, 10, 20].entries()) {
      const baitMm = SIZES[(g + t) % 3]!
      it(`has its length within 2 % and its heights within 5 %: ${baitMm} mm on ${of.ground}, ${of.scale}, ${tiltDeg}° aside`, () => {
        const towardRad = 0.6 + 0.9 * g
        const picture = photograph({ ...of, baitMm, tiltRad: tiltDeg * DEG, towardRad, ...SMALL })
        const { things, tiltRad } = sighted(look(picture))
        const off = errors(things[0]!, baitMm)
        expect(off.length).toBeLessThan(0.02)
        expect(off.height).toBeLessThan(0.05)
        // the card tells the tilt by how its far side shrinks
        expect(Math.abs(tiltRad - tiltDeg * DEG)).toBeLessThan(3 * DEG)
        expect(Math.abs(things[0]!.trace.lengthMm - baitMm)).toBeLessThan(things[0]!.toleranceMm)
      })
    }

  it('is told from a second bait, and the corner of the table is no bait', () => {
    const picture = photograph({
      ...SMALL,
      ground: 'wood',
      scale: 'printedCard',
      baitMm: 92,
      bait: [120, 168, 64],
      second: true,
      corner: true,
      shadow: true,
      tiltRad: 0.1,
    })
    const { things } = sighted(look(picture))
    expect(things).toHaveLength(2)
    expect(errors(things[0]!, 92).length).toBeLessThan(0.02)
    expect(errors(things[1]!, 48).length).toBeLessThan(0.02)
  })

  it('is refused with a reason where the camera was held far aside', () => {
    const answer = look(
      photograph({ ...SMALL, ground: 'paper', scale: 'plainCard', baitMm: 58, tiltRad: 32 * DEG }),
    )
    if (answer.ok || answer.problem.code !== 'tilted') throw new Error(JSON.stringify(answer))
    expect(Math.abs(answer.problem.tiltRad - 32 * DEG)).toBeLessThan(4 * DEG)
  })

  it('is measured by corners set by hand just as well, in any order, and refused where they are no four', () => {
    const picture = photograph({
      ...SMALL,
      ground: 'paper',
      scale: 'plainCard',
      baitMm: 92,
      tiltRad: 15 * DEG,
    })
    const { marks, things } = sighted(look(picture))
    const by = (corners: readonly (readonly [number, number])[]): TraceAnswer =>
      look(picture, { kind: 'card', corners })
    for (const corners of [marks.toReversed(), [...marks.slice(2), ...marks.slice(0, 2)]])
      expect(sighted(by(corners)).things[0]!.trace.lengthMm).toBeCloseTo(things[0]!.trace.lengthMm, 1)
    const twisted = by([marks[0]!, marks[2]!, marks[1]!, marks[3]!])
    expect(twisted).toEqual({ ok: false, problem: { code: 'notFour' } })
  })

  it('on bare ground, with no bait, or too far away says which', () => {
    const bare = { width: 300, height: 200, rgba: new Uint8ClampedArray(4 * 300 * 200).fill(230) }
    expect(look(bare)).toEqual({ ok: false, problem: { code: 'noCard' } })
    const card = photograph({ ...SMALL, ground: 'paper', scale: 'plainCard', baitMm: 2 })
    expect(look(card)).toEqual({ ok: false, problem: { code: 'noBait' } })
    expect(tracePicture({ picture: card, scale: CARD, want: 'scale' })).toMatchObject({ ok: true })
  })
})

describe('another scale', () => {
  it('is a coin, from nearly straight above; from further aside it is refused', () => {
    const onCloth = (tiltDeg: number): TraceAnswer =>
      look(
        photograph({
          ...SMALL,
          ground: 'cloth',
          scale: 'coin',
          baitMm: 92,
          bait: [226, 196, 188],
          tiltRad: tiltDeg * DEG,
          shadow: true,
        }),
        { kind: 'coin', diameterMm: COIN_MM },
      )
    for (const tiltDeg of [0, 4]) {
      const [bait] = sighted(onCloth(tiltDeg)).things
      expect(errors(bait!, 92).length * 92, `${tiltDeg}°`).toBeLessThan(bait!.toleranceMm)
    }
    expect(onCloth(20)).toMatchObject({ ok: false, problem: { code: 'tilted' } })
    const card = photograph({ ...SMALL, ground: 'paper', scale: 'plainCard', baitMm: 92 })
    expect(look(card, { kind: 'coin', diameterMm: 25 })).toEqual({ ok: false, problem: { code: 'noCoin' } })
  })

  it('is two marks of a ruler, from straight above', () => {
    const picture = photograph({ ...SMALL, ground: 'paper', scale: 'plainCard', baitMm: 92 })
    const { marks } = sighted(look(picture))
    const { things } = sighted(look(picture, { kind: 'ruler', ends: [marks[0]!, marks[1]!], mm: 85.6 }))
    const bait = things.find(t => Math.abs(t.trace.lengthMm - 92) < 5)!
    expect(errors(bait, 92).length).toBeLessThan(0.02)
  })
})

it('the sample to try with is traced: a card, two baits, and nothing else', () => {
  const { things, tiltRad } = sighted(look(samplePhoto()))
  expect(things).toHaveLength(2)
  expect(things[0]!.trace.lengthMm).toBeGreaterThan(things[1]!.trace.lengthMm)
  expect(tiltRad).toBeCloseTo(0.16, 1)
})
