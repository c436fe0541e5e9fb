import type { StoredDocument } from '#schemas/spot'
import type { SpreadContent } from '#schemas/spread'
import { sameData } from '../../../shared/data'

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
