import { describe, expect, it } from 'vitest'
import { seededRandom, type Random } from '../numerics/random'
import { assembleRig } from '../rig/assemble'
import { FAMILY_IDS } from '../rig/families'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { strikeRig, USUAL_TACKLE, type StrikeRig, type Tackle } from '../strike/bite'
import { takeOf } from '../strike/evaluateStrike'
import { drawFish, type Fish } from '../strike/fish'
import { lineFromLb } from '../tackle/lines'
import { rigKey, specsOf } from './keys'
import { CAUSES, logLikelihood, lostBySlack, readTouches, tailTaker, type Touches } from './touches'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const spec: RigSpec = {
  family: 'W1',
  hookSize: '4/0',
  weightKg: 0.0035,
  weightMaterial: 'lead',
  pointRest: 'skin',
}
const rig = strikeRig(assembleRig(bait, spec))
const open = strikeRig(assembleRig(bait, { ...spec, family: 'E1', hookSize: '3/0', pointRest: 'open' }))
const tackle: Tackle = { ...USUAL_TACKLE, line: lineFromLb('braid', 15) }

/** Fish that really come, counted as an angler counts them; of one lost in so many, what was seen is told. */
function felt(r: StrikeRig, fish: readonly Fish[], random: Random, told = 0.4): Touches {
  const t = { bumps: 0, bites: 0, hooked: 0, nipped: 0, onSlack: 0, covered: 0 }
  for (const one of fish) {
    const { loss } = takeOf(r, tackle, one)
    if (loss === 'tailNip' || loss === 'letGo') t.bumps++
    else t.bites++
    if (!loss) t.hooked++
    else if (random() < told) {
      if (loss === 'tailNip') t.nipped++
      else if (loss === 'notReached') t.covered++
      else if (lostBySlack(r, tackle, one)) t.onSlack++
    }
  }
  return t
}
const chanceOf = (reading: ReturnType<typeof readTouches>, cause: string): number =>
  reading.causes.find(c => c.cause === cause)?.chance ?? 0

describe('what touches that do not stick say', () => {
  it('nothing felt: the chances stay as they were before', () => {
    const { causes, touches } = readTouches(rig, tackle, { bumps: 0, bites: 0, hooked: 0 }, 3)
    expect(touches).toBe(0)
    expect(causes.reduce((sum, c) => sum + c.chance, 0)).toBeCloseTo(1, 12)
    expect(causes[0]).toEqual({ cause: 'asAssumed', chance: expect.closeTo(0.4, 12) as number })
    expect(new Set(causes.map(c => c.cause))).toEqual(new Set(CAUSES))
  })
  it('an open point is never said to lie too deep', () => {
    expect(
      readTouches(open, tackle, { bumps: 2, bites: 9, hooked: 3 }, 3).causes.map(c => c.cause),
    ).not.toContain('covered')
  })
  const WRONG: readonly (readonly [string, (f: Fish) => Fish, (r: StrikeRig) => StrikeRig])[] = [
    ['tailNips', f => tailTaker(f, 0.4), r => r],
    ['slack', f => ({ ...f, slackM: 5 * f.slackM, react: 2.5 * f.react }), r => r],
    ['covered', f => f, r => ({ ...r, coverM: r.coverM + 0.0025, tough: 2.4 })],
  ]
  for (const [cause, change, make] of WRONG) {
    it(`finds ${cause} among 150 touches of fish that were drawn so`, () => {
      let found = 0
      for (let seed = 0; seed < 12; seed++) {
        const random = seededRandom(900 + seed)
        const reading = readTouches(
          rig,
          tackle,
          felt(make(rig), drawFish(50 + seed, 150).map(change), random),
          7,
        )
        if (reading.causes[0]!.cause === cause) found++
      }
      expect(found).toBeGreaterThanOrEqual(10)
    })
  }
  it('fish as the model has them are mostly found to be so', () => {
    let sum = 0
    for (let seed = 0; seed < 20; seed++)
      sum += chanceOf(
        readTouches(rig, tackle, felt(rig, drawFish(80 + seed, 120), seededRandom(seed)), 7),
        'asAssumed',
      )
    expect(sum / 20).toBeGreaterThan(0.5)
  })
  it('for fish that take the tail a shorter bait is worth more than before, and a lighter skin less than for a point too deep', () => {
    const seen = (reading: ReturnType<typeof readTouches>, id: string): number =>
      (reading.changes.find(c => c.id === id)?.hookUp ?? reading.hookedNow) - reading.hookedNow
    const tails = readTouches(rig, tackle, { bumps: 60, bites: 30, hooked: 14, nipped: 30 }, 7)
    const deep = readTouches(rig, tackle, { bumps: 12, bites: 78, hooked: 10, covered: 30 }, 7)
    expect(tails.causes[0]!.cause).toBe('tailNips')
    expect(deep.causes[0]!.cause).toBe('covered')
    expect(seen(deep, 'lighterSkin')).toBeGreaterThan(2 * seen(tails, 'lighterSkin'))
    expect(deep.changes[0]!.hookUp).toBeGreaterThan(deep.hookedNow)
    expect(seen(tails, 'smallerBait')).toBeGreaterThan(0)
  })
  it('refuses counts that cannot be', () => {
    expect(() => readTouches(rig, tackle, { bumps: 1, bites: 2, hooked: 3 }, 1)).toThrow(/readTouches/)
  })
})

it('the likelihood of counts adds up to one over all of them (enumerated)', () => {
  const choose = (n: number, k: number): number => (k === 0 ? 1 : (choose(n - 1, k - 1) * n) / k)
  let sum = 0
  for (let a = 0; a <= 5; a++)
    for (let b = 0; a + b <= 5; b++)
      sum += choose(5, a) * choose(5 - a, b) * Math.exp(logLikelihood([a, b, 5 - a - b], [0.2, 0.5, 0.3]))
  expect(sum).toBeCloseTo(1, 10)
})

describe('keys of tallies', () => {
  it('are read back as the bait and rig they were made from, for every family', () => {
    for (const family of FAMILY_IDS) {
      const key = rigKey(bait, {
        ...spec,
        family,
        ...(family === 'L1' ? { peg: 'free' } : {}),
        ...(family === 'E1' ? { guard: 'wire' } : {}),
      })
      const read = specsOf(key)!
      expect(rigKey(read.bait, read.rig)).toBe(key)
    }
  })
  it('that are no keys give nothing', () => {
    for (const bad of [
      '',
      'shoe 90 plain|W1|4/0|skin',
      'slimShad x plain|W1|4/0|skin',
      'slimShad 90 plain|Q9|4/0|skin',
      'slimShad 90 plain|W1|44|skin',
      'slimShad 90 plain|W1|4/0|half',
    ])
      expect(specsOf(bad)).toBeUndefined()
  })
})
