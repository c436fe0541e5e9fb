<script setup lang="ts">
import { ask, ServerRefusal } from '~/utils/api'
import { saveText } from '~/utils/card'
import { instrumentWords, type Instrument } from '~/utils/instrumentWords'

/** Instruments switched on and off, each plainly simulated; backup and restore as one file. */
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ restored: [] }>()
const settings = useSettings()
const list = shallowRef<readonly Instrument[]>([])
const error = ref<string>()
const busy = ref(false)
const waiting = shallowRef<{ readonly name: string, readonly text: string }>()
const toast = useToast()
const NAMES: Readonly<Record<string, string>> = { sounder: 'depth sounder, NMEA 0183 over TCP', tide: 'tide gauge', weather: 'wind and weather', scale: 'pocket scale', tank: 'two-gate drop tank' }
const told = (failure: unknown): void => void (error.value = failure instanceof ServerRefusal ? failure.message : String(failure))
async function load(): Promise<void> {
  try {
    list.value = (await ask<{ instruments: Instrument[] }>('/api/instruments')).instruments
    error.value = undefined
  }
  catch (failure) {
    told(failure)
  }
}
const { pause, resume } = useIntervalFn(() => void load(), 1500, { immediate: false })
watch(open, (now) => {
  if (!now) return pause()
  void load()
  resume()
}, { immediate: true })
async function flip({ id, on }: Instrument): Promise<void> {
  try {
    await ask(`/api/instruments/${id}`, 'PUT', { on: !on })
    await load()
  }
  catch (failure) {
    told(failure)
  }
}
const reading = (one: Instrument): string => instrumentWords(one, settings.units)
async function backUp(): Promise<void> {
  busy.value = true
  try {
    saveText(`dunecrest-${new Date().toISOString().slice(0, 10)}.json`, JSON.stringify(await ask<object>('/api/backup')), 'application/json')
  }
  catch (failure) {
    told(failure)
  }
  finally {
    busy.value = false
  }
}
async function choose(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (file) waiting.value = { name: file.name, text: await file.text() }
}
async function restore(): Promise<void> {
  busy.value = true
  try {
    let body: object
    try {
      body = JSON.parse(waiting.value!.text) as object
    }
    catch {
      throw new ServerRefusal(0, `${waiting.value!.name} is not JSON. Nothing was changed.`, [])
    }
    const done = await ask<{ spreads: number, items: number, documents: number, entries: number }>('/api/restore', 'POST', body)
    toast.add({ title: 'Restored', description: `${done.spreads} spreads, ${done.items} things in the box, ${done.documents} spots and trips, ${done.entries} log entries.` })
    error.value = undefined
    waiting.value = undefined
    emit('restored')
  }
  catch (failure) {
    told(failure)
  }
  finally {
    busy.value = false
  }
}
</script>

<template>
  <UModal v-model:open="open" title="Tables, backup and instruments" :ui="{ content: 'max-w-2xl' }">
    <template #body>
      <p v-if="error" class="bad" role="alert">{{ error }}</p>
      <LogTables @put="emit('restored')" />
      <h3>Instruments <small>all simulated, behind what real ones would use</small></h3>
      <ul><li v-for="i in list" :key="i.id"><label><input type="checkbox" :checked="i.on" @change="flip(i)"> {{ NAMES[i.id] }}</label><span class="figure">{{ i.on ? reading(i) : 'off' }}</span></li></ul>
      <h3>Backup <small>spreads, box with photographs, spots, trips, baths and log, in one file</small></h3>
      <p class="acts"><button type="button" class="key" :disabled="busy" @click="backUp()">Save a backup</button><label class="key">Restore from a file…<input type="file" accept=".json,application/json" class="visually-hidden" aria-label="Backup to restore" @change="choose"></label></p>
      <p v-if="waiting" class="ask" role="alert">{{ waiting.name }} will take the place of everything here. <button type="button" class="key strong" :disabled="busy" @click="restore()">Replace everything</button> <button type="button" class="key" @click="waiting = undefined">Keep what is here</button></p>
      <p class="label">All of it is put in, or nothing is changed. Older backups are brought up to date.</p>
    </template>
  </UModal>
</template>

<style scoped>
h3 { font-size: 16px; font-weight: 600; margin: 8px 0 2px; } h3 small { font-size: 13px; font-weight: 400; color: var(--ink-soft); }
li { display: flex; gap: 12px; justify-content: space-between; padding: 5px 0; border-top: 1px solid var(--hair); font-size: 15px; } label { display: inline-flex; gap: 8px; align-items: center; } li input { width: 18px; height: 18px; accent-color: var(--float); }
.acts { display: flex; gap: 8px; } .ask { padding: 8px 0; }
.key { min-height: 32px; padding: 3px 12px; border: var(--line-weight) solid var(--hair-strong); border-radius: 2px; font-size: 14px; cursor: pointer; display: inline-flex; align-items: center; } .strong { background: var(--wrack); color: var(--paper); } .key:disabled { opacity: 0.4; }
.bad { color: var(--wrack); }
</style>
