<script setup lang="ts">
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import ChoiceField from '~/ui/ChoiceField.vue'
import { choicesOf } from '~/ui/fields'
import NumberField from '~/ui/NumberField.vue'
import { BAIT_FORMS, FORM_IDS, LIMITS, PLASTIC_IDS, PLASTICS } from '#core'
import { fromTo, numberText, shown, withUnit } from '#words/units'

/** The bait that every lane carries. */
const spread = useSpread()
const settings = useSettings()
const forms = choicesOf(BAIT_FORMS, FORM_IDS)
const plastics = choicesOf(PLASTICS, PLASTIC_IDS)
const bait = computed(() => spread.content.bait)
const density = computed(() => {
  const { value, low, high } = PLASTICS[bait.value.material].density
  const { from, label, decimals } = settings.units.density
  return `${numberText(from(value), decimals)} ${label} (${fromTo(from(low), from(high), decimals)})`
})
const usual = computed(() => {
  const [low, high] = BAIT_FORMS[bait.value.form].lengthRangeM
  const { length } = settings.units
  return `sold ${shown(low, { ...length, decimals: 1 })} to ${withUnit(high, { ...length, decimals: 1 })}`
})
</script>

<template>
  <section class="bait" aria-label="Bait">
    <ChoiceField
      label="bait"
      :model-value="bait.form"
      :items="forms"
      @update:model-value="value => spread.edit(draft => void (draft.bait.form = value))"
    />
    <NumberField
      label="length"
      :model-value="bait.lengthM"
      :unit="settings.units.length"
      :range="LIMITS.baitLengthM"
      :step="settings.units.length.label === 'in' ? settings.units.length.to(0.25) : 0.005"
      @update:model-value="value => spread.edit(draft => void (draft.bait.lengthM = value))"
    />
    <span class="label note">{{ usual }}</span>
    <ChoiceField
      label="material"
      :model-value="bait.material"
      :items="plastics"
      @update:model-value="value => spread.edit(draft => void (draft.bait.material = value))"
    />
    <span class="label note">{{ density }}</span>
    <slot />
  </section>
</template>

<style scoped>
.bait {
  display: flex;
  align-items: center;
  gap: 6px 16px;
  padding: 5px 12px;
  border-bottom: var(--line-weight) solid var(--hair-strong);
  flex-wrap: wrap;
}
.note {
  margin-left: -8px;
}
@media (max-width: 639px) {
  .note {
    margin-left: 0;
  }
}
</style>
