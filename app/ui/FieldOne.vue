<script setup lang="ts">
import ChoiceField from './ChoiceField.vue'
import type { Field } from './fields'
import NumberField from './NumberField.vue'

/**
 * One field as data. What it hands on goes through one function of its own, so that a field whose value stays is not
 * drawn anew when its neighbours change.
 */
const props = defineProps<{ field: Field }>()
const choose = (value: string): void => {
  if (props.field.kind === 'choice') props.field.set(value)
}
const write = (value: number): void => {
  if (props.field.kind === 'number') props.field.set(value)
}
</script>

<template>
  <ChoiceField
    v-if="field.kind === 'choice'"
    :label="field.label"
    :hide-label="field.hideLabel"
    :model-value="field.value"
    :items="field.items"
    @update:model-value="choose"
  />
  <NumberField
    v-else
    :label="field.label"
    :hide-label="field.hideLabel"
    :model-value="field.value"
    :unit="field.unit"
    :range="field.range"
    :step="field.step"
    @update:model-value="write"
  />
</template>
