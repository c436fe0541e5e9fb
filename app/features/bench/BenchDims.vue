<script setup lang="ts">
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import type { Lane } from '#schemas/spread'
import type { BenchLook } from '~/compute/bench'
import { px, py, type Plane } from '~/ui/drawing/plane'
import { smallText } from '#words/units'
import { surfaceAt, type BaitLength } from './lengths'

/** The fit as dimension lines on the drawing: gap and plastic in it, the way of the point, lengths along the bait. */
const props = defineProps<{
  look: Extract<BenchLook, { kind: 'rig' }>
  lane: Lane
  lengths: readonly BaitLength[]
  plane: Plane
  /** under the side view, px */ floor: number
  width: number
}>()
const settings = useSettings()
const dims = computed(() => props.look.dims)
const x = (s: number): number => px(props.plane, s)
const y = (z: number): number => py(props.plane, z)
const small = (m: number): string => smallText(m, settings.system)
const under = computed(() => y(props.look.drawing.bounds[1]) + 14)

const shankZ = computed(() => {
  const { from, to } = dims.value.shank
  const part = to.s === from.s ? 0 : (dims.value.fill.s - from.s) / (to.s - from.s)
  return from.z + Math.max(0, Math.min(1, part)) * (to.z - from.z)
})

/** The hole that the point is pushed through, and how far its upper end then goes toward the nose. */
const hole = computed(() => {
  const { exitM, exitAtM, allowanceM } = dims.value
  const s = exitAtM ?? exitM
  if (s === undefined || props.lane.pointRest === 'open') return undefined
  const [top, bottom] = (['back', 'belly'] as const).map(side => surfaceAt(props.look.drawing, s, side))
  const pushed = s - allowanceM
  return { s, top: top!, bottom: bottom!, pushed, pushedTop: surfaceAt(props.look.drawing, pushed, 'back') }
})

/** Width of a letter of the figures' font over its height; wide enough for every text here. */
const LETTER = 0.52
/** Where a text's middle comes to stand so that nothing of it is cut off. */
function middled(at: number, words: string, size: number): number {
  const half = (words.length * size * LETTER) / 2 + 4
  return Math.max(half, Math.min(props.width - half, at))
}
/** Both texts of the gap side by side under it, within the drawing. */
const gapWords = computed(() => {
  const { gapM, fill } = dims.value
  const gap = `gap ${small(gapM)}`
  const plastic =
    fill.heightM > 0 ? `${small(fill.heightM)} of plastic, ${small(fill.squeezedM)} squeezed` : ''
  const left = gap.length * 13 * LETTER + 4
  const right = plastic.length * 13 * LETTER + 4
  return { gap, plastic, at: Math.max(left + 6, Math.min(props.width - right - 10, x(fill.s))) }
})
</script>

<template>
  <g class="dim">
    <g v-if="hole" class="hole" data-part="hole">
      <line :x1="x(hole.s)" :x2="x(hole.s)" :y1="y(hole.bottom)" :y2="y(hole.top)" class="way" />
      <path
        v-if="hole.s - hole.pushed > 0.0005"
        class="push"
        :d="`M${x(hole.s)} ${y(hole.top) - 10}L${x(hole.pushed)} ${y(hole.pushedTop) - 10}m5 -4l-5 4l5 4`"
      />
    </g>
    <line :x1="x(dims.fill.s)" :x2="x(dims.fill.s)" :y1="y(shankZ)" :y2="y(shankZ + dims.gapM)" class="gap" />
    <text :x="gapWords.at - 6" :y="under" text-anchor="end">{{ gapWords.gap }}</text>
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
      <text :x="gapWords.at + 10" :y="under">{{ gapWords.plastic }}</text>
    </template>
    <g v-for="(l, i) in lengths" :key="l.id">
      <line :x1="x(l.from)" :x2="x(l.from)" :y1="y(0)" :y2="floor + 12 + i * 24" class="drop" />
      <line :x1="x(l.to)" :x2="x(l.to)" :y1="y(0)" :y2="floor + 12 + i * 24" class="drop" />
      <line :x1="x(l.from)" :x2="x(l.to)" :y1="floor + 8 + i * 24" :y2="floor + 8 + i * 24" class="span" />
      <text
        :x="middled((x(l.from) + x(l.to)) / 2, l.text, 16)"
        :y="floor + 22 + i * 24"
        text-anchor="middle"
        class="big"
      >
        {{ l.text }}
      </text>
    </g>
  </g>
</template>

<style scoped>
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
.dim .way {
  stroke: var(--float);
  stroke-width: 1.6;
  stroke-dasharray: 5 3;
}
.push {
  fill: none;
  stroke: var(--float);
  stroke-width: 1.8;
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
</style>
