<script setup lang="ts">
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import ChoiceField from '~/ui/ChoiceField.vue'
import NumberField from '~/ui/NumberField.vue'
import { degToRad, radToDeg, STREAM_RANGE_MS } from '#core'
import { LIFT_RANGE_M, ROD_DISTANCE_RANGE_M } from '#schemas/fields'
import type { Unit } from '#words/units'

/** How the line is held, and the current. */
const spread = useSpread()
const settings = useSettings()
const holds = [
  { value: 'slack', label: 'open spool' },
  { value: 'controlled', label: 'light pull' },
  { value: 'tight', label: 'closed bail' },
] as const
const ways = [
  { value: '0', label: 'away from you' },
  { value: '180', label: 'toward you' },
  { value: '90', label: 'across, to the left' },
  { value: '-90', label: 'across, to the right' },
] as const
const USUAL_DISTANCE_M = 15
const SECONDS: Unit = { label: 's', from: s => s, to: s => s, decimals: 1 }
const LIFT_AFTER_S = [0, 60] as const
/** A rod is lifted once the rig is on its way. */
const USUAL_LIFT = { afterS: 2, overS: 1 } as const
const hold = computed(() => spread.content.line.hold ?? { mode: 'slack' as const })
const stream = computed(() => spread.content.water.stream ?? { surfaceMS: 0, towardRad: 0 })
const way = computed(
  () => String(Math.round(radToDeg(stream.value.towardRad))) as (typeof ways)[number]['value'],
)

function setHold(
  mode: 'slack' | 'controlled' | 'tight',
  rodDistanceM = hold.value.mode === 'slack' ? USUAL_DISTANCE_M : hold.value.rodDistanceM,
): void {
  spread.edit(draft => {
    if (mode === 'slack') delete draft.line.hold
    else draft.line.hold = { ...(hold.value.mode === 'slack' ? {} : hold.value), mode, rodDistanceM }
  })
}
const lifted = computed(() => (hold.value.mode === 'slack' ? undefined : hold.value.lift))
function setLift(change: Partial<{ byM: number; afterS: number }>): void {
  spread.edit(draft => {
    const held = draft.line.hold
    if (!held || held.mode === 'slack') return
    const lift = { ...USUAL_LIFT, byM: 0, ...held.lift, ...change }
    if (lift.byM === 0) delete held.lift
    else held.lift = lift
  })
}
function setStream(change: Partial<{ surfaceMS: number; towardRad: number }>): void {
  const next = { ...stream.value, ...change }
  spread.edit(draft => {
    if (next.surfaceMS === 0) delete draft.water.stream
    else draft.water.stream = next
  })
}
const setHoldMode = (mode: (typeof holds)[number]['value']): void => setHold(mode)
</script>

<template>
  <span class="conditions">
    <ChoiceField
      label="line held"
      :model-value="hold.mode"
      :items="holds"
      @update:model-value="setHoldMode"
    />
    <NumberField
      v-if="hold.mode !== 'slack'"
      label="rod at"
      :model-value="hold.rodDistanceM"
      :unit="settings.units.depth"
      :range="ROD_DISTANCE_RANGE_M"
      :step="1"
      @update:model-value="value => setHold(hold.mode, value)"
    />
    <NumberField
      v-if="hold.mode !== 'slack'"
      label="lift the rod by"
      :model-value="lifted?.byM ?? 0"
      :unit="settings.units.depth"
      :range="LIFT_RANGE_M"
      :step="0.2"
      @update:model-value="byM => setLift({ byM })"
    />
    <NumberField
      v-if="lifted"
      label="after"
      :model-value="lifted.afterS"
      :unit="SECONDS"
      :range="LIFT_AFTER_S"
      :step="0.5"
      @update:model-value="afterS => setLift({ afterS })"
    />
    <NumberField
      label="current"
      :model-value="stream.surfaceMS"
      :unit="settings.units.speed"
      :range="STREAM_RANGE_MS"
      :step="0.1"
      @update:model-value="value => setStream({ surfaceMS: value })"
    />
    <ChoiceField
      v-if="stream.surfaceMS > 0"
      label="setting"
      :model-value="way"
      :items="ways"
      @update:model-value="value => setStream({ towardRad: degToRad(Number(value)) })"
    />
  </span>
</template>

<style scoped>
.conditions {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
}
</style>
