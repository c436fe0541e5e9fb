<script setup lang="ts" generic="T extends string">
import { USelect } from '#components'
import { computed, ref, useId } from 'vue'
import type { Choice } from './fields'

/**
 * A choice from a short list, by its names. The names stand on the page once somebody turns to them: a view has a
 * hundred and more of them, and they are most of what it takes to lay it out.
 */
const props = defineProps<{
  label: string
  modelValue: T
  items: readonly Choice<T>[]
  hideLabel?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
const id = useId()
const turnedTo = ref(false)
const list = computed(() =>
  turnedTo.value ? named.value : named.value.filter(item => item.value === String(props.modelValue)),
)
const named = computed(() =>
  props.items.flatMap(({ value, label, group }, i) => [
    ...(group && group !== props.items[i - 1]?.group
      ? [{ type: 'label' as const, label: group, value: undefined }]
      : []),
    { value: value as string, label },
  ]),
)
</script>

<template>
  <span class="choice-field">
    <label :for="id" class="label" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <USelect
      :id="id"
      :model-value="String(modelValue)"
      :items="list"
      value-key="value"
      :aria-label="label"
      size="sm"
      variant="none"
      class="choice"
      trailing-icon="i-lucide-chevron-down"
      @pointerenter="turnedTo = true"
      @focusin="turnedTo = true"
      @update:open="turnedTo = true"
      @update:model-value="value => emit('update:modelValue', value as T)"
    />
  </span>
</template>

<style scoped>
.choice-field {
  display: inline-flex;
  align-items: baseline;
  gap: 6px;
  min-width: 0;
}
.choice-field :deep(.choice) {
  height: 27px;
  min-width: 0;
  max-width: 100%;
  background: var(--raised);
  border-bottom: 1px solid var(--hair-strong);
  border-radius: 2px 2px 0 0;
  color: var(--ink);
  padding-block: 0;
  padding-inline: 6px 24px;
  font-size: 15px;
}
@media (max-width: 639px) {
  .choice-field :deep(.choice) {
    height: 40px;
  }
}
</style>
