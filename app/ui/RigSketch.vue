<script setup lang="ts">
import { computed } from 'vue'
import type { DrawnShape, RigDrawing } from '#core'
import { shapePath } from '~/ui/drawing/plane'

/**
 * A rig from the side, from the same geometry that is dropped, at a scale all lanes share, with a ruler in
 * true lengths.
 */
const props = defineProps<{
  drawing: RigDrawing
  perM: number
  width: number
  height: number
  unitLabel: string
  described: string
}>()

const centre = computed(() => {
  const [left, bottom, right, top] = props.drawing.bounds
  return {
    x: props.width / 2 - ((left + right) / 2) * props.perM,
    y: (props.height - 20) / 2 + ((top + bottom) / 2) * props.perM,
  }
})
const path = (shape: DrawnShape): string =>
  shapePath(shape, { perM: props.perM, x0: centre.value.x, y0: centre.value.y })
const plastic = computed(() => props.drawing.shapes.filter(s => s.kind === 'body' || s.kind === 'tail'))
const slots = computed(() => props.drawing.shapes.filter(s => s.kind === 'slot'))
const wires = computed(() => props.drawing.shapes.filter(s => s.kind === 'wire' || s.kind === 'eye'))
const weights = computed(() => props.drawing.shapes.filter(s => s.kind === 'weight'))

/** Ruler from the nose: millimetres by ten, or inches by quarter. */
const ruler = computed(() => {
  const inch = props.unitLabel === 'in'
  const step = inch ? 0.0254 / 4 : 0.01
  const major = inch ? 4 : 5
  const count = Math.floor((props.width - centre.value.x - 4) / (step * props.perM))
  return Array.from({ length: Math.max(0, count) + 1 }, (_, i) => ({
    x: centre.value.x + i * step * props.perM,
    major: i % major === 0,
    text: i % major !== 0 || i === 0 ? '' : String(inch ? i / 4 : i * 10),
  }))
})
</script>

<template>
  <svg
    class="sketch"
    :width="width"
    :height="height"
    :viewBox="`0 0 ${width} ${height}`"
    role="img"
    :aria-label="described"
  >
    <path
      v-for="(s, i) in plastic"
      :key="`p${i}`"
      :d="path(s)"
      fill="var(--plastic)"
      stroke="var(--plastic-edge)"
      stroke-width="1.2"
      stroke-linejoin="round"
    />
    <path
      v-for="(s, i) in slots"
      :key="`s${i}`"
      :d="path(s)"
      fill="var(--paper)"
      stroke="var(--plastic-edge)"
      stroke-width="0.9"
    />
    <path
      v-for="(s, i) in weights"
      :key="`l${i}`"
      :d="path(s)"
      fill="var(--lead)"
      stroke="var(--ink)"
      stroke-width="1"
    />
    <path
      v-for="(s, i) in wires"
      :key="`w${i}`"
      :d="path(s)"
      fill="none"
      stroke="var(--steel)"
      stroke-linecap="round"
      stroke-linejoin="round"
      :stroke-width="Math.max(1.2, (s.strokeM ?? 0.001) * perM)"
      :stroke-dasharray="s.hidden ? '3 3' : undefined"
      :stroke-opacity="s.hidden ? 0.75 : 1"
    />
    <g stroke="var(--hair-strong)" stroke-width="1">
      <line
        v-for="(t, i) in ruler"
        :key="i"
        :x1="t.x"
        :x2="t.x"
        :y1="height - 0.5"
        :y2="height - (t.major ? 8 : 4)"
      />
    </g>
    <text
      v-for="(t, i) in ruler.filter(r => r.text)"
      :key="`t${i}`"
      :x="t.x"
      :y="height - 10"
      text-anchor="middle"
      class="tick figure"
    >
      {{ t.text }}{{ i === 0 ? ` ${unitLabel}` : '' }}
    </text>
  </svg>
</template>

<style scoped>
.sketch {
  display: block;
}
.tick {
  font-size: 11px;
  fill: var(--ink-soft);
}
</style>
