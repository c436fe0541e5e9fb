import { describe, expect, it } from 'vitest'
import { FAMILIES, FAMILY_IDS } from '../rig/families'
import { BAIT_FORMS, FORM_IDS } from '../tackle/forms'
import type { Measure } from '../outcome'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { lbfToN } from '../units'
import type { Conditions } from './conditions'
import { evaluateRig, type RigReport } from './evaluateRig'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const conditions: Conditions = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 35,
  cover: 'thickWeed',
  bottom: 'shell',
  lineKind: 'braid',
  lineStrengthN: lbfToN(20),
}
const specs: Record<'belly' | 'bare' | 'head', RigSpec> = {
  belly: { family: 'W1', hookSize: '4/0', weightKg: 0.0035, weightMaterial: 'lead', pointRest: 'skin' },
  bare: { family: 'O2', hookSize: '4/0', weightKg: 0, weightMaterial: 'lead', pointRest: 'skin' },
  head: { family: 'E1', hookSize: '3/0', weightKg: 0.0035, weightMaterial: 'lead', pointRest: 'open' },
}
const report = (spec: RigSpec, c = conditions, b = bait): RigReport => {
  const outcome = evaluateRig(b, spec, c)
  if (!outcome.ok) throw new Error(outcome.message)
  return outcome.value
}
const measures = (r: RigReport): Measure[] => [
  r.fall.timeS,
  r.fall.meanSpeedMS,
  r.fall.pitchRad,
  r.fall.rollRad,
  r.fall.glide,
  r.snag.snagPerCast,
  r.snag.weedPerCast,
  r.snag.minutesLeft,
  r.strike.hookUp,
  r.takeShare,
  r.fit.clearanceM,
  r.fit.openingLoadN,
]

describe('one rig in one water', () => {
  it.each(Object.keys(specs) as (keyof typeof specs)[])(
    '%s: every measure lies in its range and says its basis',
    id => {
      for (const m of measures(report(specs[id]))) {
        expect(m.low).toBeLessThanOrEqual(m.value)
        expect(m.high).toBeGreaterThanOrEqual(m.value)
        expect(m.basis).toBe('computed')
      }
    },
  )
  it('open head: nose first and fastest; belly-weighted: near level, upright, slower, gliding; unweighted: slowest', () => {
    const [head, belly, bare] = [report(specs.head), report(specs.belly), report(specs.bare)]
    expect(head.fall.timeS.value).toBeLessThan(belly.fall.timeS.value)
    expect(belly.fall.timeS.value).toBeLessThan(bare.fall.timeS.value)
    expect(head.fall.pitchRad.value).toBeLessThan(-1)
    expect(Math.abs(belly.fall.pitchRad.value)).toBeLessThan(0.4)
    expect(belly.fall.rollRad.value).toBeLessThan(0.1)
    expect(belly.fall.glide.value).toBeGreaterThan(3 * head.fall.glide.value)
  })
  it('deeper takes longer; the cover changes snags and nothing of the fall', () => {
    const deep = report(specs.belly, { ...conditions, depthM: 4 })
    const open = report(specs.belly, { ...conditions, cover: 'open', bottom: 'mud' })
    const here = report(specs.belly)
    expect(deep.fall.timeS.value).toBeGreaterThan(1.8 * here.fall.timeS.value)
    expect(open.fall.timeS).toEqual(here.fall.timeS)
    expect(open.snag.minutesLeft.value).toBeGreaterThanOrEqual(here.snag.minutesLeft.value)
  })
  it('an open head pays for cover in minutes, a hidden point in hook-ups', () => {
    const [head, belly] = [report(specs.head), report(specs.belly)]
    expect(head.snag.minutesLeft.high).toBeLessThan(belly.snag.minutesLeft.low)
    expect(head.strike.hookUp.value).toBeGreaterThan(belly.strike.hookUp.value)
  })
  it('floating plastic on an unweighted hook floats, and says so', () => {
    expect(evaluateRig({ ...bait, material: 'floating' }, specs.bare, conditions)).toMatchObject({
      ok: false,
      code: 'floats',
    })
  })
  it('the same seed gives the same report, another seed only other draws', () => {
    expect(report(specs.head)).toEqual(report(specs.head))
    const other = evaluateRig(bait, specs.head, conditions, { seed: 4 })
    expect(other.ok && other.value.fall.timeS).toEqual(report(specs.head).fall.timeS)
    expect(other.ok && other.value.strike.hookUp.value).not.toBe(report(specs.head).strike.hookUp.value)
  })
})

describe('every family in every kind of bait', () => {
  it.each(FAMILY_IDS)('%s is built, dropped, fitted, snagged and struck', family => {
    const { weighted, pointRests, hollowOnly } = FAMILIES[family]
    const r = evaluateRig(
      { form: hollowOnly ? 'tube' : 'slimShad', lengthM: 0.09, material: 'plain' },
      {
        family,
        hookSize: '2/0',
        weightKg: weighted ? 0.005 : 0,
        weightMaterial: 'lead',
        pointRest: pointRests[0]!,
      },
      conditions,
    )
    if (!r.ok) throw new Error(r.message)
    expect(r.value.fall.timeS.value).toBeGreaterThan(0.5)
    expect(r.value.fit.rules.length).toBeGreaterThanOrEqual(3)
    expect(r.value.snag.minutesLeft.value).toBeLessThanOrEqual(60)
    expect(
      r.value.strike.hookUp.value + r.value.strike.losses.reduce((sum, l) => sum + l.share, 0),
    ).toBeCloseTo(1, 9)
  })
  it.each(FORM_IDS)('%s on a belly-weighted hook and on a ball head', form => {
    const [least, most] = BAIT_FORMS[form].lengthRangeM
    const lengthM = Math.min(most, Math.max(least, 0.09))
    for (const [family, pointRest] of [
      ['W1', 'skin'],
      ['E1', 'open'],
    ] as const) {
      const r = evaluateRig(
        { form, lengthM, material: 'plain' },
        {
          family,
          hookSize: lengthM < 0.06 ? '2' : '1/0',
          weightKg: 0.0035,
          weightMaterial: 'lead',
          pointRest,
        },
        conditions,
      )
      if (!r.ok) throw new Error(`${form}: ${r.message}`)
      expect(r.value.fall.timeS.value, form).toBeLessThan(30)
    }
  })
  it('half a stop lets the bullet run ahead by as much as it leaves, and no more', () => {
    const r = evaluateRig(
      { form: 'straightWorm', lengthM: 0.15, material: 'plain' },
      {
        family: 'L1',
        hookSize: '3/0',
        weightKg: 0.007,
        weightMaterial: 'lead',
        pointRest: 'skin',
        peg: 'half',
      },
      conditions,
    )
    if (!r.ok || !('weightPath' in r.value.fall.drop)) throw new Error('no second body')
    const { drop } = r.value.fall
    expect(drop.weightTimeS).toBeLessThan(drop.timeS)
    expect(drop.weightTimeS).toBeGreaterThan(0.7 * drop.timeS)
  })
})
