import type { BaitSpec, Day, Finalist, RigSpec } from '#core'
import type { StoredDocument } from '#schemas/spot'
import { LETTERS, type SpreadContent } from '#schemas/spread'

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

/** The water of a spot, as it stands on the sheet; its temperature stays the sheet's own. */
export function waterOfSpot(
  spot: Pick<StoredDocument<'spot'>, 'name' | 'content'>,
  content: SpreadContent,
): SpreadContent {
  const { water, depthM, cover, bottom, salinityGKg, species, prey, clarity, currentMS } = spot.content
  const { preyM: _, activity: __, ...fish } = content.fish ?? {}
  return {
    ...content,
    water: {
      place: `${water}, ${spot.name}`.slice(0, 80),
      depthM,
      cover,
      bottom,
      salinityGKg,
      temperatureC: content.water.temperatureC,
      ...(currentMS > 0 ? { stream: { surfaceMS: currentMS, towardRad: 0 } } : {}),
    },
    fish: { ...fish, species, clarity, ...(prey ? { prey } : {}) },
  }
}
