<script setup lang="ts">
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import FieldRow from '~/ui/FieldRow.vue'
import { choice, choicesOf, number, type Field } from '~/ui/fields'
import { degToRad, radToDeg, STREAM_RANGE_MS } from '#core'
import { LIFT_RANGE_M, ROD_DISTANCE_RANGE_M } from '#schemas/ranges'
import type { Unit } from '#words/units'

/** How the line is held, and the current. */
const spread = useSpread()
const settings = useSettings()
const HOLDS = choicesOf({ slack: 'open spool', controlled: 'light pull', tight: 'closed bail' })
const WAYS = choicesOf({
  '0': 'away from you',
  '180': 'toward you',
  '90': 'across, to the left',
  '-90': 'across, to the right',
})
const USUAL_DISTANCE_M = 15
const SECONDS: Unit = { label: 's', from: s => s, to: s => s, decimals: 1 }
const LIFT_AFTER_S = [0, 60] as const
/** A rod is lifted once the rig is on its way. */
const USUAL_LIFT = { afterS: 2, overS: 1 } as const
const hold = computed(() => spread.content.line.hold ?? { mode: 'slack' as const })
const stream = computed(() => spread.content.water.stream ?? { surfaceMS: 0, towardRad: 0 })

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
const fields = computed((): Field[] => {
  const { depth, speed } = settings.units
  const held = hold.value
  const { surfaceMS, towardRad } = stream.value
  const way = String(Math.round(radToDeg(towardRad))) as (typeof WAYS)[number]['value']
  return [
    choice('line held', held.mode, HOLDS, mode => setHold(mode)),
    ...(held.mode === 'slack'
      ? []
      : [
          number('rod at', held.rodDistanceM, [depth, ROD_DISTANCE_RANGE_M, 1], to => setHold(held.mode, to)),
          number('lift the rod by', lifted.value?.byM ?? 0, [depth, LIFT_RANGE_M, 0.2], byM =>
            setLift({ byM }),
          ),
        ]),
    ...(lifted.value
      ? [number('after', lifted.value.afterS, [SECONDS, LIFT_AFTER_S, 0.5], afterS => setLift({ afterS }))]
      : []),
    number('current', surfaceMS, [speed, STREAM_RANGE_MS, 0.1], to => setStream({ surfaceMS: to })),
    ...(surfaceMS > 0
      ? [choice('setting', way, WAYS, to => setStream({ towardRad: degToRad(Number(to)) }))]
      : []),
  ]
})
</script>

<template>
  <span class="conditions">
    <FieldRow :fields="fields" />
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
