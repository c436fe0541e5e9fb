<script setup lang="ts">
import { computed, useTemplateRef, watch } from 'vue'
import type { Picture, Point, Trace } from '~/compute/trace'
import { placeOf } from './traced'

/**
 * The photograph with what was found drawn on it; outline points can be moved, and for a hook three places
 * clicked.
 */
const props = defineProps<{
  picture: Picture
  trace: Trace | undefined
  subject: 'bait' | 'hook'
  reversed: boolean
}>()
const points = defineModel<Point[]>('points', { required: true })
const emit = defineEmits<{ nudge: [index: number, side: 'over' | 'under', to: number] }>()
const canvas = useTemplateRef('canvas')
const svg = useTemplateRef('svg')
watch(
  [() => props.picture, canvas],
  () => {
    const ctx = canvas.value?.getContext('2d')
    if (!ctx || !canvas.value) return
    canvas.value.width = props.picture.width
    canvas.value.height = props.picture.height
    ctx.putImageData(
      new ImageData(new Uint8ClampedArray(props.picture.rgba), props.picture.width, props.picture.height),
      0,
      0,
    )
  },
  { flush: 'post', immediate: true },
)

const text = (list: readonly Point[]): string => list.map(p => p.map(v => v.toFixed(1)).join(',')).join(' ')
const knobs = computed(() =>
  props.trace
    ? props.trace.stations.flatMap((s, index) =>
        (['over', 'under'] as const).map(side => ({
          index,
          side,
          at: placeOf(props.trace!, s.at, s[side]),
          value: s[side],
        })),
      )
    : [],
)
const outline = computed(() =>
  props.trace
    ? text([
        ...props.trace.stations.map(s => placeOf(props.trace!, s.at, s.over)),
        ...props.trace.stations.map(s => placeOf(props.trace!, s.at, s.under)).reverse(),
      ])
    : '',
)
const nose = computed(() =>
  props.trace && props.trace.stations.length > 0
    ? placeOf(props.trace, props.reversed ? 1.03 : -0.03, 0)
    : undefined,
)

/** Where the pointer is, in pixels of the picture. */
function spot(event: PointerEvent): Point {
  const box = svg.value!.getBoundingClientRect()
  return [
    ((event.clientX - box.left) * props.picture.width) / box.width,
    ((event.clientY - box.top) * props.picture.height) / box.height,
  ]
}
const across = ([x, y]: Point): number => {
  const { from, along } = props.trace!
  return -(x - from[0]) * along[1] + (y - from[1]) * along[0]
}
let held: { readonly index: number; readonly side: 'over' | 'under' } | undefined
function grab(knob: { index: number; side: 'over' | 'under' }, event: PointerEvent): void {
  held = knob
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function pull(event: PointerEvent): void {
  if (held && props.trace) emit('nudge', held.index, held.side, across(spot(event)))
}
function key(knob: { index: number; side: 'over' | 'under'; value: number }, event: KeyboardEvent): void {
  const by =
    event.key === 'ArrowDown' || event.key === 'ArrowRight'
      ? 1
      : event.key === 'ArrowUp' || event.key === 'ArrowLeft'
        ? -1
        : 0
  if (by === 0) return
  event.preventDefault()
  emit('nudge', knob.index, knob.side, knob.value + by * (event.shiftKey ? 5 : 1))
}
function click(event: PointerEvent): void {
  if (props.subject === 'hook' && props.trace && points.value.length < 3)
    points.value = [...points.value, spot(event)]
}
const NAMES = ['eye', 'bend', 'point'] as const
function move(i: number, event: KeyboardEvent): void {
  const [dx, dy] =
    event.key === 'ArrowLeft'
      ? [-1, 0]
      : event.key === 'ArrowRight'
        ? [1, 0]
        : event.key === 'ArrowUp'
          ? [0, -1]
          : event.key === 'ArrowDown'
            ? [0, 1]
            : [0, 0]
  if (dx === 0 && dy === 0) return
  event.preventDefault()
  points.value = points.value.map((p, k): Point => (k === i ? [p[0] + dx, p[1] + dy] : p))
}
</script>

<template>
  <div class="view" :style="{ aspectRatio: `${picture.width} / ${picture.height}` }">
    <canvas ref="canvas" role="img" aria-label="The photograph" />
    <svg
      ref="svg"
      :viewBox="`0 0 ${picture.width} ${picture.height}`"
      role="group"
      aria-label="What was found in it"
      @pointermove="pull"
      @pointerup="held = undefined"
      @pointerdown="click"
    >
      <template v-if="trace">
        <polygon :points="text(trace.card)" class="card" />
        <template v-if="subject === 'bait'">
          <polygon :points="outline" class="traced" />
          <text v-if="nose" :x="nose[0]" :y="nose[1]" text-anchor="middle" class="nose">nose</text>
          <g
            v-for="knob in knobs"
            :key="`${knob.index}${knob.side}`"
            role="slider"
            tabindex="0"
            :aria-label="`outline point ${knob.index + 1}, ${knob.side === 'over' ? 'one side' : 'other side'}`"
            :aria-valuenow="Math.round(knob.value)"
            aria-valuemin="-2000"
            aria-valuemax="2000"
            @pointerdown.stop="grab(knob, $event)"
            @keydown="key(knob, $event)"
          >
            <circle :cx="knob.at[0]" :cy="knob.at[1]" r="13" class="reach" />
            <circle :cx="knob.at[0]" :cy="knob.at[1]" r="5" class="knob" />
          </g>
        </template>
        <template v-else>
          <polyline v-if="points.length > 1" :points="text(points)" class="traced open" />
          <g
            v-for="(p, i) in points"
            :key="i"
            role="slider"
            tabindex="0"
            :aria-label="`${NAMES[i]} of the hook`"
            :aria-valuetext="`${Math.round(p[0])}, ${Math.round(p[1])}`"
            :aria-valuenow="Math.round(p[0])"
            aria-valuemin="0"
            :aria-valuemax="picture.width"
            @pointerdown.stop
            @keydown="move(i, $event)"
          >
            <circle :cx="p[0]" :cy="p[1]" r="6" class="knob" />
            <text :x="p[0] + 10" :y="p[1] - 8" class="nose">{{ NAMES[i] }}</text>
          </g>
        </template>
      </template>
    </svg>
  </div>
</template>

<style scoped>
.view {
  position: relative;
  max-height: 78vh;
  max-width: 100%;
  margin-inline: auto;
}
canvas,
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
svg {
  touch-action: none;
  user-select: none;
  cursor: crosshair;
}
.card {
  fill: none;
  stroke: #fff;
  stroke-width: 3;
  stroke-dasharray: 10 6;
}
.traced {
  fill: rgb(255 255 255 / 0.18);
  stroke: #c8431c;
  stroke-width: 2.5;
}
.open {
  fill: none;
}
.knob {
  fill: #fff;
  stroke: #c8431c;
  stroke-width: 2.5;
}
.reach {
  fill: transparent;
  cursor: grab;
}
g[role='slider'] {
  outline: none;
}
g[role='slider']:focus-visible .knob {
  fill: #c8431c;
}
.nose {
  font: 600 18px var(--font-figure);
  fill: #7a1d05;
  paint-order: stroke;
  stroke: #fff;
  stroke-width: 5px;
}
</style>
