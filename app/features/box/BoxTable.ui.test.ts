import { mountSuspended } from '@nuxt/test-utils/runtime'
import { expect, it } from 'vitest'
import type { BoxItem } from '#schemas/box'
import SheetTable from '~/ui/SheetTable.vue'
import type { Component } from 'vue'
import BoxTable from './BoxTable.vue'

const item = (name: string, details: BoxItem['details']): BoxItem => ({
  id: `00000000-0000-4000-8000-${name.padStart(12, '0')}`,
  name,
  count: 1,
  tags: [],
  notes: '',
  revision: 1,
  photographed: false,
  details,
})
const weight = (name: string, weightKg: number): BoxItem =>
  item(name, { kind: 'weight', shape: 'bullet', weightKg, weightMaterial: 'lead' } as BoxItem['details'])
const items = [
  weight('20', 0.02),
  item('0', { kind: 'bait', form: 'slimShad', lengthM: 0.09, material: 'plain' } as BoxItem['details']),
  weight('5', 0.005),
  weight('10', 0.01),
]

it('sorted by weight, either way, what has none comes last', async () => {
  const table = await mountSuspended(BoxTable, {
    props: { items, chosen: new Set<string>(), opened: undefined },
    attachTo: document.body,
  })
  const header = table.get('th.weight button')
  const inner = table.getComponent(SheetTable as Component).vm as unknown as { inOrder: () => BoxItem[] }
  const order = (): string[] => inner.inOrder().map(one => one.name)
  await header.trigger('click')
  expect(order()).toEqual(['5', '10', '20', '0'])
  await header.trigger('click')
  expect(order()).toEqual(['20', '10', '5', '0'])
})
