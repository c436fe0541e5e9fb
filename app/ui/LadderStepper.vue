<script setup lang="ts">
import { UButton } from '#components'
/** Steps up and down a real ladder (hook sizes, weights). The value is shown as anglers write it. */
defineProps<{
  label: string
  value: string
  downDisabled?: boolean
  upDisabled?: boolean
  disabled?: boolean
  hint?: string
}>()
const emit = defineEmits<{ step: [direction: 1 | -1] }>()
</script>

<template>
  <span class="stepper" role="group" :aria-label="label">
    <span class="label name">{{ label }}</span>
    <UButton
      icon="i-lucide-minus"
      variant="ghost"
      :aria-label="`${label} down`"
      :disabled="disabled || downDisabled"
      @click="emit('step', -1)"
    />
    <output class="figure" :title="hint">{{ value }}</output>
    <UButton
      icon="i-lucide-plus"
      variant="ghost"
      :aria-label="`${label} up`"
      :disabled="disabled || upDisabled"
      @click="emit('step', 1)"
    />
  </span>
</template>

<style scoped>
.stepper {
  display: inline-flex;
  align-items: center;
  min-width: 0;
}
.name {
  margin-right: 5px;
}
output {
  min-width: 6.2ch;
  text-align: center;
  font-size: 16px;
  font-weight: 600;
  white-space: nowrap;
}
button {
  width: 26px;
  height: 26px;
  display: grid;
  place-items: center;
  border: var(--line-weight) solid var(--hair-strong);
  border-radius: 2px;
  color: var(--ink);
  background: var(--raised);
  font-size: 14px;
}
button:hover:not(:disabled) {
  background: var(--ink);
  color: var(--paper);
}
button:disabled {
  opacity: 0.35;
  cursor: default;
}
@media (max-width: 639px) {
  button {
    width: 44px;
    height: 44px;
    font-size: 20px;
  }
}
</style>
