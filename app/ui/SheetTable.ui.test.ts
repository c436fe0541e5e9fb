import { mountSuspended } from '@nuxt/test-utils/runtime'
import { expect, it } from 'vitest'
import { h } from 'vue'
import SheetTable from './SheetTable.vue'

interface Row {
  readonly name: string
  readonly weight?: number
}
const rows: readonly Row[] = [{ name: 'b', weight: 20 }, { name: 'none' }, { name: 'a', weight: 5 }]

it('hands each cell the very row it was given, aligns figures and words, sorts what can be sorted', async () => {
  const seen = new Set<Row>()
  const table = await mountSuspended(SheetTable<Row>, {
    props: {
      columns: [
        { id: 'name', label: 'Name', words: true },
        { id: 'weight', label: 'Weight', sort: (row: Row) => row.weight },
      ],
      rows,
      keyOf: (row: Row) => row.name,
      rowClass: (row: Row) => (row.weight === 5 ? 'light' : ''),
      label: 'Things',
    },
    slots: {
      name: ({ row }: { row: Row }) => (seen.add(row), h('b', row.name)),
      weight: ({ row }: { row: Row }) => String(row.weight ?? ''),
    },
    attachTo: document.body,
  })
  expect([...seen].every(row => rows.includes(row))).toBe(true)
  expect(seen.size).toBe(3)
  const names = (): string[] => table.findAll('td.name').map(td => td.text())
  expect(names()).toEqual(['b', 'none', 'a'])
  expect(table.get('td.name').classes()).toContain('words')
  expect(table.get('td.weight').classes()).toContain('figures')
  expect(table.get('tr.light').text()).toContain('a')
  expect(table.find('th.name button').exists()).toBe(false)
  const head = table.get('th.weight')
  await head.get('button').trigger('click')
  expect([names(), head.attributes('aria-sort')]).toEqual([['a', 'b', 'none'], 'ascending'])
  await head.get('button').trigger('click')
  expect([names(), head.attributes('aria-sort')]).toEqual([['b', 'a', 'none'], 'descending'])
})
