import type { BoxItem } from '#schemas/box'
import type { TripAnswer } from '~/compute/trip'

/** One line of the packing list. */
export interface Packed {
  readonly name: string
  readonly take: number
  readonly has: number
  readonly what: 'bait' | 'hook' | 'weight' | 'line' | 'rod'
}

/** Pieces taken for each rod: baits tear, hooks and weights are lost. By custom. */
const TAKE = { bait: 6, hook: 3, weight: 2, line: 1, rod: 1 } as const

/** What the plan asks for, with what the box has of it; baits that differ in colour count together. */
export function packingList(
  plan: Pick<TripAnswer, 'rods' | 'items' | 'freeRodId'>,
  byId: ReadonlyMap<string, BoxItem>,
  alike: ReadonlyMap<string, readonly string[]>,
): Packed[] {
  const wanted = new Map<string, { what: Packed['what']; take: number; ids: readonly string[] }>()
  const add = (what: Packed['what'], ids: readonly string[]): void => {
    const [first] = ids
    if (!first) return
    const has = wanted.get(first)
    wanted.set(first, { what, ids, take: (what === 'line' ? 0 : (has?.take ?? 0)) + TAKE[what] })
  }
  plan.items.forEach(({ baitId, hookId, weightIds, lineId }, i) => {
    add('bait', alike.get(baitId) ?? [baitId])
    if (hookId) add('hook', [hookId])
    for (const id of weightIds) add('weight', [id])
    if (lineId) add('line', [lineId])
    const { rodId } = plan.rods[i]!
    if (rodId) add('rod', [rodId])
  })
  if (plan.freeRodId) add('rod', [plan.freeRodId])
  return [...wanted].map(([id, { what, take, ids }]) => {
    const name = byId.get(id)?.name ?? 'no longer in the box'
    return {
      what,
      take,
      name: ids.length > 1 ? name.replace(/,[^,]*$/, '') : name,
      has: ids.reduce((sum, one) => sum + (byId.get(one)?.count ?? 0), 0),
    }
  })
}
