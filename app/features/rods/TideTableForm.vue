<script setup lang="ts">
import { UButton, UInput } from '#components'
import { computed, ref } from 'vue'
import { LEVEL_RANGE_M } from '#schemas/ranges'
import { DOCUMENT_SCHEMAS, type TideContent } from '#schemas/spot'
import DateField from '~/ui/DateField.vue'
import NumberField from '~/ui/NumberField.vue'
import { useSettings } from '~/ui/settings'
import { hoursOf, hoursText } from './clock'
import { timeOfRow } from '../../../shared/tide'
import { doubtsOf, type TideTable } from './tides'

/** High and low waters of a day, out of a table that may hold a year. */
const props = defineProps<{ table: TideTable; date: string }>()
const emit = defineEmits<{ keep: [content: TideContent] }>()
const settings = useSettings()
const day = ref(props.date)
const wrong = ref<string>()
const rows = computed(() => props.table.turns.filter(({ at }) => at.startsWith(day.value)))
const doubts = computed(() => doubtsOf(props.table).filter(text => text.includes(day.value)))
const level = computed(() => ({
  ...settings.units.depth,
  decimals: settings.units.depth.label === 'm' ? 2 : 1,
}))

function keep(turns: TideTable['turns']): void {
  const content = { kind: 'table', turns: [...turns].sort((a, b) => (a.at < b.at ? -1 : 1)) } as const
  const parsed = DOCUMENT_SCHEMAS.tide.safeParse(content)
  wrong.value = parsed.error?.issues[0]?.message
  if (parsed.success) emit('keep', parsed.data)
}
const without = (at: string): TideTable['turns'] => props.table.turns.filter(turn => turn.at !== at)
function setTime(at: string, heightM: number, typed: string): void {
  const hours = hoursOf(typed)
  if (hours === undefined || hours >= 24) return void (wrong.value = 'Write a time of day, as 6:05.')
  keep([...without(at), { at: `${day.value}T${hoursText(hours)}`, heightM }])
}
/** Half a tide after the last row of the day, as the one before it stood. */
const HALF_TIDE_MS = 372.6 * 60_000
function add(): void {
  const last = rows.value.at(-1)
  if (!last) return keep([...props.table.turns, { at: `${day.value}T06:00`, heightM: 1 }])
  const next = new Date(timeOfRow(last.at) + HALF_TIDE_MS)
  const pad = (n: number): string => String(n).padStart(2, '0')
  const at = `${next.getFullYear()}-${pad(next.getMonth() + 1)}-${pad(next.getDate())}T${pad(next.getHours())}:${pad(next.getMinutes())}`
  const before = rows.value.at(-2) ?? last
  keep([...props.table.turns, { at, heightM: before.heightM }])
  day.value = at.slice(0, 10)
}
</script>

<template>
  <div class="table">
    <DateField v-model="day" label="day" />
    <p v-if="rows.length === 0" class="label">No high or low water of that day.</p>
    <ul>
      <li v-for="turn in rows" :key="turn.at">
        <UInput
          class="time figure"
          :model-value="turn.at.slice(11)"
          :aria-label="`Time of the turn at ${turn.at.slice(11)}`"
          @change="setTime(turn.at, turn.heightM, ($event.target as HTMLInputElement).value)"
        />
        <NumberField
          :label="`level at ${turn.at.slice(11)}`"
          hide-label
          :model-value="turn.heightM"
          :unit="level"
          :range="LEVEL_RANGE_M"
          :step="0.1"
          @update:model-value="heightM => keep([...without(turn.at), { at: turn.at, heightM }])"
        />
        <UButton
          icon="i-lucide-x"
          variant="ghost"
          :aria-label="`Take out the turn at ${turn.at.slice(11)}`"
          @click="keep(without(turn.at))"
        />
      </li>
    </ul>
    <p v-if="wrong" class="bad" role="alert">{{ wrong }}</p>
    <p v-for="text in doubts" :key="text" class="label">{{ text }}</p>
    <p><UButton icon="i-lucide-plus" @click="add()">a high or low water</UButton></p>
  </div>
</template>

<style scoped>
.table {
  display: grid;
  gap: 6px;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
li {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.time {
  width: 62px;
  text-align: center;
}
.bad {
  color: var(--wrack);
}
</style>
