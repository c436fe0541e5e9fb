import { describe, expect, it } from 'vitest'
import { normal, seededRandom } from '../numerics/random'
import { mean, standardDeviation } from '../numerics/statistics'
import { drawTruth, makeEnsemble, type Ensemble } from './ensemble'
import { EFFECTIVE, learned, posteriorOf, type Counted, type Known, type Link } from './posterior'

const ensemble = makeEnsemble()
const STANDING: Known = { id: 'standing', of: 'weed' }
const KIND: Known = { id: 'snagKind', of: 'open' }
const own = (rig: string): Known => ({ id: 'snagOwn', of: rig })
const OWN = 0.16

/** A toy model: straight in its numbers, and bent by `bend` in the first of them. */
function toy(rig: string, link: Link, at: number, tries: number, hits: number, bend = 0): Counted {
  const value = (place: number, kind: number, mine: number): number =>
    at + 0.5 * place + bend * place * place + 0.25 * kind + OWN * mine
  return {
    link,
    tries,
    hits,
    by: [STANDING, KIND, own(rig)],
    own: { known: own(rig), perScore: OWN },
    predict: (e: Ensemble) => {
      const [a, b, c] = [STANDING, KIND, own(rig)].map(k => e.scores(k.id, k.of))
      return {
        members: a!.map((z, m) => value(z, b![m]!, c![m]!)),
        centre: value(
          e.centre(STANDING.id, STANDING.of),
          e.centre(KIND.id, KIND.of),
          e.centre('snagOwn', rig),
        ),
      }
    },
  }
}
const predicted = (c: Counted, e: Ensemble): number[] => [...c.predict(e).members]

describe('what counts say', () => {
  it('is what an integral over the prior gives', () => {
    const counted = toy('A', 'odds', -1, 40, 20)
    const after = learned(ensemble, posteriorOf([counted], ensemble))
    // prior of the log-odds: normal about -1; posterior by quadrature
    const sd = Math.hypot(0.5, 0.25, OWN)
    let [mass, first, second] = [0, 0, 0]
    for (let x = -4; x < 3; x += 0.001) {
      const p = 1 / (1 + Math.exp(-x))
      const w = Math.exp(-((x + 1) ** 2) / (2 * sd ** 2) + 20 * Math.log(p) + 20 * Math.log(1 - p))
      mass += w
      first += w * x
      second += w * x * x
    }
    const exact = { mean: first / mass, sd: Math.sqrt(second / mass - (first / mass) ** 2) }
    expect(mean(predicted(counted, after))).toBeCloseTo(exact.mean, 1)
    expect(Math.abs(standardDeviation(predicted(counted, after)) / exact.sd - 1)).toBeLessThan(0.1)
    expect(counted.predict(after).centre).toBeCloseTo(exact.mean, 1)
  })
  it('moves another rig by what they share, and leaves alone what was not looked at', () => {
    const after = learned(ensemble, posteriorOf([toy('A', 'events', -1.5, 200, 90)], ensemble))
    expect(mean(after.scores('standing', 'weed'))).toBeGreaterThan(0.5)
    expect(standardDeviation(after.scores('standing', 'weed'))).toBeLessThan(0.75)
    const other = toy('B', 'events', -2.5, 0, 0)
    expect(mean(predicted(other, after))).toBeGreaterThan(mean(predicted(other, ensemble)) + 0.25)
    expect(standardDeviation(predicted(other, after))).toBeLessThan(
      0.75 * standardDeviation(predicted(other, ensemble)),
    )
    expect(after.scores('standing', 'wood')).toBe(ensemble.scores('standing', 'wood'))
    expect(after.scores('biteForce')).toBe(ensemble.scores('biteForce'))
    expect(after.centre('biteForce')).toBe(0)
  })
  it('lets a rig that is unlike its kind have its own way', () => {
    const counted = [toy('A', 'events', -1.5, 2000, 60), toy('B', 'events', -1.5, 2000, 1100)]
    const after = learned(ensemble, posteriorOf(counted, ensemble))
    const shares = counted.map(c => mean(predicted(c, after).map(x => 1 - Math.exp(-Math.exp(x)))))
    expect(shares[0]).toBeLessThan(0.045)
    expect(shares[1]).toBeGreaterThan(0.5)
  })
  it('of nothing, or none of many, is still finite; more hits than tries are refused', () => {
    expect(posteriorOf([], ensemble)).toEqual({ scores: {}, centre: {}, effective: 256 })
    expect(posteriorOf([toy('A', 'odds', 0, 0, 0)], ensemble).scores).toEqual({})
    for (const hits of [0, 500])
      for (const link of ['odds', 'events'] as const) {
        const { scores, centre } = posteriorOf([toy('A', link, -1, 500, hits)], ensemble)
        expect(Object.values(scores).every(z => z.every(Number.isFinite))).toBe(true)
        expect(Math.sign(centre['standing\nweed']!)).toBe(hits > 0 ? 1 : -1)
      }
    expect(() => posteriorOf([toy('A', 'odds', 0, 3, 4)], ensemble)).toThrow(RangeError)
    expect(() => learned(makeEnsemble(64), posteriorOf([toy('A', 'odds', 0, 30, 4)], ensemble))).toThrow(
      RangeError,
    )
  })
  it('keeps its members even: on a bent model, of long logs and of many', () => {
    for (const tries of [20, 400, 20_000])
      for (const bend of [0, 0.15]) {
        const counted = ['A', 'B', 'C'].map((rig, i) =>
          toy(rig, 'events', -1 - i, tries, Math.round((tries * 0.3) / (1 + i)), bend),
        )
        expect(posteriorOf(counted, ensemble).effective).toBeGreaterThan(EFFECTIVE)
      }
  })
  it('is the same whichever order things were counted in, to a little of its noise', () => {
    const counted = [toy('A', 'events', -1, 80, 30), toy('B', 'events', -2, 50, 3)]
    const [there, back] = [counted, [...counted].reverse()].map(list => posteriorOf(list, ensemble))
    for (const [key, z] of Object.entries(there!.scores))
      expect(mean(back!.scores[key]!)).toBeCloseTo(mean(z), 1)
    for (const [key, z] of Object.entries(there!.centre)) expect(back!.centre[key]).toBeCloseTo(z, 6)
  })
})

describe('worlds drawn from the prior, and counts from the worlds', () => {
  it('ranks of the truth among the members are even (simulation-based calibration: Talts et al. 2018)', () => {
    const WORLDS = 400
    const BINS = 8
    const known = [STANDING, KIND, own('A'), own('B')]
    const bins = known.map(() => new Array<number>(BINS).fill(0))
    for (let world = 0; world < WORLDS; world++) {
      const truth = drawTruth(90_000 + world)
      const random = seededRandom(7000 + world)
      const counted = (
        [
          ['A', 'events', -1.2, 60],
          ['B', 'odds', -0.3, 40],
        ] as const
      ).map(([rig, link, at, tries]) => {
        const x =
          at +
          0.5 * truth('standing', 'weed') +
          0.05 * truth('standing', 'weed') ** 2 +
          0.25 * truth('snagKind', 'open') +
          OWN * truth('snagOwn', rig)
        const p = link === 'odds' ? 1 / (1 + Math.exp(-x)) : 1 - Math.exp(-Math.exp(x))
        let hits = 0
        for (let i = 0; i < tries; i++) if (random() < p) hits++
        return toy(rig, link, at, tries, hits, 0.05)
      })
      // members of its own for each world: lumps of one ensemble would come back in all
      const before = makeEnsemble(128, 5000 + world)
      const after = learned(before, posteriorOf(counted, before))
      known.forEach(({ id, of }, k) => {
        const below = after.scores(id, of).reduce((n, z) => n + Number(z < truth(id, of)), 0)
        bins[k]![Math.min(BINS - 1, Math.floor((BINS * below) / before.size))]!++
      })
    }
    // chi-squared with 7 degrees of freedom: 24.3 is passed once in a thousand
    for (const list of bins)
      expect(list.reduce((sum, n) => sum + (n - WORLDS / BINS) ** 2 / (WORLDS / BINS), 0)).toBeLessThan(24.3)
  })
  it('a number drawn anew has nothing to do with what was counted', () => {
    const random = seededRandom(1)
    const strangers = Float64Array.from({ length: 256 }, () => normal(random))
    const { scores } = posteriorOf([toy('A', 'odds', 0, 100, 70)], ensemble)
    const z = scores['standing\nweed']!
    const common =
      z.reduce((sum, x, m) => sum + (x - mean(z)) * strangers[m]!, 0) / 256 / standardDeviation(z)
    expect(Math.abs(common)).toBeLessThan(0.2)
  })
})
