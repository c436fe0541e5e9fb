<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, defineAsyncComponent, useTemplateRef, watch } from 'vue'
import { useSettings } from '~/ui/settings'
import type { Letter } from '#schemas/ranges'
import { TANK_SPEEDS, useDropClock } from '~/ui/useDropClock'
import type { LaneOutcome } from '~/compute/protocol'
import { summaryOf } from '~/ui/drawing/told'
import { fitted } from '~/ui/drawing/canvas'
import { diversOf, floatersOf, type Zone } from '~/ui/drawing/diver'
import { BED_PX, drawTank, tankScale } from '~/ui/drawing/tankDrawing'
import PlayKey from '~/ui/PlayKey.vue'
import SlideBar from '~/ui/SlideBar.vue'
import ChoiceField from '~/ui/ChoiceField.vue'

/** The rigs let go together, from the simulated motion. */
const props = defineProps<{
  outcomes: ReadonlyMap<string, LaneOutcome>
  order: readonly Letter[]
  depthM: number
  zone?: Zone
}>()

// charts are large to load, and the first figures do not wait for one
const DropCurves = defineAsyncComponent(() => import('~/ui/charts/DropCurves.vue'))

const settings = useSettings()
const canvas = useTemplateRef('canvas')
const host = useTemplateRef('host')
const { width, height } = useElementSize(host)

const divers = computed(() => diversOf(props.order, props.outcomes))
const end = computed(() => Math.max(0, ...divers.value.map(d => d.drop.timeS)))
const clock = useDropClock(() => end.value)
const { time, playing, rate } = clock
const SPEED_SIGNS: Readonly<Record<number, string>> = { 1: '1×', 0.5: '½×', 0.25: '¼×', 0.1: '⅒×' }
const speeds = TANK_SPEEDS.map(speed => ({ value: String(speed), label: SPEED_SIGNS[speed]! }))
/** Least height of the chart under the water, and of both together, px. */
const CHART_PX = 112
const BOTH_PX = 330
const charted = computed(() => height.value >= BOTH_PX)
const frame = computed(() => ({
  width: width.value,
  height: height.value - (charted.value ? CHART_PX : 0),
  depthM: props.depthM,
  unit: settings.units.depth,
  divers: divers.value,
  floaters: floatersOf(props.order, props.outcomes),
  ...(props.zone === undefined ? {} : { zone: props.zone }),
}))
const scale = computed(() => tankScale(frame.value))
/** The water and a little of the bed; what is left is the chart's. */
const glassPx = computed(() => (charted.value ? scale.value.floor + BED_PX : height.value))

watch(
  [frame, glassPx, time, () => settings.theme],
  () => {
    const ctx = fitted(canvas.value, width.value, glassPx.value)
    if (ctx) drawTank(ctx, frame.value, scale.value, time.value)
  },
  { flush: 'post' },
)

const summary = computed(() => summaryOf(props.order, props.outcomes, settings.system, props.zone))
defineExpose({
  toggle: clock.toggle,
  restart: () => (clock.seek(0), clock.play()),
  stepBy: (s: number) => clock.seek(time.value + s),
})
</script>

<template>
  <section class="tank" aria-label="Tank">
    <div ref="host" class="glass">
      <canvas
        ref="canvas"
        role="img"
        :style="{ height: `${glassPx}px` }"
        :aria-label="`Rigs falling together. ${summary}`"
      />
      <DropCurves
        v-if="charted"
        id="depth"
        class="curves"
        title="depth by seconds"
        :unit="settings.units.depth"
        :divers="divers"
        :top="0"
        :bottom="depthM"
        :marks="[0, depthM]"
        :time="time"
      />
    </div>
    <div class="controls no-print">
      <PlayKey
        :playing="playing"
        play="Drop the rigs"
        stop="Pause the drop"
        :disabled="end === 0"
        class="drop"
        @press="clock.toggle()"
      />
      <SlideBar
        class="time"
        :model-value="time"
        label="Time of the drop"
        :min="0"
        :max="end"
        :step="0.02"
        :says="`${time.toFixed(1)} seconds`"
        @update:model-value="clock.seek"
      />
      <output class="figure">{{ time.toFixed(1) }} s</output>
      <ChoiceField
        label="Speed of the drop"
        hide-label
        :model-value="String(rate)"
        :items="speeds"
        @update:model-value="value => (rate = Number(value))"
      />
    </div>
    <p class="label key">
      Ticks: {{ end > 30 ? 'ten seconds' : end > 12 ? 'five seconds' : 'seconds' }}; rigs
      {{ scale.magnified.toFixed(scale.magnified < 3 ? 1 : 0) }} times as large.
    </p>
  </section>
</template>

<style scoped>
.tank {
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
}
.glass {
  flex: 1;
  min-height: 220px;
  position: relative;
  overflow: hidden;
}
.glass > canvas {
  display: block;
  width: 100%;
}
.curves {
  height: calc(100% - v-bind('`${glassPx}px`'));
}
.controls {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 4px 8px 2px;
  border-top: var(--line-weight) solid var(--ink);
}
.time {
  flex: 1;
  min-width: 0;
}
output {
  font-size: 14px;
  min-width: 5ch;
  text-align: right;
}
.key {
  padding: 0 8px 5px;
}
@media (max-width: 899px) {
  .glass {
    min-height: 320px;
  }
  .drop {
    width: 56px;
    height: 56px;
    font-size: 24px;
  }
}
</style>
