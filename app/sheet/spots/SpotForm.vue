<script setup lang="ts">
import { UButton, UForm, UFormField, UInput, UInputNumber } from '#components'
import { useDebounceFn } from '@vueuse/core'
import { computed, reactive, useTemplateRef, watch } from 'vue'
import {
  BOTTOM_IDS,
  BOTTOMS,
  CLARITIES,
  COVER_IDS,
  COVERS,
  fishOf,
  SALINITY_RANGE_GKG,
  STREAM_RANGE_MS,
} from '#core'
import { DEPTH_RANGE_M } from '#schemas/ranges'
import type { OwnFish } from '#schemas/fields'
import { spotFormSchema, type SpotContent, type SpotForm, type StoredDocument } from '#schemas/spot'
import { CLARITY_WORDS, preyItems } from '#words/pickWords'
import { PER_MILLE } from '#words/units'
import FishField from '~/sheet/fish/FishField.vue'
import type { FishTaken } from '~/sheet/fish/ownFish'
import FieldRow from '~/ui/FieldRow.vue'
import { choice, choicesOf, number } from '~/ui/fields'
import { useSettings } from '~/ui/settings'
import { copy } from '../../../shared/data'

/** One spot in full. What is changed is kept as soon as it stands; what does not fit says so at its field. */
const props = defineProps<{ spot: StoredDocument<'spot'> }>()
const emit = defineEmits<{ keep: [name: string, content: SpotContent]; remove: [] }>()
const settings = useSettings()
const form = useTemplateRef('form')
const stateOf = ({ name, content }: StoredDocument<'spot'>): SpotForm => ({ name, ...copy(content) })
const state = reactive<SpotForm>(stateOf(props.spot))
const asKept = computed(() => JSON.stringify(spotFormSchema.safeParse(stateOf(props.spot)).data))

/** Typing has come to rest. */
const STILL_MS = 400
const keep = useDebounceFn(() => {
  const { data } = spotFormSchema.safeParse(state)
  if (!data || JSON.stringify(data) === asKept.value) return
  const { name, ...content } = data
  emit('keep', name, content)
}, STILL_MS)
watch(state, () => {
  void form.value?.validate({ silent: true })
  void keep()
})

const TIDES = choicesOf({ '0': 'none', '0.5': 'half: behind a bar', '1': 'all of it' })
const tideOf = (part: number): (typeof TIDES)[number]['value'] =>
  part >= 0.75 ? '1' : part > 0 ? '0.5' : '0'
const aboutWater = computed(() => [
  number(
    state.tide > 0 ? 'depth below chart datum' : 'depth',
    state.depthM,
    [settings.units.depth, DEPTH_RANGE_M, 0.25],
    to => (state.depthM = to),
  ),
  choice('tide', tideOf(state.tide), TIDES, to => (state.tide = Number(to))),
  number('strongest current', state.currentMS, [settings.units.speed, STREAM_RANGE_MS, 0.1], to => {
    state.currentMS = to
  }),
  number('salt', state.salinityGKg, [PER_MILLE, SALINITY_RANGE_GKG, 1], to => (state.salinityGKg = to)),
  choice('cover', state.cover, choicesOf(COVERS, COVER_IDS), to => (state.cover = to)),
  choice('bottom', state.bottom, choicesOf(BOTTOMS, BOTTOM_IDS), to => (state.bottom = to)),
])
function take({ species, own }: FishTaken): void {
  state.species = species
  state.own = own as OwnFish | undefined
  delete state.prey
}
const aboutFish = computed(() => [
  choice('they eat', state.prey ?? fishOf(state as FishTaken).prey[0]!, preyItems, to => (state.prey = to)),
  choice('clarity', state.clarity, choicesOf(CLARITY_WORDS, CLARITIES), to => (state.clarity = to)),
])
const DEGREES = { maximumFractionDigits: 5, useGrouping: false }
</script>

<template>
  <UForm ref="form" :schema="spotFormSchema" :state="state" class="edit">
    <UFormField name="name" label="name"><UInput v-model.trim="state.name" /></UFormField>
    <UFormField name="water" label="water"><UInput v-model.trim="state.water" /></UFormField>
    <FieldRow :fields="aboutWater" />
    <FishField :fish="state" @take="take" />
    <FieldRow :fields="aboutFish" />
    <UFormField v-for="axis in ['lat', 'lon'] as const" :key="axis" :name="axis" :label="axis">
      <UInputNumber
        v-model="state[axis]"
        :format-options="DEGREES"
        :increment="false"
        :decrement="false"
        :aria-label="axis"
        class="short"
      />
    </UFormField>
    <UFormField name="notes" label="notes" class="wide"
      ><UInput v-model="state.notes" class="w-full"
    /></UFormField>
    <UButton @click="emit('remove')">Delete</UButton>
  </UForm>
</template>

<style scoped>
.edit {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  padding: 4px 8px 10px;
  align-items: baseline;
}
.short {
  width: 90px;
}
.wide {
  flex: 1 1 100%;
}
</style>
