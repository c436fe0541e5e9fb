<script setup lang="ts">
import { UButton, UModal, UProgress } from '#components'
import { useToast } from '#imports'
import { computed, ref, watch } from 'vue'
import { useImport } from './useImport'
import { useBox } from '~/sync/box'
import { useSettings } from '~/ui/settings'
import { BOX_COLUMNS } from '../../../shared/boxTable'
import { KIND_NAMES, sizeOf, whatOf } from './boxWords'
import FilePick from '~/ui/FilePick.vue'
import SheetTable, { type SheetColumn } from '~/ui/SheetTable.vue'
import type { RowError } from '../../../shared/cells'
import FoldOut from '~/ui/FoldOut.vue'
import type { ItemInput } from '#schemas/box'

/** Brings in a table or a box file: read and shown first, written all together or not at all. */
const open = defineModel<boolean>('open', { required: true })
const box = useBox()
const settings = useSettings()
const { progress, reading, failed, busy, read, cancel } = useImport()
const writing = ref(false)
watch(open, now => now || cancel())
const SHOWN = 50
const rowsWrong = computed(() => new Set(reading.value?.errors.map(e => e.row)).size)

const toast = useToast()
async function write(): Promise<void> {
  const { name } = reading.value!
  writing.value = true
  const made = await box.add(reading.value!.items)
  writing.value = false
  if (!made) return
  open.value = false
  toast.add({
    title: `${made.length} ${made.length === 1 ? 'thing' : 'things'} put into the box`,
    description: `From ${name}.`,
    duration: 8000,
    actions: [{ label: 'Take them out again', onClick: () => void box.undo() }],
  })
}
const WRONG: readonly SheetColumn<RowError>[] = [
  { id: 'row', label: 'Row' },
  { id: 'column', label: 'Column', words: true },
  { id: 'message', label: 'What is wrong', words: true, class: 'message wrap' },
]
const COMING: readonly SheetColumn<{ readonly item: ItemInput; readonly at: number }>[] = [
  { id: 'name', label: 'Name', words: true },
  { id: 'kind', label: 'Kind', words: true },
  { id: 'what', label: 'What it is', words: true, class: 'what wrap' },
  { id: 'size', label: 'Size' },
  { id: 'count', label: 'Count' },
]
</script>

<template>
  <UModal v-model:open="open" title="Import into the box" :ui="{ content: 'max-w-4xl' }">
    <template #body>
      <p class="lead">
        A CSV table with the columns it is exported with, or a box file. Nothing is written until you have
        seen it; a file with errors changes nothing.
      </p>
      <p>
        <FilePick
          label="File to import"
          text="Choose a file"
          icon="i-lucide-file-up"
          accept=".csv,.json,text/csv,application/json"
          @file="read"
        />
      </p>
      <div v-if="busy" class="progress">
        <UProgress :model-value="progress" :max="1" :get-value-label="() => 'Reading'" class="w-60" />
        <span class="figure">{{ Math.round(100 * progress) }} %</span>
        <UButton @click="cancel()">Stop</UButton>
      </div>
      <p v-if="failed" class="bad" role="alert">{{ failed }}</p>
      <template v-if="reading">
        <p v-if="reading.errors.length > 0" class="bad" role="alert">
          <b>{{ rowsWrong }} of {{ reading.rows }} rows cannot be read.</b> Put these right in the file and
          choose it again; nothing has been written.
        </p>
        <p v-else class="good" role="status">
          <b>{{ reading.items.length }} things</b> can come in from {{ reading.name }}.
        </p>
        <div class="list">
          <SheetTable
            v-if="reading.errors.length > 0"
            :columns="WRONG"
            :rows="reading.errors.slice(0, SHOWN)"
            :key-of="e => `${e.row} ${e.column} ${e.message}`"
          >
            <template #row="{ row: e }">{{ e.row }}</template>
            <template #column="{ row: e }">{{ e.column }}</template>
            <template #message="{ row: e }">{{ e.message }}</template>
          </SheetTable>
          <SheetTable
            v-else
            :columns="COMING"
            :rows="reading.items.slice(0, SHOWN).map((item, at) => ({ item, at }))"
            :key-of="({ at }) => String(at)"
          >
            <template #name="{ row: { item } }">{{ item.name }}</template>
            <template #kind="{ row: { item } }">{{ KIND_NAMES[item.details.kind].one }}</template>
            <template #what="{ row: { item } }">{{ whatOf(item.details, settings.system) }}</template>
            <template #size="{ row: { item } }">{{ sizeOf(item.details, settings.system) }}</template>
            <template #count="{ row: { item } }">{{ item.count }}</template>
          </SheetTable>
          <p v-if="Math.max(reading.errors.length, reading.items.length) > SHOWN" class="label">
            and {{ (reading.errors.length || reading.items.length) - SHOWN }} more
          </p>
        </div>
      </template>
      <p v-if="box.error" class="bad" role="alert">{{ box.error }}</p>
      <FoldOut>
        <template #head><span class="label">columns</span></template>
        <p class="label">{{ BOX_COLUMNS.join(', ') }}</p>
      </FoldOut>
      <p class="keys">
        <UButton
          variant="solid"
          :disabled="!reading || reading.errors.length > 0 || reading.items.length === 0 || writing"
          @click="write()"
        >
          {{
            writing
              ? 'Writing…'
              : reading && reading.errors.length === 0
                ? `Put ${reading.items.length} things in`
                : 'Put them in'
          }}
        </UButton>
        <UButton @click="open = false">Leave it</UButton>
      </p>
    </template>
  </UModal>
</template>

<style scoped>
.lead {
  font-size: 15px;
  margin-bottom: 10px;
}
.progress {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 10px 0;
}
.bad {
  color: var(--wrack);
  margin: 8px 0;
}
.good {
  color: var(--marram);
  margin: 8px 0;
}
.list {
  max-height: 320px;
  overflow: auto;
  border-top: 1px solid var(--hair-strong);
}
.keys {
  display: flex;
  gap: 8px;
  margin-top: 12px;
}
</style>
