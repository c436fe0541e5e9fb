<script setup lang="ts">
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import ChoiceField from '~/ui/ChoiceField.vue'
import { choicesOf } from '~/ui/fields'
import NumberField from '~/ui/NumberField.vue'
import { LINE_KINDS, LINE_STOCKS } from '#core'
import { LINE_RANGE_N } from '#schemas/ranges'

/** The line in use: kind and strength. */
const spread = useSpread()
const settings = useSettings()
const lines = choicesOf(LINE_STOCKS, LINE_KINDS)
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
