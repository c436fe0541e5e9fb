<script setup lang="ts">
import { UButton } from '#components'
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import CheckField from '~/ui/CheckField.vue'
import FieldRow from '~/ui/FieldRow.vue'
import { choice, choicesOf } from '~/ui/fields'
import LadderStepper from '~/ui/LadderStepper.vue'
import NumberField from '~/ui/NumberField.vue'
import {
  BAIT_FORMS,
  FAMILIES,
  guardOf,
  HOOK_SIZES,
  KEEPERS,
  LIMITS,
  stepWeight,
  WEIGHT_MATERIALS,
  WIRE_GRADES,
  type HookDims,
} from '#core'
import type { Lane } from '#schemas/spread'
import { stepHook } from '~/sheet/lanes'
import { weightText } from '#words/units'
import { POINT_WORDS } from '#words/words'
import FoldOut from '~/ui/FoldOut.vue'
import type { BenchLook } from '~/compute/bench'

/**
 * What a hand can change on the bench besides the size: weight, wire, gap, keeper, point, slit, peg, cut; and
 * the hook's own measurements.
 */
const props = defineProps<{ lane: Lane; look: Extract<BenchLook, { kind: 'rig' }> | undefined }>()
const emit = defineEmits<{ change: [change: Partial<Lane>] }>()
const settings = useSettings()
const spread = useSpread()
const family = computed(() => FAMILIES[props.lane.family])
const weedless = computed(() => props.lane.pointRest !== 'open')
const MATERIALS = choicesOf(WEIGHT_MATERIALS)
const WIRES = choicesOf(WIRE_GRADES)
const GAPS = choicesOf({ standard: 'usual gap', deep: 'deep belly' })
const GUARDS = { none: 'no guard', fibre: 'fibre guard', wire: 'wire guard' } as const
/** The usual one is left out of the rig. */
const unless = <T,>(usual: T, value: T): T | undefined => (value === usual ? undefined : value)
const materialRow = computed(() => {
  const { weightMaterial, wire = 'standard', gap = 'standard' } = props.lane
  return [
    ...(family.value.weighted
      ? [choice('of', weightMaterial, MATERIALS, of => emit('change', { weightMaterial: of }))]
      : []),
    choice('wire', wire, WIRES, to => emit('change', { wire: unless('standard', to) })),
    ...(weedless.value
      ? [choice('gap', gap, GAPS, to => emit('change', { gap: unless('standard', to) }))]
      : []),
  ]
})
const holdRow = computed(() => {
  const { pointRests, keepers, guards } = family.value
  const { pointRest, keeper = keepers[0]! } = props.lane
  return [
    ...(pointRests.length > 1
      ? [
          choice('point', pointRest, choicesOf(POINT_WORDS, pointRests), to =>
            emit('change', { pointRest: to }),
          ),
        ]
      : []),
    choice('held by', keeper, choicesOf(KEEPERS, keepers), to =>
      emit('change', { keeper: unless(keepers[0], to) }),
    ),
    ...(guards
      ? [choice('guard', guardOf(props.lane), choicesOf(GUARDS, guards), guard => emit('change', { guard }))]
      : []),
  ]
})
/** What can be done to hook and bait, or not. */
const switches = computed(() => {
  const { limbs } = BAIT_FORMS[spread.content.bait.form]
  return [
    ...(weedless.value
      ? ([
          ['slit', 'slit the belly'],
          ['levelled', 'hook bent level with pliers'],
        ] as const)
      : []),
    ...(family.value.trailer ? ([['sideOn', 'trailer on its side']] as const) : []),
    ['pinned', 'peg at the bend'] as const,
    ...(limbs ? ([['trimLimbs', 'cut off claws and legs']] as const) : []),
  ]
})
const OWN = [
  ['lengthM', 'length', 'small'],
  ['gapM', 'gap', 'small'],
  ['wireM', 'wire', 'fine'],
  ['neckM', 'neck', 'small'],
  ['pointM', 'point', 'small'],
] as const satisfies readonly (readonly [keyof HookDims, string, 'small' | 'fine'])[]
const typical = computed<Partial<HookDims>>(() =>
  props.look
    ? { lengthM: NaN, gapM: props.look.dims.gapM, wireM: props.look.dims.wireM, neckM: props.look.dims.neckM }
    : {},
)
const own = (key: keyof HookDims): number => props.lane.hook?.[key] ?? typical.value[key] ?? 0
const setOwn = (key: keyof HookDims, value: number): void =>
  emit('change', { hook: { ...props.lane.hook, [key]: value } })
const moved = computed(
  () =>
    props.lane.hookAtM !== undefined ||
    props.lane.exitAtM !== undefined ||
    props.lane.weightAtM !== undefined,
)
</script>

<template>
  <section class="options" aria-label="Hook and bait">
    <div class="row">
      <LadderStepper
        label="size"
        :value="lane.hookSize"
        :down-disabled="lane.hookSize === HOOK_SIZES[0]"
        :up-disabled="lane.hookSize === HOOK_SIZES[HOOK_SIZES.length - 1]"
        @step="by => emit('change', { hookSize: stepHook(lane.hookSize, by) })"
      />
      <LadderStepper
        v-if="family.weighted"
        label="weight"
        :value="weightText(lane.weightKg, settings.system)"
        @step="by => emit('change', { weightKg: stepWeight(settings.units.ladderKg, lane.weightKg, by) })"
      />
    </div>
    <div class="row">
      <FieldRow :fields="materialRow" />
    </div>
    <div class="row">
      <FieldRow :fields="holdRow" />
    </div>
    <div class="row">
      <CheckField
        v-for="[key, label] in switches"
        :key="key"
        :model-value="lane[key]"
        :label="label"
        @update:model-value="emit('change', { [key]: lane[key] ? undefined : true })"
      />
      <NumberField
        label="cut off the nose"
        :model-value="lane.trimM ?? 0"
        :unit="settings.units.small"
        :range="LIMITS.trimM"
        :step="0.001"
        @update:model-value="trimM => emit('change', { trimM: trimM === 0 ? undefined : trimM })"
      />
    </div>
    <FoldOut>
      <template #head
        ><span class="label"
          >own measurements of this hook {{ lane.hook ? '(in use)' : '(typical ones in use)' }}</span
        ></template
      >
      <div class="row own">
        <NumberField
          v-for="[key, label, unit] in OWN.filter(
            ([key]) => (key !== 'lengthM' && key !== 'pointM') || lane.hook?.[key] !== undefined,
          )"
          :key="key"
          :label="label"
          :model-value="own(key)"
          :unit="settings.units[unit]"
          :range="[0, 0.2]"
          :step="unit === 'fine' ? 0.00005 : 0.0005"
          @update:model-value="value => setOwn(key, value)"
        />
        <UButton v-if="lane.hook" @click="emit('change', { hook: undefined })"> Back to typical </UButton>
      </div>
    </FoldOut>
    <UButton
      v-if="moved"
      @click="emit('change', { hookAtM: undefined, exitAtM: undefined, weightAtM: undefined })"
    >
      Put hook, exit and weight back in their usual places
    </UButton>
  </section>
</template>

<style scoped>
.options {
  padding: 6px 12px 8px;
  border-bottom: var(--line-weight) solid var(--hair-strong);
  display: grid;
  gap: 5px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 5px 14px;
  align-items: center;
}
.own {
  padding: 6px 0 2px;
}
</style>
