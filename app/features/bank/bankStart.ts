import type { BaitSpec, RigSpec } from '#core'
import type { SpotContent, StoredDocument } from '#schemas/spot'
import type { SpreadContent } from '#schemas/spread'
import { copy } from '../../../shared/data'

/** A rod taken along: its letter, what is tied on it, and the bait. */
export interface BankRod {
  readonly letter: string
  readonly name: string
  readonly bait: BaitSpec
  readonly rig: RigSpec
}
/** A water that is fished in a session. */
export type BankStop = Omit<SpreadContent['water'], 'stream'> & {
  /** a spot of the tide: its depth under chart datum, and the part of the tide that reaches it */
  readonly datum?: { readonly depthM: number; readonly tide: number }
}

/** What a session begins with. */
export interface BankStart {
  readonly rods: readonly BankRod[]
  readonly stops: readonly BankStop[]
  /** what else the figures of a rod hang on */ readonly on?: Pick<SpreadContent, 'line' | 'fish' | 'fishing'>
  /** the tide it was planned by */ readonly tideId?: string
}

/** The rigs of a sheet as rods, in its water. */
export function fromSheet(
  content: Pick<SpreadContent, 'water' | 'bait' | 'lanes' | 'line' | 'fish' | 'fishing'>,
): BankStart {
  // what the sheet holds is watched by the page, and cannot be kept on the device as it is
  const { water, bait, lanes, line, fish, fishing } = copy(content)
  const { stream: _, ...stop } = water
  return {
    stops: [stop],
    rods: lanes.map(({ letter, ...rig }): BankRod => ({
      letter,
      name: '',
      bait: bait,
      rig: rig,
    })),
    on: { line, ...(fish ? { fish } : {}), ...(fishing ? { fishing } : {}) },
  }
}

/** Depth below which a spot of the tide is dry, m. */
const LEAST_M = 0.2
/** How deep a stop is with the tide at a height over chart datum, m. */
export const depthOf = ({ depthM, datum }: BankStop, tideM: number | undefined): number =>
  datum && tideM !== undefined ? Math.max(LEAST_M, datum.depthM + datum.tide * tideM) : depthM

/** A spot's water, as a sheet has it. */
const stopOf = (
  name: string,
  { water, depthM, salinityGKg, cover, bottom, tide }: SpotContent,
  temperatureC: number,
): BankStop => ({
  place: [water, name]
    .filter(s => s !== '')
    .join(', ')
    .slice(0, 80),
  depthM,
  temperatureC,
  salinityGKg,
  cover,
  bottom,
  ...(tide > 0 ? { datum: { depthM, tide } } : {}),
})

/**
 * The rods of a planned trip, at its spots.
 * @throws Error with a sentence when it was never planned, or its spots are gone
 */
export function fromTrip(
  { name, content }: Pick<StoredDocument<'trip'>, 'name' | 'content'>,
  spots: ReadonlyMap<string, StoredDocument<'spot'>>,
): BankStart {
  const { tied, stops, tideId } = content
  if (!tied) throw new Error(`${name} has no rods yet: plan it in Rods.`)
  const there = stops
    .flatMap(({ spotId }) => spots.get(spotId) ?? [])
    .map(spot => stopOf(spot.name, spot.content, tied.temperatureC))
  if (there.length === 0) throw new Error(`The spots of ${name} are no longer there.`)
  return { stops: there, rods: tied.rods as readonly BankRod[], ...(tideId ? { tideId } : {}) }
}
