<script setup lang="ts">
import DateField from '~/ui/DateField.vue'
import { UButton, UInput } from '#components'
import { useToast } from '#imports'
import { reactive } from 'vue'
import { useOutbox } from '~/sync/outboxStore'
import type { LogEntry } from '#schemas/log'
import { saveText } from '~/ui/card'
import { LOG_KIND_WORDS } from '#words/logWords'

/**
 * Entries that the server will not take as they are: each with its reason, to be mended, dropped, or saved as
 * a file.
 */
const outbox = useOutbox()
const toast = useToast()
const times = reactive<Record<string, string>>({})
const notes = reactive<Record<string, string>>({})

/** A time as the field for it holds it: local, to the second. */
const local = (at: string): string => {
  const time = new Date(at)
  if (Number.isNaN(time.getTime())) return ''
  return new Date(time.getTime() - time.getTimezoneOffset() * 60_000).toISOString().slice(0, 19)
}
function mended(entry: LogEntry): LogEntry {
  const time = times[entry.id] ? new Date(times[entry.id]!) : undefined
  const at = time && !Number.isNaN(time.getTime()) ? time.toISOString() : entry.at
  const text = notes[entry.id]
  return { ...entry, at, ...(text === undefined ? {} : { data: { ...entry.data, text } }) }
}
async function drop(entry: LogEntry, why: string): Promise<void> {
  await outbox.drop([entry.id])
  toast.add({
    title: 'Dropped',
    duration: 15_000,
    actions: [
      {
        label: 'Undo',
        color: 'neutral',
        variant: 'outline',
        onClick: () => void outbox.putAside([{ entry, why }]),
      },
    ],
  })
}
async function save(): Promise<void> {
  const { logCsv } = await import('../../shared/logTable')
  saveText('entries-set-aside.csv', logCsv(outbox.aside.map(a => a.entry)), 'text/csv')
}
</script>

<template>
  <section v-if="outbox.aside.length > 0" class="aside-entries" aria-label="Entries set aside">
    <h2>
      {{ outbox.aside.length === 1 ? 'One entry was' : `${outbox.aside.length} entries were` }} not taken by
      the server
    </h2>
    <p class="label">They are kept on this device. Everything else goes its way.</p>
    <ul>
      <li v-for="{ entry, why } in outbox.aside" :key="entry.id">
        <p>
          <b>{{ LOG_KIND_WORDS[entry.kind] }}</b>{{ entry.rod ? `, rod ${entry.rod}` : '' }}
          <span class="bad">{{ why }}</span>
        </p>
        <div class="mend">
          <DateField
            label="when"
            timed
            :model-value="times[entry.id] ?? local(entry.at)"
            @update:model-value="value => (times[entry.id] = value)"
          />
          <label v-if="entry.data?.text !== undefined"
            ><span class="label">note</span
            ><UInput
              :model-value="notes[entry.id] ?? entry.data.text"
              @update:model-value="value => (notes[entry.id] = String(value))"
          /></label>
          <UButton color="neutral" variant="outline" @click="outbox.mend(mended(entry))">Send again</UButton>
          <UButton color="neutral" variant="ghost" @click="drop(entry, why)">Drop</UButton>
        </div>
      </li>
    </ul>
    <UButton color="neutral" variant="outline" @click="save()">Save them as a file</UButton>
  </section>
</template>

<style scoped>
.aside-entries {
  border: 2px solid var(--wrack);
  border-radius: 2px;
  padding: 8px 12px;
  display: grid;
  gap: 6px;
  justify-items: start;
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
ul {
  width: 100%;
}
li {
  border-top: 1px solid var(--hair);
  padding: 6px 0;
}
.mend {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: end;
}
.mend label {
  display: grid;
}
.mend :deep(button) {
  min-height: 44px;
}
.bad {
  color: var(--wrack);
}
</style>
