<script setup lang="ts">
import { UModal } from '#components'
import { useIntervalFn } from '@vueuse/core'
import { shallowRef, watch } from 'vue'
import { useSettings } from '~/ui/settings'
import BackupsPanel from './BackupsPanel.vue'
import LogTables from './LogTables.vue'
import { ask } from '~/sync/api'
import { instrumentWords, type Instrument } from './instrumentWords'
import { useExchange } from '~/sync/useExchange'
import CheckField from '~/ui/CheckField.vue'

/** Tables, instruments switched on and off, each plainly simulated, and backups. */
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ restored: [] }>()
const settings = useSettings()
const list = shallowRef<readonly Instrument[]>([])
const { error, exchange } = useExchange()
const NAMES: Readonly<Record<string, string>> = {
  sounder: 'depth sounder, NMEA 0183 over TCP',
  tide: 'tide gauge',
  weather: 'wind and weather',
  scale: 'pocket scale',
  tank: 'two-gate drop tank',
}
const load = (): Promise<void> =>
  exchange(async () => {
    list.value = (await ask<{ instruments: Instrument[] }>('/api/instruments')).instruments
  })
const { pause, resume } = useIntervalFn(() => void load(), 1500, { immediate: false })
watch(
  open,
  now => {
    if (!now) return pause()
    void load()
    resume()
  },
  { immediate: true },
)
const flip = ({ id, on }: Instrument): Promise<void> =>
  exchange(async () => {
    await ask(`/api/instruments/${id}`, 'PUT', { on: !on })
    await load()
  })
const reading = (one: Instrument): string => instrumentWords(one, settings.units)
</script>

<template>
  <UModal v-model:open="open" title="Tables, backup and instruments" :ui="{ content: 'max-w-2xl' }">
    <template #body>
      <p v-if="error" class="bad" role="alert">{{ error }}</p>
      <LogTables @put="emit('restored')" />
      <h3>Instruments <small>all simulated, behind what real ones would use</small></h3>
      <ul>
        <li v-for="i in list" :key="i.id">
          <CheckField :model-value="i.on" :label="NAMES[i.id] ?? i.id" @update:model-value="flip(i)" /><span
            class="figure"
            >{{ i.on ? reading(i) : 'off' }}</span
          >
        </li>
      </ul>
      <BackupsPanel @restored="emit('restored')" />
    </template>
  </UModal>
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
li {
  display: flex;
  gap: 12px;
  justify-content: space-between;
  padding: 5px 0;
  border-top: 1px solid var(--hair);
  font-size: 15px;
}
label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.bad {
  color: var(--wrack);
}
</style>
