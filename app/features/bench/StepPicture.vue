<script setup lang="ts">
import { computed } from 'vue'
import type { RigMark } from '#core'
import { px, py, type Plane } from '~/ui/drawing/plane'
import RigShapes from '~/ui/drawing/RigShapes.vue'
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
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" class="picture" aria-hidden="true">
    <text x="0" y="13" class="number">{{ number }}</text>
    <RigShapes :shapes="look.drawing.shapes" :plane="plane" :wire-px="1.6" />
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
