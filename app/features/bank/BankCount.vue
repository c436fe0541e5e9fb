<script setup lang="ts">
import { UButton } from '#components'
import { useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { secondsTo } from '#core'
import type { LaneOutcome } from '~/compute/protocol'
import { useSettings } from '~/ui/settings'
import { withUnit } from '#words/units'

/** Counts a rig down from the splash: a buzz where the fish are, another where they end, a long one at the bottom. */
const props = defineProps<{
  outcome: LaneOutcome | undefined
  zone: { readonly fromM: number; readonly toM: number } | undefined
}>()
const settings = useSettings()
/** How often the count is looked at, ms. */
const LOOK_MS = 50
/** Buzzes at the zone's upper end, its lower end, and the bottom, ms. */
const BUZZ = { in: [220], out: [80, 80, 80], bottom: [500] } as const
/** Counted on so long after the bottom, s. */
const AFTER_S = 3

const fall = computed(() => (props.outcome?.kind === 'done' ? props.outcome.report.fall : undefined))
const marks = computed(() => {
  if (!fall.value) return undefined
  const { drop, timeS } = fall.value
  const zone = props.zone
  return {
    bottom: timeS.value,
    ...(zone
      ? { in: secondsTo(drop, zone.fromM), out: Math.min(secondsTo(drop, zone.toM), timeS.value) }
      : {}),
  }
})
const begun = ref<number>()
const passed = ref(0)
const { pause, resume } = useIntervalFn(look, LOOK_MS, { immediate: false })
function look(): void {
  if (begun.value === undefined || !marks.value) return
  const before = passed.value
  passed.value = (performance.now() - begun.value) / 1000
  const reached = (s: number | undefined): boolean => s !== undefined && before < s && passed.value >= s
  if (reached(marks.value.in)) navigator.vibrate?.([...BUZZ.in])
  if (reached(marks.value.out) && marks.value.out! < marks.value.bottom) navigator.vibrate?.([...BUZZ.out])
  if (reached(marks.value.bottom)) navigator.vibrate?.([...BUZZ.bottom])
  if (passed.value > marks.value.bottom + AFTER_S) stop()
}
function start(): void {
  begun.value = performance.now()
  passed.value = 0
  resume()
}
function stop(): void {
  begun.value = undefined
  pause()
}
// another rig in hand falls at another pace
watch(() => props.outcome, stop)
const where = computed(() => {
  const m = marks.value
  if (!m || begun.value === undefined) return ''
  if (passed.value >= m.bottom) return 'bottom'
  if (m.in === undefined || passed.value < m.in) return 'sinking'
  return passed.value < m.out! ? 'among the fish' : 'below the fish'
})
const plan = computed(() => {
  const m = marks.value
  if (!m) return ''
  const bottom = `bottom ${Math.round(m.bottom)} s`
  return m.in === undefined
    ? bottom
    : `fish ${m.in.toFixed(m.in < 10 ? 1 : 0)} to ${m.out!.toFixed(m.out! < 10 ? 1 : 0)} s, ${bottom}`
})
const unable = computed(() => {
  if (!props.outcome) return 'working the count out…'
  if (props.outcome.kind === 'failed')
    return props.outcome.onTop ? 'it floats: nothing to count' : 'no count: it does not come down'
  return props.outcome.kind === 'invalid' ? 'no count: it cannot be built as it is' : ''
})
const share = computed(() => (marks.value ? Math.min(1, passed.value / marks.value.bottom) : 0))
const zoneStyle = computed(() => {
  const m = marks.value
  return m?.in === undefined
    ? undefined
    : { left: `${(100 * m.in) / m.bottom}%`, width: `${(100 * (m.out! - m.in)) / m.bottom}%` }
})
const zoneText = computed(() =>
  props.zone
    ? `fish from ${withUnit(props.zone.fromM, settings.units.depth)} to ${withUnit(props.zone.toM, settings.units.depth)}`
    : '',
)
</script>

<template>
  <section class="count" aria-label="Count down" :class="{ there: where === 'among the fish' }">
    <UButton
      class="key figure"
      variant="solid"
      :disabled="!marks"
      :aria-pressed="begun !== undefined"
      @click="begun === undefined ? start() : stop()"
      >{{ begun === undefined ? 'Count' : passed.toFixed(1) }}</UButton
    >
    <div class="told" :title="zoneText">
      <p class="words" role="status">{{ where || unable || plan }}</p>
      <div v-if="marks" class="bar" aria-hidden="true">
        <span v-if="zoneStyle" class="zone" :style="zoneStyle" /><span
          class="now"
          :style="{ left: `${100 * share}%` }"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
.count {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 58px;
}
.key {
  min-width: 112px;
  min-height: 56px;
  font-size: 24px;
  justify-content: center;
}
.told {
  flex: 1;
  min-width: 0;
}
.words {
  font-size: 17px;
  line-height: 1.2;
}
.there .words {
  font-weight: 700;
  color: var(--float);
}
.bar {
  position: relative;
  height: 12px;
  margin-top: 4px;
  background: var(--hair);
}
.zone {
  position: absolute;
  inset-block: 0;
  background: var(--float);
  opacity: 0.45;
}
.now {
  position: absolute;
  inset-block: -3px;
  width: 4px;
  margin-left: -2px;
  background: var(--ink);
}
</style>
