import { ozToKg, lbfToN } from '#core'
import type { ItemDetails, ItemInput, ItemKind } from '#schemas/box'

/** A new thing of a kind, with what is commonest filled in. */
const freshDetails: Readonly<Record<ItemKind, ItemDetails>> = {
  bait: { kind: 'bait', form: 'slimShad', lengthM: 0.09, material: 'plain' },
  hook: { kind: 'hook', style: 'wideGap', size: '3/0' },
  head: { kind: 'head', family: 'E1', size: '3/0', weightKg: ozToKg(1 / 8), weightMaterial: 'lead' },
  weight: { kind: 'weight', shape: 'bullet', weightKg: ozToKg(1 / 4), weightMaterial: 'tungsten' },
  line: { kind: 'line', line: 'braid', strengthN: lbfToN(15) },
  rod: { kind: 'rod', lengthM: 2.2, power: 'medium', castKg: [0.005, 0.021] },
}

export const freshItem = (kind: ItemKind): ItemInput => ({
  name: `new ${kind}`,
  count: 1,
  tags: [],
  notes: '',
  details: freshDetails[kind],
})
