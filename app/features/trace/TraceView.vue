<script setup lang="ts">
import { computed, useTemplateRef, watch } from 'vue'
import type { Sighting } from '~/compute/trace'
import type { Picture } from '~/compute/trace/picture'
import type { Point } from '~/compute/trace/homography'
import type { Trace } from '~/compute/trace/outline'
import { acrossOf, placeOf } from './traced'
import TraceMarks from './TraceMarks.vue'

/**
 * The photograph with what was found drawn on it: the scale's marks and the outline can be moved, another thing chosen
 * by a tap, and for a hook three places clicked.
 */
const props = defineProps<{
  picture: Picture
  sighting: Sighting | undefined
  trace: Trace | undefined
  chosen: number
  subject: 'bait' | 'hook'
  reversed: boolean
  /** corners of the card or ends of the ruler, px; none for a coin */ marks: readonly Point[]
  markNames: readonly string[]
}>()
const points = defineModel<Point[]>('points', { required: true })
const emit = defineEmits<{
  nudge: [index: number, side: 'over' | 'under', to: number]
  choose: [index: number]
  mark: [points: Point[]]
  marked: [points: Point[]]
}>()
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
const most = computed(() => Math.max(props.picture.width, props.picture.height))
const outlined = computed(() =>
  props.sighting && props.trace && props.trace.stations.length > 0
    ? { sighting: props.sighting, trace: props.trace }
    : undefined,
)
const knobs = computed(() => {
  if (!outlined.value) return []
  const { sighting, trace } = outlined.value
  return trace.stations.flatMap((s, index) =>
    (['over', 'under'] as const).map(side => ({
      index,
      side,
      at: placeOf(sighting, trace, s.at, s[side]),
      value: s[side],
    })),
  )
})
const outline = computed(() =>
  text([
    ...knobs.value.filter(k => k.side === 'over').map(k => k.at),
    ...knobs.value
      .filter(k => k.side === 'under')
      .map(k => k.at)
      .reverse(),
  ]),
)
const nose = computed(
  () =>
    outlined.value &&
    placeOf(outlined.value.sighting, outlined.value.trace, props.reversed ? 1.03 : -0.03, 0),
)
/** Things that are not the bait yet; a tap makes one of them it. */
const others = computed(() =>
  (props.sighting?.things ?? [])
    .map(({ edge }, index) => ({ index, edge: text(edge) }))
    .filter(one => one.index !== props.chosen),
)

/** Where the pointer is, in pixels of the picture. */
function spot(event: PointerEvent): Point {
  const box = svg.value!.getBoundingClientRect()
  return [
    ((event.clientX - box.left) * props.picture.width) / box.width,
    ((event.clientY - box.top) * props.picture.height) / box.height,
  ]
}
let held: { readonly index: number; readonly side: 'over' | 'under' } | undefined
function grab(knob: { index: number; side: 'over' | 'under' }, event: PointerEvent): void {
  held = knob
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function pull(event: PointerEvent): void {
  if (!held || !outlined.value) return
  emit('nudge', held.index, held.side, acrossOf(outlined.value.sighting, outlined.value.trace, spot(event)))
}
/** Millimetres that one press of an arrow key moves a point of the outline. */
const PRESS_MM = 0.2
function key(knob: { index: number; side: 'over' | 'under'; value: number }, event: KeyboardEvent): void {
  const by =
    event.key === 'ArrowDown' || event.key === 'ArrowRight'
      ? 1
      : event.key === 'ArrowUp' || event.key === 'ArrowLeft'
        ? -1
        : 0
  if (by === 0) return
  event.preventDefault()
  emit('nudge', knob.index, knob.side, knob.value + by * PRESS_MM * (event.shiftKey ? 5 : 1))
}
function click(event: PointerEvent): void {
  if (props.subject === 'hook' && props.sighting && points.value.length < 3)
    points.value = [...points.value, spot(event)]
}
const HOOK_NAMES = ['eye of the hook', 'bend of the hook', 'point of the hook'] as const
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
      <polygon
        v-if="marks.length !== 2"
        :points="text(marks.length ? marks : (sighting?.marks ?? []))"
        class="card"
      />
      <polyline v-else :points="text(marks)" class="card" />
      <template v-if="subject === 'bait'">
        <polygon
          v-for="one in others"
          :key="one.index"
          :points="one.edge"
          class="other"
          role="button"
          tabindex="0"
          :aria-label="`Thing ${one.index + 1}: take this one for the bait`"
          @pointerdown.stop
          @click="emit('choose', one.index)"
          @keydown.enter.prevent="emit('choose', one.index)"
          @keydown.space.prevent="emit('choose', one.index)"
        />
        <polygon :points="outline" class="traced" />
        <text v-if="nose" :x="nose[0]" :y="nose[1]" text-anchor="middle" class="nose">nose</text>
        <g
          v-for="knob in knobs"
          :key="`${knob.index}${knob.side}`"
          role="slider"
          tabindex="0"
          :aria-label="`outline point ${knob.index + 1}, ${knob.side === 'over' ? 'one side' : 'other side'}`"
          :aria-valuenow="Math.round(10 * knob.value) / 10"
          aria-valuemin="-200"
          aria-valuemax="200"
          @pointerdown.stop="grab(knob, $event)"
          @keydown="key(knob, $event)"
        >
          <circle :cx="knob.at[0]" :cy="knob.at[1]" r="13" class="reach" />
          <circle :cx="knob.at[0]" :cy="knob.at[1]" r="5" class="knob" />
        </g>
      </template>
      <template v-else>
        <polyline v-if="points.length > 1" :points="text(points)" class="traced open" />
        <TraceMarks
          :points="points"
          :names="HOOK_NAMES"
          :most="most"
          :spot="spot"
          labelled
          @move="now => (points = now)"
          @drop="now => (points = now)"
        />
      </template>
      <TraceMarks
        :points="marks"
        :names="markNames"
        :most="most"
        :spot="spot"
        @move="now => emit('mark', now)"
        @drop="now => emit('marked', now)"
      />
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
.other {
  fill: rgb(255 255 255 / 0.08);
  stroke: #fff;
  stroke-width: 2;
  stroke-dasharray: 4 4;
  cursor: pointer;
  outline: none;
}
.other:hover,
.other:focus-visible {
  fill: rgb(255 255 255 / 0.4);
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
