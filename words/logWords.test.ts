import { describe, expect, it } from 'vitest'
import { seasons } from '../demo/seasons'
import { touchesOf } from '~/compute/touches'
import { compareWords, keyWords, tallyLines } from './logWords'
import { LEAST_TOUCHES, snagWords, touchRows, touchWords } from './touchWords'

const log = seasons()

describe('two made-up seasons, read', () => {
  const lines = (() => {
    const counts = new Map<string, Record<string, number>>()
    for (const e of log)
      if (e.rigKey)
        counts.set(`${e.rigKey}\n${e.placeKey}`, {
          ...counts.get(`${e.rigKey}\n${e.placeKey}`),
          [e.kind]: (counts.get(`${e.rigKey}\n${e.placeKey}`)?.[e.kind] ?? 0) + 1,
        })
    return tallyLines(
      [...counts].map(([key, c]) => ({
        rigKey: key.split('\n')[0]!,
        placeKey: key.split('\n')[1]!,
        counts: c,
      })),
      key => key,
    )
  })()
  it('snag more than the model gives, and the tally says so, and what does better in the same place', () => {
    const open = lines.find(l => l.rig.includes('open') && l.place.startsWith('thickWeed'))!
    const hidden = lines.find(l => l.rig.startsWith('belly') && l.place.startsWith('thickWeed'))!
    expect(open.snag!.value).toBeGreaterThan(hidden.snag!.value)
    expect(snagWords(open, lines)).toMatch(/^Hangs up on \d+ % of casts; .* here on \d+ %, settled\.$/)
    const kindest = lines
      .filter(l => l.casts >= 20 && l.row.placeKey === open.row.placeKey)
      .sort((a, b) => a.snag!.value - b.snag!.value)[0]!
    expect(snagWords(kindest, lines)).toBeUndefined()
    expect(compareWords(open, hidden, 'snag')).toMatch(/^Snags: settled, \+\d+ points/)
    expect(compareWords(open, { ...open }, 'hooked')).toMatch(/too alike/)
  })
  it('lose more touches to tail nips than the model gives, and reading them finds it', async () => {
    const rows = touchRows(lines)
    const readings = (await touchesOf({ rows }, { tell: () => {}, pause: () => Promise.resolve(true) }))!
    const touched = lines.filter(l => l.touches >= LEAST_TOUCHES)
    expect(readings).toHaveLength(touched.length)
    const total = readings.reduce((sum, r) => sum + r!.touches, 0)
    const chance = (cause: string): number =>
      readings.reduce(
        (sum, r) => sum + r!.touches * (r!.causes.find(c => c.cause === cause)?.chance ?? 0),
        0,
      ) / total
    for (const other of ['letGo', 'slack', 'covered', 'crowded', 'blunt', 'asAssumed'])
      expect(chance('tailNips')).toBeGreaterThan(chance(other))
    const words = touched
      .map((l, i) => touchWords(l, readings[i]!))
      .filter(w => w?.includes('Most like tail nips'))
    expect(words.length).toBeGreaterThanOrEqual(3)
    expect(words[0]).toMatch(
      /^\d+ only touched it and \d+ bit and were missed, of \d+; the model gives \d+ and \d+\. Most like tail nips \(\d+ %\)/,
    )
  })
})

it('keys are told in words', () =>
  expect(keyWords('slimShad 90 plain|L1|4/0|skin|pegged')).toEqual({
    bait: 'slim shad 90 plain',
    rig: 'offset and bullet 4/0, skin, pegged',
  }))
