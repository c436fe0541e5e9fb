<script setup lang="ts">
import { UButton, UInput, UModal } from '#components'
import { navigateTo } from '#imports'
import { ref, shallowRef, watch } from 'vue'
import { useKeeping } from './useKeeping'
import { useSpreads } from './useSpreads'
import { useSpread } from './spread'
import { useDateFormat } from '@vueuse/core'
import type { SpreadSummary } from '#schemas/spread'
import { asLine, nameProblem } from '#schemas/names'
import { viewPath, type SheetView } from './useSheetCommands'
import { useExchange } from '~/sync/useExchange'
import SheetTable, { type SheetColumn } from '~/ui/SheetTable.vue'

/** Saved spreads: open, rename, delete with undo. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ view: SheetView }>()
const server = useSpreads()
const keeping = useKeeping(props.view)
const COLUMNS: readonly SheetColumn<SpreadSummary>[] = [
  { id: 'name', label: 'Name', words: true },
  { id: 'place', label: 'Water', words: true },
  { id: 'rigs', label: 'Rigs' },
  { id: 'saved', label: 'Saved', words: true },
  { id: 'acts', label: 'Actions', unseen: true },
]
const spread = useSpread()
const items = shallowRef<SpreadSummary[]>()
const { error, exchange } = useExchange()
const renaming = ref<string>()
const deleted = shallowRef<SpreadSummary>()
const renameError = ref<string>()

async function load(): Promise<void> {
  const found = await exchange(server.list)
  if (found) items.value = found
}
watch(
  open,
  now => {
    deleted.value = undefined
    if (now) void load()
  },
  { immediate: true },
)

async function go(id: string): Promise<void> {
  open.value = false
  await navigateTo(viewPath(props.view, id))
}

async function rename(item: SpreadSummary, event: Event): Promise<void> {
  // leaving the field after Enter or Escape comes here once more
  if (renaming.value !== item.id) return
  const name = asLine((event.target as HTMLInputElement).value)
  renameError.value = nameProblem(name)
  if (renameError.value !== undefined) return
  renaming.value = undefined
  if (item.id === spread.saved?.id) await keeping.rename(name)
  else if (!(await exchange(() => server.change(item, { name })))) return
  await load()
}

async function remove(item: SpreadSummary): Promise<void> {
  if (!(await keeping.remove(item))) return
  deleted.value = item
  await load()
}
async function bringBack(item: SpreadSummary): Promise<void> {
  if (!(await keeping.bringBack(item.id))) return
  deleted.value = undefined
  await load()
}
const when = (iso: string): string => useDateFormat(iso, 'D MMM YYYY, HH:mm').value

function startRenaming(id: string): void {
  renaming.value = id
  renameError.value = undefined
}
</script>

<template>
  <UModal v-model:open="open" title="Saved spreads" :ui="{ content: 'max-w-3xl' }">
    <template #body>
      <p v-if="deleted" class="deleted" role="status">
        Deleted: {{ deleted.name }}
        <UButton variant="link" @click="bringBack(deleted)">Undo</UButton>
      </p>
      <p v-if="error" class="fail">{{ error }} <UButton variant="link" @click="load()">Try again</UButton></p>
      <p v-else-if="!items" class="label">Fetching…</p>
      <p v-else-if="items.length === 0">
        Nothing saved yet. Give the sheet a name and press Save: it comes back here, and under its own
        address, with its water, bait and rigs.
      </p>
      <SheetTable
        v-else
        :columns="COLUMNS"
        :rows="items"
        :key-of="item => item.id"
        :row-class="item => (item.id === spread.saved?.id ? 'here' : '')"
      >
        <template #name="{ row: item }">
          <template v-if="renaming === item.id">
            <UInput
              class="w-full"
              :model-value="item.name"
              :aria-label="`New name for ${item.name}`"
              autofocus
              maxlength="100"
              @keydown.enter="rename(item, $event)"
              @keydown.esc.stop="renaming = undefined"
              @blur="rename(item, $event)"
            />
            <span v-if="renameError" class="fail" role="alert">{{ renameError }}</span>
          </template>
          <UButton v-else variant="link" @click="go(item.id)">{{ item.name }}</UButton>
        </template>
        <template #place="{ row: item }">{{ item.place || '–' }}</template>
        <template #rigs="{ row: item }">{{ item.rigs }}</template>
        <template #saved="{ row: item }">{{ when(item.updatedAt) }}</template>
        <template #acts="{ row: item }">
          <UButton
            icon="i-lucide-pencil"
            variant="ghost"
            :aria-label="`Rename ${item.name}`"
            @click="startRenaming(item.id)"
          />
          <UButton
            icon="i-lucide-trash-2"
            variant="ghost"
            :aria-label="`Delete ${item.name}`"
            @click="remove(item)"
          />
        </template>
      </SheetTable>
    </template>
  </UModal>
</template>

<style scoped>
.deleted {
  padding: 6px 10px;
  margin-bottom: 10px;
  border-left: 5px solid var(--shell);
  background: var(--paper);
  font-size: 15px;
}
</style>
