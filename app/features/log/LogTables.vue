<script setup lang="ts">
import { UButton, UProgress } from '#components'
import { useToast } from '#imports'
import { computed } from 'vue'
import { useEvidence } from '~/sheet/evidence'
import { useLogTables } from './useLogTables'
import FilePick from '~/ui/FilePick.vue'

/** The log and the drops as tables, out and in. */
const emit = defineEmits<{ put: [] }>()
const { reading, error, busy, progress, saveLog, saveDrops, read, put } = useLogTables()
const evidence = useEvidence()
const toast = useToast()
const FEW = 6
const count = computed(() => (reading.value?.entries.length ?? 0) + (reading.value?.drops.length ?? 0))
async function putIn(): Promise<void> {
  const n = await put()
  if (n === undefined) return
  toast.add({ title: `${n} read in`, description: 'What was there before was kept once.' })
  emit('put')
}
</script>

<template>
  <section aria-label="Tables">
    <h3>Tables <small>CSV, for a spreadsheet and back</small></h3>
    <p class="acts">
      <UButton :disabled="busy" @click="saveLog()">Log as CSV</UButton
      ><UButton :disabled="busy || evidence.drops.length === 0" @click="saveDrops()"> Drops as CSV</UButton
      ><FilePick
        label="Table to read"
        text="Read a table…"
        accept=".csv,text/csv"
        :disabled="busy"
        @file="read"
      /><UProgress
        v-if="busy"
        :model-value="progress"
        :max="1"
        :get-value-label="() => 'Tables'"
        class="w-60"
      />
    </p>
    <p v-if="error" class="bad" role="alert">{{ error }}</p>
    <div v-if="reading" role="status">
      <p>
        {{ reading.name }}:
        {{
          reading.entries.length > 0
            ? `${reading.entries.length} entries of a log`
            : `${reading.drops.length} drops`
        }}{{
          reading.errors.length > 0
            ? `, and ${reading.errors.length} ${reading.errors.length === 1 ? 'thing' : 'things'} wrong`
            : ''
        }}.
      </p>
      <ul v-if="reading.errors.length > 0" class="wrong">
        <li v-for="e in reading.errors.slice(0, FEW)" :key="`${e.row}${e.column}`">
          row {{ e.row }}, {{ e.column }}: {{ e.message }}
        </li>
        <li v-if="reading.errors.length > FEW">and {{ reading.errors.length - FEW }} more</li>
      </ul>
      <p class="acts">
        <UButton variant="solid" :disabled="busy || count === 0" @click="putIn()"> Put in {{ count }}</UButton
        ><UButton :disabled="busy" @click="reading = undefined">Leave it</UButton>
      </p>
    </div>
  </section>
</template>

<style scoped>
h3 {
  font-size: 16px;
  font-weight: 600;
  margin: 8px 0 2px;
}
h3 small {
  font-size: 13px;
  font-weight: 400;
  color: var(--ink-soft);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 2px 0;
}
.wrong {
  font-size: 14px;
  color: var(--wrack);
  padding: 2px 0;
}
.bad {
  color: var(--wrack);
}
</style>
