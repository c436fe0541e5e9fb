<script setup lang="ts">
import { useSettings } from '~/stores/settings'
import { useSpread } from '~/stores/spread'
import ChoiceField from '~/components/form/ChoiceField.vue'
import NumberField from '~/components/form/NumberField.vue'
import { LINE_KINDS, LINE_STOCKS } from '#catalogue'
import { LINE_RANGE_N } from '#schemas/fields'

/** The line in use: kind and strength. */
const spread = useSpread()
const settings = useSettings()
const lines = LINE_KINDS.map(value => ({ value, label: LINE_STOCKS[value].name }))
</script>

<template>
  <span class="line">
    <ChoiceField
      label="line"
      :model-value="spread.content.line.kind"
      :items="lines"
      @update:model-value="value => spread.edit(draft => void (draft.line.kind = value))"
    />
    <NumberField
      label="line strength"
      hide-label
      :model-value="spread.content.line.strengthN"
      :unit="settings.units.lineStrength"
      :range="LINE_RANGE_N"
      :step="settings.units.lineStrength.to(1)"
      @update:model-value="value => spread.edit(draft => void (draft.line.strengthN = value))"
    />
  </span>
</template>

<style scoped>
.line {
  display: inline-flex;
  gap: 4px;
  align-items: baseline;
}
</style>
