import { evaluateFall, type FallBodies, type FallResult } from '../fall/evaluateFall'
import { dropRig, SAMPLE_STRIDE, type Drop, type DropFailure } from '../fall/drop'
import { hydroBody, type HydroBody } from '../fall/hydroBody'
import type { LineHold } from '../fall/linePull'
import { tailBeatHz } from '../fall/wobble'
import type { TetheredWeight } from '../fall/tether'
import { BULLET_DRAG } from '../fall/compactDrag'
import { weightSize } from '../tackle/weights'
import type { Stream } from '../water/stream'
import { retrievePosture } from '../fall/retrieve'
import { evaluateFit, type FitResult } from '../fit/evaluateFit'
import { movedFactors } from '../fall/measured'
import type { Evidence } from '../evidence/book'
import { corrected, type Tally } from '../evidence/tally'
import { rollOf } from '../numerics/quaternion'
import { seededRandom } from '../numerics/random'
import { measure, success, type Measure, type Outcome } from '../outcome'
import { assembleRig, hookMoved, type AssembledRig } from '../rig/assemble'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { obstaclesOf, type BottomId, type CoverId } from '../snag/cover'
import { evaluateSnag, type SnagResult } from '../snag/evaluateSnag'
import { snagRig } from '../snag/lip'
import { RETRIEVES, type RetrieveId } from '../snag/retrieve'
import { RODS, strikeRig, USUAL_TACKLE, type FeedingId, type MatchId, type RodPower, type Tackle } from '../strike/bite'
import { evaluateStrike, type StrikeResult } from '../strike/evaluateStrike'
import { PLASTICS } from '../tackle/materials'
import { lineOf, type Line, type LineKind } from '../tackle/lines'
import { SOFT_BEDS } from '../water/bed'
import { waterOf, type Water } from '../water/water'

/** The water and the line, as the angler states them. SI but for temperature (°C) and salinity (g/kg). */
export interface Conditions {
  readonly depthM: number
  readonly temperatureC: number
  readonly salinityGKg: number
  readonly cover: CoverId
  readonly bottom: BottomId
  readonly lineKind: LineKind
  readonly lineStrengthN: number
  /** a current at the surface, m/s, and where it sets; still water when left out */ readonly stream?: Omit<Stream, 'depthM'>
  /** how the line is held; slack when left out */ readonly hold?: LineHold
  /** how the rig is worked; hopped when left out */ readonly retrieve?: RetrieveId
  /** how fish take; grabbing when left out */ readonly feeding?: FeedingId
  /** power of the rod; medium when left out */ readonly rod?: RodPower
  /** line out at the bite, m; a usual cast when left out */ readonly biteM?: number
  /** how like their food the bait is, fair when left out; and whether it is scented */ readonly match?: MatchId
  readonly scented?: boolean
  /** what was measured and counted of this bait and rig */ readonly evidence?: Evidence
}


/** What the conditions say of rod, line and fish; the usual where they say nothing. A lure worked slowly on slack is at rest when it is bitten. */
export function tackleOf({ feeding, rod, biteM, match, scented, retrieve = 'hop' }: Pick<Conditions, 'feeding' | 'rod' | 'biteM' | 'retrieve' | 'match' | 'scented'>, line: Line): Tackle {
  return {
    ...USUAL_TACKLE, line, moving: RETRIEVES[retrieve].tight >= 0.5,
    ...(feeding ? { feeding } : {}), ...(match ? { match } : {}), ...(scented ? { scented } : {}), ...(rod ? { rodNPerM: RODS[rod].rodNPerM, rodMostN: RODS[rod].rodMostN } : {}), ...(biteM === undefined ? {} : { distanceM: biteM }),
  }
}

/** All measures of one rig. */
export interface RigReport {
  readonly massKg: number
  readonly fall: FallResult
  /** beats of a paddle or fork tail in the fall, per second; undefined for baits without one */ readonly tailHz?: Measure
  readonly fit: FitResult
  readonly snag: SnagResult
  readonly strike: StrikeResult
  /** share of the bites of an undisturbed hour that end hooked: hook-up times fishing time left */ readonly takeShare: Measure
}

/** Seed used unless another is asked for, so that worker, server and command line agree to the last digit. */
export const USUAL_SEED = 20261

export interface EvaluateOptions { readonly seed?: number, readonly water?: Water }

/**
 * Evaluates one rig in one water: fall, fit, snag and strike from the same assembled geometry.
 * @throws RangeError when the rig or the water cannot be built
 */
export function evaluateRig(
  bait: BaitSpec, spec: RigSpec, conditions: Conditions, options: EvaluateOptions = {},
): Outcome<RigReport, DropFailure> {
  const seed = options.seed ?? USUAL_SEED
  const water = options.water ?? waterOf(conditions.temperatureC, conditions.salinityGKg)
  const line = lineOf(conditions.lineKind, conditions.lineStrengthN)
  const rig = assembleRig(bait, spec)
  const bodies = { ...bodiesOf(rig, water), ...secondOf(rig, water) }
  const { depthM, stream, hold } = conditions
  const { evidence = {} } = conditions
  const fall = evaluateFall(bodies, {
    depthM, line,
    ...(evidence.fall ? { factors: movedFactors(evidence.fall), evidence: evidence.fall } : {}),
    ...(stream ? { stream: { ...stream, depthM } } : {}),
    ...(hold ? { hold } : {}),
    ...(SOFT_BEDS[conditions.bottom] ? { bed: SOFT_BEDS[conditions.bottom] } : {}),
  })
  if (!fall.ok) return fall
  const postures = { retrieveRollRad: retrievePosture(bodies.typical).rollRad, fallRollRad: fallRolls(fall.value.drop) }
  const obstacles = obstaclesOf(conditions.cover, conditions.bottom)
  const ride = { postures, retrieve: RETRIEVES[conditions.retrieve ?? 'hop'] }
  const snag = snagAfter(evaluateSnag(snagRig(rig, line), obstacles, ride, seededRandom(seed)), evidence.snag)
  const strike = strikeAfter(evaluateStrike(strikeRig(rig), tackleOf(conditions, line), seededRandom(seed + 1)), evidence.hook)
  return success({
    massKg: rig.geometry.massKg + (rig.parts.second?.massKg ?? 0),
    fall: fall.value,
    ...tailOf(rig, fall.value),
    fit: evaluateFit(rig, line),
    snag,
    strike,
    takeShare: product(strike.hookUp, snag.minutesLeft, 1 / 60),
  })
}

/** Snags after a tally: the chance a cast hangs up moves, and the time snags take with it. */
export function snagAfter(snag: SnagResult, tally: Tally | undefined): SnagResult {
  const snagPerCast = corrected(snag.snagPerCast, tally)
  if (snagPerCast === snag.snagPerCast) return snag
  const events = (chance: number): number => -Math.log(1 - Math.min(0.999, chance))
  const ratio = (chance: number): number => events(chance) / Math.max(1e-6, events(snag.snagPerCast.value))
  const { casts, minutes } = snag.hour
  const castMin = (60 - minutes.snags - minutes.weed - minutes.fixing) / casts
  const lost = (share: number): number => castMin + (share * minutes.snags + minutes.weed + minutes.fixing) / casts
  const left = (chance: number): number => 60 * castMin / lost(ratio(chance))
  const more = ratio(snagPerCast.value)
  const hourly = 60 / lost(more)
  const rest = snag.minutesLeft
  return {
    ...snag, snagPerCast,
    minutesLeft: measure(left(snagPerCast.value), Math.min(left(snagPerCast.value), Math.max(0, left(snagPerCast.high))), Math.max(left(snagPerCast.value), Math.min(rest.high > left(snagPerCast.low) ? 60 : rest.high, left(snagPerCast.low))), 'logged'),
    hour: { ...snag.hour, casts: hourly, rigsLost: snag.hour.rigsLost * more * hourly / casts, hooksOpened: snag.hour.hooksOpened * more * hourly / casts, minutes: { snags: minutes.snags * more * hourly / casts, weed: minutes.weed * hourly / casts, fixing: minutes.fixing * hourly / casts } },
    causes: snag.causes.map(c => ({ ...c, perCast: 1 - Math.exp(-more * events(c.perCast)) })),
  }
}

/** Bites after a tally: hook-up moves, and what loses the rest in proportion. */
export function strikeAfter(strike: StrikeResult, tally: Tally | undefined): StrikeResult {
  const hookUp = corrected(strike.hookUp, tally)
  if (hookUp === strike.hookUp) return strike
  const scale = (1 - hookUp.value) / Math.max(1e-6, 1 - strike.hookUp.value)
  return { ...strike, hookUp, losses: strike.losses.map(l => ({ ...l, share: l.share * scale })) }
}

/** Everything of a rig that falls, packed for a water. @throws RangeError when it cannot be built */
export function bodiesOfRig(bait: BaitSpec, spec: RigSpec, water: Water): FallBodies {
  const rig = assembleRig(bait, spec)
  return { ...bodiesOf(rig, water), ...secondOf(rig, water) }
}

/** The weight that hangs on its own, as the fall takes it; a bullet meets the water as its streamlined nose does. */
function secondOf(rig: AssembledRig, water: Water): { readonly weight?: TetheredWeight } {
  const { second } = rig.parts
  if (!second) return {}
  const { densityKgM3 } = second
  return {
    weight: {
      massKg: second.massKg,
      displacedKg: (second.massKg / densityKgM3) * water.densityKgM3,
      diameterM: weightSize(second.shape, second.massKg, densityKgM3).widthM,
      dragFactor: second.dragFactor ?? (second.shape === 'bullet' ? BULLET_DRAG : 1),
      tetherM: second.tetherM,
      lineOnWeight: second.lineOnWeight,
    },
  }
}

/** A hand meets a mark on the bait within this, m. *Assumed.* */
const LAID_WITHIN_M = 0.002

/** The rig packed for a water; again with its hook laid forward and back; and with its plastic at both ends of the material's density, unless the density is given. */
function bodiesOf(rig: AssembledRig, water: Water): FallBodies {
  const typical = hydroBody(rig.geometry, water)
  const placed = { forward: hydroBody(hookMoved(rig, -LAID_WITHIN_M), water), back: hydroBody(hookMoved(rig, LAID_WITHIN_M), water) }
  if (rig.baitSpec.densityKgM3 !== undefined) return { typical, ...placed }
  const at = (densityKgM3: number): HydroBody => hydroBody(assembleRig({ ...rig.baitSpec, densityKgM3 }, rig.spec).geometry, water)
  const { low, high } = PLASTICS[rig.baitSpec.material].density
  return { typical, light: at(low), dense: at(high), ...placed }
}

/** The tail's beat at the speed of the fall through the water. */
function tailOf({ bait }: AssembledRig, { meanSpeedMS, glide }: FallResult): { readonly tailHz?: Measure } {
  const tail = bait.form.tail
  if (!tail || tail.kind === 'skirt') return {}
  const across = tail.kind === 'fork' ? tail.width : tail.height
  return { tailHz: tailBeatHz(meanSpeedMS.value * Math.hypot(1, glide.value), across * bait.soldM) }
}

/** Rolls of a body as it falls, for drawing meetings on slack line, rad; upright where it cannot be dropped. */
export function rollSamples(body: HydroBody, depthM: number, line: Line): number[] {
  const drop = dropRig(body, { depthM, line })
  return drop.ok ? fallRolls(drop.value) : [0]
}

/** Roll through the second half of a recorded fall, rad. */
function fallRolls({ samples }: Drop): number[] {
  const rolls: number[] = []
  const count = samples.length / SAMPLE_STRIDE
  for (let i = Math.floor(count / 2); i < count; i++) {
    const at = i * SAMPLE_STRIDE + 4
    rolls.push(rollOf([samples[at]!, samples[at + 1]!, samples[at + 2]!, samples[at + 3]!]))
  }
  return rolls
}

/** Product of two independent positive measures times a scale; relative deviations add in quadrature on each side. */
function product(a: Measure, b: Measure, scale: number): Measure {
  const value = a.value * b.value * scale
  const side = (pick: (m: Measure) => number): number =>
    value * Math.hypot(...[a, b].map(m => m.value > 0 ? Math.abs(pick(m) - m.value) / m.value : 0))
  return measure(value, Math.max(0, value - side(m => m.low)), value + side(m => m.high))
}
