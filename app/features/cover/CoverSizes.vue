<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { binEdgeM, SIZE_BINS } from '#core'
import { LIP_WORDS } from './coverWords'
import type { CoverLane } from '~/compute/cover'

/**
 * How often each size is met on a cast, and what becomes of it, on a scale of sizes; the opening of each
 * point marked: what is smaller can lodge.
 */
const props = defineProps<{
  lane: CoverLane
  obstacles: readonly { readonly name: string; readonly perCast: number }[]
}>()
const host = useTemplateRef('host')
const { width } = useElementSize(host)
const H = 150
const BASE = 122
/** Meetings a cast by bin and fate, all kinds together. */
const bars = computed(() => {
  const sums = new Float64Array(SIZE_BINS * 3)
  props.lane.sizes.forEach((bins, k) => {
    const total = bins.reduce((a, b) => a + b, 0) || 1
    bins.forEach((n, i) => (sums[i]! += (n / total) * props.obstacles[k]!.perCast))
  })
  return Array.from({ length: SIZE_BINS }, (_, i) => ({
    past: sums[3 * i]!,
    weed: sums[3 * i + 1]!,
    snag: sums[3 * i + 2]!,
  }))
})
const most = computed(() => Math.max(1e-9, ...bars.value.map(b => b.past + b.weed + b.snag)))
const x = (sizeM: number): number =>
  8 +
  (width.value - 16) *
    Math.max(0, Math.min(1, Math.log(sizeM / binEdgeM(0)) / Math.log(binEdgeM(SIZE_BINS) / binEdgeM(0))))
const tall = (n: number): number => ((BASE - 22) * n) / most.value
const MARKS_MM = [1, 2, 5, 10, 20, 50, 100, 200] as const
const openings = computed(() => props.lane.openings.filter(o => o.openingM > binEdgeM(0)))
</script>

<template>
  <div ref="host">
    <svg
      v-if="width > 0"
      :width="width"
      :height="H"
      role="img"
      :aria-label="`Sizes met on a cast. ${openings.map(o => `Opening ${LIP_WORDS[o.id]}: ${(o.openingM * 1000).toFixed(1)} millimetres`).join('; ') || 'No point stands open.'}`"
    >
      <g v-for="(b, i) in bars" :key="i">
        <rect
          :x="x(binEdgeM(i)) + 0.5"
          :width="Math.max(1, x(binEdgeM(i + 1)) - x(binEdgeM(i)) - 1)"
          :y="BASE - tall(b.past + b.weed + b.snag)"
          :height="tall(b.past)"
          class="past"
        />
        <rect
          :x="x(binEdgeM(i)) + 0.5"
          :width="Math.max(1, x(binEdgeM(i + 1)) - x(binEdgeM(i)) - 1)"
          :y="BASE - tall(b.weed + b.snag)"
          :height="tall(b.weed)"
          class="weed"
        />
        <rect
          :x="x(binEdgeM(i)) + 0.5"
          :width="Math.max(1, x(binEdgeM(i + 1)) - x(binEdgeM(i)) - 1)"
          :y="BASE - tall(b.snag)"
          :height="tall(b.snag)"
          class="snag"
        />
      </g>
      <line x1="0" :x2="width" :y1="BASE" :y2="BASE" class="base" />
      <g v-for="mm in MARKS_MM" :key="mm">
        <line :x1="x(mm / 1000)" :x2="x(mm / 1000)" :y1="BASE" :y2="BASE + 5" class="base" />
        <text :x="x(mm / 1000)" :y="BASE + 18" text-anchor="middle">{{ mm }}{{ mm === 1 ? ' mm' : '' }}</text>
      </g>
      <g v-for="o in openings" :key="o.id" class="open">
        <line :x1="x(o.openingM)" :x2="x(o.openingM)" y1="16" :y2="BASE" />
        <text :x="x(o.openingM) - 5" y="14" text-anchor="end">
          opening {{ LIP_WORDS[o.id] }} {{ (o.openingM * 1000).toFixed(1) }} mm
        </text>
      </g>
      <text v-if="openings.length === 0" x="8" y="14">
        The point is covered: only what presses the plastic down, or meets it on its side, can lodge.
      </text>
    </svg>
    <p class="label">
      radius of what is met (width of gaps), as often as on a cast: <span class="k past" /> passes
      <span class="k weed" /> weed <span class="k snag" /> hangs up
    </p>
  </div>
</template>

<style scoped>
.past {
  fill: var(--water-deep);
  background: var(--water-deep);
  opacity: 0.55;
}
.weed {
  fill: var(--marram);
  background: var(--marram);
}
.snag {
  fill: var(--wrack);
  background: var(--wrack);
}
.base {
  stroke: var(--ink);
}
text {
  font: 12px var(--font-figure);
  fill: var(--ink-soft);
}
.open line {
  stroke: var(--float);
  stroke-width: 2;
}
.open text {
  fill: var(--float);
  font-weight: 600;
  font-size: 13px;
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
.k {
  display: inline-block;
  width: 11px;
  height: 11px;
  margin-left: 6px;
}
</style>
