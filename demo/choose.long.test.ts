import { describe, expect, it } from 'vitest'
import {
  choose,
  conditionsFor,
  evaluateRig,
  FAMILIES,
  FACTOR_IDS,
  problemsOf,
  searchMemory,
  type Choice,
  type Day,
  type Goods,
  toTheEnd,
} from '#core'
import { reasonText } from '#words/pickReasons'
import { onceEach, goodsOf } from '../shared/goods'
import { DEMO_BOX } from './box'
import { DEMO_DAYS } from './days'

const oneOf = <T>(n: number, all: readonly T[]): T[] => all.filter((_, i) => i % n === 0)
/** Every other bait of it: as good a box, and half the work. */
const whole = onceEach(goodsOf(DEMO_BOX.map((item, i) => ({ ...item, id: String(i) }))))
const goods: Goods = { ...whole, baits: oneOf(2, whole.baits) }
/** Some of its baits and of its hooks, where which they are does not matter. */
const few: Goods = { ...goods, baits: oneOf(2, goods.baits), hooks: oneOf(2, goods.hooks) }
const memory = searchMemory()
function pick(day: Day, from: Goods = goods, options = {}): Choice {
  return toTheEnd(choose(day, from, { memory, ...options }))
}
const known = new Map<string, Choice>()
const of = (name: keyof typeof DEMO_DAYS): Choice => {
  const found = known.get(name) ?? pick(DEMO_DAYS[name])
  known.set(name, found)
  return found
}
const first = (name: keyof typeof DEMO_DAYS) => of(name).picks[0]!
const group = (name: keyof typeof DEMO_DAYS): string => FAMILIES[first(name).rig.family].group
const WEEDLESS = ['flush', 'skin', 'buried']

describe('out of the demo box with half its baits', () => {
  it('shallow eelgrass, quiet fish: belly-weighted or unweighted, weedless, light', () => {
    const { rig, report } = first('eelgrass')
    expect(['belly', 'bare']).toContain(group('eelgrass'))
    expect(WEEDLESS).toContain(rig.pointRest)
    expect(report.massKg).toBeLessThan(0.012)
    expect(report.fall.meanSpeedMS.value).toBeLessThan(0.4)
  })
  it('open sand in strong flow at 6 m: the weight at the nose or ahead on the line, and heavier than in the eelgrass', () => {
    expect(['open', 'line']).toContain(group('channel'))
    // a ball head is among the first two, within a tenth
    expect(
      of('channel')
        .picks.slice(0, 2)
        .some(p => FAMILIES[p.rig.family].group === 'open' && p.score > 0.9 * of('channel').picks[0]!.score),
    ).toBe(true)
    expect(first('channel').rig.weightKg).toBeGreaterThan(0.014)
    expect(of('channel').out.current).toBeGreaterThan(5000)
  })
  it('a sunken willow: the point well covered, a pegged weight among the first two, on heavier line than the channel', () => {
    const { rig, outfit } = first('willow')
    expect(['skin', 'buried']).toContain(rig.pointRest)
    // a belly-weighted hook and a pegged bullet are within a tenth of one another there
    const pegged = of('willow')
      .picks.slice(0, 2)
      .find(p => ['L1', 'L2'].includes(p.rig.family))
    expect(pegged).toBeDefined()
    expect(pegged!.rig.family === 'L1' ? pegged!.rig.peg : 'pegged').toBe('pegged')
    expect(outfit.line.strengthN).toBeGreaterThanOrEqual(2 * first('channel').outfit.line.strengthN)
  })
  it('rock at 8 m: a wide head or a jointed one', () =>
    expect(['E2', 'J3', 'J4']).toContain(first('shelf').rig.family))
  it('a floating mat: a punch rig', () => {
    expect(first('mat').rig.family).toBe('L2')
    expect(of('mat').whyNots.filter(w => 'limit' in w && w.limit?.id === 'roof').length).toBeGreaterThan(4)
  })
  it('cold, still, slow fish on silt: floating plastic that stands or leans behind a light head', () => {
    const { rig, bait, report } = first('silt')
    expect(['E1', 'E3', 'J2']).toContain(rig.family)
    expect(goods.baits[bait]!.spec.material).toBe('floating')
    expect(['stands', 'leans']).toContain(report.fall.rest.posture)
    expect(rig.weightKg).toBeLessThan(0.005)
  })
})

describe('every pick', () => {
  it.each(Object.keys(DEMO_DAYS) as (keyof typeof DEMO_DAYS)[])(
    '%s: fits, is one of four kinds, and its figures are those of every view',
    name => {
      const { picks, baits } = of(name)
      expect(picks.length).toBeGreaterThanOrEqual(2)
      expect(new Set(picks.map(p => p.rig.family)).size).toBe(picks.length)
      expect(picks[0]!.report.fit.verdict).toBe('pass')
      for (const p of picks) {
        const bait = baits[p.bait]!.spec
        expect(problemsOf(bait, p.rig)).toEqual([])
        const again = evaluateRig(bait, p.rig, conditionsFor(DEMO_DAYS[name], p.outfit, p.match))
        expect(again.ok && again.value).toEqual(p.report)
        expect(p.factors.hook).toBe(p.report.strike.hookUp.value)
        expect(p.factors.time).toBeCloseTo(p.report.snag.minutesLeft.value / 60, 12)
        expect(FACTOR_IDS.reduce((product, id) => product * p.factors[id], 1)).toBeCloseTo(p.score, 12)
        expect(p.low).toBeLessThanOrEqual(p.score)
        expect(p.high).toBeGreaterThanOrEqual(p.score)
      }
    },
  )
  it('figures in sentences are those of the pick, in the units asked for', () => {
    const {
      picks: [p],
      reasons,
    } = of('eelgrass')
    expect(reasons.length).toBeGreaterThanOrEqual(3)
    expect(reasonText('time', DEMO_DAYS.eelgrass, p!, 'metric')).toContain(
      `${Math.round(p!.report.snag.minutesLeft.value)} minutes of the hour`,
    )
    const speed = p!.report.fall.meanSpeedMS.value
    expect(reasonText('follow', DEMO_DAYS.eelgrass, p!, 'metric')).toContain(
      `${Number(speed.toFixed(2))} m/s`,
    )
    expect(reasonText('follow', DEMO_DAYS.eelgrass, p!, 'imperial')).toContain(
      `${Number((speed / 0.3048).toFixed(1))} ft/s`,
    )
  })
})

describe('one input changes the choice and the reason', () => {
  it.each(Object.keys(DEMO_DAYS) as (keyof typeof DEMO_DAYS)[])(
    '%s: what would change it is told by figures that differ, and how surely',
    day => {
      for (const { change, same, pBetter, gain } of of(day).whatIfs) {
        if (gain)
          expect(Math.abs(Math.log(gain.one / gain.other)), `${change.id}: ${gain.by}`).toBeGreaterThan(0.005)
        if (same) expect(gain).toBeUndefined()
        expect(pBetter).toBeGreaterThan(same ? 0.999 : 0)
        expect(pBetter).toBeLessThanOrEqual(1 + 1e-9)
      }
    },
  )
  it.each(Object.keys(DEMO_DAYS) as (keyof typeof DEMO_DAYS)[])(
    '%s: the odds of its picks add up to one',
    day => expect(of(day).odds.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9),
  )
  it('the channel without its current takes a lighter rig', () => {
    const { stream: _, ...still } = DEMO_DAYS.channel
    expect(pick(still, few).picks[0]!.rig.weightKg).toBeLessThan(first('channel').rig.weightKg)
    expect(of('channel').whatIfs.find(w => w.change.id === 'slackWater')).toMatchObject({ same: false })
  })
  it('the mat taken away, nothing must be punched through', () => {
    const open = pick({ ...DEMO_DAYS.mat, cover: 'open' }, few)
    expect(open.picks[0]!.rig.family).not.toBe('L2')
    expect(open.out.roof).toBeUndefined()
  })
  it('the angler who fishes open heads throughout pays for it in the willow, and is told how much', () => {
    const cost = of('willow').ways.find(w => w.school === 'heads' && w.choice === 'open')!
    const own = pick({ ...DEMO_DAYS.willow, way: { heads: 'open' } }, few)
    expect(own.picks[0]!.rig.pointRest).toBe('open')
    expect(cost.share).toBeLessThan(1)
    expect(own.picks[0]!.score).toBeLessThan(first('willow').score)
  })
  it('no lead means no lead', () => {
    for (const p of pick({ ...DEMO_DAYS.channel, way: { unleaded: true } }, few).picks)
      expect(p.rig.weightKg === 0 || p.rig.weightMaterial !== 'lead').toBe(true)
  })
})

it('a way of rigging alone is sized: its best hook and weight, and what a step lighter and heavier changes', () => {
  const { picks, steps, riggings } = pick(DEMO_DAYS.willow, goods, { family: 'L1' })
  expect(riggings.every(r => r.base.family === 'L1')).toBe(true)
  expect(picks[0]!.rig.family).toBe('L1')
  expect(steps.length).toBeGreaterThanOrEqual(1)
  for (const s of steps) {
    const heavier = s.weightKg > picks[0]!.rig.weightKg
    expect(s.meanSpeedMS > picks[0]!.report.fall.meanSpeedMS.value).toBe(heavier)
    const again = evaluateRig(
      goods.baits[picks[0]!.bait]!.spec,
      { ...picks[0]!.rig, weightKg: s.weightKg, weightMaterial: s.weightMaterial },
      conditionsFor(DEMO_DAYS.willow, picks[0]!.outfit, picks[0]!.match),
    )
    expect(again.ok && again.value.fall.timeS.value).toBe(s.bottomS)
  }
  expect(
    pick(DEMO_DAYS.willow, { ...few, hooks: goods.hooks.filter(h => h.style === 'worm') }, { family: 'L1' })
      .nothing,
  ).toBe('noWayOfRigging')
})

describe('nothing to pick', () => {
  const none = { ...goods, baits: [], hooks: [], heads: [], weights: [], lines: [], rods: [] }
  it('an empty box, a box without hooks, a current that nothing holds: why', () => {
    expect(pick(DEMO_DAYS.eelgrass, none).nothing).toBe('noBaits')
    expect(pick(DEMO_DAYS.eelgrass, { ...goods, hooks: [], heads: [] }).nothing).toBe('noHooks')
    expect(pick({ ...DEMO_DAYS.channel, depthM: 20, stream: { surfaceMS: 1.9, towardRad: 0 } }).nothing).toBe(
      'current',
    )
    expect(
      pick(DEMO_DAYS.eelgrass, { ...goods, hooks: [], heads: goods.heads.filter(h => h.size === '6/0') })
        .nothing,
    ).toBeDefined()
  })
  it('a box without lines or rods is looked through with usual ones', () => {
    const { picks } = pick(DEMO_DAYS.eelgrass, { ...few, lines: [], rods: [] }, { family: 'W1' })
    expect(picks.length).toBeGreaterThan(0)
  })
  it('beyond the box there are hooks for its baits', () => {
    const none = { ...few, hooks: [], heads: [], weights: [] }
    const beyond = pick(DEMO_DAYS.eelgrass, none, { beyond: true, family: 'W1' })
    expect(beyond.picks.length).toBeGreaterThan(0)
    expect(beyond.riggings.every(r => r.hookId === '')).toBe(true)
  })
})
