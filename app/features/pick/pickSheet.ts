import type { BaitSpec, Day, Finalist, RigSpec } from '#core'
import { LETTERS } from '#schemas/ranges'
import type { StoredDocument } from '#schemas/spot'
import { sameData } from '../../../shared/data'
import type { SpreadContent } from '#schemas/spread'

/**
 * Lays picks out on a sheet, each as a lane of the first one's bait and tackle, so that every view shows the
 * figures they were picked by.
 */
export function layOut(
  content: SpreadContent,
  picks: readonly {
    readonly rig: RigSpec
    readonly bait: BaitSpec
    readonly pick: Pick<Finalist, 'outfit' | 'match'>
  }[],
  day: Day,
): SpreadContent {
  const [first] = picks
  if (!first) return content
  const { line, retrieve, rod, rodLengthM, castKg } = first.pick.outfit
  return {
    ...content,
    bait: { ...first.bait } as SpreadContent['bait'],
    line: { kind: line.kind, strengthN: line.strengthN },
    fishing: {
      feeding: day.feeding,
      retrieve,
      rod,
      match: first.pick.match,
      ...(rodLengthM === undefined ? {} : { rodLengthM }),
      ...(castKg ? { castKg: [...castKg] } : {}),
    },
    lanes: picks
      .slice(0, LETTERS.length)
      .map(({ rig }, i) => ({ letter: LETTERS[i]!, ...rig }) as SpreadContent['lanes'][number]),
  }
}

/** Where a spot lies, in one line; one without a water is its name alone. */
export const placeOf = ({
  name,
  content: { water },
}: Pick<StoredDocument<'spot'>, 'name' | 'content'>): string =>
  (water ? `${water}, ${name}` : name).slice(0, 80)

/**
 * The water of a spot, as it stands on the sheet. What a spot says nothing of stays as it was set: temperature,
 * wind, depths that the fish feed between where there is water for them, and what is known of the same fish.
 */
export function waterOfSpot(
  spot: Pick<StoredDocument<'spot'>, 'name' | 'content'>,
  content: SpreadContent,
): SpreadContent {
  const { depthM, cover, bottom, salinityGKg, species, own, prey, clarity, currentMS } = spot.content
  const { stream: _, zone, ...water } = content.water
  const { own: before, activity, preyM, prey: ate, ...fish } = content.fish ?? {}
  const same = fish.species === species && sameData(before, own)
  const eats = prey ?? (same ? ate : undefined)
  return {
    ...content,
    water: {
      ...water,
      place: placeOf(spot),
      depthM,
      cover,
      bottom,
      salinityGKg,
      ...(currentMS > 0 ? { stream: { surfaceMS: currentMS, towardRad: 0 } } : {}),
      ...(zone && zone.toM <= depthM ? { zone } : {}),
    },
    fish: {
      ...fish,
      species,
      clarity,
      ...(own ? { own } : {}),
      ...(eats ? { prey: eats } : {}),
      ...(same && activity ? { activity } : {}),
      ...(same && preyM !== undefined && eats === ate ? { preyM } : {}),
    },
  }
}
