<script setup lang="ts">
import { USlider } from '#components'

/** A bar to slide along. `says` is what is read out in place of the bare number. */
defineProps<{ label: string; min: number; max: number; step: number; says?: string }>()
const value = defineModel<number>({ required: true })
</script>

<template>
  <USlider
    :model-value="value"
    :min="min"
    :max="max"
    :step="step"
    :aria-label="label"
    :aria-valuetext="says"
    @update:model-value="next => next !== undefined && (value = Number(next))"
  />
</template>
