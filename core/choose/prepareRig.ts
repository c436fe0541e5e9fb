import type { CastPlace } from '../cast/evaluateCast'
import { kindKey, placeKey, rigKey } from '../evidence/keys'
import type { LoggedRig } from '../evidence/learned'
import type { FallBodies, FallConditions } from '../fall/dropAny'
import { dropMiddle } from '../fall/dropMiddle'
import type { Drop, DropFailure } from '../fall/drop'
import { movedFactors } from '../fall/measured'
import type { RetrievePosture } from '../fall/retrieve'
import { retrieveMiddle } from '../fall/retrieveMiddle'
import { forgetful, type Recall } from '../numerics/recall'
import { success, type Outcome } from '../outcome'
import { assembleRig, type AssembledRig } from '../rig/assemble'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { obstaclesOf, type Placed } from '../snag/cover'
import { snagRig, type SnagRig } from '../snag/catchSite'
import type { Ride } from '../snag/meet'
import { RETRIEVES } from '../snag/retrieve'
import { strikeRig, type StrikeRig, type Tackle } from '../strike/bite'
import { lineOf, type Line } from '../tackle/lines'
import { RODS } from '../tackle/rods'
import { SOFT_BEDS } from '../water/bed'
import type { Owners } from '../uncertainty/ensemble'
import { waterOf, type Water } from '../water/water'
import { fallBodiesOf } from './bodies'
import { tackleOf, type Conditions } from './conditions'
import { fallRolls } from './rolls'

/**
 * A rig in its place, ready for every measure. The only way from a rig to its figures: what the sheet, the
 * cover, the strike, the finalists and the command line show of a rig comes from one of these, so that they
 * show the same.
 */
export interface PreparedRig {
  readonly bait: BaitSpec
  readonly spec: RigSpec
  readonly rig: AssembledRig
  readonly line: Line
  readonly water: Water
  readonly bodies: FallBodies
  readonly fall: FallConditions
  readonly obstacles: readonly Placed[]
  readonly snag: SnagRig
  readonly strike: StrikeRig
  readonly tackle: Tackle
  /** what it is thrown with */ readonly cast: CastPlace
  readonly place: string
  /** what was counted of this rig and others */ readonly logged?: readonly LoggedRig[]
  /** how it lies on a tight line */ readonly postureOf: () => RetrievePosture
  /** how it rides: on the retrieve, and in the fall that is given */ readonly rideOf: (
    drop: Pick<Drop, 'samples'>,
  ) => Ride
}

/** @throws RangeError when the rig or the water cannot be built */
export function prepareRig(
  bait: BaitSpec,
  spec: RigSpec,
  conditions: Conditions,
  given?: Water,
  recall: Recall = forgetful,
): PreparedRig {
  const { depthM, stream, hold, evidence, bottom, cover, retrieve = 'hop', looksEvery } = conditions
  const water = given ?? waterOf(conditions.temperatureC, conditions.salinityGKg)
  const line = lineOf(conditions.lineKind, conditions.lineStrengthN)
  const rig = assembleRig(bait, spec)
  const bodies = fallBodiesOf(rig, water)
  let posture: RetrievePosture | undefined
  const postureOf = (): RetrievePosture =>
    (posture ??= recall(`posture ${JSON.stringify([bait, spec, water])}`, () => retrieveMiddle(bodies)))
  return {
    bait,
    spec,
    rig,
    line,
    water,
    bodies,
    fall: {
      depthM,
      line,
      ...(evidence?.fall ? { factors: movedFactors(evidence.fall), evidence: evidence.fall } : {}),
      ...(stream ? { stream: { ...stream, depthM } } : {}),
      ...(hold ? { hold } : {}),
      ...(SOFT_BEDS[bottom] ? { bed: SOFT_BEDS[bottom] } : {}),
    },
    obstacles: obstaclesOf(cover, bottom),
    snag: snagRig(rig, line),
    strike: strikeRig(rig),
    tackle: tackleOf(conditions, line),
    cast: castPlaceOf(conditions, line, water),
    place: placeKey(cover, bottom),
    ...(evidence?.logged ? { logged: evidence.logged } : {}),
    postureOf,
    rideOf: drop => ({
      postures: { retrieveRollRad: postureOf().rollRad, fallRollRad: fallRolls(drop) },
      retrieve: RETRIEVES[retrieve],
      ...(looksEvery === undefined ? {} : { looksEvery }),
    }),
  }
}

/** What the conditions say of rod and wind; the usual where they say nothing. */
function castPlaceOf(
  { rod = 'medium', rodLengthM, castKg, casts, depthM, wind, clarity }: Conditions,
  line: Line,
  { densityKgM3 }: Water,
): CastPlace {
  const usual = RODS[rod]
  return {
    rod: { lengthM: rodLengthM ?? usual.lengthM, castKg: castKg ?? usual.castKg },
    line,
    depthM,
    waterKgM3: densityKgM3,
    ...(wind && wind.speedMS > 0 ? { wind } : {}),
    ...(clarity ? { clarity } : {}),
    ...(casts ? { measured: casts } : {}),
  }
}

/** The fall of a prepared rig as the sheet shows it: with its weight, current and line. */
export function dropPrepared({ bodies, fall }: PreparedRig): Outcome<Drop, DropFailure> {
  const found = dropMiddle(bodies, fall)
  return found.ok ? success(found.value.drop) : found
}

/** Seed used unless another is asked for, so that worker, server and command line agree to the last digit. */
export const USUAL_SEED = 20261

/** Whose values of the uncertain numbers a rig has: its weight does not change whose it is. */
export const ownersOf = ({ bait, spec, place }: Pick<PreparedRig, 'bait' | 'spec' | 'place'>): Owners => ({
  plastic: kindKey(bait),
  kind: spec.pointRest === 'open' ? 'open' : 'covered',
  rig: rigKey(bait, spec),
  place,
})
