<script setup lang="ts">
import { UInput } from '#components'
import { computed, ref, useId, watch } from 'vue'
import type { Unit } from '#words/units'
import { parseNumber, shown } from '#words/units'

/**
 * A number typed in the unit shown and handed on in SI. A bad entry stays in the field with its reason; the
 * last good value holds.
 */
const props = defineProps<{
  label: string
  modelValue: number
  unit: Unit
  /** SI */ range: readonly [number, number]
  /** SI, for the arrow buttons and keys */ step: number
  hideLabel?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number] }>()

const id = useId()
const text = ref('')
const error = ref<string>()
const write = (): void => {
  text.value = shown(props.modelValue, props.unit)
  error.value = undefined
}
watch(() => [props.modelValue, props.unit] as const, write, { immediate: true })

/** Bounds as they can be typed: rounded inward to the decimals shown. */
const bounds = computed(() => {
  const scale = 10 ** props.unit.decimals
  const [low, high] = props.range.map(props.unit.from) as [number, number]
  return { low: Math.ceil(low * scale - 1e-6) / scale, high: Math.floor(high * scale + 1e-6) / scale }
})

function take(): void {
  if (text.value === shown(props.modelValue, props.unit)) return void (error.value = undefined)
  const value = parseNumber(text.value)
  const { low, high } = bounds.value
  if (value === undefined) error.value = `${props.label}: write a number in ${props.unit.label}.`
  else if (value < low || value > high)
    error.value = `${props.label} must lie between ${low} and ${high} ${props.unit.label}.`
  else emit('update:modelValue', Math.min(props.range[1], Math.max(props.range[0], props.unit.to(value))))
}

function stepBy(direction: 1 | -1): void {
  const next = Math.round(props.modelValue / props.step + direction) * props.step
  emit('update:modelValue', Math.min(props.range[1], Math.max(props.range[0], next)))
}
</script>

<template>
  <span class="number-field" :class="{ bad: error }">
    <label :for="id" class="label" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <span class="box">
      <UInput
        :id="id"
        v-model="text"
        class="figure"
        inputmode="decimal"
        autocomplete="off"
        :aria-invalid="error ? 'true' : 'false'"
        :aria-describedby="error ? `${id}-error` : undefined"
        @change="take"
        @keydown.up.prevent="stepBy(1)"
        @keydown.down.prevent="stepBy(-1)"
        @keydown.esc="write"
      />
      <span class="unit label">{{ unit.label }}</span>
    </span>
    <span v-if="error" :id="`${id}-error`" class="field-error" role="alert">{{ error }}</span>
  </span>
</template>

<style scoped>
.number-field {
  position: relative;
  display: inline-flex;
  align-items: baseline;
  gap: 6px;
}
.box {
  display: inline-flex;
  align-items: baseline;
  gap: 4px;
  border-bottom: 1px solid var(--hair-strong);
  background: var(--raised);
  padding: 0 6px;
  border-radius: 2px 2px 0 0;
}
.box:focus-within {
  border-bottom-color: var(--float);
}
.box :deep(input) {
  width: 4.2ch;
  padding: 0;
  background: transparent;
  box-shadow: none;
  outline: none;
  font-size: 16px;
  text-align: right;
}
.bad .box {
  border-bottom: 2px solid var(--wrack);
}
</style>
