<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef, watch } from 'vue'
import { useSettings } from '~/ui/settings'
import type { Diver } from '~/ui/drawing/diver'
import { fitted } from '~/ui/drawing/canvas'
import { drawChart, spanOf, type ChartSpec } from '~/ui/drawing/chart'
import { seriesOf } from '~/ui/drawing/series'

/** Depth, pitch and speed of every rig against the same seconds. */
const props = defineProps<{
  divers: readonly Diver[]
  ghosts: readonly Diver[]
  depthM: number
  time: number
}>()
const settings = useSettings()
const canvas = useTemplateRef('canvas')
const host = useTemplateRef('host')
const { width, height } = useElementSize(host)

const fastest = computed(() =>
  Math.max(0.2, ...[...props.divers, ...props.ghosts].map(d => Math.max(...seriesOf(d.drop).speed))),
)
const specs = computed<ChartSpec[]>(() => {
  const { depth, speed } = settings.units
  const round = (x: number): number => Number(x.toFixed(x < 10 ? 1 : 0))
  const top = speed.to(Math.ceil(speed.from(fastest.value) * 5) / 5)
  return [
    {
      id: 'depth',
      title: `depth, ${depth.label}`,
      top: 0,
      bottom: props.depthM,
      marks: [
        { at: 0, text: '0' },
        { at: props.depthM / 2, text: String(round(depth.from(props.depthM / 2))) },
        { at: props.depthM, text: String(round(depth.from(props.depthM))) },
      ],
    },
    {
      id: 'pitch',
      title: 'pitch, degrees, nose up positive',
      top: 90,
      bottom: -90,
      marks: [90, 45, 0, -45, -90].map(at => ({ at, text: String(at) })),
    },
    {
      id: 'speed',
      title: `sinking speed, ${speed.label}`,
      top,
      bottom: 0,
      marks: [top, top / 2, 0].map(at => ({ at, text: String(round(speed.from(at))) })),
    },
  ]
})

const LEFT = 38
const RIGHT = 12

/** Curves are drawn when they change; only the mark of the moment moves with the clock. */
watch(
  [specs, width, height, () => props.divers, () => props.ghosts, () => settings.theme],
  () => {
    const ctx = fitted(canvas.value, width.value, height.value)
    if (!ctx) return
    const each = height.value / specs.value.length
    specs.value.forEach((spec, i) =>
      drawChart(ctx, props.divers, props.ghosts, spec, {
        left: LEFT,
        right: width.value - RIGHT,
        top: i * each + 22,
        bottom: (i + 1) * each - 20,
      }),
    )
  },
  { flush: 'post', immediate: true },
)

const moment = computed(() => {
  const span = spanOf(props.divers, props.ghosts)
  return LEFT + ((width.value - LEFT - RIGHT) * Math.min(props.time, span)) / span
})
</script>

<template>
  <div ref="host" class="charts">
    <canvas
      ref="canvas"
      role="img"
      aria-label="Depth, pitch and sinking speed against seconds; the table below holds the figures"
    /><i class="moment" :style="{ transform: `translateX(${moment}px)` }" aria-hidden="true" />
  </div>
</template>

<style scoped>
.charts {
  position: relative;
  min-height: 360px;
  min-width: 0;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.moment {
  position: absolute;
  left: -0.75px;
  top: 20px;
  bottom: 18px;
  width: 1.5px;
  background: var(--float);
  will-change: transform;
}
</style>
