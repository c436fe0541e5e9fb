<script setup lang="ts">
import { UButton } from '#components'
import { computed, ref } from 'vue'
import { CONSTITUENTS, tideOf, turnsBetween, type ConstituentName } from '#core'
import { AMPLITUDE_RANGE_M, LEVEL_RANGE_M } from '#schemas/ranges'
import { DOCUMENT_SCHEMAS, type TideContent } from '#schemas/spot'
import { withUnit, type Unit } from '#words/units'
import ChoiceField from '~/ui/ChoiceField.vue'
import NumberField from '~/ui/NumberField.vue'
import { useSettings } from '~/ui/settings'
import { clockText } from './clock'
import type { TideConstants } from './tides'

/** Harmonic constants of a place, and the turns they give on the day, to hold against a printed table. */
const props = defineProps<{ tide: TideConstants; /** begin of the day, ms */ from: number }>()
const emit = defineEmits<{ keep: [content: TideContent] }>()
const settings = useSettings()
const wrong = ref<string>()
const DAY_MS = 86_400_000
const level = computed(() => ({
  ...settings.units.depth,
  decimals: settings.units.depth.label === 'm' ? 2 : 1,
}))
const fine = computed(() => ({ ...settings.units.depth, decimals: 3 }))
const DEGREES: Unit = { label: '°', from: x => x, to: x => x, decimals: 1 }
const turns = computed(() =>
  turnsBetween(tideOf({ ...props.tide, name: '' }), props.from, props.from + DAY_MS).map(
    ({ at, heightM, high }) => `${high ? 'high' : 'low'} ${clockText(at)}, ${withUnit(heightM, level.value)}`,
  ),
)
const left = computed(() => CONSTITUENTS.filter(id => !props.tide.constants.some(({ name }) => name === id)))

function keep(change: Partial<TideConstants>): void {
  const parsed = DOCUMENT_SCHEMAS.tide.safeParse({ ...props.tide, ...change })
  wrong.value = parsed.error?.issues[0]?.message
  if (parsed.success) emit('keep', parsed.data)
}
const set = (i: number, change: Partial<TideConstants['constants'][number]>): void =>
  keep({ constants: props.tide.constants.map((c, k) => (k === i ? { ...c, ...change } : c)) })
const namesFor = (own: ConstituentName): { value: ConstituentName; label: string }[] =>
  [own, ...left.value].map(value => ({ value, label: value }))
</script>

<template>
  <div class="constants">
    <NumberField
      label="mean level"
      :model-value="tide.meanM"
      :unit="level"
      :range="LEVEL_RANGE_M"
      :step="0.1"
      @update:model-value="meanM => keep({ meanM })"
    />
    <ul>
      <li v-for="(c, i) in tide.constants" :key="c.name">
        <ChoiceField
          :label="`constituent ${i + 1}`"
          hide-label
          :model-value="c.name"
          :items="namesFor(c.name)"
          @update:model-value="name => set(i, { name })"
        />
        <NumberField
          label="amplitude"
          :model-value="c.amplitudeM"
          :unit="fine"
          :range="AMPLITUDE_RANGE_M"
          :step="0.01"
          @update:model-value="amplitudeM => set(i, { amplitudeM })"
        />
        <NumberField
          label="phase lag"
          :model-value="c.phaseDeg"
          :unit="DEGREES"
          :range="[-360, 360]"
          :step="1"
          @update:model-value="phaseDeg => set(i, { phaseDeg })"
        />
        <UButton
          icon="i-lucide-x"
          variant="ghost"
          :aria-label="`Take out ${c.name}`"
          @click="keep({ constants: tide.constants.filter(other => other.name !== c.name) })"
        />
      </li>
    </ul>
    <p v-if="wrong" class="bad" role="alert">{{ wrong }}</p>
    <p v-if="left[0]">
      <UButton
        icon="i-lucide-plus"
        @click="keep({ constants: [...tide.constants, { name: left[0]!, amplitudeM: 0, phaseDeg: 0 }] })"
        >a constituent</UButton
      >
    </p>
    <p class="label">
      Phase lags on Greenwich, as published. On the day of the trip: {{ turns.join('; ') || 'no turn' }}.
    </p>
  </div>
</template>

<style scoped>
.constants {
  display: grid;
  gap: 6px;
  justify-items: start;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
}
.bad {
  color: var(--wrack);
}
</style>
