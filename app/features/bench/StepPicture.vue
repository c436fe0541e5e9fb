<script setup lang="ts">
import { computed } from 'vue'
import type { RigMark } from '#core'
import { px, py, shapePath, type Plane } from '~/ui/drawing/plane'
import { useSettings } from '~/ui/settings'
import { smallText } from '#words/units'
import type { BenchLook } from '~/compute/bench'

/** A step of the rigging: the rig small, with the marks of that step. */
const props = defineProps<{
  look: Extract<BenchLook, { kind: 'rig' }>
  marks: readonly RigMark[]
  number: number
}>()
const settings = useSettings()
const W = 190
const H = 62
const plane = computed<Plane>(() => {
  const [left, bottom, right, top] = props.look.drawing.bounds
  const perM = Math.min((W - 12) / (right - left), (H - 22) / (top - bottom))
  return { perM, x0: W / 2 - ((left + right) / 2) * perM, y0: 16 + top * perM }
})
const shapes = computed(() => props.look.drawing.shapes.map(s => ({ ...s, d: shapePath(s, plane.value) })))
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" class="picture" aria-hidden="true">
    <text x="0" y="13" class="number">{{ number }}</text>
    <path v-for="(s, i) in shapes" :key="i" :d="s.d" :class="s.kind" />
    <g v-for="mark in marks" :key="mark.id" class="mark">
      <line
        :x1="px(plane, mark.atM)"
        :x2="px(plane, mark.atM)"
        y1="15"
        :y2="py(plane, look.drawing.bounds[1]) + 3"
      />
      <text :x="px(plane, mark.atM)" y="11" text-anchor="middle">
        {{ smallText(mark.atM, settings.system) }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.picture {
  width: 100%;
  max-width: 230px;
  display: block;
}
path {
  fill: none;
  stroke: var(--plastic-edge);
  stroke-width: 0.8;
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
  stroke-width: 1.6;
  stroke-linecap: round;
}
.number {
  font: 700 14px var(--font-figure);
  fill: var(--ink-soft);
}
.mark line {
  stroke: var(--float);
  stroke-width: 1.2;
}
.mark text {
  font: 600 11px var(--font-figure);
  fill: var(--float);
}
</style>
