<script setup lang="ts">
import { UModal } from '#components'
import { computed } from 'vue'
import type { LogEntry } from '#schemas/log'
import { useSettings } from '~/ui/settings'
import { historyOf } from '#words/logWords'

/** What was tapped in this session, the latest first, in words: which weight was changed for which. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ log: readonly LogEntry[] }>()
const settings = useSettings()
const time = (at: string): string =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
const lines = computed(() =>
  historyOf(props.log, settings.system)
    .map(({ entry, text }) => ({ id: entry.id, at: time(entry.at), text }))
    .reverse(),
)
</script>

<template>
  <UModal v-model:open="open" title="History of this session">
    <template #body>
      <ol>
        <li v-for="l in lines" :key="l.id">
          <span class="figure">{{ l.at }}</span> <span data-own>{{ l.text }}</span>
        </li>
      </ol>
    </template>
  </UModal>
</template>

<style scoped>
li {
  display: flex;
  gap: 14px;
  padding: 8px 0;
  border-top: 1px solid var(--hair);
  font-size: 18px;
}
</style>
