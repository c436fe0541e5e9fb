import type { Wind } from '../cast/evaluateCast'
import type { MeasuredCast } from '../cast/launch'
import type { WaterClarity } from '../cast/splash'
import type { Evidence } from '../evidence/book'
import type { LineHold } from '../fall/lineHold'
import type { BottomId, CoverId } from '../snag/cover'
import { RETRIEVES, type RetrieveId } from '../snag/retrieve'
import { USUAL_TACKLE, type FeedingId, type MatchId, type Mouth, type Tackle } from '../strike/bite'
import { RODS, type RodPower } from '../tackle/rods'
import type { Line, LineKind } from '../tackle/lines'
import type { Stream } from '../water/stream'

/** The water and the line, as the angler states them. SI but for temperature (°C) and salinity (g/kg). */
export interface Conditions {
  readonly depthM: number
  readonly temperatureC: number
  readonly salinityGKg: number
  readonly cover: CoverId
  readonly bottom: BottomId
  readonly lineKind: LineKind
  readonly lineStrengthN: number
  /** a current at the surface, m/s, and where it sets; still water when left out */ readonly stream?: Omit<
    Stream,
    'depthM'
  >
  /** how the line is held; slack when left out */ readonly hold?: LineHold
  /** how the rig is worked; hopped when left out */ readonly retrieve?: RetrieveId
  /** how fish take; grabbing when left out */ readonly feeding?: FeedingId
  /** power of the rod; medium when left out */ readonly rod?: RodPower
  /** line out at the bite, m; a usual cast when left out */ readonly biteM?: number
  /** casts from one look at a hidden point to the next; the usual when left out */
  readonly looksEvery?: number
  /** how like their food the bait is, fair when left out; and whether it is scented */
  readonly match?: MatchId
  readonly scented?: boolean
  /** jaws of the fish; those of school-size bass and zander when left out */ readonly mouth?: Mouth
  /** wind along the cast; still air when left out */ readonly wind?: Wind
  /** how clear the water is; clear when left out */ readonly clarity?: WaterClarity
  /** the rod's length, and the weights it casts; those usual for its power when left out */
  readonly rodLengthM?: number
  readonly castKg?: readonly [number, number]
  /** casts measured with this rod */ readonly casts?: readonly MeasuredCast[]
  /** what was measured and counted of this bait and rig */ readonly evidence?: Evidence
}

/**
 * What the conditions say of rod, line and fish; the usual where they say nothing. A lure worked slowly on
 * slack is at rest when it is bitten.
 */
export function tackleOf(
  {
    feeding,
    rod,
    biteM,
    match,
    scented,
    mouth,
    retrieve = 'hop',
  }: Pick<Conditions, 'feeding' | 'rod' | 'biteM' | 'retrieve' | 'match' | 'scented' | 'mouth'>,
  line: Line,
): Tackle {
  return {
    ...USUAL_TACKLE,
    line,
    moving: RETRIEVES[retrieve].tight >= 0.5,
    ...(feeding ? { feeding } : {}),
    ...(match ? { match } : {}),
    ...(scented ? { scented } : {}),
    ...(mouth ? { mouth } : {}),
    ...(rod ? { rodNPerM: RODS[rod].rodNPerM, rodMostN: RODS[rod].rodMostN } : {}),
    ...(biteM === undefined ? {} : { distanceM: biteM }),
  }
}
