<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { useSettings } from '~/ui/settings'
import BenchCalipers from './BenchCalipers.vue'
import BenchKey from './BenchKey.vue'
import BenchDims from './BenchDims.vue'
import BenchTop from './BenchTop.vue'
import { FAMILIES, inToM } from '#core'
import type { Lane } from '#schemas/spread'
import { px, py, shapePath, type Plane } from '~/ui/drawing/plane'
import { smallText, trueMinus } from '#words/units'
import type { BenchLook } from '~/compute/bench'
import { handlesOf, type Handle } from './handles'
import { lengthsOf, surfaceAt } from './lengths'

/**
 * Bait and hook from the side and from above at one scale, with the fit as dimension lines and what can be
 * moved as handles.
 */
const props = defineProps<{
  look: Extract<BenchLook, { kind: 'rig' }>
  lane: Lane
  trueSize: boolean
  calipers: boolean
  moving: boolean
}>()
const emit = defineEmits<{ move: [change: Partial<Lane>]; drop: [change: Partial<Lane>] }>()
const settings = useSettings()
const host = useTemplateRef('host')
const { width: room } = useElementSize(host)

const SIDE = 250
const ROWS = 92
const MARGIN = 44

/** Room for the view from above, px. */
const above = computed(() => {
  const widths = [...props.look.solid.lumps.map(l => 2 * Math.abs(l.at[1]) + l.size[1])]
  for (let i = 3; i < props.look.solid.stations.length; i += 5) widths.push(props.look.solid.stations[i]!)
  return Math.max(70, Math.max(...widths) * perM.value + 34)
})

const bounds = computed(() => props.look.drawing.bounds)
const fittedPerM = computed(() => {
  const [left, bottom, right, top] = bounds.value
  return Math.max(400, Math.min((room.value - 2 * MARGIN) / (right - left), (SIDE - 52) / (top - bottom)))
})
const perM = computed(() => (props.trueSize ? settings.pxPerMm * 1000 : fittedPerM.value))
const width = computed(() =>
  Math.max(room.value, (bounds.value[2] - bounds.value[0]) * perM.value + 2 * MARGIN),
)
const high = computed(() => (bounds.value[3] - bounds.value[1]) * perM.value + 60)
const plane = computed<Plane>(() => ({
  perM: perM.value,
  x0: (width.value - (bounds.value[2] + bounds.value[0]) * perM.value) / 2,
  y0: 30 + bounds.value[3] * perM.value,
}))
const floor = computed(() => high.value + 4)
const dims = computed(() => props.look.dims)
const x = (s: number): number => px(plane.value, s)
const y = (z: number): number => py(plane.value, z)
const small = (m: number): string => smallText(m, settings.system)

const kinds = (drawing: typeof props.look.drawing, ...wanted: string[]) =>
  drawing.shapes.filter(s => wanted.includes(s.kind)).map(s => ({ ...s, d: shapePath(s, plane.value) }))
const ghosts = computed(() =>
  (
    [
      ['below', props.look.below],
      ['above', props.look.above],
    ] as const
  ).flatMap(([id, drawing]) => (drawing ? [{ id, wires: kinds(drawing, 'wire') }] : [])),
)

const lengths = computed(() => lengthsOf(props.look, small))
const handles = computed(() =>
  handlesOf(dims.value, props.lane, {
    backAt: m => surfaceAt(props.look.drawing, m, 'back'),
    says: small,
  }),
)

let held:
  | { readonly handle: Handle; readonly startX: number; readonly startY: number; last: Partial<Lane> }
  | undefined
function grab(handle: Handle, event: PointerEvent): void {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  held = { handle, startX: event.clientX, startY: event.clientY, last: {} }
}
function pull(event: PointerEvent): void {
  if (!held) return
  const along =
    (held.handle.id === 'point' ? event.clientY - held.startY : event.clientX - held.startX) / perM.value
  held.last = held.handle.by(along)
  emit('move', held.last)
}
function release(): void {
  if (held && Object.keys(held.last).length > 0) emit('drop', held.last)
  held = undefined
}
function key(handle: Handle, event: KeyboardEvent): void {
  const by =
    event.key === 'ArrowRight' || event.key === 'ArrowUp'
      ? 1
      : event.key === 'ArrowLeft' || event.key === 'ArrowDown'
        ? -1
        : 0
  if (by === 0) return
  event.preventDefault()
  event.stopPropagation()
  emit('drop', handle.by(by * handle.step * (event.shiftKey && handle.step < 0.002 ? 5 : 1)))
}

/** Marks along the top: millimetres numbered every ten, or sixteenths of an inch numbered every inch. */
const ruler = computed(() => {
  const inches = settings.units.length.label === 'in'
  const stepM = inches ? inToM(1 / 16) : 0.001
  const [whole, half] = inches ? [16, 8] : [10, 5]
  const first = Math.ceil(-plane.value.x0 / perM.value / stepM)
  const last = Math.floor((width.value - plane.value.x0) / perM.value / stepM)
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => {
    const n = first + i
    const high = n % whole === 0 ? 9 : n % half === 0 ? 6 : 4
    const text = n % whole === 0 ? String(inches ? n / whole : n) : ''
    return { n, at: n * stepM, high, text: n === 0 ? `0 ${settings.units.length.label}` : text }
  })
})
const described = computed(
  () =>
    `${FAMILIES[props.lane.family].name}, hook ${props.lane.hookSize}, from the side. ${lengths.value.map(l => l.text).join(', ')}; gap ${small(dims.value.gapM)}, ${small(dims.value.fill.heightM)} of plastic in it, ${small(dims.value.fill.squeezedM)} when squeezed.`,
)
</script>

<template>
  <div ref="host" class="bench" :class="`lane-${lane.letter}`">
    <svg
      v-if="room > 0"
      :width="width"
      :height="floor + ROWS + above"
      role="group"
      :aria-label="described"
      @pointermove="pull"
      @pointerup="release"
      @pointercancel="release"
    >
      <g class="ruler">
        <template v-for="m in ruler" :key="m.n">
          <line :x1="x(m.at)" :x2="x(m.at)" :y1="0" :y2="m.high" />
          <text v-if="m.text" :x="x(m.at)" y="20" text-anchor="middle">{{ trueMinus(m.text) }}</text>
        </template>
      </g>
      <path v-for="(s, i) in kinds(look.drawing, 'body', 'tail')" :key="`b${i}`" :d="s.d" class="plastic" />
      <path v-for="(s, i) in kinds(look.drawing, 'slot')" :key="`s${i}`" :d="s.d" class="slot" />
      <g v-for="ghost in ghosts" :key="ghost.id" class="ghost">
        <path v-for="(s, i) in ghost.wires" :key="i" :d="s.d" />
      </g>
      <path v-for="(s, i) in kinds(look.drawing, 'weight')" :key="`w${i}`" :d="s.d" class="lead" />
      <path
        v-for="(s, i) in kinds(look.drawing, 'wire', 'eye')"
        :key="`h${i}`"
        :d="s.d"
        class="wire"
        :stroke-width="Math.max(1.4, (s.strokeM ?? 0.001) * perM)"
        :stroke-dasharray="s.hidden ? '4 3' : undefined"
        :opacity="s.hidden ? 0.7 : 1"
      />
      <BenchDims :look="look" :lane="lane" :lengths="lengths" v-bind="{ plane, floor, width }" />
      <BenchTop
        :solid="look.solid"
        :plane="{ perM, x0: plane.x0, y0: floor + ROWS + above / 2 + 6 }"
        :exit-m="dims.exitAtM ?? dims.exitM"
        :note-x="8"
        :top="floor + ROWS"
      />
      <g
        v-for="handle in handles"
        :key="handle.id"
        class="handle"
        role="slider"
        tabindex="0"
        :aria-label="handle.label"
        :aria-valuetext="handle.value"
        :aria-valuenow="Math.round(handle.at.s * 1000)"
        aria-valuemin="-50"
        aria-valuemax="400"
        :transform="`translate(${x(handle.at.s)} ${y(handle.at.z)})`"
        @pointerdown="grab(handle, $event)"
        @keydown="key(handle, $event)"
      >
        <title>{{ handle.label }}: {{ handle.value }}</title>
        <circle r="14" class="reach" />
        <circle r="6" class="knob" />
      </g>
      <BenchCalipers v-if="calipers" :per-m="perM" :width="width" :height="floor" />
    </svg>
    <BenchKey :dims="dims" :hidden="lane.pointRest !== 'open'" :ghosts="ghosts.length > 0" />
    <p class="label scale">
      {{
        trueSize
          ? settings.calibrated
            ? 'true size: lay a real bait on the glass'
            : 'true size by the usual screen; calibrate it to be sure'
          : `${(perM / (settings.pxPerMm * 1000)).toFixed(1)} times true size`
      }}. Drag the round handles, or focus them and use the arrow keys.
    </p>
  </div>
</template>

<style scoped>
.bench {
  overflow-x: auto;
  position: relative;
}
svg {
  display: block;
  touch-action: none;
  user-select: none;
}
.ruler line {
  stroke: var(--hair-strong);
}
.ruler text {
  font: 11px var(--font-figure);
  fill: var(--ink-soft);
}
.plastic {
  fill: var(--plastic);
  stroke: var(--plastic-edge);
  stroke-width: 1.3;
  stroke-linejoin: round;
}
.slot {
  fill: var(--paper);
  stroke: var(--plastic-edge);
}
.ghost path {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1.2;
  stroke-dasharray: 1.5 4;
  opacity: 0.8;
}
.lead {
  fill: var(--lead);
  stroke: var(--ink);
}
.wire {
  fill: none;
  stroke: var(--steel);
  stroke-linecap: round;
  stroke-linejoin: round;
}
.handle {
  cursor: grab;
  outline: none;
}
.reach {
  fill: transparent;
}
.knob {
  fill: var(--raised);
  stroke: var(--float);
  stroke-width: 2.5;
}
.handle:hover .knob,
.handle:focus-visible .knob {
  fill: var(--float);
}
.handle:focus-visible .reach {
  stroke: var(--ink);
  stroke-width: 2;
}
.scale {
  padding: 3px 12px 5px;
}
</style>
