<script setup lang="ts">
import ChoiceField from './ChoiceField.vue'
import type { Field } from './fields'
import NumberField from './NumberField.vue'

/** Fields one after another, as data; they stand in the row that holds them. */
defineProps<{ fields: readonly Field[] }>()
</script>

<template>
  <template v-for="field in fields" :key="field.label">
    <ChoiceField
      v-if="field.kind === 'choice'"
      :label="field.label"
      :hide-label="field.hideLabel"
      :model-value="field.value"
      :items="field.items"
      @update:model-value="field.set"
    />
    <NumberField
      v-else
      :label="field.label"
      :hide-label="field.hideLabel"
      :model-value="field.value"
      :unit="field.unit"
      :range="field.range"
      :step="field.step"
      @update:model-value="field.set"
    />
  </template>
</template>
