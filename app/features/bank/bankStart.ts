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
export type BankStop = Omit<SpreadContent['water'], 'stream' | 'zone'>

/** What a session begins with. */
export interface BankStart {
  readonly rods: readonly BankRod[]
  readonly stops: readonly BankStop[]
}

/** The rigs of a sheet as rods, in its water. */
export function fromSheet(content: Pick<SpreadContent, 'water' | 'bait' | 'lanes'>): BankStart {
  // what the sheet holds is watched by the page, and cannot be kept on the device as it is
  const { water, bait, lanes } = copy(content)
  const { stream: _, zone: __, ...stop } = water
  return {
    stops: [stop],
    rods: lanes.map(({ letter, ...rig }): BankRod => ({
      letter,
      name: '',
      bait: bait,
      rig: rig,
    })),
  }
}

/** A spot's water, as a sheet has it. */
const stopOf = (
  name: string,
  { water, depthM, salinityGKg, cover, bottom }: SpotContent,
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
})

/**
 * The rods of a planned trip, at its spots.
 * @throws Error with a sentence when it was never planned, or its spots are gone
 */
export function fromTrip(
  { name, content }: Pick<StoredDocument<'trip'>, 'name' | 'content'>,
  spots: ReadonlyMap<string, StoredDocument<'spot'>>,
): BankStart {
  const { tied, stops } = content
  if (!tied) throw new Error(`${name} has no rods yet: plan it in Rods.`)
  const there = stops
    .flatMap(({ spotId }) => spots.get(spotId) ?? [])
    .map(spot => stopOf(spot.name, spot.content, tied.temperatureC))
  if (there.length === 0) throw new Error(`The spots of ${name} are no longer there.`)
  return { stops: there, rods: tied.rods as readonly BankRod[] }
}
