<script setup lang="ts">
import { UButton, UModal } from '#components'
import { computed } from 'vue'
import { HANDS, SIZES, THEMES, useSettings } from '~/ui/settings'
import { UNIT_SYSTEMS } from '#words/units'

/** How bank mode is held and seen: theme, hand, size, units. */
const open = defineModel<boolean>('open', { required: true })
const settings = useSettings()
/** A row of keys of which one is on. */
const group = <T extends string>(legend: string, values: readonly T[], of: T, set: (value: T) => void) => ({
  legend,
  values: values as readonly string[],
  of: of as string,
  set: (value: string): void => set(value as T),
})
const groups = computed(() => [
  group('theme', THEMES, settings.theme, to => (settings.theme = to)),
  group('hand that holds it', HANDS, settings.hand, to => (settings.hand = to)),
  group('size', SIZES, settings.size, to => (settings.size = to)),
  group('units', UNIT_SYSTEMS, settings.system, to => (settings.system = to)),
])
</script>

<template>
  <UModal v-model:open="open" title="Hand, size, theme">
    <template #body>
      <fieldset v-for="g in groups" :key="g.legend">
        <legend>{{ g.legend }}</legend>
        <UButton
          v-for="value in g.values"
          :key="value"
          class="one"
          :aria-pressed="g.of === value"
          @click="g.set(value)"
          >{{ value }}</UButton
        >
      </fieldset>
    </template>
  </UModal>
</template>

<style scoped>
fieldset {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  gap: 8px;
  padding: 8px 0;
}
legend {
  font-size: 16px;
  color: var(--ink-soft);
}
.one {
  min-height: 56px;
  font-size: 18px;
  justify-content: center;
}
.one[aria-pressed='true'] {
  background: var(--ink);
  color: var(--paper);
}
</style>
