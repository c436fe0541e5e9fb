<script setup lang="ts">
import { UButton, UModal } from '#components'
import { HANDS, SIZES, THEMES, useSettings } from '~/ui/settings'
import { UNIT_SYSTEMS } from '#words/units'

/** How bank mode is held and seen: theme, hand, size, units. */
const open = defineModel<boolean>('open', { required: true })
const settings = useSettings()
</script>

<template>
  <UModal v-model:open="open" title="Hand, size, theme">
    <template #body>
      <fieldset>
        <legend>theme</legend>
        <UButton
          v-for="theme in THEMES"
          :key="theme"
          class="one"
          :aria-pressed="settings.theme === theme"
          @click="settings.theme = theme"
          >{{ theme }}</UButton
        >
      </fieldset>
      <fieldset>
        <legend>hand that holds it</legend>
        <UButton
          v-for="hand in HANDS"
          :key="hand"
          class="one"
          :aria-pressed="settings.hand === hand"
          @click="settings.hand = hand"
          >{{ hand }}</UButton
        >
      </fieldset>
      <fieldset>
        <legend>size</legend>
        <UButton
          v-for="size in SIZES"
          :key="size"
          class="one"
          :aria-pressed="settings.size === size"
          @click="settings.size = size"
          >{{ size }}</UButton
        >
      </fieldset>
      <fieldset>
        <legend>units</legend>
        <UButton
          v-for="system in UNIT_SYSTEMS"
          :key="system"
          class="one"
          :aria-pressed="settings.system === system"
          @click="settings.system = system"
          >{{ system }}</UButton
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
