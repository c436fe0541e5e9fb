<script setup lang="ts">
import { computed } from 'vue'
import type { RigSolid } from '#core'
import { px, type Plane } from '~/ui/drawing/plane'

/**
 * The same rig from above: outline, tail and limbs, hook on the seam, weight, and where the point comes out.
 */
const props = defineProps<{
  solid: RigSolid
  plane: Plane
  exitM: number | undefined
  noteX: number
  top: number
}>()

/** x of the nose about the centre of gravity. */
const nose = computed(() => props.solid.stations[0]!)
const at = (x: number, y: number): string =>
  `${px(props.plane, nose.value - x).toFixed(2)} ${(props.plane.y0 - y * props.plane.perM).toFixed(2)}`
const outline = computed(() => {
  const s = props.solid.stations
  const left: string[] = []
  const right: string[] = []
  for (let i = 0; i < s.length; i += 5) {
    left.push(at(s[i]!, s[i + 1]! + s[i + 3]! / 2))
    right.unshift(at(s[i]!, s[i + 1]! - s[i + 3]! / 2))
  }
  return `M${[...left, ...right].join('L')}Z`
})
const lumps = computed(() =>
  props.solid.lumps.map(({ kind, at: [x, y], size }) => ({
    soft: ['paddle', 'fork', 'fin', 'curl', 'skirt', 'claw', 'leg'].includes(kind),
    cx: px(props.plane, nose.value - x),
    cy: props.plane.y0 - y * props.plane.perM,
    rx: (size[0] / 2) * props.plane.perM,
    ry: (size[1] / 2) * props.plane.perM,
  })),
)
const seam = computed(() => {
  const s = props.solid.stations
  return Array.from({ length: s.length / 5 }, (_, i) => at(s[5 * i]!, s[5 * i + 1]!)).join('L')
})
</script>

<template>
  <g class="above">
    <line x1="0" x2="10000" :y1="top" :y2="top" class="rule" />
    <text :x="noteX" :y="top + 14" class="note">from above</text>
    <ellipse
      v-for="(l, i) in lumps.filter(one => one.soft)"
      :key="`s${i}`"
      v-bind="{ cx: l.cx, cy: l.cy, rx: l.rx, ry: l.ry }"
      class="plastic"
    />
    <path :d="outline" class="plastic" />
    <path :d="`M${seam}`" class="seam" />
    <ellipse
      v-for="(l, i) in lumps.filter(one => !one.soft)"
      :key="`w${i}`"
      v-bind="{ cx: l.cx, cy: l.cy, rx: l.rx, ry: l.ry }"
      class="lead"
    />
    <g v-if="exitM !== undefined" class="mark">
      <line :x1="px(plane, exitM)" :x2="px(plane, exitM)" :y1="plane.y0 - 11" :y2="plane.y0 + 11" />
      <circle :cx="px(plane, exitM)" :cy="plane.y0" r="2.5" />
    </g>
  </g>
</template>

<style scoped>
.rule {
  stroke: var(--hair);
}
.note {
  font: 12px var(--font-figure);
  fill: var(--ink-soft);
}
.plastic {
  fill: var(--plastic);
  stroke: var(--plastic-edge);
  stroke-width: 1.2;
}
.seam {
  fill: none;
  stroke: var(--plastic-edge);
  stroke-dasharray: 6 3;
  stroke-width: 0.8;
}
.lead {
  fill: var(--lead);
  stroke: var(--ink);
  opacity: 0.85;
}
.mark line {
  stroke: var(--float);
  stroke-width: 2;
}
.mark circle {
  fill: var(--float);
}
</style>
