import { evidenceOf, type Evidence, type EvidenceBook } from '../evidence/book'
import { fallAtCentre } from '../fall/evaluateFall'
import { movedFactors } from '../fall/measured'
import { retrievePosture, towWith } from '../fall/retrieve'
import { coarse, COARSE_DEPTH_M, TETHER_DEPTH_M } from '../fall/repeats'
import { evaluateFit } from '../fit/evaluateFit'
import { assembleRig } from '../rig/assemble'
import { FAMILIES } from '../rig/families'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { obstaclesOf } from '../snag/cover'
import { snagRig } from '../snag/catchSite'
import { DRAWS, snagAtCentre } from '../snag/evaluateSnag'
import type { Ride } from '../snag/meet'
import { RETRIEVES } from '../snag/retrieve'
import { shareHooked } from '../strike/evaluateStrike'
import type { Line } from '../tackle/lines'
import { SOFT_BEDS } from '../water/bed'
import { typicalOf } from './bodies'
import { conditionsFor, type ChosenOutfit, type Day, type Outfit } from './day'
import { castOf } from './evaluateRig'
import { outfitFor, traitsBy } from './finish'
import type { Goods, Rigging } from './goods'
import { limitOf } from './limits'
import { fishDrawn, keep, searchMemory, type Met, type SearchMemory, type SettledFall } from './memory'
import { prepareRig, USUAL_SEED } from './prepareRig'
import { fallRolls } from './rolls'
import { factorsOf, scoreOf, scoringOf, type Scoring, type Traits } from './score'
import { rigOf, type Candidate } from './screen'

export interface CloserOptions {
  /** drops of the angler's own; what a tally taught is left to the full evaluation */ readonly book?: EvidenceBook
  /** what earlier searches worked out */ readonly memory?: SearchMemory
  /** by few meetings and bites, and a fall in little water, which are remembered: a tenth of the time */
  readonly rough?: boolean
}

/**
 * A rough look: meetings with each kind of thing, rolls of a fall that they are drawn among, and about how long it falls:
 * what sinks slowly has settled in little water, m.
 */
const ROUGH = { draws: 500, rolls: 24, seconds: 8, leastM: 0.5 } as const

/**
 * A candidate at the middle of everything that is uncertain: its own outfit, the whole fall, the posture it is brought
 * in with, the meetings and bites of the full evaluation. Its score is that of the full evaluation, which adds the
 * doubts, to the last digit, or near it where it is looked at roughly; 0 where it cannot be fished after all.
 */
export function lookCloser(
  day: Day,
  goods: Goods,
  riggings: readonly Rigging[],
  one: Candidate,
  { book, memory = searchMemory(), rough = false }: CloserOptions,
): Candidate {
  const { bait, rigging, weight, point, traits } = one
  const spec = rigOf(riggings[rigging]!, weight, point)
  const found = traits && outfitFor(day, goods, spec, traits, memory)
  if (!found) return { ...one, score: 0 }
  const { chosen, hookUp } = found
  const plastic = goods.baits[bait]!.spec
  const evidence = book && evidenceOf(book, plastic, spec, day.cover, day.bottom)
  if (!rough) return wholly(day, one, plastic, spec, chosen, evidence, memory)
  const scoring = scoringOf(day)
  const fall = settledFall(day, scoring, traits, spec, chosen.outfit.line, evidence, memory)
  if (!(fall.sinkMS > 0)) return { ...one, score: 0 }
  const { postures, ...figures } = fall
  const { minutesLeft, snagPerCast } = snagRoughly(day, plastic, spec, chosen.outfit, postures, memory)
  const thrown = traits.thrown && { thrown: { ...traits.thrown, snagPerCast } }
  return seenAs(scoring, one, { ...traits, ...figures, hookUp, minutesLeft, ...thrown }, chosen)
}

/** As it is in full. */
function wholly(
  day: Day,
  one: Candidate,
  plastic: BaitSpec,
  spec: RigSpec,
  chosen: ChosenOutfit,
  evidence: Evidence | undefined,
  memory: SearchMemory,
): Candidate {
  const { recall } = memory
  const traits = one.traits!
  const conditions = { ...conditionsFor(day, chosen.outfit, traits.match), ...(evidence ? { evidence } : {}) }
  const prepared = prepareRig(plastic, spec, conditions, undefined, recall)
  const { rig, line, obstacles } = prepared
  const fit = evaluateFit(rig, line)
  const fall = fallAtCentre(prepared.bodies, prepared.fall)
  if (!fall.ok || fit.verdict === 'fail') return { ...one, score: 0 }
  const { drop, summary, meanSpeedMS, rest } = fall.value
  const snag = snagAtCentre(prepared.snag, obstacles, prepared.rideOf(drop), USUAL_SEED, DRAWS, recall)
  const { near: _, ...same } = one
  return seenAs(
    scoringOf(day),
    { ...same, ...(fit.verdict === 'near' ? { near: true } : {}) },
    traitsBy(traits, {
      massKg: rig.geometry.massKg + (rig.parts.second?.massKg ?? 0),
      sinkMS: meanSpeedMS,
      pitchRad: summary.pitchRad,
      standsM: rest.highestM,
      hookUp: shareHooked(prepared.strike, prepared.tackle, fishDrawn(memory, DRAWS)),
      minutesLeft: snag.minutesLeft.value,
      snagPerCast: snag.snagPerCast.value,
      openingN: fit.openingLoadN.value,
      castOf: () => castOf(prepared, recall),
    }),
    chosen,
  )
}

/** A candidate by other traits, with its outfit. */
function seenAs(scoring: Scoring, one: Candidate, traits: Traits, chosen: ChosenOutfit): Candidate {
  const { line, retrieve } = chosen.outfit
  const { limit: _, ...same } = one
  const factors = factorsOf(scoring, traits, retrieve, line)
  const limit = limitOf(scoring.day, traits, line, scoring.water)
  return {
    ...same,
    traits,
    factors,
    score: limit ? 0 : scoreOf(factors),
    chosen,
    ...(limit ? { limit } : {}),
  }
}

/** What some of the meetings of the full evaluation come to, in the posture it is brought in with. */
const snagRoughly = (
  { cover, bottom }: Day,
  plastic: BaitSpec,
  spec: RigSpec,
  { line, retrieve }: Outfit,
  postures: Ride['postures'],
  { met, recall }: SearchMemory,
): Met =>
  keep(met, `posed ${JSON.stringify([plastic, spec, cover, bottom, line, retrieve, postures])}`, () => {
    const ride = { retrieve: RETRIEVES[retrieve], postures }
    const rig = snagRig(assembleRig(plastic, spec), line)
    const snag = snagAtCentre(rig, obstaclesOf(cover, bottom), ride, USUAL_SEED, ROUGH.draws, recall)
    return { minutesLeft: snag.minutesLeft.value, snagPerCast: snag.snagPerCast.value }
  })

/** What never comes down. */
const NEVER: SettledFall = {
  sinkMS: 0,
  pitchRad: 0,
  standsM: 0,
  postures: { retrieveRollRad: [0], fallRollRad: [0] },
}

/** A coarse fall on this line and to this bottom, in still water no deeper than most rigs take to settle. */
function settledFall(
  { bottom, depthM: deep }: Day,
  { water }: Scoring,
  { bait: plastic, sinkMS }: Traits,
  spec: RigSpec,
  line: Line,
  evidence: Evidence | undefined,
  { falls }: SearchMemory,
): SettledFall {
  const bed = SOFT_BEDS[bottom]
  const most = FAMILIES[spec.family].hangs ? TETHER_DEPTH_M : COARSE_DEPTH_M
  const depthM = Math.min(deep, most, Math.max(ROUGH.leastM, ROUGH.seconds * sinkMS))
  return keep(falls, JSON.stringify([plastic, spec, water, line, bed, depthM, evidence?.fall]), () => {
    const bodies = typicalOf(assembleRig(plastic, spec), water)
    const { typical, weight } = bodies
    const fall = fallAtCentre(
      bodies,
      {
        depthM,
        line,
        ...(bed ? { bed } : {}),
        ...(evidence?.fall ? { factors: movedFactors(evidence.fall) } : {}),
      },
      coarse(typical, weight !== undefined),
    )
    if (!fall.ok) return NEVER
    const { summary, meanSpeedMS, rest, drop } = fall.value
    const rolls = fallRolls(drop)
    const every = Math.ceil(rolls.length / ROUGH.rolls)
    return {
      sinkMS: meanSpeedMS,
      pitchRad: summary.pitchRad,
      standsM: rest.highestM,
      postures: {
        retrieveRollRad: retrievePosture(typical, towWith(weight, water)).rollRad,
        fallRollRad: rolls.filter((_, i) => i % every === 0),
      },
    }
  })
}
