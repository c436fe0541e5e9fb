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
          <table v-if="reading.errors.length > 0">
            <thead>
              <tr>
                <th scope="col">Row</th>
                <th scope="col">Column</th>
                <th scope="col">What is wrong</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(e, i) in reading.errors.slice(0, SHOWN)" :key="i">
                <td class="figure">{{ e.row }}</td>
                <td>{{ e.column }}</td>
                <td>{{ e.message }}</td>
              </tr>
            </tbody>
          </table>
          <table v-else>
            <thead>
              <tr>
                <th scope="col">Name</th>
                <th scope="col">Kind</th>
                <th scope="col">What it is</th>
                <th scope="col">Size</th>
                <th scope="col">Count</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(item, i) in reading.items.slice(0, SHOWN)" :key="i">
                <td>{{ item.name }}</td>
                <td>{{ KIND_NAMES[item.details.kind].one }}</td>
                <td>{{ whatOf(item.details, settings.system) }}</td>
                <td class="figure">{{ sizeOf(item.details, settings.system) }}</td>
                <td class="figure">{{ item.count }}</td>
              </tr>
            </tbody>
          </table>
          <p v-if="Math.max(reading.errors.length, reading.items.length) > SHOWN" class="label">
            and {{ (reading.errors.length || reading.items.length) - SHOWN }} more
          </p>
        </div>
      </template>
      <p v-if="box.error" class="bad" role="alert">{{ box.error }}</p>
      <details>
        <summary class="label">columns</summary>
        <p class="label">{{ BOX_COLUMNS.join(', ') }}</p>
      </details>
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
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 14px;
}
th {
  text-align: left;
  font-weight: 400;
  font-size: 12px;
  color: var(--ink-soft);
  position: sticky;
  top: 0;
  background: var(--raised);
}
td {
  padding: 3px 6px 3px 0;
  border-top: 1px solid var(--hair);
}
.keys {
  display: flex;
  gap: 8px;
  margin-top: 12px;
}
</style>
