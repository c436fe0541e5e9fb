<script setup lang="ts">
import { UButton, UCheckbox, UIcon, UInput } from '#components'
import { computed, ref, useTemplateRef } from 'vue'
import { useBox } from '~/sync/box'
import { useSettings } from '~/ui/settings'
import {
  createColumnHelper,
  getCoreRowModel,
  getSortedRowModel,
  useVueTable,
  type SortingState,
} from '@tanstack/vue-table'
import { useVirtualizer } from '@tanstack/vue-virtual'
import type { BoxItem } from '#schemas/box'
import { KIND_NAMES, sizeOf, sizeRank, weightOf, whatOf } from './boxWords'
import { weightText } from '#words/units'

/**
 * Everything listed, sorted by any column; names, counts and tags changed where they stand. Only the rows in
 * sight are drawn.
 */
const props = defineProps<{ items: readonly BoxItem[] }>()
const chosen = defineModel<ReadonlySet<string>>('chosen', { required: true })
const opened = defineModel<string | undefined>('opened', { required: true })
const box = useBox()
const settings = useSettings()
const sorting = ref<SortingState>([])

const column = createColumnHelper<BoxItem>()
const table = useVueTable({
  get data() {
    return props.items as BoxItem[]
  },
  columns: [
    column.accessor('name', { header: 'Name' }),
    column.accessor(item => KIND_NAMES[item.details.kind].one, { id: 'kind', header: 'Kind' }),
    column.accessor(item => whatOf(item.details, settings.system), { id: 'what', header: 'What it is' }),
    column.accessor(item => sizeRank(item), { id: 'size', header: 'Size' }),
    column.accessor(item => weightOf(item.details), {
      id: 'weight',
      header: 'Weight',
      // what has none comes last, whichever way it is sorted
      sortUndefined: 'last',
    }),
    column.accessor('count', { header: 'Count' }),
    column.accessor(item => item.tags.join(', '), { id: 'tags', header: 'Tags' }),
  ],
  getRowId: item => item.id,
  state: {
    get sorting() {
      return sorting.value
    },
  },
  onSortingChange: next => void (sorting.value = typeof next === 'function' ? next(sorting.value) : next),
  getCoreRowModel: getCoreRowModel(),
  getSortedRowModel: getSortedRowModel(),
  sortDescFirst: false,
})
const rows = computed(() => table.getRowModel().rows)
const host = useTemplateRef('host')
const ROW = 34
const seen = useVirtualizer(
  computed(() => ({
    count: rows.value.length,
    getScrollElement: () => host.value,
    estimateSize: () => ROW,
    overscan: 12,
  })),
)
const above = computed(() => seen.value.getVirtualItems()[0]?.start ?? 0)
const below = computed(() => seen.value.getTotalSize() - (seen.value.getVirtualItems().at(-1)?.end ?? 0))

const all = computed(() => props.items.length > 0 && props.items.every(item => chosen.value.has(item.id)))
const chooseAll = (): void =>
  void (chosen.value = all.value ? new Set() : new Set(props.items.map(item => item.id)))
let last = -1
function choose(index: number, event: MouseEvent): void {
  const next = new Set(chosen.value)
  const [from, to] =
    event.shiftKey && last >= 0 ? [Math.min(last, index), Math.max(last, index)] : [index, index]
  const put = !chosen.value.has(rows.value[index]!.id)
  for (let i = from; i <= to; i++)
    if (put) next.add(rows.value[i]!.id)
    else next.delete(rows.value[i]!.id)
  last = index
  chosen.value = next
}
const wrong = ref<{ id: string; field: string; message: string }>()
/** A field that cannot be as typed keeps what was typed, with the reason. */
function take(item: BoxItem, field: 'name' | 'count' | 'tags', event: Event): void {
  const typed = (event.target as HTMLInputElement).value.trim()
  const say = (message: string): void => void (wrong.value = { id: item.id, field, message })
  wrong.value = undefined
  if (field === 'name') {
    if (typed === '') return say('Give it a name.')
    if (typed !== item.name) void box.change([item.id], one => ({ ...one, name: typed.slice(0, 80) }))
  } else if (field === 'count') {
    const count = Number(typed)
    if (!Number.isInteger(count) || count < 0 || count > 9999) return say('A whole number from 0 to 9999.')
    if (count !== item.count) void box.change([item.id], one => ({ ...one, count }))
  } else {
    const tags = [
      ...new Set(
        typed
          .split(/[;,]/)
          .map(t => t.trim().slice(0, 24))
          .filter(Boolean),
      ),
    ].slice(0, 12)
    if (tags.join() !== item.tags.join()) void box.change([item.id], one => ({ ...one, tags }))
  }
}
const problem = (item: BoxItem, field: string): string | undefined =>
  wrong.value?.id === item.id && wrong.value.field === field ? wrong.value.message : undefined
</script>

<template>
  <div ref="host" class="scroll" tabindex="0" aria-label="Things in the box">
    <table>
      <thead>
        <tr>
          <th class="box">
            <UCheckbox
              :model-value="all"
              aria-label="Choose everything listed"
              @update:model-value="chooseAll()"
            />
          </th>
          <th
            v-for="header in table.getHeaderGroups()[0]!.headers"
            :key="header.id"
            scope="col"
            :class="header.id"
            :aria-sort="
              header.column.getIsSorted() === 'asc'
                ? 'ascending'
                : header.column.getIsSorted() === 'desc'
                  ? 'descending'
                  : 'none'
            "
          >
            <UButton variant="ghost" @click="header.column.toggleSorting()">
              {{ header.column.columnDef.header }}
              <UIcon
                v-if="header.column.getIsSorted()"
                :name="header.column.getIsSorted() === 'asc' ? 'i-lucide-arrow-up' : 'i-lucide-arrow-down'"
              />
            </UButton>
          </th>
          <th class="open"><span class="visually-hidden">Details</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-if="above > 0" aria-hidden="true">
          <td :colspan="9" :style="{ height: `${above}px` }" />
        </tr>
        <tr
          v-for="virtual in seen.getVirtualItems()"
          :key="rows[virtual.index]!.id"
          :class="{ on: chosen.has(rows[virtual.index]!.id), opened: opened === rows[virtual.index]!.id }"
        >
          <template v-for="item in [rows[virtual.index]!.original]" :key="item.id">
            <td class="box">
              <UCheckbox
                :model-value="chosen.has(item.id)"
                :aria-label="`Choose ${item.name}`"
                @click="choose(virtual.index, $event)"
              />
            </td>
            <td class="name">
              <UInput
                variant="ghost"
                class="w-full"
                :model-value="item.name"
                maxlength="80"
                aria-label="Name"
                :aria-invalid="problem(item, 'name') ? 'true' : 'false'"
                @change="take(item, 'name', $event)"
              /><span v-if="problem(item, 'name')" class="bad" role="alert">{{ problem(item, 'name') }}</span>
            </td>
            <td class="kind">{{ KIND_NAMES[item.details.kind].one }}</td>
            <td class="what">{{ whatOf(item.details, settings.system) }}</td>
            <td class="size figure">{{ sizeOf(item.details, settings.system) }}</td>
            <td class="weight figure">
              {{
                weightOf(item.details) === undefined
                  ? ''
                  : weightText(weightOf(item.details)!, settings.system)
              }}
            </td>
            <td class="count">
              <UInput
                variant="ghost"
                :model-value="item.count"
                inputmode="numeric"
                class="figure"
                aria-label="Count"
                :aria-invalid="problem(item, 'count') ? 'true' : 'false'"
                @change="take(item, 'count', $event)"
              /><span v-if="problem(item, 'count')" class="bad" role="alert">{{
                problem(item, 'count')
              }}</span>
            </td>
            <td class="tags">
              <UInput
                variant="ghost"
                class="w-full"
                :model-value="item.tags.join(', ')"
                aria-label="Tags, with commas"
                @change="take(item, 'tags', $event)"
              />
            </td>
            <td class="open">
              <UButton
                icon="i-lucide-chevron-right"
                variant="ghost"
                :aria-label="`Details of ${item.name}`"
                :aria-expanded="opened === item.id"
                @click="opened = opened === item.id ? undefined : item.id"
              />
            </td>
          </template>
        </tr>
        <tr v-if="below > 0" aria-hidden="true">
          <td :colspan="9" :style="{ height: `${below}px` }" />
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  flex: 1;
  min-width: 0;
  overflow: auto;
  position: relative;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 14.5px;
  table-layout: fixed;
  min-width: 820px;
}
thead th {
  position: sticky;
  top: 0;
  z-index: 2;
  background: var(--paper);
  text-align: left;
  height: 30px;
  box-shadow: 0 1px 0 var(--ink);
}
thead button {
  font: 400 13px var(--font-figure);
  color: var(--ink-soft);
  height: 28px;
  padding: 0 6px;
  display: inline-flex;
  gap: 4px;
  align-items: center;
}
thead button:hover {
  color: var(--ink);
}
tbody tr {
  border-bottom: 1px solid var(--hair);
  height: 34px;
}
.on {
  background: color-mix(in srgb, var(--float) 9%, transparent);
}
.opened {
  background: var(--raised);
}
td {
  padding: 0 6px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  position: relative;
}
.box {
  width: 34px;
  text-align: center;
}
.name {
  width: 26%;
}
.kind {
  width: 62px;
  color: var(--ink-soft);
}
.what {
  width: 30%;
}
.size {
  width: 76px;
  text-align: right;
}
.weight {
  width: 84px;
  text-align: right;
}
.count {
  width: 66px;
}
.tags {
  width: 16%;
}
.open {
  width: 36px;
}
th.size button,
th.weight button {
  width: 100%;
  justify-content: flex-end;
}
td.name {
  font-weight: 600;
}
td.count {
  text-align: right;
}
td:has(.bad) {
  overflow: visible;
}
.bad {
  position: absolute;
  top: 100%;
  left: 6px;
  z-index: 5;
  padding: 3px 8px;
  background: var(--wrack);
  color: var(--paper);
  font-size: 13px;
  border-radius: 2px;
}
td.open button {
  width: 28px;
  height: 28px;
  display: grid;
  place-items: center;
  border-radius: 2px;
}
td.open button:hover {
  background: var(--ink);
  color: var(--paper);
}
</style>
