<script setup lang="ts">
import { UButton, UModal } from '#components'
import { computed, ref, watch } from 'vue'
import { useSettings } from '~/ui/settings'
import ChoiceField from '~/ui/ChoiceField.vue'
import NumberField from '~/ui/NumberField.vue'
import {
  densityByFloating,
  densityByWeighing,
  LIMITS,
  PLASTICS,
  SALINITY_GKG,
  SALINITY_RANGE_GKG,
  TEMPERATURE_RANGE_C,
  underWaterKg,
  waterOf,
  type FloatTest,
} from '#core'
import type { ItemDetails } from '#schemas/box'
import { ask } from '~/sync/api'
import { numberText, withUnit, type Unit } from '#words/units'
import { useExchange } from '~/sync/useExchange'

/**
 * Density of a plastic from its weight in air and under water, or from what it does in fresh and salt water.
 */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ name: string; bait: Extract<ItemDetails, { kind: 'bait' }> }>()
const emit = defineEmits<{ found: [densityKgM3: number] }>()
const settings = useSettings()
const SALT: Unit = { label: '‰', from: x => x, to: x => x, decimals: 0 }
const MOST_KG = 0.3
const temperatureC = ref(18)
const salinityGKg = ref(0)
const airKg = ref(0)
const hungKg = ref(0)
const sinkerKg = ref(0)
const stepKg = ref(1e-5)
const UNTRIED = { fresh: 'untried', salt: 'untried' } as const
const did = ref<{ fresh: FloatTest['did'] | 'untried'; salt: FloatTest['did'] | 'untried' }>(UNTRIED)
const { busy, error, exchange } = useExchange()
watch(
  open,
  now =>
    now &&
    ((airKg.value = hungKg.value = sinkerKg.value = 0), (did.value = UNTRIED), (error.value = undefined)),
)
const water = computed(() => waterOf(temperatureC.value, salinityGKg.value).densityKgM3)

/** The simulated pocket scale; a sinker makes what floats hang. */
const readScale = (where: 'air' | 'water'): Promise<void> =>
  exchange(async () => {
    const { kind: _, colour: __, ...bait } = props.bait
    const { massKg, stepKg: step } = await ask<{ massKg: number; stepKg: number }>(
      '/api/instruments/weigh',
      'POST',
      { bait, fluidKgM3: where === 'air' ? 0 : water.value },
    )
    stepKg.value = step
    if (where === 'air') airKg.value = massKg
    else if (massKg + sinkerKg.value <= 0)
      throw new Error(
        'It floats: the scale shows nothing. Hang a sinker with it and put in what the sinker alone weighs under water.',
      )
    else hungKg.value = massKg + sinkerKg.value
  })
const STEPS = [1e-5, 1e-4, 1e-3] as const
/** What the weighing, or else the float test, says. */
const says = computed(
  (): { readonly sentence: string; readonly densityKgM3?: number; readonly bad?: boolean } => {
    const density = { ...settings.units.density, decimals: 3 }
    const shown = (d: number): string => numberText(density.from(d), 3)
    const within = (d: number): boolean => d >= LIMITS.densityKgM3[0] && d <= LIMITS.densityKgM3[1]
    try {
      if (airKg.value > 0 && hungKg.value > 0) {
        const { value, low, high } = densityByWeighing(
          { airKg: airKg.value, waterKg: underWaterKg(hungKg.value, sinkerKg.value), stepKg: stepKg.value },
          water.value,
        )
        if (!within(value))
          return { sentence: 'No plastic is so light or so heavy: check the two weights.', bad: true }
        return {
          sentence: `${withUnit(value, density)} (${shown(low)} to ${shown(high)} by the scale's step), weighed.`,
          densityKgM3: value,
        }
      }
      const tests: FloatTest[] = [
        ...(did.value.fresh !== 'untried'
          ? [{ waterKgM3: waterOf(temperatureC.value, 0).densityKgM3, did: did.value.fresh }]
          : []),
        ...(did.value.salt !== 'untried'
          ? [{ waterKgM3: waterOf(temperatureC.value, SALINITY_GKG.salt).densityKgM3, did: did.value.salt }]
          : []),
      ]
      const { low, high } = densityByFloating(tests)
      const typical = PLASTICS[props.bait.material].density
      if (low === undefined && high === undefined)
        return { sentence: 'Weigh it in air and hanging in water, or say what it does in a glass.' }
      const [from, to] = [
        Math.max(low ?? 0, Math.min(typical.low, high ?? Infinity)),
        Math.min(high ?? Infinity, Math.max(typical.high, low ?? 0)),
      ]
      return {
        sentence: `Between ${shown(from)} and ${withUnit(to, density)}, by floating and the usual range of ${PLASTICS[props.bait.material].name}.`,
        densityKgM3: (from + to) / 2,
      }
    } catch (failure) {
      return {
        sentence:
          failure instanceof RangeError && failure.message.startsWith('densityByFloating')
            ? 'It cannot float in fresh water and sink in salt: try again.'
            : 'Under water it must weigh less than in air: check the two weights.',
        bad: true,
      }
    }
  },
)
const DID = [
  { value: 'untried', label: 'not tried' },
  { value: 'floats', label: 'floats' },
  { value: 'hangs', label: 'hangs' },
  { value: 'sinks', label: 'sinks' },
] as const
function take(): void {
  if (says.value.densityKgM3 !== undefined) emit('found', Math.round(10 * says.value.densityKgM3) / 10)
  open.value = false
}
</script>

<template>
  <UModal v-model:open="open" :title="`Weigh ${name}`" :ui="{ content: 'max-w-xl' }">
    <template #body>
      <div class="fields">
        <NumberField
          label="in air"
          :model-value="airKg"
          :unit="settings.units.scale"
          :range="[0, MOST_KG]"
          :step="1e-5"
          @update:model-value="value => (airKg = value)"
        /><UButton :disabled="busy" @click="readScale('air')">read the scale</UButton>
        <NumberField
          label="hanging in water"
          :model-value="hungKg"
          :unit="settings.units.scale"
          :range="[0, MOST_KG]"
          :step="1e-5"
          @update:model-value="value => (hungKg = value)"
        /><UButton :disabled="busy" @click="readScale('water')"> read the scale </UButton>
        <NumberField
          label="of it a sinker's"
          :model-value="sinkerKg"
          :unit="settings.units.scale"
          :range="[0, MOST_KG]"
          :step="1e-4"
          @update:model-value="value => (sinkerKg = value)"
        />
        <ChoiceField
          label="scale's step"
          :model-value="String(stepKg)"
          :items="
            STEPS.map(s => ({
              value: String(s),
              label: `${Number(settings.units.scale.from(s).toPrecision(2))} ${settings.units.scale.label}`,
            }))
          "
          @update:model-value="value => (stepKg = Number(value))"
        />
        <NumberField
          label="water"
          :model-value="temperatureC"
          :unit="settings.units.temperature"
          :range="TEMPERATURE_RANGE_C"
          :step="1"
          @update:model-value="value => (temperatureC = value)"
        />
        <NumberField
          label="salt"
          :model-value="salinityGKg"
          :unit="SALT"
          :range="SALINITY_RANGE_GKG"
          :step="1"
          @update:model-value="value => (salinityGKg = value)"
        />
      </div>
      <p class="label">
        No bubbles on it, nothing touching the glass. A bait that floats: hang a sinker with it and say what
        the sinker alone weighs under water. The scale is simulated.
      </p>
      <h3>Or let it float</h3>
      <div class="fields">
        <ChoiceField
          label="in fresh water it"
          :model-value="did.fresh"
          :items="DID"
          @update:model-value="value => (did = { ...did, fresh: value })"
        />
        <ChoiceField
          label="in sea water it"
          :model-value="did.salt"
          :items="DID"
          @update:model-value="value => (did = { ...did, salt: value })"
        />
      </div>
      <p class="says" role="status" :class="{ bad: says.bad }">{{ says.sentence }}</p>
      <p v-if="error" class="bad" role="alert">{{ error }}</p>
      <p class="acts">
        <UButton variant="solid" :disabled="says.densityKgM3 === undefined" @click="take()">
          Use this density</UButton
        ><UButton @click="open = false">Leave it</UButton>
      </p>
    </template>
  </UModal>
</template>

<style scoped>
h3 {
  font-size: 16px;
  font-weight: 600;
  margin: 10px 0 2px;
}
.fields {
  display: grid;
  grid-template-columns: auto auto;
  gap: 6px 16px;
  align-items: baseline;
  justify-content: start;
  padding: 4px 0 6px;
}
.acts {
  display: flex;
  gap: 8px;
  padding-top: 8px;
}
.says {
  font-size: 17px;
  padding: 6px 0 6px 10px;
  margin-top: 8px;
  border-left: 5px solid var(--float);
}
.bad {
  color: var(--wrack);
}
</style>
