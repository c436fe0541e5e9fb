<script setup lang="ts">
import { UButton, UForm, UFormField, UInput, UModal } from '#components'
import { computed, reactive, ref, watch } from 'vue'
import { useTides } from '~/sync/documents'
import { saveText } from '~/ui/card'
import FilePick from '~/ui/FilePick.vue'
import { namedSchema, type TideContent } from '#schemas/spot'
import { failureText } from '#words/failureText'
import { tideWords } from '#words/tripWords'
import KeptRow from '~/ui/KeptRow.vue'
import { useRemoval } from '~/sheet/useRemoval'
import TideConstantsForm from './TideConstantsForm.vue'
import TideTableForm from './TideTableForm.vue'
import { timeOfRow } from '../../../shared/tide'
import { tideCsv, tideFromCsv } from './tides'

/** Tides of the angler's own waters: tables of high and low waters, or harmonic constants. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ chosen: string | undefined; date: string }>()
const emit = defineEmits<{ choose: [id: string | undefined] }>()
const tides = useTides()
const shown = ref(props.chosen)
const bad = ref<readonly string[]>([])
const one = computed(() => tides.byId.get(shown.value ?? ''))
const naming = reactive({ name: '' })
watch(one, now => void (naming.name = now?.name ?? ''), { immediate: true })

async function add(name: string, content: TideContent): Promise<void> {
  const made = await tides.add(name, content)
  if (made) shown.value = made.id
}
/** Two turns to begin with, on the day of the trip. */
const addTable = (): Promise<void> =>
  add('My tide table', {
    kind: 'table',
    turns: [
      { at: `${props.date}T06:00`, heightM: 4 },
      { at: `${props.date}T12:12`, heightM: 1 },
    ],
  })
const addConstants = (): Promise<void> =>
  add('My harmonic constants', {
    kind: 'constants',
    meanM: 2,
    constants: [
      { name: 'M2', amplitudeM: 1, phaseDeg: 0 },
      { name: 'S2', amplitudeM: 0.3, phaseDeg: 0 },
    ],
  })
const keep = (content: TideContent): void => void tides.change(one.value!, one.value!.name, content)
function rename(): void {
  const { data } = namedSchema.safeParse(naming)
  if (data && data.name !== one.value!.name) void tides.change(one.value!, data.name, one.value!.content)
}
const remove = useRemoval(tides, id => {
  if (props.chosen === id) emit('choose', undefined)
})
function use(id: string): void {
  emit('choose', id)
  open.value = false
}
/** So many errors of a file are told. */
const TOLD = 6
async function read(file: File): Promise<void> {
  bad.value = []
  try {
    const { content, errors } = tideFromCsv(await file.text())
    if (content) return await add(file.name.replace(/\.[^.]*$/, '').slice(0, 80) || 'Tides', content)
    bad.value = [
      ...errors.slice(0, TOLD).map(e => `Row ${e.row}, ${e.column}: ${e.message}`),
      ...(errors.length > TOLD ? [`And ${errors.length - TOLD} more.`] : []),
    ]
  } catch (error) {
    bad.value = [failureText(error)]
  }
}
</script>

<template>
  <UModal v-model:open="open" title="Tides" :ui="{ content: 'max-w-2xl' }">
    <template #body>
      <p v-if="tides.error" class="bad" role="alert">{{ tides.error }}</p>
      <div v-if="bad.length > 0" class="bad" role="alert">
        <p>This file was not read.</p>
        <p v-for="line in bad" :key="line">{{ line }}</p>
      </div>
      <p class="acts">
        <UButton icon="i-lucide-plus" :disabled="tides.busy" @click="addTable()">Type a table</UButton>
        <UButton icon="i-lucide-plus" :disabled="tides.busy" @click="addConstants()"
          >Type harmonic constants</UButton
        >
        <FilePick label="Tides to read" text="Read CSV" accept=".csv,text/csv" @file="read" />
      </p>
      <p v-if="tides.list.length === 0" class="none">
        None yet: trips are planned by the simulated coast, which is a stand-in. Type the high and low waters
        of your own port for the day, read a table of the year, or give its harmonic constants.
      </p>
      <ul>
        <KeptRow
          v-for="t in tides.list"
          :key="t.id"
          :name="t.name"
          :more="tideWords(t.content)"
          :open="t.id === shown"
          @update:open="on => (shown = on ? t.id : undefined)"
        >
          <template #act
            ><UButton :variant="t.id === chosen ? 'solid' : 'outline'" @click="use(t.id)">{{
              t.id === chosen ? 'Planned by it' : 'Plan by it'
            }}</UButton></template
          >
          <div class="edit">
            <UForm :schema="namedSchema" :state="naming">
              <UFormField name="name" label="name"
                ><UInput v-model="naming.name" @change="rename"
              /></UFormField>
            </UForm>
            <TideTableForm
              v-if="t.content.kind === 'table'"
              :key="t.id"
              :table="t.content"
              :date="date"
              @keep="keep"
            />
            <TideConstantsForm
              v-else
              :key="`c${t.id}`"
              :tide="t.content"
              :from="timeOfRow(`${date}T00:00`)"
              @keep="keep"
            />
            <p class="acts">
              <UButton @click="saveText(`${t.name}.csv`, tideCsv(t.content), 'text/csv')"
                >Save as CSV</UButton
              >
              <UButton @click="remove(t)">Delete</UButton>
            </p>
          </div>
        </KeptRow>
      </ul>
      <p class="label">
        Times by the clock of this device, levels over chart datum. Wind and air pressure move a real tide by
        decimetres and more. Not for navigation.
      </p>
    </template>
  </UModal>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin-bottom: 8px;
}
.none {
  color: var(--ink-soft);
  margin-bottom: 8px;
}
.edit {
  display: grid;
  gap: 10px;
  padding: 4px 8px 8px;
}
.bad {
  color: var(--wrack);
  margin-bottom: 6px;
}
</style>
