<script setup lang="ts">
import { UButton, UCheckbox, UInput } from '#components'
import { computed, ref, useTemplateRef } from 'vue'
import { useBox } from '~/sync/box'
import { useSettings } from '~/ui/settings'
import SheetTable, { type SheetColumn } from '~/ui/SheetTable.vue'
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
const columns = computed((): readonly SheetColumn<BoxItem>[] => [
  { id: 'box', label: 'Choose', words: true },
  { id: 'name', label: 'Name', words: true, sort: item => item.name },
  { id: 'kind', label: 'Kind', words: true, sort: item => KIND_NAMES[item.details.kind].one },
  { id: 'what', label: 'What it is', words: true, sort: item => whatOf(item.details, settings.system) },
  { id: 'size', label: 'Size', sort: sizeRank },
  { id: 'weight', label: 'Weight', sort: item => weightOf(item.details) },
  { id: 'count', label: 'Count', sort: item => item.count },
  { id: 'tags', label: 'Tags', words: true, sort: item => item.tags.join(', ') },
  { id: 'open', label: 'Details', unseen: true },
])
const table = useTemplateRef('table')
const ROW = 34

const all = computed(() => props.items.length > 0 && props.items.every(item => chosen.value.has(item.id)))
const chooseAll = (): void =>
  void (chosen.value = all.value ? new Set() : new Set(props.items.map(item => item.id)))
let last: string | undefined
/** Chooses one, or with Shift all from the last one to it, in the order they stand in. */
function choose(item: BoxItem, event: MouseEvent): void {
  const order = (table.value?.inOrder() ?? []).map(one => one.id)
  const ends = [order.indexOf(item.id), event.shiftKey && last ? order.indexOf(last) : -1].filter(i => i >= 0)
  const next = new Set(chosen.value)
  const put = !next.has(item.id)
  for (const id of order.slice(Math.min(...ends), Math.max(...ends) + 1))
    if (put) next.add(id)
    else next.delete(id)
  last = item.id
  chosen.value = next
}
const rowClass = (item: BoxItem): string =>
  [chosen.value.has(item.id) ? 'on' : '', opened.value === item.id ? 'opened' : ''].join(' ')
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
function weightWords({ details }: BoxItem): string {
  const kg = weightOf(details)
  return kg === undefined ? '' : weightText(kg, settings.system)
}
const problem = (item: BoxItem, field: string): string | undefined =>
  wrong.value?.id === item.id && wrong.value.field === field ? wrong.value.message : undefined
</script>

<template>
  <SheetTable
    ref="table"
    class="things"
    :columns="columns"
    :rows="items"
    :key-of="item => item.id"
    :row-class="rowClass"
    :virtual="ROW"
    label="Things in the box"
  >
    <template #head-box>
      <UCheckbox :model-value="all" aria-label="Choose everything listed" @update:model-value="chooseAll()" />
    </template>
    <template #box="{ row: item }">
      <span data-own
        ><UCheckbox
          :model-value="chosen.has(item.id)"
          :aria-label="`Choose ${item.name}`"
          @click="choose(item, $event)"
      /></span>
    </template>
    <template #name="{ row: item }">
      <UInput
        variant="ghost"
        class="w-full"
        :model-value="item.name"
        maxlength="80"
        aria-label="Name"
        :aria-invalid="problem(item, 'name') ? 'true' : 'false'"
        @change="take(item, 'name', $event)"
      /><span v-if="problem(item, 'name')" class="bad" role="alert">{{ problem(item, 'name') }}</span>
    </template>
    <template #kind="{ row: item }">{{ KIND_NAMES[item.details.kind].one }}</template>
    <template #what="{ row: item }">{{ whatOf(item.details, settings.system) }}</template>
    <template #size="{ row: item }">{{ sizeOf(item.details, settings.system) }}</template>
    <template #weight="{ row: item }">{{ weightWords(item) }}</template>
    <template #count="{ row: item }">
      <UInput
        variant="ghost"
        :model-value="item.count"
        inputmode="numeric"
        class="figure"
        aria-label="Count"
        :aria-invalid="problem(item, 'count') ? 'true' : 'false'"
        @change="take(item, 'count', $event)"
      /><span v-if="problem(item, 'count')" class="bad" role="alert">{{ problem(item, 'count') }}</span>
    </template>
    <template #tags="{ row: item }">
      <UInput
        variant="ghost"
        class="w-full"
        :model-value="item.tags.join(', ')"
        aria-label="Tags, with commas"
        @change="take(item, 'tags', $event)"
      />
    </template>
    <template #open="{ row: item }">
      <UButton
        icon="i-lucide-chevron-right"
        variant="ghost"
        data-own
        :aria-label="`Details of ${item.name}`"
        :aria-expanded="opened === item.id"
        @click="opened = opened === item.id ? undefined : item.id"
      />
    </template>
  </SheetTable>
</template>

<style scoped>
.things {
  flex: 1;
  min-width: 0;
  position: relative;
  --row: 34px;
}
/* only the rows in sight are drawn, so what scrolls must have an end */
.things :deep(.scroller) {
  max-height: calc(100dvh - 90px);
}
.things :deep(table) {
  font-size: 14.5px;
  table-layout: fixed;
  min-width: 820px;
}
.things :deep(th) {
  background: var(--paper);
}
.things :deep(.on) {
  background: color-mix(in srgb, var(--float) 9%, transparent);
}
.things :deep(.opened) {
  background: var(--raised);
}
.things :deep(td) {
  overflow: hidden;
  text-overflow: ellipsis;
  position: relative;
}
.things :deep(.box) {
  width: 34px;
}
.things :deep(.name) {
  width: 26%;
}
.things :deep(td.name) {
  font-weight: 600;
}
.things :deep(.kind) {
  width: 62px;
  color: var(--ink-soft);
}
.things :deep(.what) {
  width: 30%;
}
.things :deep(.size) {
  width: 76px;
}
.things :deep(.weight) {
  width: 84px;
}
.things :deep(.count) {
  width: 66px;
}
.things :deep(.tags) {
  width: 16%;
}
.things :deep(.open) {
  width: 36px;
}
.things :deep(td:has(.bad)) {
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
