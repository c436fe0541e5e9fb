<script setup lang="ts">
import { UButton } from '#components'
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import NumberField from '~/ui/NumberField.vue'
import { LEAST_ZONE_M } from '~/ui/drawing/zone'

/** The depths the fish feed between; anywhere until it is set. */
const spread = useSpread()
const settings = useSettings()
const depthM = computed(() => spread.content.water.depthM)
const zone = computed(() => spread.content.water.zone)
const step = computed(() => settings.units.depth.to(settings.units.depth.label === 'm' ? 0.25 : 1))

/** The lower third to begin with: where most fish are fed that a falling bait is meant for. */
const begin = (): void =>
  spread.edit(
    draft => void (draft.water.zone = { fromM: Math.round((depthM.value * 20) / 3) / 10, toM: depthM.value }),
  )
const set = (change: { fromM?: number; toM?: number }): void =>
  spread.edit(draft => void (draft.water.zone = { ...zone.value!, ...change }))
const clear = (): void => spread.edit(draft => void delete draft.water.zone)
</script>

<template>
  <span class="zone">
    <UButton v-if="!zone" @click="begin()">say how deep the fish are</UButton>
    <template v-else>
      <NumberField
        label="fish from"
        :model-value="zone.fromM"
        :unit="settings.units.depth"
        :range="[0, zone.toM - LEAST_ZONE_M]"
        :step="step"
        @update:model-value="fromM => set({ fromM })"
      />
      <NumberField
        label="to"
        :model-value="zone.toM"
        :unit="settings.units.depth"
        :range="[zone.fromM + LEAST_ZONE_M, depthM]"
        :step="step"
        @update:model-value="toM => set({ toM })"
      />
      <UButton icon="i-lucide-x" aria-label="Fish at any depth" @click="clear()" />
    </template>
  </span>
</template>

<style scoped>
.zone {
  display: inline-flex;
  gap: 10px;
  align-items: baseline;
}
</style>
