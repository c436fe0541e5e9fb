import type { CastResult } from '../cast/evaluateCast'
import { DRAG_SHARE } from '../fit/holdRules'
import { evidenceOf, type EvidenceBook } from '../evidence/book'
import { assembleRig, type AssembledRig } from '../rig/assemble'
import type { RigSpec } from '../rig/spec'
import { obstaclesOf } from '../snag/cover'
import { snagOn } from '../snag/evaluateSnag'
import { drawMeetings } from '../snag/snagMembers'
import { snagRig } from '../snag/catchSite'
import { RETRIEVES, type RetrieveId } from '../snag/retrieve'
import { strikeRig, type MatchId } from '../strike/bite'
import type { RodPower } from '../tackle/rods'
import { shareHooked } from '../strike/evaluateStrike'
import type { Line } from '../tackle/lines'
import {
  bittenBy,
  CADENCES,
  conditionsFor,
  ROOFS,
  usualLine,
  type ChosenOutfit,
  type Day,
  type Outfit,
} from './day'
import { tackleOf } from './conditions'
import { evaluateRig, type RigReport } from './evaluateRig'
import { USUAL_SEED } from './prepareRig'
import type { Goods, Rigging } from './goods'
import { measureOf } from '../uncertainty/members'
import { scoresAmong } from './odds'
import { leaderFor, type Leader } from './leader'
import { castable, limitOf, type Limit } from './limits'
import { fishDrawn, keep, searchMemory, type SearchMemory } from './memory'
import { factorsOf, scoreOf, scoringOf, type Factors, type Traits } from './score'
import { rigOf, type Candidate } from './screen'

/** A finalist, with its tackle, evaluated in full. */
export interface Finalist {
  readonly bait: number
  readonly rigging: number
  readonly weight: number
  readonly rig: RigSpec
  readonly outfit: Outfit
  /** rod and line of the box, where it has any */ readonly rodId?: string
  readonly lineId?: string
  readonly match: MatchId
  readonly report: RigReport
  readonly factors: Factors
  readonly score: number
  /**
   * nine in ten of what it may score: by hook-up, time and fall as the members have them, and by what fish
   * like
   */
  readonly low: number
  readonly high: number
  /** the same in every member */ readonly scores: Float64Array
  readonly limit?: Limit
  /** what to tie between line and rig */ readonly leader: Leader
}

/** Meetings and bites drawn when line, rod and cadence are chosen. */
const SNAG_DRAWS = 150
const BITE_DRAWS = 200

/**
 * Ways of working to choose among: those that suit the fish and the angler's own way; under a roof only the
 * one that goes through.
 */
export function cadencesOf({ cover, activity, way }: Day): readonly RetrieveId[] {
  if (ROOFS[cover]) return ['punch']
  const usual = CADENCES[activity].map(([id]) => id)
  const own = usual.filter(
    id => way?.work === undefined || (way.work === 'moving') === RETRIEVES[id].tight >= 0.5,
  )
  return own.length > 0 ? own : usual
}

/**
 * Line, rod and cadence of the box that score best for a rig, with the share of bites it hooks. What cannot come to
 * more than the best so far, if it kept the whole hour and hooked every bite, is not tried. Undefined where no rod
 * casts it.
 */
export function outfitFor(
  day: Day,
  goods: Goods,
  rig: RigSpec,
  traits: Traits,
  memory: SearchMemory = searchMemory(),
): { readonly chosen: ChosenOutfit; readonly hookUp: number } | undefined {
  const scoring = scoringOf(day)
  const trial = trialOf(day, traits, rig, memory)
  const rods =
    goods.rods.length === 0
      ? [{ id: undefined, power: 'medium' as RodPower, lengthM: undefined, castKg: undefined }]
      : goods.rods.filter(rod => castable(traits.massKg, rod.castKg))
  const lines = borneLines(goods, traits.openingN)
  const scoreWith = (retrieve: RetrieveId, line: Line, minutesLeft: number, hookUp: number): number => {
    const full = { ...traits, hookUp, minutesLeft }
    const barred = limitOf(day, full, line, scoring.water) !== undefined
    return scoreOf(factorsOf(scoring, full, retrieve, line)) * (barred ? BARRED : 1)
  }
  const ways = cadencesOf(day)
    .flatMap(retrieve => lines.map(({ id, line }) => ({ retrieve, id, line })))
    .map((way, nth) => ({ ...way, nth, most: scoreWith(way.retrieve, way.line, 60, 1) }))
    .sort((a, b) => b.most - a.most || a.nth - b.nth)
  let best: (ReturnType<typeof outfitFor> & { readonly score: number; readonly nth: number }) | undefined
  for (const { retrieve, id: lineId, line, nth, most } of ways) {
    if (best && most < best.score) break
    const minutesLeft = trial.minutesLeft(retrieve, line)
    if (best && scoreWith(retrieve, line, minutesLeft, 1) < best.score) continue
    for (const { id: rodId, power, lengthM, castKg } of rods) {
      const hookUp = trial.hookUp(retrieve, line, power)
      const score = scoreWith(retrieve, line, minutesLeft, hookUp)
      // of two that come to the same, the one that is named first
      if (best && (score < best.score || (score === best.score && nth >= best.nth))) continue
      const outfit = {
        line,
        retrieve,
        rod: power,
        ...(lengthM === undefined ? {} : { rodLengthM: lengthM }),
        ...(castKg ? { castKg } : {}),
      }
      best = {
        chosen: {
          outfit,
          ...(rodId === undefined ? {} : { rodId }),
          ...(lineId === undefined ? {} : { lineId }),
        },
        hookUp,
        score,
        nth,
      }
    }
  }
  return best
}

/** A rig tried with cadences, lines and rods, each once. */
function trialOf(day: Day, { bait, match }: Traits, rig: RigSpec, memory: SearchMemory) {
  const { met, hooked, drawn } = memory
  const ofRig = JSON.stringify([bait, rig])
  let assembled: AssembledRig | undefined
  const built = (): AssembledRig => (assembled ??= assembleRig(bait, rig))
  const obstacles = obstaclesOf(day.cover, day.bottom)
  const bitten = JSON.stringify([bittenBy(day), match])
  return {
    minutesLeft(retrieve: RetrieveId, line: Line): number {
      const place = JSON.stringify([day.cover, day.bottom, retrieve])
      return keep(met, `${ofRig} ${place} ${JSON.stringify(line)}`, () => {
        const ride = { retrieve: RETRIEVES[retrieve], postures: { retrieveRollRad: [0], fallRollRad: [0] } }
        const meetings = keep(drawn, place, () => drawMeetings(obstacles, ride, USUAL_SEED, SNAG_DRAWS))
        const { minutesLeft, snagPerCast } = snagOn(snagRig(built(), line), obstacles, ride, meetings)
        return { minutesLeft: minutesLeft.value, snagPerCast: snagPerCast.value }
      }).minutesLeft
    },
    hookUp: (retrieve: RetrieveId, line: Line, rod: RodPower): number =>
      keep(hooked, `${ofRig} ${bitten} ${retrieve} ${rod} ${JSON.stringify(line)}`, () =>
        shareHooked(
          strikeRig(built()),
          tackleOf({ ...bittenBy(day), rod, retrieve, match }, line),
          fishDrawn(memory, BITE_DRAWS),
        ),
      ),
  }
}

/** A line with which the rig cannot be fished here is taken only where there is none other. */
const BARRED = 1e-3
/** A wire passes its rule where it opens a third over the drag. */
const BEARS = 1.35

function borneLines(goods: Goods, openingN: number): { readonly id?: string; readonly line: Line }[] {
  if (goods.lines.length === 0) return [{ line: usualLine() }]
  const borne = goods.lines.filter(({ line }) => openingN >= BEARS * DRAG_SHARE * line.strengthN)
  return borne.length > 0 ? borne : [[...goods.lines].sort((a, b) => a.line.strengthN - b.line.strengthN)[0]!]
}

interface FinishOptions {
  /** drops and tally of the angler's own */ readonly book?: EvidenceBook
  /** what earlier searches worked out */ readonly memory?: SearchMemory
}

/** Evaluates a candidate in full, as every view does. Undefined where it cannot be fished after all. */
export function finish(
  day: Day,
  goods: Goods,
  riggings: readonly Rigging[],
  { bait, rigging, weight, point, traits, chosen: before }: Candidate,
  { book, memory }: FinishOptions = {},
): Finalist | undefined {
  const rig = rigOf(riggings[rigging]!, weight, point)
  const chosen = before ?? (traits && outfitFor(day, goods, rig, traits, memory)?.chosen)
  if (!chosen || !traits) return undefined
  const { outfit, rodId, lineId } = chosen
  const spec = goods.baits[bait]!.spec
  const { match } = traits
  const evidence = book && evidenceOf(book, spec, rig, day.cover, day.bottom)
  const outcome = evaluateRig(
    spec,
    rig,
    { ...conditionsFor(day, outfit, match), ...(evidence ? { evidence } : {}) },
    memory ? { recall: memory.recall } : {},
  )
  if (!outcome.ok || outcome.value.fit.verdict === 'fail') return undefined
  const report = outcome.value
  const exact = traitsOf(traits, report)
  const scoring = scoringOf(day)
  const factors = factorsOf(scoring, exact, outfit.retrieve, outfit.line)
  const limit = limitOf(day, exact, outfit.line, scoring.water)
  const score = scoreOf(factors)
  const scores = scoresAmong(
    scoring,
    exact,
    outfit.retrieve,
    outfit.line,
    report.members,
    report.fall.timeS.value,
  )
  const { low, high } = measureOf(score, scores)
  return {
    bait,
    rigging,
    weight,
    rig,
    match,
    report,
    factors,
    score,
    outfit,
    ...(rodId === undefined ? {} : { rodId }),
    ...(lineId === undefined ? {} : { lineId }),
    low,
    high,
    scores,
    leader: leaderFor(day, outfit.line, exact),
    ...(limit ? { limit } : {}),
  }
}

/** What is read off an evaluation when a rig is scored. */
export interface ScoredBy {
  readonly massKg: number
  readonly sinkMS: number
  readonly pitchRad: number
  readonly standsM: number
  readonly hookUp: number
  readonly minutesLeft: number
  readonly snagPerCast: number
  readonly openingN: number
  /** how it is thrown, asked for where that counts */ readonly castOf: () => CastResult
}

/** Traits as an evaluation has them; areas and weight in water as they were looked up. */
export function traitsBy(quick: Traits, { castOf, snagPerCast, ...by }: ScoredBy): Traits {
  if (!quick.thrown) return { ...quick, ...by }
  const { distanceM, splash } = castOf()
  return { ...quick, ...by, thrown: { castM: distanceM.value, noticedM: splash.noticedM, snagPerCast } }
}

/** Traits as the full evaluation has them. */
export const traitsOf = (quick: Traits, { fall, massKg, strike, snag, fit, cast }: RigReport): Traits =>
  traitsBy(quick, {
    massKg,
    sinkMS: fall.meanSpeedMS.value,
    pitchRad: fall.pitchRad.value,
    standsM: fall.rest.highestM,
    hookUp: strike.hookUp.value,
    minutesLeft: snag.minutesLeft.value,
    snagPerCast: snag.snagPerCast.value,
    openingN: fit.openingLoadN.value,
    castOf: () => cast,
  })
