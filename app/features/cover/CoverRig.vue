<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { SITE_WORDS } from './coverWords'
import type { Plane } from '~/ui/drawing/plane'
import RigShapes from '~/ui/drawing/RigShapes.vue'
import type { CoverLane } from '~/compute/cover'

/** A rig's outline with every place where it catches marked, the hotter the oftener in a thousand casts. */
const props = defineProps<{ lane: CoverLane }>()
const host = useTemplateRef('host')
const { width } = useElementSize(host)
const H = 74
/** Casts that are counted together. */
const CASTS = 1000
const plane = computed<Plane>(() => {
  const [left, bottom, right, top] = props.lane.drawing.bounds
  const perM = Math.min((0.42 * width.value) / (right - left), (H - 22) / (top - bottom))
  return {
    perM,
    x0: 30 + 0.21 * width.value - ((left + right) / 2) * perM,
    y0: H / 2 + ((top + bottom) / 2) * perM,
  }
})
const wordsAt = computed(() => 0.46 * width.value + 36)
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
const counted = (share: number): string => (CASTS * share < 1 ? 'below 1' : String(Math.round(CASTS * share)))
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
  <div ref="host" :class="`lane-${lane.letter}`">
    <svg
      v-if="width > 0"
      :width="width"
      :height="H"
      role="img"
      :aria-label="`Rig ${lane.letter}, of ${CASTS} casts: ${places.map(p => `${counted(p.share)} ${SITE_WORDS[p.site]}, mostly ${p.what}`).join('; ') || 'nothing catches'}`"
    >
      <RigShapes :shapes="lane.drawing.shapes" :plane="plane" :wire-px="2.2" />
      <text x="2" y="20" class="letter">{{ lane.letter }}</text>
      <g v-for="(p, i) in places.slice(0, 2)" :key="p.site" class="mark">
        <circle
          v-for="ring in 3"
          :key="ring"
          :cx="plane.x0 + where(p.site)[0] * plane.perM"
          :cy="plane.y0 - where(p.site)[1] * plane.perM"
          :r="((4 + 30 * Math.sqrt(p.share)) * ring) / 3"
        />
        <text :x="wordsAt" :y="18 + 35 * i">
          <tspan class="count">{{ counted(p.share) }}</tspan>
          {{ SITE_WORDS[p.site] }}
        </text>
        <text :x="wordsAt" :y="32 + 35 * i" class="what">mostly {{ p.what }}</text>
      </g>
      <text v-if="places.length === 0" :x="wordsAt" y="20">nothing here holds it</text>
    </svg>
  </div>
</template>

<style scoped>
.mark circle {
  fill: color-mix(in srgb, var(--wrack) 30%, transparent);
}
.count {
  font-size: 17px;
  font-weight: 700;
  fill: var(--wrack);
}
.what {
  font-size: 12px;
  fill: var(--ink-soft);
}
.letter {
  font-weight: 700;
  font-size: 16px;
  fill: var(--lane);
}
text {
  font: 14px var(--font-figure);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
</style>
