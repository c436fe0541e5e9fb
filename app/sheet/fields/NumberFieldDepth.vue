<script setup lang="ts">
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import NumberField from '~/ui/NumberField.vue'
import { DEPTH_RANGE_M } from '#schemas/ranges'
import { setDepth } from '~/ui/drawing/zone'

/** The depth of the water, wherever it is set. */
const spread = useSpread()
const settings = useSettings()
const step = computed(() => settings.units.depth.to(settings.units.depth.label === 'm' ? 0.25 : 1))
</script>

<template>
  <NumberField
    label="depth"
    :model-value="spread.content.water.depthM"
    :unit="settings.units.depth"
    :range="DEPTH_RANGE_M"
    :step="step"
    @update:model-value="value => spread.edit(draft => setDepth(draft, value))"
  />
</template>
