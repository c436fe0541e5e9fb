import { describe, expect, it } from 'vitest'
import { adviseOn, lookAt, type BenchJob, type BenchLook } from '~/compute/bench'
import type { BaitSpec, HookSize, RigSpec } from '#core'
import { FOREIGN } from '#words/foreign'
import { UNIT_SYSTEMS, type UnitSystem } from '#words/units'
import { cardSvg } from './card'

function cardOf(
  lengthM: number,
  hookSize: HookSize,
  system: UnitSystem = 'metric',
  form: BaitSpec['form'] = 'straightWorm',
) {
  const bait: BaitSpec = { form, lengthM, material: 'plain' }
  const rig: RigSpec = { family: 'O1', hookSize, weightKg: 0, weightMaterial: 'lead', pointRest: 'skin' }
  const job: BenchJob = {
    bait,
    rig,
    conditions: {
      depthM: 2,
      temperatureC: 15,
      salinityGKg: 0,
      cover: 'open',
      bottom: 'sand',
      lineKind: 'braid',
      lineStrengthN: 90,
    },
  }
  const look = lookAt(job) as Extract<BenchLook, { kind: 'rig' }>
  return {
    look,
    svg: cardSvg({
      look,
      guide: adviseOn(job).guide,
      lane: { letter: 'A', ...rig } as never,
      bait: bait as never,
      system,
    }),
  }
}
/** Places across the sheet of everything drawn, mm. */
const across = (svg: string): number[] =>
  [...svg.matchAll(/ d="([^"]+)"/g)].flatMap(([, d]) =>
    [...d!.matchAll(/(-?[\d.]+)[ ,](-?[\d.]+)/g)].map(([, x]) => Number(x)),
  )

describe('the card', () => {
  it.each([0.03, 0.09, 0.195, 0.25, 0.4])('of a bait %f m long stays on its sheet, tail and all', lengthM => {
    const { svg } = cardOf(lengthM, lengthM < 0.05 ? '6' : '4/0')
    const xs = across(svg)
    expect(xs.length).toBeGreaterThan(20)
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(0)
    expect(Math.max(...xs)).toBeLessThanOrEqual(190)
  })
  it('is at true size where there is room, and says so where there is none', () => {
    const lengthOf = (svg: string): number => {
      const [, x1, x2] = /data-part="bait-length" x1="([\d.]+)" x2="([\d.]+)"/.exec(svg)!
      return Number(x2) - Number(x1)
    }
    expect(lengthOf(cardOf(0.12, '3/0').svg)).toBeCloseTo(120, 1)
    expect(cardOf(0.12, '3/0').svg).not.toContain('of true size')
    const { svg } = cardOf(0.25, '5/0')
    const [, percent] = /Drawn at (\d+) % of true size/.exec(svg)!
    expect(lengthOf(svg) / 250).toBeCloseTo(Number(percent) / 100, 2)
  })
  it('a rig that does not fit says so', () => {
    const { look, svg } = cardOf(0.06, '5/0')
    expect(look.fit.verdict).toBe('fail')
    expect(svg).toContain('This does not fit.')
    expect(cardOf(0.15, '3/0').svg).not.toContain('This does not fit.')
  })
  it('no title of a step runs into its text', () => {
    const { svg } = cardOf(0.15, '3/0')
    const titles = [...svg.matchAll(/<text x="0.00" y="([\d.]+)" font-size="3.8" font-weight="700">([^<]+)/g)]
    expect(titles.length).toBeGreaterThan(4)
    // bold letters are some 0.56 of their size wide
    for (const [, , title] of titles) expect(title!.length * 3.8 * 0.56).toBeLessThan(62)
  })
  it.each(UNIT_SYSTEMS)('in %s units names no other', system => {
    const texts = [...cardOf(0.09, '2/0', system).svg.matchAll(/<text[^>]*>([^<]+)/g)].map(([, t]) => t!)
    expect(texts.filter(t => FOREIGN[system].test(t))).toEqual([])
  })
})
