import { describe, expect, it } from 'vitest'
import { DEMO_SPOTS } from '../demo/spots'
import { spotsFromGpx, spotsToGpx } from './gpx'

describe('spots as GPX', () => {
  it('come back whole', () => expect(spotsFromGpx(spotsToGpx(DEMO_SPOTS))).toEqual(DEMO_SPOTS))
  it('survive marks and accents in names and notes', () => {
    const odd = [
      {
        ...DEMO_SPOTS[0]!,
        name: 'Bär & <Sohn> "8"',
        content: { ...DEMO_SPOTS[0]!.content, notes: 'a < b & c' },
      },
    ]
    expect(spotsFromGpx(spotsToGpx(odd))).toEqual(odd)
  })
  it('without a position stay at home', () => {
    const { lat: _, lon: __, ...content } = DEMO_SPOTS[0]!.content
    expect(spotsFromGpx(spotsToGpx([{ name: 'hidden', content }, DEMO_SPOTS[1]!]))).toEqual([DEMO_SPOTS[1]])
  })
  it('take the way points of other programs with plain values', () => {
    const [spot] = spotsFromGpx(
      '<?xml version="1.0"?><gpx version="1.1" creator="x"><wpt lat="1.5" lon="2"><name>Old pier</name></wpt></gpx>',
    )
    expect(spot).toMatchObject({ name: 'Old pier', content: { lat: 1.5, lon: 2, cover: 'open', notes: '' } })
  })
  it('are told one by one where they are at fault', () => {
    const wpt = (lat: number): string => `<wpt lat="${lat}" lon="1"/>`
    const text = `<gpx>${[1, 200, 2, 300, 400, 500].map(wpt).join('')}</gpx>`
    expect(() => spotsFromGpx(text)).toThrow(
      /^Way point 2: lat.*Way point 4: lat.*Way point 5: lat.* And 1 more\. Nothing was read in\.$/,
    )
  })
  it.each([
    ['nonsense', 'not xml'],
    ['<a/>', 'no gpx element'],
    ['<gpx><wpt lat="200" lon="1"/></gpx>', 'Way point 1: lat'],
  ])('%s is told: %s', (text, message) =>
    expect(() => spotsFromGpx(text)).toThrow(message.replace('not xml', 'not well-formed')),
  )
})
