<script setup lang="ts">
import type { Point } from '~/compute/trace/homography'

/** Marks that a hand sets on the photograph: drawn as handles, dragged, or moved by the arrow keys. */
const props = defineProps<{
  points: readonly Point[]
  /** what each is, in order */ names: readonly string[]
  /** furthest place along the picture's sides, px */ most: number
  /** a pointer's place in the picture */ spot: (event: PointerEvent) => Point
  labelled?: boolean
}>()
const emit = defineEmits<{ move: [points: Point[]]; drop: [points: Point[]] }>()
const STEPS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

const withPoint = (i: number, at: Point): Point[] => props.points.map((p, k) => (k === i ? at : p))
let held: number | undefined
function grab(i: number, event: PointerEvent): void {
  held = i
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function pull(event: PointerEvent): void {
  if (held !== undefined) emit('move', withPoint(held, props.spot(event)))
}
function release(): void {
  if (held !== undefined) emit('drop', [...props.points])
  held = undefined
}
function key(i: number, event: KeyboardEvent): void {
  const step = STEPS[event.key]
  if (!step) return
  event.preventDefault()
  const by = event.shiftKey ? 10 : 1
  const [x, y] = props.points[i]!
  emit('drop', withPoint(i, [x + by * step[0], y + by * step[1]]))
}
</script>

<template>
  <g>
    <g
      v-for="(p, i) in points"
      :key="i"
      role="slider"
      tabindex="0"
      :aria-label="names[i]"
      :aria-valuetext="`${Math.round(p[0])}, ${Math.round(p[1])}`"
      :aria-valuenow="Math.round(p[0])"
      aria-valuemin="0"
      :aria-valuemax="most"
      @pointerdown.stop="grab(i, $event)"
      @pointermove="pull"
      @pointerup="release"
      @pointercancel="release"
      @keydown="key(i, $event)"
    >
      <circle :cx="p[0]" :cy="p[1]" :r="most / 45" class="reach" />
      <path
        :d="`M${p[0] - most / 90} ${p[1]}h${most / 45}M${p[0]} ${p[1] - most / 90}v${most / 45}`"
        class="cross"
      />
      <circle :cx="p[0]" :cy="p[1]" :r="most / 130" class="knob" />
      <text v-if="labelled" :x="p[0] + most / 90" :y="p[1] - most / 110" class="said">{{ names[i] }}</text>
    </g>
  </g>
</template>

<style scoped>
g[role='slider'] {
  outline: none;
  cursor: grab;
}
.reach {
  fill: transparent;
}
.cross {
  stroke: #fff;
  stroke-width: 2;
  fill: none;
}
.knob {
  fill: #fff;
  stroke: #c8431c;
  stroke-width: 2.5;
}
g[role='slider']:focus-visible .knob {
  fill: #c8431c;
}
.said {
  font: 600 18px var(--font-figure);
  fill: #7a1d05;
  paint-order: stroke;
  stroke: #fff;
  stroke-width: 5px;
}
</style>
