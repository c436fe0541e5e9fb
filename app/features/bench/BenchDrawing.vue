<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { useSettings } from '~/ui/settings'
import BenchCalipers from './BenchCalipers.vue'
import BenchTop from './BenchTop.vue'
import { FAMILIES, HOOK_SIZES, inToM, LIMITS } from '#core'
import type { Lane } from '#schemas/spread'
import { px, py, shapePath, type Plane } from '~/ui/drawing/plane'
import { smallText, trueMinus } from '#words/units'
import { POINT_WORDS } from '#words/words'
import type { BenchLook } from '~/compute/bench'

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

/** Lengths along the bait, one under the other. */
const lengths = computed(() => {
  const { exitM, exitAtM, bend, lengthM, neckM, eye } = dims.value
  const exit = exitAtM ?? exitM
  return [
    ...(exit === undefined
      ? []
      : [
          {
            id: 'exit',
            from: 0,
            to: exit,
            text: `comes out at ${small(exit)}${dims.value.allowanceM > 0.0005 ? `, push ${small(dims.value.allowanceM)} forward` : ''}`,
          },
        ]),
    {
      id: 'tail',
      from: Math.min(bend.s, lengthM),
      to: lengthM,
      text: `swims free ${small(Math.max(0, lengthM - bend.s))}, ${Math.round(100 * props.look.fit.freeTailShare)} %`,
    },
    ...(neckM > 0.001 && eye.s + neckM > 0
      ? [{ id: 'neck', from: Math.max(0, eye.s), to: eye.s + neckM, text: `neck ${small(neckM)}` }]
      : []),
  ]
})
const shankZ = computed(() => {
  const { from, to } = dims.value.shank
  const part = to.s === from.s ? 0 : (dims.value.fill.s - from.s) / (to.s - from.s)
  return from.z + Math.max(0, Math.min(1, part)) * (to.z - from.z)
})

/** Height of the back as drawn, at a place along the bait. */
function backAt(s: number): number {
  const points = props.look.drawing.shapes.find(shape => shape.kind === 'body')!.points
  for (let i = 2; i < points.length / 2; i += 2) if (points[i]! >= s) return points[i + 1]!
  return 0
}

const movable = computed(() => FAMILIES[props.lane.family])
const limited = (value: number, [low, high]: readonly [number, number]): number =>
  Math.round(Math.max(low, Math.min(high, value)) * 10000) / 10000
const handles = computed(() => {
  const { exitM, exitAtM, bend, shank, tip, weight } = dims.value
  const { hookAtM = 0, weightAtM } = props.lane
  const exit = exitAtM ?? exitM
  const sizeBy = (by: number): Partial<Lane> => ({
    hookSize:
      HOOK_SIZES[
        Math.max(0, Math.min(HOOK_SIZES.length - 1, HOOK_SIZES.indexOf(props.lane.hookSize) + by))
      ] ?? props.lane.hookSize,
  })
  const rests = movable.value.pointRests
  const restBy = (by: number): Partial<Lane> => ({
    pointRest:
      rests[Math.max(0, Math.min(rests.length - 1, rests.indexOf(props.lane.pointRest) + by))] ??
      props.lane.pointRest,
  })
  return [
    {
      id: 'hook',
      label: 'hook along the bait',
      at: { s: (shank.from.s + shank.to.s) / 2, z: (shank.from.z + shank.to.z) / 2 },
      value: `${small(hookAtM)} from where it usually sits`,
      by: (ds: number) => ({ hookAtM: limited(hookAtM + ds, LIMITS.hookAtM) }),
      step: 0.001,
    },
    {
      id: 'bend',
      label: 'hook size',
      at: bend,
      value: `size ${props.lane.hookSize}`,
      by: (ds: number) => sizeBy(Math.round(ds / 0.005)),
      step: 0.005,
    },
    ...(exit === undefined || props.lane.pointRest === 'open'
      ? []
      : [
          {
            id: 'exit',
            label: 'where the point is brought out',
            at: { s: exit, z: backAt(exit) },
            value: `${small(exit)} from the nose`,
            by: (ds: number) => ({ exitAtM: limited(exit + ds, LIMITS.exitAtM) }),
            step: 0.001,
          },
        ]),
    ...(weight && movable.value.slides
      ? [
          {
            id: 'weight',
            label: 'weight along the bait',
            at: weight,
            value: `${small(weight.s)} from the nose`,
            by: (ds: number) => ({ weightAtM: limited((weightAtM ?? weight.s) + ds, LIMITS.weightAtM) }),
            step: 0.001,
          },
        ]
      : []),
    ...(rests.length > 1
      ? [
          {
            id: 'point',
            label: 'how the point rests',
            at: tip,
            value: POINT_WORDS[props.lane.pointRest],
            by: (ds: number) => restBy(Math.round(ds / 0.003)),
            step: 0.003,
          },
        ]
      : []),
  ]
})
type Handle = (typeof handles.value)[number]

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
      <g class="dim">
        <line
          :x1="x(dims.fill.s)"
          :x2="x(dims.fill.s)"
          :y1="y(shankZ)"
          :y2="y(shankZ + dims.gapM)"
          class="gap"
        />
        <text :x="x(dims.fill.s) - 6" :y="y(bounds[1]) + 14" text-anchor="end">
          gap {{ small(dims.gapM) }}
        </text>
        <template v-if="dims.fill.heightM > 0">
          <line
            :x1="x(dims.fill.s) + 8"
            :x2="x(dims.fill.s) + 8"
            :y1="y(dims.fill.bottomZ)"
            :y2="y(dims.fill.topZ)"
            class="fill"
          />
          <line
            :x1="x(dims.fill.s) + 14"
            :x2="x(dims.fill.s) + 14"
            :y1="y(dims.fill.topZ - dims.fill.squeezedM)"
            :y2="y(dims.fill.topZ)"
            class="squeezed"
          />
          <text :x="x(dims.fill.s) + 10" :y="y(bounds[1]) + 14">
            {{ small(dims.fill.heightM) }} of plastic, {{ small(dims.fill.squeezedM) }} squeezed
          </text>
        </template>
        <g v-for="(l, i) in lengths" :key="l.id">
          <line :x1="x(l.from)" :x2="x(l.from)" :y1="y(0)" :y2="floor + 12 + i * 24" class="drop" />
          <line :x1="x(l.to)" :x2="x(l.to)" :y1="y(0)" :y2="floor + 12 + i * 24" class="drop" />
          <line
            :x1="x(l.from)"
            :x2="x(l.to)"
            :y1="floor + 8 + i * 24"
            :y2="floor + 8 + i * 24"
            class="span"
          />
          <text
            :x="Math.max(4, (x(l.from) + x(l.to)) / 2)"
            :y="floor + 22 + i * 24"
            text-anchor="middle"
            class="big"
          >
            {{ l.text }}
          </text>
        </g>
      </g>
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
    <p class="label scale">
      {{
        trueSize
          ? settings.calibrated
            ? 'true size: lay a real bait on the glass'
            : 'true size by the usual screen; calibrate it to be sure'
          : `${(perM / (settings.pxPerMm * 1000)).toFixed(1)} times true size`
      }}; dotted: one size down and up. Drag the round handles, or focus them and use the arrow keys.
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
.dim line {
  stroke: var(--ink);
  stroke-width: 1;
}
.dim .drop {
  stroke: var(--hair-strong);
  stroke-dasharray: 2 3;
}
.dim .span {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.dim .gap {
  stroke: var(--lane);
  stroke-width: 2.5;
}
.dim .fill {
  stroke: var(--plastic-edge);
  stroke-width: 2.5;
}
.dim .squeezed {
  stroke: var(--float);
  stroke-width: 2.5;
}
.dim text {
  font: 13px var(--font-figure);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
.dim .big {
  font-size: 16px;
  font-weight: 600;
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
