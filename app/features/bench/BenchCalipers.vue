<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSettings } from '~/ui/settings'
import { fineText } from '#words/units'

/** Two jaws to measure with on the glass, in the angler's unit. */
const props = defineProps<{ perM: number; width: number; height: number }>()
const jaws = ref<[number, number]>([props.width * 0.3, props.width * 0.5])
const settings = useSettings()
const text = computed(() =>
  fineText(Math.abs(jaws.value[1] - jaws.value[0]) / props.perM, settings.units.small),
)
let held: 0 | 1 | undefined
const put = (which: 0 | 1, at: number): void => {
  const next: [number, number] = [...jaws.value]
  next[which] = Math.max(0, Math.min(props.width, at))
  jaws.value = next
}
function pull(event: PointerEvent): void {
  if (held === undefined) return
  put(held, event.clientX - (event.currentTarget as SVGElement).ownerSVGElement!.getBoundingClientRect().left)
}
function grab(which: 0 | 1, event: PointerEvent): void {
  held = which
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function key(which: 0 | 1, event: KeyboardEvent): void {
  const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0
  if (by === 0) return
  event.preventDefault()
  event.stopPropagation()
  put(which, jaws.value[which] + ((by * props.perM) / 1000) * (event.shiftKey ? 5 : 0.5))
}
</script>

<template>
  <g class="calipers">
    <line :x1="jaws[0]" :x2="jaws[1]" y1="34" y2="34" />
    <text :x="Math.max(...jaws) + 8" y="40" aria-live="polite">{{ text }}</text>
    <g
      v-for="which in [0, 1] as const"
      :key="which"
      role="slider"
      tabindex="0"
      :aria-label="which === 0 ? 'left jaw of the calipers' : 'right jaw of the calipers'"
      :aria-valuetext="text"
      :aria-valuenow="Math.round(jaws[which])"
      aria-valuemin="0"
      :aria-valuemax="Math.round(width)"
      @pointerdown="grab(which, $event)"
      @pointermove="pull"
      @pointerup="held = undefined"
      @keydown="key(which, $event)"
    >
      <rect :x="jaws[which] - 10" y="24" width="20" :height="height - 30" class="reach" />
      <line :x1="jaws[which]" :x2="jaws[which]" y1="24" :y2="height - 6" />
    </g>
  </g>
</template>

<style scoped>
.calipers line {
  stroke: var(--float);
  stroke-width: 1.5;
}
.calipers text {
  font: 600 17px var(--font-figure);
  fill: var(--float);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
.reach {
  fill: transparent;
  cursor: ew-resize;
}
g[role='slider'] {
  outline: none;
}
g[role='slider']:focus-visible line {
  stroke-width: 3.5;
}
</style>
