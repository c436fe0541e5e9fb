import { describe, expect, it } from 'vitest'
import { evaluateRig, lbfToN, type RigReport } from '#core'
import { starterContent } from '~/sheet/starter'
import { fallLimits, notBentText, oddsText, postureWords } from './words'

const {
  water: { place: _, ...water },
  line,
  bait,
  lanes,
} = starterContent()
const reports = lanes.map(({ letter: __, ...rig }): RigReport => {
  const outcome = evaluateRig(bait, rig, { ...water, lineKind: line.kind, lineStrengthN: lbfToN(15) })
  if (!outcome.ok) throw new Error(outcome.message)
  return outcome.value
})

describe('words', () => {
  it('call the starter rigs what they are', () => {
    expect(postureWords(reports[0]!)).toBe('near level, upright')
    expect(postureWords(reports[2]!)).toMatch(/^nose first/)
  })
  it('tell of rigs that do not bend why each does not', () => {
    const sheet =
      'Drawn as they bend; what does not say “bends” the sheet takes as one stiff body: it falls alike.'
    expect(notBentText([])).toBe(sheet)
    const said = notBentText([
      { letter: 'A', code: 'stiff' },
      { letter: 'C', code: 'unstable' },
      { letter: 'D', code: 'stiff' },
      { letter: 'E', code: 'floats' },
    ])
    expect(said).toBe(`${sheet} A, D: the hook holds all of it stiff. C: it could not be bent, drawn stiff.`)
  })
  it('write rare chances as odds and common ones in percent', () => {
    const at = (value: number) => oddsText({ value, low: value, high: value, basis: 'computed' })
    expect(at(0.026)).toEqual({ value: '1 in 38', unit: 'casts' })
    expect(at(0.4)).toEqual({ value: '40', unit: '% of casts' })
    expect(at(0)).toEqual({ value: '< 1 in 2000', unit: 'casts' })
  })
})

describe('what the range of a fall leaves out', () => {
  it('is told, and only where there is something', () => {
    expect(fallLimits({ mayFloat: false, unresolved: [] })).toBe('')
    expect(fallLimits({ mayFloat: true, unresolved: [] })).toContain('would float')
    expect(fallLimits({ mayFloat: false, unresolved: ['eta', 'lineBow'] })).toContain(
      'the turning moment of the flow, bow in the line',
    )
    expect(fallLimits({ mayFloat: false, unresolved: [], bending: { bends: 2 } })).toContain(
      'the range is wider for it',
    )
    expect(fallLimits({ mayFloat: false, unresolved: [], bending: { bends: 2, rodS: 2.88 } })).toContain(
      'as it bends; a stiff rod would take 2.9 s',
    )
  })
})
