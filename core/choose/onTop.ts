import { PLASTICS } from '../tackle/materials'
import { seededRandom } from '../numerics/random'
import { assembleRig } from '../rig/assemble'
import { FAMILIES } from '../rig/families'
import { problemsOf } from '../rig/problems'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { evaluateSnag } from '../snag/evaluateSnag'
import { tiedTo } from '../snag/catchSite'
import { surfaceOf } from '../snag/onTop'
import type { MatchId } from '../strike/bite'
import { shareHooked } from '../strike/evaluateStrike'
import { drawFish } from '../strike/fish'
import type { Line } from '../tackle/lines'
import { tackleOf } from './conditions'
import { bittenBy, conditionsFor, ROOFS, zoneOf, type Day, type Outfit } from './day'
import { BLOW_UPS_MISSED, evaluateOnTop, rideOnTop, type OnTopReport } from './evaluateOnTop'
import { matchOf, type Activity } from './fish'
import type { Goods, Rigging } from './goods'
import { keep, layingKey, layOf, searchMemory, type Fitting, type SearchMemory } from './memory'
import { misfit } from './misfit'
import { USUAL_SEED } from './prepareRig'
import { rigOf, rodFor, lineFor } from './screen'
import { intakeShare, landedShare, matchShare, quiet, scoringOf, type Pull } from './score'

/** A floating rig as a candidate beside those that sink. */
export interface OnTopPick {
  readonly bait: number
  readonly rigging: number
  readonly rig: RigSpec
  readonly match: MatchId
  readonly outfit: Outfit
  readonly report: OnTopReport
  /** shares as they are multiplied, and their product; its ends where hook-up and snags have theirs */
  readonly shares: OnTopShares
  readonly score: number
  readonly low: number
  readonly high: number
}

interface OnTopShares {
  readonly time: number
  readonly hook: number
  readonly landed: number
  /** fish that come up from where they are */ readonly rise: number
  readonly quiet: number
  readonly intake: number
  readonly match: number
}

/**
 * A floating rig is offered beside one that sinks from this part of its score on; the two are not one for one, so it
 * is a low bar. *Assumed.*
 */
export const WORTH_A_LOOK = 0.25
/** How far up fish come for a bait on the surface, m: a share 1/e of them. *Assumed.* */
const RISE_M: Readonly<Record<Activity, number>> = { active: 3, steady: 1.2, slow: 0.4 }
/** Under a roof or among what stands to the surface they lie close below it, m. *Assumed.* */
const UNDER_ROOF_M = 0.4
const SHADES: ReadonlySet<Day['cover']> = new Set(['mat', 'pads', 'reeds'])
/** A bait less like the food than this part of the likest is not looked at. */
const TOO_UNLIKE = 0.3
const DRAWS = 64
const BITES = 80

/** How far over the fish the surface is, m. */
const overM = (day: Day): number => {
  const { fromM } = zoneOf(day)
  return ROOFS[day.cover] || SHADES.has(day.cover) ? Math.min(fromM, UNDER_ROOF_M) : fromM
}
const riseShare = (day: Day): number => Math.exp(-overM(day) / RISE_M[day.activity])

/** A rig that was laid, floats and fits. */
interface Afloat {
  readonly bait: number
  readonly rigging: number
  readonly rig: RigSpec
  readonly laid: Fitting
}

/** Every floating rig of a box: of each bait and hook the lightest weight, which is none where there may be none. */
function floating(
  day: Day,
  goods: Goods,
  riggings: readonly Rigging[],
  waterKgM3: number,
  { laid }: SearchMemory,
): Afloat[] {
  const alike = goods.baits.map(({ spec }) => matchShare(day, spec, matchOf(spec.form, day.prey)))
  const least = TOO_UNLIKE * Math.max(0, ...alike)
  return goods.baits.flatMap(({ spec }, bait) => {
    const density = spec.densityKgM3 ?? PLASTICS[spec.material].density.value
    if (density >= waterKgM3 || alike[bait]! < least) return []
    const ofBait = JSON.stringify(spec)
    return riggings.flatMap((way, rigging): Afloat[] => {
      if (FAMILIES[way.base.family].hangs || way.points[0] === 'open' || misfit(spec, way)) return []
      const rig = rigOf(way, 0, way.points[0]!)
      const key = layingKey(ofBait, rig)
      // what was laid once can be built
      if (!laid.has(key) && problemsOf(spec, rig).length > 0) return []
      const found = keep(laid, key, () => layOf(assembleRig(spec, rig), laid.size))
      if (found.failed || found.weightApart || found.massKg >= waterKgM3 * found.displacedM3) return []
      return [{ bait, rigging, rig, laid: found }]
    })
  })
}

/**
 * The best rig of a box that is fished on the surface, scored as those that sink are, but for what only they have:
 * in place of time among the fish, of fall and of rest it has the share of fish that come up. Undefined where none
 * floats and fits.
 */
export function bestOnTop(
  day: Day,
  goods: Goods,
  riggings: readonly Rigging[],
  memory: SearchMemory = searchMemory(),
): OnTopPick | undefined {
  const { water, pull } = scoringOf(day)
  const obstacles = surfaceOf(day.cover)
  const fish = drawFish(USUAL_SEED + 1, BITES)
  const bitten = JSON.stringify(bittenBy(day))
  const looked = floating(day, goods, riggings, water.densityKgM3, memory).flatMap(one => {
    const { spec } = goods.baits[one.bait]!
    const { nth, openingN, strike, untied } = one.laid
    const line = lineFor(goods, pull, openingN)
    const rod = rodFor(goods, one.laid.massKg)
    if (rod === undefined) return []
    const match = matchOf(spec.form, day.prey, FAMILIES[one.rig.family].trailer)
    const onLine = `${nth} on top ${JSON.stringify(line)}`
    const { minutesLeft } = keep(memory.met, `${onLine} ${day.cover}`, () => {
      const { minutesLeft: minutes, snagPerCast } = evaluateSnag(
        tiedTo(untied, line),
        obstacles,
        rideOnTop(0),
        seededRandom(USUAL_SEED),
        DRAWS,
      )
      return { minutesLeft: minutes.value, snagPerCast: snagPerCast.value }
    })
    const share = keep(memory.hooked, `${onLine} ${bitten} ${rod} ${match}`, () =>
      shareHooked(strike, tackleOf({ ...bittenBy(day), rod, retrieve: 'swim', match }, line), fish),
    )
    const hookUp = share * (1 - BLOW_UPS_MISSED.value)
    const shares = sharesOf(day, pull, spec, one.laid.massKg, {
      line,
      openingN,
      match,
      hookUp,
      minutes: minutesLeft,
    })
    return [{ ...one, line, rod, match, shares, score: product(shares) }]
  })
  const best = looked.reduce<(typeof looked)[number] | undefined>(
    (top, one) => (!top || one.score > top.score ? one : top),
    undefined,
  )
  if (!best) return undefined
  const { bait, rigging, rig, line, rod, match } = best
  const { openingN } = best.laid
  const outfit: Outfit = { line, rod, retrieve: 'swim' }
  const report = evaluateOnTop(goods.baits[bait]!.spec, rig, conditionsFor(day, outfit, match))
  if (!report) return undefined
  const at = (hookUp: number, minutes: number): OnTopShares =>
    sharesOf(day, pull, goods.baits[bait]!.spec, best.laid.massKg, {
      line,
      openingN,
      match,
      hookUp,
      minutes,
    })
  const { hookUp, snag } = report
  const shares = at(hookUp.value, snag.minutesLeft.value)
  return {
    bait,
    rigging,
    rig,
    match,
    outfit,
    report,
    shares,
    score: product(shares),
    low: product(at(hookUp.low, snag.minutesLeft.low)),
    high: product(at(hookUp.high, snag.minutesLeft.high)),
  }
}

/** What a look at one found. */
interface Found {
  readonly line: Line
  readonly openingN: number
  readonly match: MatchId
  readonly hookUp: number
  readonly minutes: number
}

function sharesOf(day: Day, pull: Pull, bait: BaitSpec, massKg: number, found: Found): OnTopShares {
  return {
    time: found.minutes / 60,
    hook: found.hookUp,
    landed: landedShare(pull, found.openingN, found.line),
    rise: riseShare(day),
    quiet: quiet(day, massKg),
    intake: intakeShare(day, massKg),
    match: matchShare(day, bait, found.match),
  }
}

const product = (s: OnTopShares): number => Object.values(s).reduce<number>((p, x) => p * x, 1)
