import { choose, FACTOR_IDS, type Finalist, type OnTopPick, toTheEnd } from '#core'
import { onTopReason } from '#words/onTopWords'
import { limitText } from '#words/limitWords'
import { leaderText } from '#words/leaderWords'
import { dayChangeText, nothingText, reasonText, whyNotText } from '#words/pickReasons'
import type { BoxItem } from '#schemas/box'
import type { DayFile } from '#schemas/day'
import { dayOf } from '../shared/day'
import { onceEach, goodsOf } from '../shared/goods'

type Items = readonly Omit<BoxItem, 'id' | 'revision' | 'photographed'>[]

/**
 * Chooses a rig out of a box for a day, by the same core as the application. Things are told by their names
 * in the box.
 */
export function chooseFile(
  file: DayFile,
  items: Items,
  options: { readonly beyond: boolean },
): Record<string, unknown> {
  const { format: _, version: __, name, ...asked } = file
  const day = dayOf(asked)
  const goods = onceEach(goodsOf(items.map((item, i) => ({ ...item, id: String(i) }))))
  const choice = toTheEnd(choose(day, goods, options))
  const called = (id: string | undefined): string | undefined =>
    id === undefined || id === '' ? undefined : items[Number(id)]?.name
  const pick = (f: Finalist, i: number): Record<string, unknown> => {
    const { base: _base, hookId, weights } = choice.riggings[f.rigging]!
    const {
      fall: { drop: _drop, members: _fall, ...fall },
      snag: { members: _snag, ...snag },
      strike: { members: _strike, ...strike },
    } = f.report
    return {
      bait: choice.baits[f.bait]!.spec,
      baitName: choice.baits[f.bait]!.name,
      rig: f.rig,
      hookName: called(hookId),
      weightName: called(weights[f.weight]!.itemId),
      line: { kind: f.outfit.line.kind, strengthN: f.outfit.line.strengthN },
      lineName: called(f.lineId),
      rod: f.outfit.rod,
      rodName: called(f.rodId),
      retrieve: f.outfit.retrieve,
      match: f.match,
      score: f.score,
      low: f.low,
      high: f.high,
      pBest: choice.odds[i],
      factors: Object.fromEntries(FACTOR_IDS.map(id => [id, f.factors[id]])),
      fall,
      fit: f.report.fit,
      snag,
      strike,
      cast: f.report.cast,
      leader: { ...f.leader, sentence: leaderText(f.leader, 'metric') },
    }
  }
  const onTopOf = ({ bait, rigging: _, outfit, ...rest }: OnTopPick): Record<string, unknown> => ({
    bait: choice.baits[bait]!.spec,
    baitName: choice.baits[bait]!.name,
    line: { kind: outfit.line.kind, strengthN: outfit.line.strengthN },
    rod: outfit.rod,
    ...rest,
    sentence: onTopReason(rest),
  })
  return {
    ok: choice.nothing === undefined,
    ...(name ? { name } : {}),
    day,
    looked: choice.looked,
    out: choice.out,
    ...(choice.nothing ? { nothing: nothingText(choice.nothing, day, 'metric') } : {}),
    picks: choice.picks.map(pick),
    ...(choice.onTop ? { onTop: onTopOf(choice.onTop) } : {}),
    reasons: choice.picks
      .slice(0, 1)
      .flatMap(p => choice.reasons.map(id => reasonText(id, day, p, 'metric'))),
    whyNots: choice.whyNots.map(w => ({ family: w.family, sentence: whyNotText(w, 'metric') })),
    steps: choice.steps.map(({ barred, ...step }) => ({
      ...step,
      ...(barred ? { barred: limitText(barred, 'metric') } : {}),
    })),
    whatIfs: choice.whatIfs.map(w => ({
      ...w,
      change: dayChangeText(w.change, 'metric'),
      bait: choice.baits[w.bait]!.name,
    })),
    ways: choice.ways,
  }
}
