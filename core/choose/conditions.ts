import type { Evidence } from '../evidence/book'
import type { LineHold } from '../fall/lineHold'
import type { BottomId, CoverId } from '../snag/cover'
import { RETRIEVES, type RetrieveId } from '../snag/retrieve'
import { RODS, USUAL_TACKLE, type FeedingId, type MatchId, type RodPower, type Tackle } from '../strike/bite'
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
    retrieve = 'hop',
  }: Pick<Conditions, 'feeding' | 'rod' | 'biteM' | 'retrieve' | 'match' | 'scented'>,
  line: Line,
): Tackle {
  return {
    ...USUAL_TACKLE,
    line,
    moving: RETRIEVES[retrieve].tight >= 0.5,
    ...(feeding ? { feeding } : {}),
    ...(match ? { match } : {}),
    ...(scented ? { scented } : {}),
    ...(rod ? { rodNPerM: RODS[rod].rodNPerM, rodMostN: RODS[rod].rodMostN } : {}),
    ...(biteM === undefined ? {} : { distanceM: biteM }),
  }
}
