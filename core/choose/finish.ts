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
import { drawFish } from '../strike/fish'
import type { Line } from '../tackle/lines'
import { bittenBy, CADENCES, conditionsFor, ROOFS, usualLine, type Day, type Outfit } from './day'
import { tackleOf } from './conditions'
import { evaluateRig, type RigReport } from './evaluateRig'
import { USUAL_SEED } from './prepareRig'
import type { Goods, Rigging } from './goods'
import { measureOf } from '../uncertainty/members'
import { scoresAmong } from './odds'
import { leaderFor, type Leader } from './leader'
import { castable, limitOf, type Limit } from './limits'
import { keep, searchMemory, type SearchMemory } from './memory'
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

/** Line, rod and cadence of the box that score best for a rig. Undefined where no rod casts it. */
export function outfitFor(
  day: Day,
  goods: Goods,
  rig: RigSpec,
  traits: Traits,
  memory: SearchMemory = searchMemory(),
): { readonly outfit: Outfit; readonly rodId?: string; readonly lineId?: string } | undefined {
  const scoring = scoringOf(day)
  const trial = trialOf(day, traits, rig, memory)
  const lines = borneLines(goods, traits.openingN)
  const rods =
    goods.rods.length === 0
      ? [{ id: undefined, power: 'medium' as RodPower, lengthM: undefined, castKg: undefined }]
      : goods.rods.filter(rod => castable(traits.massKg, rod.castKg))
  let best:
    | { readonly outfit: Outfit; readonly rodId?: string; readonly lineId?: string; readonly score: number }
    | undefined
  for (const retrieve of cadencesOf(day)) {
    for (const { id: lineId, line } of lines) {
      const minutesLeft = trial.minutesLeft(retrieve, line)
      for (const { id: rodId, power, lengthM, castKg } of rods) {
        const hookUp = trial.hookUp(retrieve, line, power)
        const full = { ...traits, hookUp, minutesLeft }
        const barred = limitOf(day, full, line, scoring.water) !== undefined
        const score = scoreOf(factorsOf(scoring, full, retrieve, line)) * (barred ? BARRED : 1)
        if (!best || score > best.score)
          best = {
            outfit: {
              line,
              retrieve,
              rod: power,
              ...(lengthM === undefined ? {} : { rodLengthM: lengthM }),
              ...(castKg ? { castKg } : {}),
            },
            ...(rodId === undefined ? {} : { rodId }),
            ...(lineId === undefined ? {} : { lineId }),
            score,
          }
      }
    }
  }
  return best
}

/** A rig tried with cadences, lines and rods, each once. */
function trialOf(day: Day, { bait, match }: Traits, rig: RigSpec, { met, hooked, drawn }: SearchMemory) {
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
          drawFish(USUAL_SEED + 1, BITE_DRAWS),
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
  { bait, rigging, weight, point, traits }: Candidate,
  { book, memory }: FinishOptions = {},
): Finalist | undefined {
  const rig = rigOf(riggings[rigging]!, weight, point)
  const chosen = traits && outfitFor(day, goods, rig, traits, memory)
  if (!chosen) return undefined
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

/** Traits as the full evaluation has them; areas and weight in water as they were looked up. */
export const traitsOf = (quick: Traits, { fall, massKg, strike, snag, fit, cast }: RigReport): Traits => ({
  ...quick,
  ...(quick.thrown
    ? {
        thrown: {
          castM: cast.distanceM.value,
          noticedM: cast.splash.noticedM,
          snagPerCast: snag.snagPerCast.value,
        },
      }
    : {}),
  massKg,
  sinkMS: fall.meanSpeedMS.value,
  pitchRad: fall.pitchRad.value,
  standsM: fall.rest.highestM,
  hookUp: strike.hookUp.value,
  minutesLeft: snag.minutesLeft.value,
  openingN: fit.openingLoadN.value,
})
