<script setup lang="ts">
import { UButton, UInput } from '#components'
import { computed, ref } from 'vue'
import ChoiceField from '~/ui/ChoiceField.vue'
import { TEMPERATURE_RANGE_C } from '#core'
import { WIND_RANGE_MS } from '#schemas/ranges'
import { choicesOf } from '~/ui/fields'
import NumberField from '~/ui/NumberField.vue'
import { useSettings } from '~/ui/settings'
import DateField from '~/ui/DateField.vue'
import type { StoredDocument, TripContent } from '#schemas/spot'
import { hoursOf, hoursText } from './clock'

/** The trip in a short form: the day, the stops, how many rods. */
const props = defineProps<{
  content: TripContent
  spots: readonly StoredDocument<'spot'>[]
  tides: readonly StoredDocument<'tide'>[]
  temperatureC: number
  problem: string | undefined
}>()
const emit = defineEmits<{ edit: [change: (draft: TripContent) => void]; tides: [] }>()
const settings = useSettings()
const items = computed(() => props.spots.map(s => ({ value: s.id, label: s.name, group: s.content.water })))
const rods = [1, 2, 3, 4, 5].map(n => ({ value: String(n), label: n === 1 ? 'one rod' : `${n} rods` }))
const SIMULATED = 'simulated'
const EDIT = 'edit'
const tideItems = computed(() => [
  { value: SIMULATED, label: 'simulated coast' },
  ...props.tides.map(t => ({ value: t.id, label: t.name, group: 'your own' })),
  { value: EDIT, label: 'tables and constants…', group: 'your own' },
])
const tide = computed(() =>
  props.tides.some(t => t.id === props.content.tideId) ? props.content.tideId! : SIMULATED,
)
function takeTide(value: string): void {
  if (value === EDIT) return emit('tides')
  emit('edit', draft => {
    if (value === SIMULATED) delete draft.tideId
    else draft.tideId = value
  })
}
const WINDS = choicesOf({ simulated: 'simulated', typed: 'as typed' })
const USUAL_WIND_MS = 4
const takeWind = (value: string): void =>
  emit('edit', draft => {
    if (value === 'typed') draft.windMS = USUAL_WIND_MS
    else delete draft.windMS
  })
const wrong = ref<string>()
function setTime(i: number, key: 'fromH' | 'toH', event: Event): void {
  const hours = hoursOf((event.target as HTMLInputElement).value)
  wrong.value = hours === undefined ? 'Write a time of day, as 7:30.' : undefined
  if (hours !== undefined) emit('edit', draft => void (draft.stops[i]![key] = hours))
}
const add = (): void =>
  emit('edit', draft => {
    const last = draft.stops[draft.stops.length - 1]
    draft.stops.push({
      spotId: props.spots[0]!.id,
      fromH: Math.min(22, last?.toH ?? 7),
      toH: Math.min(24, (last?.toH ?? 7) + 3),
    })
  })
</script>

<template>
  <section class="form no-print" aria-label="Trip">
    <DateField
      label="day"
      :model-value="content.date"
      @update:model-value="date => emit('edit', draft => void (draft.date = date))"
    />
    <ChoiceField
      label="carry"
      :model-value="String(content.rods)"
      :items="rods"
      @update:model-value="value => emit('edit', draft => void (draft.rods = Number(value)))"
    />
    <span v-for="(stop, i) in content.stops" :key="i" class="stop">
      <ChoiceField
        :label="`stop ${i + 1}`"
        :model-value="stop.spotId"
        :items="items"
        @update:model-value="value => emit('edit', draft => void (draft.stops[i]!.spotId = value))"
      />
      <UInput
        class="time figure"
        :model-value="hoursText(stop.fromH)"
        :aria-label="`Stop ${i + 1} from`"
        @change="setTime(i, 'fromH', $event)"
      /><span class="label">to</span
      ><UInput
        class="time figure"
        :model-value="hoursText(stop.toH)"
        :aria-label="`Stop ${i + 1} to`"
        @change="setTime(i, 'toH', $event)"
      />
      <UButton
        icon="i-lucide-x"
        variant="ghost"
        :aria-label="`Take stop ${i + 1} out`"
        @click="emit('edit', draft => void draft.stops.splice(i, 1))"
      />
    </span>
    <UButton
      v-if="content.stops.length < 6"
      icon="i-lucide-plus"
      :disabled="spots.length === 0"
      @click="add()"
      >a stop</UButton
    >
    <ChoiceField label="tide" :model-value="tide" :items="tideItems" @update:model-value="takeTide" />
    <span class="stop">
      <ChoiceField
        label="wind"
        :model-value="content.windMS === undefined ? 'simulated' : 'typed'"
        :items="WINDS"
        @update:model-value="takeWind"
      />
      <NumberField
        v-if="content.windMS !== undefined"
        label="wind of the day"
        hide-label
        :model-value="content.windMS"
        :unit="settings.units.speed"
        :range="WIND_RANGE_MS"
        :step="1"
        @update:model-value="to => emit('edit', draft => void (draft.windMS = to))"
      />
    </span>
    <NumberField
      label="water"
      :model-value="temperatureC"
      :unit="settings.units.temperature"
      :range="TEMPERATURE_RANGE_C"
      :step="1"
      @update:model-value="to => emit('edit', draft => void (draft.temperatureC = to))"
    />
    <p v-if="wrong ?? problem" class="bad" role="alert">{{ wrong ?? problem }}</p>
    <slot />
  </section>
</template>

<style scoped>
.form {
  display: flex;
  flex-wrap: wrap;
  gap: 5px 16px;
  align-items: center;
  padding: 5px 12px;
  background: var(--raised);
  border-bottom: var(--line-weight) solid var(--ink);
}
.time {
  width: 54px;
  text-align: center;
}
.stop {
  display: inline-flex;
  gap: 5px;
  align-items: center;
  padding-left: 8px;
  border-left: 3px solid var(--hair-strong);
}
.stop button {
  width: 26px;
  height: 26px;
  display: grid;
  place-items: center;
}
.bad {
  color: var(--wrack);
  font-size: 14px;
}
@media (max-width: 639px) {
  .stop button {
    min-height: 40px;
    height: 40px;
  }
}
</style>
