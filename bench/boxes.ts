import { DEMO_BOX } from '../demo/box'
import { onceEach, goodsOf } from '../shared/goods'
import { BAIT_FORMS, type Goods } from '#core'

/** How far the baits of a further demo box differ in length from those of the one before. */
const STEP = 0.031

/**
 * A box of so many things, as boxes grow: the demo box over and over, its baits each time of other lengths, its
 * hooks, heads, weights and lines the same again, as there are only so many sizes of them.
 */
export function boxOf(things: number): Goods {
  const items = Array.from({ length: things }, (_, i) => {
    const item = DEMO_BOX[i % DEMO_BOX.length]!
    const times = Math.floor(i / DEMO_BOX.length)
    return { ...item, details: grown(item.details, times), id: `item ${i}` }
  })
  const { alike: _, ...goods } = onceEach(goodsOf(items))
  return goods
}

function grown(details: (typeof DEMO_BOX)[number]['details'], times: number): typeof details {
  if (details.kind !== 'bait' || times === 0) return details
  const [shortest, longest] = BAIT_FORMS[details.form].lengthRangeM
  const lengthM = details.lengthM * (1 + (times % 2 === 0 ? 1 : -1) * STEP * Math.ceil(times / 2))
  return { ...details, lengthM: Math.min(longest, Math.max(shortest, lengthM)) }
}
