import { describe, expect, it } from 'vitest'
import { seededRandom } from '../numerics/random'
import { assembleRig } from '../rig/assemble'
import { FAMILIES } from '../rig/families'
import type { PointRest, RigSpec } from '../rig/spec'
import { lineFromLb } from '../tackle/lines'
import { BOTTOMS, COVER_IDS, COVERS, obstaclesOf, type Obstacle, type Placed, type Rod } from './cover'
import { drawsFor } from '../uncertainty/draws'
import { makeEnsemble } from '../uncertainty/ensemble'
import { castThrough, evaluateSnag, meetOn, snagTally, type Ride, type SnagResult } from './evaluateSnag'
import { wearBetweenLooks } from './hour'
import { snagDoubts } from './snagMembers'
import { openingAt, pointSite, snagRig, type PointSite, type SnagRig } from './catchSite'
import { drawMeeting, resolve } from './meet'
import { RETRIEVES, type RetrieveId } from './retrieve'

const line = lineFromLb('braid', 20)
const assembled = (family: RigSpec['family'], more: Partial<RigSpec> = {}) =>
  assembleRig(
    { form: FAMILIES[family].hollowOnly ? 'tube' : 'slimShad', lengthM: 0.09, material: 'plain' },
    {
      family,
      hookSize: FAMILIES[family].hookStyle === 'jig' ? '3/0' : '4/0',
      weightKg: FAMILIES[family].weighted ? 0.007 : 0,
      weightMaterial: 'lead',
      pointRest: FAMILIES[family].pointRests[0]!,
      ...more,
    },
  )
const lipOf = (family: RigSpec['family'], pointRest: PointRest): PointSite =>
  pointSite(assembled(family, { pointRest }))
const placed = (obstacles: readonly Obstacle[]): Placed[] =>
  obstacles.map(o => ({ ...o, on: 'cover' as const }))
const rideAt = (roll: number, retrieve: RetrieveId = 'hop'): Ride => ({
  postures: { retrieveRollRad: [roll], fallRollRad: [roll] },
  retrieve: RETRIEVES[retrieve],
})
/** A rig that is nothing but its point. */
const only = (site: PointSite): SnagRig => ({
  points: [{ ...site, id: 'point' }],
  steps: [],
  heads: [],
  apartM: 0,
  openingLoadN: 60,
  lineStrengthN: line.strengthN,
  wornPerRub: 0,
})
const snag = (
  site: PointSite,
  obstacles: readonly Obstacle[],
  roll = 0,
  draws = 4000,
  seed = 5,
): SnagResult => evaluateSnag(only(site), placed(obstacles), rideAt(roll), seededRandom(seed), draws)
const whole = (
  family: RigSpec['family'],
  obstacles: readonly Placed[],
  more: Partial<RigSpec> = {},
  retrieve: RetrieveId = 'hop',
  draws = 20_000,
): SnagResult =>
  evaluateSnag(
    snagRig(assembled(family, more), line),
    obstacles,
    rideAt(0, retrieve),
    seededRandom(11),
    draws,
  )
const open = lipOf('E1', 'open')
const lost = (r: SnagResult): number => r.snagPerCast.value + r.weedPerCast.value

describe('the point as a catch site', () => {
  it('opens as high as it stands, along the back; and closes round the flank', () => {
    expect(openingAt(open, 0)).toBeCloseTo(open.openingM, 12)
    expect(openingAt(open, Math.PI / 2)).toBeLessThan(0)
    expect(openingAt(open, 0.4)).toBeLessThan(openingAt(open, 0))
  })
  it('stands open on a jig head, under the skin on a skin-hooked point', () => {
    expect(open.openingM).toBeGreaterThan(0.002)
    expect(lipOf('W1', 'skin').openingM).toBeCloseTo(-0.0012, 3)
    expect(lipOf('W1', 'buried').openingM).toBeLessThan(lipOf('W1', 'flush').openingM)
  })
})

describe('snags', () => {
  it.each(COVER_IDS)('in %s over shell: open, then flush, then skin-hooked, then buried', cover => {
    const [a, b, c, d] = [open, lipOf('W1', 'flush'), lipOf('W1', 'skin'), lipOf('W1', 'buried')].map(site =>
      lost(snag(site, obstaclesOf(cover, 'shell'), 0, 20_000)),
    )
    expect(a!).toBeGreaterThan(b!)
    expect(b!).toBeGreaterThanOrEqual(c!)
    expect(c!).toBeGreaterThanOrEqual(d!)
  })

  it('a hidden point rolled on its side catches upright stems that it passes when upright', () => {
    const site = lipOf('W1', 'flush')
    expect(lost(snag(site, COVERS.thickWeed.obstacles, Math.PI / 2, 20_000))).toBeGreaterThan(
      lost(snag(site, COVERS.thickWeed.obstacles, 0, 20_000)),
    )
  })

  it('a certain catch gives the chance of one or more events: 1 - exp(-rate)', () => {
    const certain: Obstacle = {
      kind: 'rod',
      look: 'stem',
      name: 'hair',
      perM: 0.1,
      diameterM: 1e-6,
      diameterGsd: 1,
      upright: 0,
      overhead: 1,
      strengthN: 1e6,
      strengthGsd: 1,
    }
    const wide: PointSite = { openingM: 0.01, halfWidthM: 0.001, halfHeightM: 0.05, givePerN: 0, guardN: 0 }
    expect(snag(wide, [certain]).snagPerCast.value).toBeCloseTo(1 - Math.exp(-1.5), 2)
  })

  it('a thing wider than the opening rides over', () => {
    const log: Obstacle = {
      kind: 'rod',
      look: 'stem',
      name: 'log',
      perM: 1,
      diameterM: 0.5,
      diameterGsd: 1,
      upright: 0,
      overhead: 1,
      strengthN: 1e6,
      strengthGsd: 1,
    }
    expect(snag(open, [log]).snagPerCast.value).toBe(0)
  })

  it('nothing there, nothing lost; the hour is whole', () => {
    const r = evaluateSnag(only(open), [], rideAt(0), seededRandom(1))
    expect(r.snagPerCast.value).toBe(0)
    expect(r.minutesLeft.value).toBe(60)
  })

  it('the same seed gives the same result; four times the draws halve the scatter', () => {
    const cover = obstaclesOf('sparseWeed', 'rock')
    expect(snag(open, cover)).toEqual(snag(open, cover))
    const scatter = (draws: number): number => {
      const values = Array.from(
        { length: 60 },
        (_, seed) => snag(open, cover, 0, draws, seed + 1).snagPerCast.value,
      )
      const m = values.reduce((a, b) => a + b) / values.length
      return Math.sqrt(values.reduce((s, v) => s + (v - m) ** 2, 0) / values.length)
    }
    // 60 repeats know each scatter to about 9 %: the ratio of 2 is seen as 1.5 to 2.7 nearly always
    expect(scatter(400) / scatter(1600)).toBeGreaterThan(1.5)
    expect(scatter(400) / scatter(1600)).toBeLessThan(2.7)
  })

  it('names the causes, the worst first, and refuses no draws', () => {
    const { causes } = snag(open, obstaclesOf('thickWeed', 'shell'))
    for (let i = 1; i < causes.length; i++)
      expect(causes[i]!.perCast).toBeLessThanOrEqual(causes[i - 1]!.perCast)
    expect(() => snag(open, [], 0, 0)).toThrow(/evaluateSnag/)
  })
})

describe('whole rigs, without special cases', () => {
  const hang = (r: SnagResult, site?: string): number =>
    r.causes.filter(c => site === undefined || c.site === site).reduce((sum, c) => sum + c.perCast, 0)

  it.each(COVER_IDS)(
    'in %s: an open head hangs up more than a flush point, that than a skin-hooked, that than a buried one',
    cover => {
      const values = [
        whole('E1', obstaclesOf(cover, 'sand')),
        ...(['flush', 'skin', 'buried'] as const).map(pointRest =>
          whole('W1', obstaclesOf(cover, 'sand'), { pointRest }),
        ),
      ].map(r => r.snagPerCast.value)
      expect(values[0]!).toBeGreaterThan(values[1]!)
      expect(values[1]!).toBeGreaterThanOrEqual(values[2]! - 1e-9)
      expect(values[2]!).toBeGreaterThanOrEqual(values[3]! - 1e-9)
    },
  )

  it('drowned wood costs an open head more of the hour than soft weed', () => {
    expect(whole('E1', obstaclesOf('wood', 'mud')).minutesLeft.value).toBeLessThan(
      whole('E1', obstaclesOf('sparseWeed', 'mud')).minutesLeft.value,
    )
    expect(
      whole('E1', obstaclesOf('wood', 'mud')).hour.rigsLost +
        whole('E1', obstaclesOf('wood', 'mud')).hour.hooksOpened,
    ).toBeGreaterThan(whole('E1', obstaclesOf('thickWeed', 'mud')).hour.rigsLost)
  })

  it('a bullet and a slim head pass forks of wood better than a ball; a wide head rides rock better', () => {
    const wedged = (
      family: RigSpec['family'],
      where: readonly Placed[],
      more: Partial<RigSpec> = {},
    ): number => hang(whole(family, where, more), 'wedged')
    const wood = obstaclesOf('wood', 'mud')
    const rock = obstaclesOf('open', 'rock')
    const heavy = { weightKg: 0.014 }
    expect(wedged('L1', wood, heavy)).toBeLessThan(wedged('E1', wood, heavy))
    expect(wedged('E5', wood, heavy)).toBeLessThan(wedged('E1', wood, heavy))
    expect(wedged('E2', rock, heavy)).toBeLessThan(wedged('E1', rock, heavy))
  })

  it('a guard on a hook across the middle keeps out weed stems and twigs', () => {
    for (const cover of ['thickWeed', 'wood'] as const) {
      expect(lost(whole('L6', obstaclesOf(cover, 'mud'), { guard: 'wire' }))).toBeLessThan(
        lost(whole('L6', obstaclesOf(cover, 'mud'), { guard: 'none' })),
      )
    }
  })

  it('what gives way is the weaker: fine wire opens on strong line, thin line breaks before strong wire', () => {
    const site = { ...open, id: 'point' as const }
    const hard: Rod = {
      kind: 'rod',
      look: 'stem',
      name: 'root',
      perM: 1,
      diameterM: 0.002,
      diameterGsd: 1.2,
      upright: 0,
      overhead: 1,
      strengthN: 5000,
      strengthGsd: 1.1,
    }
    const ends = (openingLoadN: number, lineStrengthN: number) =>
      evaluateSnag(
        { points: [site], steps: [], heads: [], apartM: 0, openingLoadN, lineStrengthN, wornPerRub: 0 },
        placed([hard]),
        rideAt(0),
        seededRandom(2),
        4000,
      ).hour
    expect(ends(30, 200)).toMatchObject({ rigsLost: 0 })
    expect(ends(30, 200).hooksOpened).toBeGreaterThan(0)
    expect(ends(60, 40)).toMatchObject({ hooksOpened: 0 })
    expect(ends(60, 40).rigsLost).toBeGreaterThan(0)
  })

  it('swimming meets less of the bottom, dragging more', () => {
    const [swum, hopped, dragged] = (['swim', 'hop', 'drag'] as const).map(
      style => whole('E1', obstaclesOf('open', 'rock'), {}, style).snagPerM.value,
    )
    expect(swum!).toBeLessThan(hopped!)
    expect(hopped!).toBeLessThan(dragged!)
  })

  it('a hidden point works out sooner in weed than in the open, later in tougher plastic; an open one has nothing to work out', () => {
    const fix = (cover: 'open' | 'thickWeed', material: 'plain' | 'floating' = 'plain'): number =>
      evaluateSnag(
        snagRig(
          assembleRig(
            { form: 'slimShad', lengthM: 0.09, material },
            { family: 'W1', hookSize: '4/0', weightKg: 0.0035, weightMaterial: 'lead', pointRest: 'skin' },
          ),
          line,
        ),
        obstaclesOf(cover, 'mud'),
        rideAt(0),
        seededRandom(4),
        4000,
      ).castsPerFix!
    expect(fix('thickWeed')).toBeLessThan(fix('open'))
    expect(fix('open', 'floating')).toBeGreaterThan(fix('open'))
    expect(whole('E1', obstaclesOf('open', 'mud')).castsPerFix).toBeUndefined()
  })

  it('a hidden point works out unseen: never quite without snags, fewer the oftener it is looked at, more the faster it wears', () => {
    const inWeed = (rubs: number, looksEvery: number): SnagResult => {
      const rig = snagRig(assembled('W1', { pointRest: 'skin' }), line)
      return evaluateSnag(
        { ...rig, wornPerRub: 1 / rubs },
        obstaclesOf('sparseWeed', 'mud'),
        { ...rideAt(0), looksEvery },
        seededRandom(11),
        4000,
      )
    }
    const often = inWeed(12, 1)
    expect(often.snagPerCast.value).toBeGreaterThan(1e-4)
    expect(often.snagPerCast.low).toBeGreaterThan(0)
    const looks = [1, 3, 10, 40].map(every => inWeed(12, every))
    for (let i = 1; i < looks.length; i++) {
      expect(looks[i]!.snagPerCast.value).toBeGreaterThan(looks[i - 1]!.snagPerCast.value)
      expect(looks[i]!.wornFraction!).toBeGreaterThan(looks[i - 1]!.wornFraction!)
    }
    expect(inWeed(6, 4).snagPerCast.value).toBeGreaterThan(inWeed(24, 4).snagPerCast.value)
    // never worse than fishing it worn out all the time
    const rig = snagRig(assembled('W1', { pointRest: 'skin' }), line)
    expect(inWeed(1e-3, 40).snagPerCast.value).toBeLessThan(
      1.02 *
        evaluateSnag(
          { ...rig, points: rig.wornPoints! },
          obstaclesOf('sparseWeed', 'mud'),
          rideAt(0),
          seededRandom(11),
          4000,
        ).snagPerCast.value,
    )
  })

  it('is laid back as often as people lay it back: every few casts in thick weed, every ten or so in sparse', () => {
    const every = (cover: 'thickWeed' | 'sparseWeed'): number =>
      evaluateSnag(
        snagRig(assembled('W1', { pointRest: 'skin' }), line),
        obstaclesOf(cover, 'sand'),
        rideAt(0),
        seededRandom(4),
        4000,
      ).castsPerFix!
    expect(every('thickWeed')).toBeGreaterThan(2)
    expect(every('thickWeed')).toBeLessThan(6)
    expect(every('sparseWeed')).toBeGreaterThan(6)
    expect(every('sparseWeed')).toBeLessThan(14)
  })

  it('between looks: the mean of exponential wear where nothing reveals it, and one cast where everything does', () => {
    const hazard = 0.2
    // integral of 1 - exp(-ht) over five casts, by the midpoint rule
    let mean = 0
    for (let i = 0; i < 5000; i++) mean += (1 - Math.exp((-hazard * 5 * (i + 0.5)) / 5000)) / 5000
    expect(wearBetweenLooks(hazard, 5, 0).worn).toBeCloseTo(mean, 6)
    expect(wearBetweenLooks(hazard, 5, 0).laidBack).toBeCloseTo((1 - Math.exp(-1)) / 5, 9)
    expect(wearBetweenLooks(hazard, 5, 1).worn).toBeCloseTo(wearBetweenLooks(hazard, 1, 1).worn, 12)
    expect(wearBetweenLooks(hazard, 5, 1).laidBack).toBeCloseTo(1 - Math.exp(-hazard), 12)
  })

  it('draws where covered points catch tell the same as draws as they come', () => {
    const rig = snagRig(assembled('W1', { pointRest: 'flush' }), line)
    const where = obstaclesOf('thickWeed', 'rock')
    const ride = rideAt(0.4)
    const random = seededRandom(8)
    const plain = where.map(o => {
      let caught = 0
      for (let i = 0; i < 40_000; i++)
        if (resolve(rig, o, ride.postures, drawMeeting(o, ride, random, 0)).fate !== 'past') caught++
      return caught / 40_000
    })
    where.forEach((o, k) => {
      let caught = 0
      for (let i = 0; i < 40_000; i++) {
        const chance = drawMeeting(o, ride, random)
        if (resolve(rig, o, ride.postures, chance).fate !== 'past')
          caught += (chance.kind === 'rod' ? chance.weight : 1) / 40_000
      }
      // each is known to about 0.25 %; four of those apart
      expect(Math.abs(caught - plain[k]!)).toBeLessThan(0.015)
    })
  })

  it('minutes of an hour add up', () => {
    const { hour, minutesLeft } = whole('E1', obstaclesOf('thickWeed', 'rock'))
    expect(hour.minutes.snags + hour.minutes.weed + hour.minutes.fixing + minutesLeft.value).toBeCloseTo(
      60,
      6,
    )
  })

  it('a tally read early or late tells the same story, and counts every meeting once', () => {
    const where = obstaclesOf('wood', 'rock')
    const tally = snagTally(snagRig(assembled('E1'), line), where, rideAt(0), seededRandom(7))
    tally.draw(500)
    const among = drawsFor(makeEnsemble(), { plastic: '', kind: '', rig: '' })
    const early = tally.result(among)
    tally.draw(9500)
    const late = tally.result(among)
    expect(late.draws).toBe(10_000)
    expect(early.snagPerCast.low).toBeLessThan(late.snagPerCast.value)
    expect(early.snagPerCast.high).toBeGreaterThan(late.snagPerCast.value)
    // weights of ten thousand draws, each of 0 to 2, sum to their number within three standard errors
    tally.sizes().forEach(bins => expect(Math.abs(bins.reduce((a, b) => a + b) - 10_000)).toBeLessThan(300))
  })
})

describe('what is least certain', () => {
  it('is told in minutes, the most first; where nothing can hold a rig nothing is in doubt', () => {
    const doubts = snagDoubts(snagRig(assembled('E1'), line), obstaclesOf('thickWeed', 'rock'), rideAt(0))
    expect(doubts.map(d => d.id).sort()).toEqual([
      'coverSize',
      'coverStrength',
      'freeing',
      'press',
      'standing',
    ])
    for (let i = 1; i < doubts.length; i++)
      expect(doubts[i]!.minutes).toBeLessThanOrEqual(doubts[i - 1]!.minutes)
    expect(doubts[0]!.minutes).toBeGreaterThan(1)
    expect(snagDoubts(only(open), [], rideAt(0)).every(d => d.minutes === 0)).toBe(true)
  })
})

describe('one cast', () => {
  it('meets the same things whatever rig comes through, and each meeting repeats', () => {
    const where = obstaclesOf('wood', 'rock')
    const ride = rideAt(0)
    const cast = castThrough(where, ride, seededRandom(3))
    expect(cast).toEqual(castThrough(where, ride, seededRandom(3)))
    for (let i = 1; i < cast.length; i++) expect(cast[i]!.atM).toBeGreaterThanOrEqual(cast[i - 1]!.atM)
    const rigs = [snagRig(assembled('E1'), line), snagRig(assembled('W1'), line)]
    for (const meeting of cast) {
      const [a, b] = rigs.map(rig => meetOn(rig, where, ride, meeting))
      expect(a!.sizeM).toBe(b!.sizeM)
      expect(meetOn(rigs[0]!, where, ride, meeting)).toEqual(a)
    }
  })
  it('meets as many things on average as the rates say', () => {
    const where = obstaclesOf('thickWeed', 'rock')
    const random = seededRandom(5)
    const mean =
      Array.from({ length: 400 }, () => castThrough(where, rideAt(0), random).length).reduce(
        (a, b) => a + b,
      ) / 400
    const expected = 15 * where.reduce((sum, o) => sum + o.perM, 0)
    // Poisson: the mean of 400 casts is known to sqrt(30/400) = 0.27
    expect(Math.abs(mean - expected)).toBeLessThan(1.2)
  })
})

describe('a meeting looked at closely', () => {
  const rig = only(lipOf('E1', 'open'))
  const ride = rideAt(0.2)
  it('ends as the two numbers that it shows say: what is thinner than the opening lodges, the rest slides by', () => {
    const stems = COVER_IDS.flatMap(id => placed(COVERS[id].obstacles)).filter(o => o.kind === 'rod')
    expect(stems.length).toBeGreaterThan(0)
    const ends = { lodged: 0, past: 0 }
    for (const stem of stems)
      for (let seed = 0; seed < 400; seed++) {
        const close = meetOn(rig, [stem], ride, { atM: 0, obstacle: 0, seed })
        if (close.kind !== 'rod') throw new Error('a stem is a rod')
        expect(close.fate !== 'past').toBe(close.openingM > close.sizeM && close.openingM > 0)
        ends[close.fate === 'past' ? 'past' : 'lodged']++
      }
    expect(Math.min(ends.lodged, ends.past)).toBeGreaterThan(50)
  })
  it('opens by what the point stands over the tangent where it touches, and what the press gives', () => {
    const [stem] = placed(COVERS.reeds.obstacles).filter(o => o.kind === 'rod')
    const site = rig.points[0]!
    for (let seed = 0; seed < 60; seed++) {
      const close = meetOn(rig, [stem!], ride, { atM: 0, obstacle: 0, seed })
      if (close.kind !== 'rod' || close.openingM === -Infinity) continue
      // the tangent touches the ellipse of the bait where its normal points along the angle: found by trying all round
      const [sin, cos] = [Math.sin(close.angleRad), Math.cos(close.angleRad)]
      let reach = 0
      for (let k = 0; k < 20_000; k++) {
        const t = (2 * Math.PI * k) / 20_000
        reach = Math.max(reach, site.halfWidthM * Math.cos(t) * sin + site.halfHeightM * Math.sin(t) * cos)
      }
      const tip = (site.halfHeightM + site.openingM) * cos
      expect(close.openingM).toBeCloseTo(tip - reach + close.pressN * site.givePerN, 8)
    }
  })
  it('shows what a head presents to a gap, where there is a head', () => {
    const crevice = placed(BOTTOMS.rock.obstacles).find(o => o.kind === 'crevice')!
    const headed = snagRig(assembled('E2'), line)
    const close = meetOn(headed, [crevice], ride, { atM: 0, obstacle: 0, seed: 3 })
    const head = headed.heads[0]!
    if (close.kind !== 'gap') throw new Error('a crevice is a gap')
    expect(close.headM!).toBeLessThanOrEqual(Math.hypot(head.alongM, head.acrossM))
    expect(close.headM!).toBeGreaterThanOrEqual(Math.min(head.alongM, head.acrossM))
    const bare = meetOn(rig, [crevice], ride, { atM: 0, obstacle: 0, seed: 3 })
    expect(bare).not.toHaveProperty('headM')
  })
})
