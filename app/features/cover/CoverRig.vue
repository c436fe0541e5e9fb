<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { SITE_WORDS } from './coverWords'
import { shapePath, type Plane } from '~/ui/drawing/plane'
import type { CoverLane } from '~/compute/cover'

/** The rig's outline with every place where it catches marked, as large as its share. */
const props = defineProps<{ lane: CoverLane }>()
const host = useTemplateRef('host')
const { width } = useElementSize(host)
const H = 150
const plane = computed<Plane>(() => {
  const [left, bottom, right, top] = props.lane.drawing.bounds
  const perM = Math.min((width.value - 60) / (right - left), (H - 70) / (top - bottom))
  return { perM, x0: width.value / 2 - ((left + right) / 2) * perM, y0: H / 2 + ((top + bottom) / 2) * perM }
})
/** Snags by the place they lodge, the worst first. */
const places = computed(() => {
  const sums = new Map<string, { share: number; what: string }>()
  for (const { site, perCast, name } of props.lane.snag.causes) {
    const before = sums.get(site)
    sums.set(site, { share: (before?.share ?? 0) + perCast, what: before?.what ?? name })
  }
  return [...sums]
    .map(([site, v]) => ({ site: site as keyof typeof SITE_WORDS, ...v }))
    .filter(p => p.share > 0.0002)
    .sort((a, b) => b.share - a.share)
})
const where = (site: string): readonly [number, number] => {
  const shapes = props.lane.drawing.shapes
  const weight = shapes.find(s => s.kind === 'weight')
  const wires = shapes.filter(s => s.kind === 'wire')
  const end = (s: (typeof shapes)[number] | undefined): readonly [number, number] =>
    s ? [s.points[s.points.length - 2]!, s.points[s.points.length - 1]!] : [0, 0]
  if (site === 'wedged' && weight) return [weight.points[0]!, weight.points[1]!]
  // the wires of the hook come first, each hook ending in its eye
  const eye = shapes.findIndex(s => s.kind === 'eye')
  if (site === 'point')
    return end(
      shapes
        .slice(0, eye)
        .filter(s => s.kind === 'wire')
        .at(-1),
    )
  if (site === 'trailing') return end(wires[wires.length - 1])
  return [0, 0]
}
</script>

<template>
  <div ref="host">
    <svg
      v-if="width > 0"
      :width="width"
      :height="H"
      role="img"
      :aria-label="
        places.map(p => `${SITE_WORDS[p.site]}: ${(100 * p.share).toFixed(1)} % of casts`).join('; ') ||
        'nothing catches'
      "
    >
      <path v-for="(s, i) in lane.drawing.shapes" :key="i" :d="shapePath(s, plane)" :class="s.kind" />
      <g v-for="(p, i) in places" :key="p.site" class="mark">
        <circle
          :cx="plane.x0 + where(p.site)[0] * plane.perM"
          :cy="plane.y0 - where(p.site)[1] * plane.perM"
          :r="6 + 34 * Math.sqrt(p.share)"
        />
        <line
          :x1="plane.x0 + where(p.site)[0] * plane.perM"
          :y1="plane.y0 - where(p.site)[1] * plane.perM"
          :x2="width - 8"
          :y2="18 + 30 * i"
        />
        <text :x="width - 8" :y="16 + 30 * i" text-anchor="end">
          {{ p.share < 0.01 ? (100 * p.share).toFixed(2) : Math.round(100 * p.share) }} %
          {{ SITE_WORDS[p.site] }}, mostly {{ p.what }}
        </text>
      </g>
      <text v-if="places.length === 0" x="8" y="20">Nothing here holds it.</text>
    </svg>
  </div>
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--plastic-edge);
  stroke-width: 1;
}
.body,
.tail {
  fill: var(--plastic);
}
.slot {
  fill: var(--paper);
}
.weight {
  fill: var(--lead);
  stroke: var(--ink);
}
.wire,
.eye {
  stroke: var(--steel);
  stroke-width: 2.2;
  stroke-linecap: round;
}
.mark circle {
  fill: color-mix(in srgb, var(--wrack) 25%, transparent);
  stroke: var(--wrack);
  stroke-width: 2;
}
.mark line {
  stroke: var(--wrack);
  stroke-width: 1;
  opacity: 0.5;
}
text {
  font: 14px var(--font-figure);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
</style>
