import type { BaitSpec, Day, Finalist, RigSpec } from '#core'
import { LETTERS } from '#schemas/ranges'
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
