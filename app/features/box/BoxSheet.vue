<script setup lang="ts">
import { UButton, UDropdownMenu, UIcon, UInput } from '#components'
import { computed, onMounted, ref } from 'vue'
import { useBox } from '~/sync/box'
import BoxPanel from './BoxPanel.vue'
import BoxTable from './BoxTable.vue'
import ImportDialog from './ImportDialog.vue'
import SheetFrame from '~/sheet/SheetFrame.vue'
import { ITEM_KINDS, type BoxItem, type ItemInput, type ItemKind } from '#schemas/box'
import { boxCsv } from '../../../shared/boxTable'
import { KIND_NAMES } from './boxWords'
import { saveText } from '~/ui/card'
import { freshItem } from './freshItem'
import ChoiceField from '~/ui/ChoiceField.vue'

/** What the angler owns: found, sorted, counted, changed one by one or together, brought in and taken out. */
defineProps<{ id: string | undefined }>()
const box = useBox()
const kind = ref<ItemKind | 'all'>('all')
const search = ref('')
const tag = ref('')
const chosen = ref<ReadonlySet<string>>(new Set())
const opened = ref<string>()
const importing = ref(false)
onMounted(() => void box.load())

const counts = computed(
  () =>
    Object.fromEntries(
      ITEM_KINDS.map(k => [k, box.items.filter(item => item.details.kind === k).length]),
    ) as Record<ItemKind, number>,
)
/** stands for every tag in the list of choices, which has no empty one */
const ANY = '*'
const tags = computed(() => [...new Set(box.items.flatMap(item => item.tags))].sort())
const tagItems = computed(() => [
  { value: ANY, label: 'any' },
  ...tags.value.map(value => ({ value, label: value })),
])
const listed = computed(() => {
  const words = search.value.trim().toLowerCase().split(/\s+/).filter(Boolean)
  return box.items.filter(item => {
    if (kind.value !== 'all' && item.details.kind !== kind.value) return false
    if (tag.value !== '' && !item.tags.includes(tag.value)) return false
    const text = `${item.name} ${item.tags.join(' ')} ${item.notes}`.toLowerCase()
    return words.every(word => text.includes(word))
  })
})
/** What is chosen of what is listed: nothing is done to what cannot be seen. */
const picked = computed(() => listed.value.map(item => item.id).filter(id => chosen.value.has(id)))
const unseen = computed(
  () => box.items.filter(item => chosen.value.has(item.id)).length - picked.value.length,
)
const shown = computed<BoxItem | undefined>(() =>
  opened.value === undefined ? undefined : box.byId.get(opened.value),
)

async function addOne(of: ItemKind): Promise<void> {
  const made = await box.add([freshItem(of)])
  if (!made) return
  kind.value = 'all'
  search.value = ''
  tag.value = ''
  opened.value = made[0]!.id
}
const addMenu = ITEM_KINDS.map(of => ({ label: `A ${KIND_NAMES[of].one}`, onSelect: () => void addOne(of) }))
const plain = (item: BoxItem): ItemInput => ({
  name: item.name,
  count: item.count,
  tags: item.tags,
  notes: item.notes,
  details: item.details,
})
const duplicate = (): void =>
  void box.add(
    picked.value
      .map(id => plain(box.byId.get(id)!))
      .map(item => ({ ...item, name: `${item.name.slice(0, 72)}, copy` })),
  )
const recount = (by: number): void =>
  void box.change(picked.value, item => ({ ...item, count: Math.max(0, Math.min(9999, item.count + by)) }))
const newTag = ref('')
function tagAll(): void {
  const word = newTag.value.trim().slice(0, 24)
  if (word === '') return
  void box.change(picked.value, item =>
    item.tags.includes(word) ? item : { ...item, tags: [...item.tags, word].slice(0, 12) },
  )
  newTag.value = ''
}
const untag = (word: string): void =>
  void box.change(picked.value, item => ({ ...item, tags: item.tags.filter(t => t !== word) }))
const commonTags = computed(() =>
  [...new Set(picked.value.flatMap(id => box.byId.get(id)?.tags ?? []))].slice(0, 6),
)
const exports = [
  {
    label: 'What is listed, as CSV',
    onSelect: () => saveText('box.csv', boxCsv(listed.value.map(plain)), 'text/csv'),
  },
  {
    label: 'What is listed, as JSON',
    onSelect: () =>
      saveText(
        'box.json',
        JSON.stringify({ format: 'dunecrest-box', version: 1, items: listed.value.map(plain) }, null, 1),
        'application/json',
      ),
  },
]
const steps = computed(() => ({
  undo: box.undo,
  redo: box.redo,
  canUndo: box.canUndo,
  canRedo: box.canRedo,
}))
</script>

<template>
  <SheetFrame :id="id" view="box" :steps="steps">
    <section class="strip" aria-label="Find">
      <div class="kinds" role="group" aria-label="Kind">
        <UButton variant="ghost" :aria-pressed="kind === 'all'" @click="kind = 'all'">
          everything <b class="figure">{{ box.items.length }}</b>
        </UButton>
        <UButton
          v-for="k in ITEM_KINDS"
          :key="k"
          variant="ghost"
          :aria-pressed="kind === k"
          @click="kind = k"
        >
          {{ KIND_NAMES[k].many }} <b class="figure">{{ counts[k] }}</b>
        </UButton>
      </div>
      <label class="find"
        ><UIcon name="i-lucide-search" /><UInput
          v-model="search"
          type="search"
          placeholder="name, tag, note"
          aria-label="Find in the box"
      /></label>
      <ChoiceField
        v-if="tags.length > 0"
        label="tag"
        :model-value="tag || ANY"
        :items="tagItems"
        @update:model-value="value => (tag = value === ANY ? '' : value)"
      />
      <span class="grow" />
      <UDropdownMenu :items="addMenu"
        ><UButton icon="i-lucide-plus" variant="solid">Add</UButton></UDropdownMenu
      >
      <UButton icon="i-lucide-upload" @click="importing = true">Import</UButton>
      <UDropdownMenu :items="exports"
        ><UButton icon="i-lucide-download" :disabled="listed.length === 0">Export</UButton></UDropdownMenu
      >
    </section>
    <section v-if="picked.length + unseen > 0" class="bulk" aria-label="Chosen things">
      <b class="figure">{{ picked.length }} chosen</b>
      <span v-if="unseen > 0" class="label">and {{ unseen }} not listed, left alone</span>
      <span class="pair"
        ><UButton icon="i-lucide-minus" aria-label="One less of each" @click="recount(-1)" /><span
          class="label"
          >count</span
        ><UButton icon="i-lucide-plus" aria-label="One more of each" @click="recount(1)"
      /></span>
      <form class="pair" @submit.prevent="tagAll()">
        <UInput
          v-model="newTag"
          class="text"
          placeholder="tag"
          maxlength="24"
          aria-label="Tag for all chosen"
        /><UButton type="submit">Tag</UButton>
      </form>
      <UButton
        v-for="word in commonTags"
        :key="word"
        :aria-label="`Take the tag ${word} off all chosen`"
        @click="untag(word)"
      >
        {{ word }} <UIcon name="i-lucide-x" />
      </UButton>
      <UButton icon="i-lucide-copy" :disabled="picked.length === 0" @click="duplicate()">Duplicate</UButton>
      <UButton icon="i-lucide-trash-2" :disabled="picked.length === 0" @click="box.remove(picked)"
        >Take out</UButton
      >
      <UButton @click="chosen = new Set()">Choose none</UButton>
    </section>
    <p v-if="box.error" class="error" role="alert">
      {{ box.error }} <UButton variant="ghost" @click="box.load()">Load the box again</UButton>
    </p>
    <div class="body">
      <BoxTable v-if="listed.length > 0" v-model:chosen="chosen" v-model:opened="opened" :items="listed" />
      <div v-else class="empty">
        <p v-if="!box.loaded" class="label">{{ box.error ? '' : 'Opening the box…' }}</p>
        <template v-else-if="box.items.length === 0">
          <h2>The box is empty.</h2>
          <p>
            Add what you own, or import a table. Then every view can choose from it: a bait with the hooks
            that fit it, a weight with the next step up.
          </p>
        </template>
        <p v-else>
          Nothing in the box is like that.
          <UButton variant="ghost" @click="((kind = 'all'), (search = ''), (tag = ''))"
            >Show everything</UButton
          >
        </p>
      </div>
      <BoxPanel v-if="shown" :key="shown.id" :item="shown" @close="opened = undefined" />
    </div>
    <ImportDialog v-model:open="importing" />
  </SheetFrame>
</template>

<style scoped>
.strip,
.bulk {
  display: flex;
  flex-wrap: wrap;
  gap: 5px 10px;
  align-items: center;
  padding: 5px 12px;
  border-bottom: var(--line-weight) solid var(--hair-strong);
}
.bulk {
  background: color-mix(in srgb, var(--float) 12%, var(--paper));
}
.kinds {
  display: flex;
  flex-wrap: wrap;
}
.kinds button {
  height: 30px;
  padding: 0 9px;
  font-size: 14px;
  border-bottom: 3px solid transparent;
}
.kinds button[aria-pressed='true'] {
  border-bottom-color: var(--float);
  font-weight: 600;
}
.kinds b {
  color: var(--ink-soft);
  font-weight: 400;
}
.find {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
.text {
  width: 110px;
}
.grow {
  flex: 1;
}
.pair {
  display: inline-flex;
  gap: 4px;
  align-items: center;
}
.error {
  padding: 8px 12px;
  color: var(--wrack);
}
.error button,
.empty button {
  text-decoration: underline;
}
.body {
  flex: 1;
  display: flex;
  min-height: 0;
}
.empty {
  flex: 1;
  padding: 48px 24px;
  font-size: 16px;
  max-width: 60ch;
}
.empty h2 {
  font-size: 20px;
  margin-bottom: 6px;
}
@media (max-width: 899px) {
  .body {
    flex-direction: column;
  }
  .body :deep(.scroll) {
    max-height: 76vh;
  }
  .kinds button {
    min-height: 40px;
  }
}
</style>
