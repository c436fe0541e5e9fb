import { describe, expect, it } from 'vitest'
import type { Conditions } from './conditions'
import { evaluateRig } from './evaluateRig'
import { DEFAULT_FACTORS } from '../fall/factors'
import { dropRig } from '../fall/drop'
import { logNormal, normal, seededRandom } from '../numerics/random'
import { Z90 } from '../numerics/statistics'
import { lineOf } from '../tackle/lines'
import { waterOf } from '../water/water'
import { bodiesOfRig } from './bodies'
import { logGamma } from '../numerics/gamma'
import { dropModel } from './dropModel'
import {
  DRAG_SD,
  ETA_SD,
  fallEvidence,
  fitDrops,
  MODEL_PRIOR,
  pooledPrior,
  type DropModel,
  type TimedDrop,
} from '../evidence/drops'
import { compare, updated } from '../evidence/tally'

it('the gamma function of whole numbers is a factorial, of halves by √π', () => {
  for (const [x, gamma] of [
    [1, 1],
    [5, 24],
    [11, 3_628_800],
    [0.5, Math.sqrt(Math.PI)],
    [2.5, 0.75 * Math.sqrt(Math.PI)],
  ] as const)
    expect(logGamma(x)).toBeCloseTo(Math.log(gamma), 10)
})

describe('a tally', () => {
  const computed = { a: 6, b: 14 }
  it('refuses more hits than tries', () =>
    expect(() => updated(computed, { tries: 2, hits: 3 })).toThrow(RangeError))
  it('compares: a clear difference is settled, a near one says how many more it takes, and so many do settle it', () => {
    const of = (tries: number, hits: number) => updated(computed, { tries, hits })
    expect(compare(of(300, 200), of(300, 60))).toMatchObject({ settled: true, triesToSettle: 0 })
    const near = compare(of(40, 18), of(40, 13))
    expect(near.settled).toBe(false)
    expect(near.triesToSettle).toBeGreaterThan(10)
    const n = near.triesToSettle!
    const more = compare(
      of(40 + n, Math.round(18 + (n * 18) / 40)),
      of(40 + n, Math.round(13 + (n * 13) / 40)),
    )
    expect(more.settled).toBe(true)
    expect(compare(of(40, 13), of(40, 13)).triesToSettle).toBeUndefined()
  })
})

const bait = { form: 'slimShad', lengthM: 0.09, material: 'plain' } as const
const rig = {
  family: 'W1',
  hookSize: '4/0',
  weightKg: 0.0035,
  weightMaterial: 'lead',
  pointRest: 'skin',
} as const
const conditions: Conditions = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 35,
  cover: 'open',
  bottom: 'sand',
  lineKind: 'braid',
  lineStrengthN: 67,
}
const modelled = dropModel(bait, rig, conditions)
const model: DropModel = modelled.ok
  ? modelled.value
  : { seconds: 0, byDrag: 0, byEta: 0, pitchRad: 0, pitchByDrag: 0, pitchByEta: 0 }

/** Drops of a bait whose drag and eta are known, timed by a thumb. */
function drops(lnDrag: number, lnEta: number, count: number, random: () => number): TimedDrop[] {
  return Array.from({ length: count }, () => ({
    model,
    seconds:
      model.seconds * Math.exp(model.byDrag * lnDrag + model.byEta * lnEta + 0.05 * normal(random)) +
      (0.12 * (normal(random) + normal(random))) / 1,
  }))
}

describe('drops', () => {
  it('take longer by a fifth to a half of what drag is more: its root, less the part of weight and line', () => {
    expect(model.byDrag).toBeGreaterThan(0.2)
    expect(model.byDrag).toBeLessThan(0.6)
  })
  it('of the model itself change nothing, of a slower bait raise its drag', () => {
    const none = fitDrops(Array.from({ length: 5 }, () => ({ model, seconds: model.seconds })))
    expect(none.lnDrag).toBeCloseTo(0, 9)
    const slow = fitDrops(Array.from({ length: 5 }, () => ({ model, seconds: 1.2 * model.seconds })))
    expect(Math.exp(slow.lnDrag)).toBeGreaterThan(1.15)
    expect(slow.vDrag).toBeLessThan(MODEL_PRIOR.vDrag)
  })
  it('with one tap gone wrong set it aside and fit the rest', () => {
    const good = [1.02, 0.98, 1.01, 0.99, 1].map(k => ({ model, seconds: k * model.seconds }))
    const fit = fitDrops([...good, { model, seconds: 0.3 * model.seconds }])
    expect(fit.outliers).toEqual([5])
    expect(Math.abs(fit.lnDrag)).toBeLessThan(0.03)
  })
  it('refuse a time that is none', () => expect(() => fitDrops([{ model, seconds: 0 }])).toThrow(RangeError))
  it('hold the truth nine times in ten over many baits, and after five the error of prediction is below half', () => {
    const random = seededRandom(31)
    let inside = 0
    let [before, after] = [0, 0]
    const seeds = 800
    for (let k = 0; k < seeds; k++) {
      const lnDrag = DRAG_SD * normal(random)
      const lnEta = ETA_SD * normal(random)
      const fit = fitDrops(drops(lnDrag, lnEta, 5, random))
      if (Math.abs(fit.lnDrag - lnDrag) <= Z90 * Math.sqrt(fit.vDrag)) inside++
      const truth = model.byDrag * lnDrag + model.byEta * lnEta
      before += truth ** 2
      after += (truth - model.byDrag * fit.lnDrag - model.byEta * fit.lnEta) ** 2
    }
    expect(Math.abs(inside / seeds - 0.9)).toBeLessThan(0.035)
    expect(Math.sqrt(after / before)).toBeLessThan(0.5)
  })
  it('of the full simulation with other factors are found again, and the next prediction is nearer', () => {
    const { typical } = bodiesOfRig(bait, rig, waterOf(15, 35))
    const factors = { ...DEFAULT_FACTORS, crossDrag: 1.25, axialDrag: 1.25, eta: 0.75 }
    const at = (depthM: number): number => {
      const drop = dropRig(typical, { depthM, line: lineOf('braid', 67), factors })
      return drop.ok ? drop.value.timeS : NaN
    }
    const random = seededRandom(3)
    const fit = fitDrops(
      Array.from({ length: 5 }, () => ({ model, seconds: at(2) * logNormal(random, 1, 1.03) })),
    )
    const next = evaluateRig(bait, rig, { ...conditions, depthM: 3, evidence: { fall: fallEvidence(fit) } })
    const plain = evaluateRig(bait, rig, { ...conditions, depthM: 3 })
    if (!next.ok || !plain.ok) throw new Error('no drop')
    const truth = at(3)
    expect(Math.abs(next.value.fall.timeS.value - truth)).toBeLessThan(
      0.5 * Math.abs(plain.value.fall.timeS.value - truth),
    )
    expect(next.value.fall.timeS.basis).toBe('measured')
    expect(next.value.fall.timeS.high - next.value.fall.timeS.low).toBeLessThan(
      plain.value.fall.timeS.high - plain.value.fall.timeS.low,
    )
  })
  it('of other baits of the form tell something of a bait that was never dropped, and less than its own would', () => {
    const prior = pooledPrior([
      fitDrops(drops(0.2, 0, 6, seededRandom(1))),
      fitDrops(drops(0.24, 0, 6, seededRandom(2))),
      fitDrops(drops(0.18, 0, 6, seededRandom(3))),
    ])
    expect(prior.lnDrag).toBeGreaterThan(0.02)
    expect(prior.lnDrag).toBeLessThan(0.24)
    expect(prior.vDrag).toBeLessThan(MODEL_PRIOR.vDrag)
    expect(pooledPrior([])).toEqual(MODEL_PRIOR)
  })
})
