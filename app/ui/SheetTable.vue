<script setup lang="ts" generic="T">
import { UButton, UIcon, UTable } from '#components'
import type { TableColumn } from '@nuxt/ui'
import { computed, markRaw, useTemplateRef } from 'vue'

/** A column of a table: its heading, how it is aligned, what it is sorted by. */
export interface SheetColumn<T> {
  readonly id: string
  readonly label: string
  /** text, read from the left; figures stand to the right */ readonly words?: boolean
  /** the heading is for those who cannot see */ readonly unseen?: boolean
  readonly sort?: (row: T) => string | number | undefined
  /** sorted from the highest first */ readonly highFirst?: boolean
  readonly class?: string
}

/** A table in the sheet's own form. Each cell is a slot by the column's id, each heading one by `head-` and it. */
const props = defineProps<{
  columns: readonly SheetColumn<T>[]
  rows: readonly T[]
  keyOf: (row: T) => string
  rowClass?: (row: T) => string
  /** what is in it, where it can be scrolled */ label?: string
  /** on a phone every row is a card, each value under its heading; a wide table would run off the side there */
  cards?: boolean
  /** height of a row where only those in sight are drawn, px */ virtual?: number
}>()
defineSlots<Record<string, (given: { row: T; index: number }) => unknown>>()

const drawn = computed(() =>
  props.columns.map((c): TableColumn<{ readonly of: T }> => {
    const side = c.words ? 'words' : 'figures'
    return {
      id: c.id,
      header: c.label,
      accessorFn: ({ of }) => c.sort?.(of),
      enableSorting: c.sort !== undefined,
      sortDescFirst: c.highFirst ?? false,
      // what has none comes last, whichever way it is sorted
      sortUndefined: 'last',
      meta: {
        class: { th: `${side} ${c.class ?? c.id}`, td: `${side} ${c.class ?? c.id}` },
        ...(props.cards ? { style: { td: { '--heading': JSON.stringify(c.label) } } } : {}),
      },
    }
  }),
)
// handed through as they are: what a row is looked up by must stay the very same
const data = computed(() => props.rows.map(of => markRaw({ of })))
const table = useTemplateRef('table')
/** The rows in the order they stand in. */
const inOrder = (): T[] => table.value?.tableApi.getRowModel().rows.map(row => row.original.of) ?? []
defineExpose({ inOrder })
const SORT_ICONS = { asc: 'i-lucide-arrow-up', desc: 'i-lucide-arrow-down' } as const
</script>

<template>
  <div class="sheet-table" :class="{ cards }">
    <UTable
      ref="table"
      class="scroller"
      :data="data"
      :columns="drawn"
      :get-row-id="({ of }) => keyOf(of)"
      :meta="{ class: { tr: row => rowClass?.(row.original.of) ?? '' } }"
      :virtualize="virtual === undefined ? false : { estimateSize: virtual, overscan: 12 }"
      :role="label ? 'group' : undefined"
      :aria-label="label"
      tabindex="0"
    >
      <template v-for="c in columns" :key="c.id" #[`${c.id}-header`]="{ column }">
        <slot :name="`head-${c.id}`" :row="undefined as never" :index="-1">
          <span v-if="c.unseen" class="visually-hidden">{{ c.label }}</span>
          <UButton v-else-if="c.sort" variant="ghost" @click="column.toggleSorting()">
            {{ c.label }}
            <UIcon v-if="column.getIsSorted()" :name="SORT_ICONS[column.getIsSorted() as 'asc' | 'desc']" />
          </UButton>
          <template v-else>{{ c.label }}</template>
        </slot>
      </template>
      <template v-for="c in columns" :key="c.id" #[`${c.id}-cell`]="{ row }">
        <slot :name="c.id" :row="row.original.of" :index="row.index" />
      </template>
    </UTable>
  </div>
</template>
