<script setup lang="ts">
import { UButton } from '#components'
import { computed, onMounted, ref, shallowRef } from 'vue'
import type { BackupKind, KeptBackup } from '#schemas/backup'
import { countWords, useBackups } from './useBackups'
import FilePick from '~/ui/FilePick.vue'

/** Backups: kept by the day on their own, saved as a file, brought as one, put back, and that taken back. */
const emit = defineEmits<{ restored: [] }>()
const { list, error, busy, load, keep, bring, restore } = useBackups()
/** the one that is asked about before it takes the place of everything */
const asked = ref<string>()
/** what was put back last, and the copy of what was there before */
const restored = shallowRef<{ readonly restored: KeptBackup; readonly before: KeptBackup }>()
const chosen = computed(() => list.value?.backups.find(b => b.name === asked.value))
onMounted(() => void load())

const KINDS: Readonly<Record<BackupKind, string>> = {
  daily: 'by the day',
  change: 'before a new version',
  restore: 'before a restore',
  asked: 'kept by hand',
  brought: 'brought as a file',
}
const when = (at: string): string =>
  new Date(at).toLocaleString('en', { dateStyle: 'medium', timeStyle: 'short' })
const size = (bytes: number): string =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(1)} MB`
const progress = computed(() =>
  list.value?.working ? `${list.value.working.records.toLocaleString('en')} records` : '',
)

async function choose(file: File): Promise<void> {
  const brought = await bring(file)
  if (brought) asked.value = brought.name
}
async function replace({ name }: Pick<KeptBackup, 'name'>): Promise<void> {
  const done = await restore(name)
  if (!done) return
  asked.value = undefined
  restored.value = done
  emit('restored')
}
</script>

<template>
  <section aria-label="Backups">
    <h3>Backups <small>spreads, box with photographs, spots, trips, baths and log</small></h3>
    <p v-if="error" class="bad" role="alert">{{ error }}</p>
    <p class="acts">
      <UButton to="/api/backup" external download color="neutral" variant="outline">Save a backup</UButton>
      <UButton color="neutral" variant="outline" :disabled="busy !== undefined" @click="keep()"
        >Keep a copy here</UButton
      >
      <FilePick
        label="Backup to restore"
        text="Restore from a file…"
        accept=".json,.gz,application/json,application/gzip"
        :disabled="busy !== undefined"
        @file="choose"
      />
      <span v-if="busy" role="status">{{ busy }} {{ progress }}</span>
    </p>
    <div v-if="chosen && list" class="ask" role="alert">
      <p>
        <b>The backup of {{ when(chosen.madeAt) }}</b> ({{ countWords(chosen.counts) }}) will take the place
        of everything here: {{ countWords(list.here) }}. A copy of that is kept first.
      </p>
      <p class="acts">
        <UButton color="error" :disabled="busy !== undefined" @click="replace(chosen)"
          >Replace everything</UButton
        >
        <UButton color="neutral" variant="outline" :disabled="busy !== undefined" @click="asked = undefined"
          >Keep what is here</UButton
        >
      </p>
    </div>
    <p v-if="restored" class="acts" role="status">
      Restored: {{ countWords(restored.restored.counts) }}. What was here before is kept.
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-undo-2"
        :disabled="busy !== undefined"
        @click="replace(restored.before)"
        >Take that back</UButton
      >
    </p>
    <p v-if="list?.backups.length === 0" class="label">
      None is kept here yet. One is kept every day on its own, and before a new version changes anything; the
      newest seven of each stay.
    </p>
    <ul v-else-if="list" aria-label="Kept backups" tabindex="0">
      <li v-for="b in list.backups" :key="b.name">
        <span class="figure">{{ when(b.madeAt) }}</span>
        <span class="label"
          >{{ KINDS[b.kind] }}, {{ size(b.fileBytes) }}<br />{{ countWords(b.counts) }}</span
        >
        <span class="acts">
          <UButton
            :to="`/api/backups/${b.name}`"
            external
            download
            color="neutral"
            variant="ghost"
            icon="i-lucide-download"
            :aria-label="`Save the backup of ${when(b.madeAt)} as a file`"
          />
          <UButton color="neutral" variant="outline" :disabled="busy !== undefined" @click="asked = b.name"
            >Restore…</UButton
          >
        </span>
      </li>
    </ul>
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
.ask {
  padding: 8px 10px;
  border-left: 4px solid var(--wrack);
  background: var(--paper);
}
ul {
  max-height: 260px;
  overflow-y: auto;
}
li {
  display: grid;
  grid-template-columns: 150px 1fr auto;
  gap: 4px 12px;
  align-items: center;
  padding: 4px 0;
  border-top: 1px solid var(--hair);
  font-size: 14px;
}
@media (max-width: 560px) {
  li {
    grid-template-columns: 1fr auto;
  }
  li .label {
    grid-column: 1 / 3;
    grid-row: 2;
  }
}
.bad {
  color: var(--wrack);
}
</style>
