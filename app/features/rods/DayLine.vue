<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { useSettings } from '~/ui/settings'
import type { TripAnswer } from '~/compute/trip'
import { LETTERS } from '#schemas/spread'
import { clockText } from './clock'
import { changeText } from '#words/tripWords'
import { shown, weightText } from '#words/units'

/**
 * The trip on a timeline: depth and current by the half hour, turns of the tide, the rod in hand and its
 * weight, quiet windows.
 */
const props = defineProps<{
  plan: TripAnswer
  stops: readonly { readonly name: string; readonly from: number; readonly to: number }[]
}>()
const settings = useSettings()
const host = useTemplateRef('host')
const { width } = useElementSize(host)
const LEFT = 52
const TOP = 26
const DEEP = 112
const FLOW = 46
const BAND = 30
const H = TOP + DEEP + FLOW + BAND + 30
const STEP = 30 * 60_000
const from = computed(() => Math.min(...props.stops.map(s => s.from)))
const to = computed(() => Math.max(...props.stops.map(s => s.to)))
const x = (at: number): number =>
  LEFT + ((width.value - LEFT - 8) * (at - from.value)) / (to.value - from.value)
const deepest = computed(() => Math.max(1, ...props.plan.moments.map(m => m.depthM)))
const fastest = computed(() => Math.max(0.2, ...props.plan.moments.map(m => Math.abs(m.currentMS))))
const yDepth = (d: number): number => TOP + (DEEP * d) / deepest.value
const yFlow = TOP + DEEP + FLOW / 2 + 6
const hours = computed(() => {
  const list: number[] = []
  const hour = 3_600_000
  for (
    let t = Math.ceil(from.value / hour) * hour;
    t <= to.value;
    t += hour * Math.max(1, Math.round((to.value - from.value) / hour / 12))
  )
    list.push(t)
  return list
})
/** Runs of the same rod and weight. */
const runs = computed(() => {
  const found: { rod: number; weightKg: number; from: number; to: number; share: number }[] = []
  for (const h of props.plan.hand) {
    const at = props.plan.moments[h.moment]!.at
    const last = found[found.length - 1]
    if (last && last.rod === h.rod && last.weightKg === h.weightKg && last.to === at) last.to = at + STEP
    else found.push({ rod: h.rod, weightKg: h.weightKg, from: at, to: at + STEP, share: h.share })
  }
  return found
})
</script>

<template>
  <div ref="host" class="line">
    <svg
      v-if="width > 0"
      :width="width"
      :height="H"
      role="img"
      :aria-label="`Depth, current and rod in hand from ${clockText(from)} to ${clockText(to)}. ${plan.changes.map(c => `${clockText(c.at)} ${changeText(c, settings.system)}`).join(' ')}`"
    >
      <g v-for="s in stops" :key="s.from">
        <rect :x="x(s.from)" y="0" :width="Math.max(0, x(s.to) - x(s.from))" height="18" class="stop" />
        <text :x="x(s.from) + 5" y="13" class="name">{{ s.name }}</text>
      </g>
      <rect
        v-for="q in plan.quiet"
        :key="q.from"
        :x="x(q.from)"
        :y="TOP"
        :width="x(q.to) - x(q.from)"
        :height="DEEP"
        class="quiet"
      />
      <g v-for="m in plan.moments" :key="m.at">
        <rect
          :x="x(m.at)"
          :y="TOP"
          :width="Math.max(1, x(m.at + STEP) - x(m.at) - 0.5)"
          :height="yDepth(m.depthM) - TOP"
          class="water"
        />
        <rect
          v-if="Math.abs(m.currentMS) > 0.02"
          :x="x(m.at) + 1"
          :y="m.currentMS > 0 ? yFlow - ((FLOW / 2) * m.currentMS) / fastest : yFlow"
          :width="Math.max(1, x(m.at + STEP) - x(m.at) - 2)"
          :height="((FLOW / 2) * Math.abs(m.currentMS)) / fastest"
          class="flow"
        />
      </g>
      <g v-for="d in [0, deepest / 2, deepest]" :key="d">
        <line :x1="LEFT - 4" :x2="LEFT" :y1="yDepth(d)" :y2="yDepth(d)" class="tick" />
        <text :x="LEFT - 7" :y="yDepth(d) + 4" text-anchor="end">
          {{ shown(d, { ...settings.units.depth, decimals: 1 }) }}
        </text>
      </g>
      <text x="0" :y="TOP + 24" class="label">depth</text>
      <text x="0" :y="TOP + 37" class="label">{{ settings.units.depth.label }}</text>
      <line :x1="LEFT" :x2="width - 8" :y1="yFlow" :y2="yFlow" class="zero" />
      <text x="0" :y="yFlow - 4" class="label">flood</text>
      <text x="0" :y="yFlow + 12" class="label">ebb</text>
      <text :x="width - 8" :y="yFlow - FLOW / 2 + 8" text-anchor="end" class="label">
        at most {{ shown(fastest, settings.units.speed) }} {{ settings.units.speed.label }}
      </text>
      <g v-for="t in plan.turns" :key="t.at">
        <line :x1="x(t.at)" :x2="x(t.at)" :y1="TOP" :y2="TOP + DEEP + FLOW" class="turn" />
        <text
          :x="x(t.at) + (x(t.at) > width - 80 ? -4 : 4)"
          :text-anchor="x(t.at) > width - 80 ? 'end' : 'start'"
          :y="TOP + DEEP - 6"
          class="mark"
        >
          {{ t.high ? 'high' : 'low' }} {{ clockText(t.at) }}
        </text>
      </g>
      <text v-for="q in plan.quiet" :key="`q${q.from}`" :x="x(q.from) + 4" :y="TOP + 14" class="mark">
        land quietly
      </text>
      <g v-for="r in runs" :key="r.from" :class="`lane-${LETTERS[r.rod]}`">
        <rect
          :x="x(r.from)"
          :y="TOP + DEEP + FLOW + 12"
          :width="Math.max(2, x(r.to) - x(r.from) - 1)"
          :height="BAND"
          class="run"
        />
        <text v-if="x(r.to) - x(r.from) > 22" :x="x(r.from) + 5" :y="TOP + DEEP + FLOW + 32" class="rod">
          {{ LETTERS[r.rod] }}
          <template v-if="x(r.to) - x(r.from) > 66">
            &nbsp; {{ r.weightKg > 0 ? weightText(r.weightKg, settings.system) : 'no weight' }}
          </template>
        </text>
      </g>
      <g v-for="h in hours" :key="h">
        <text :x="x(h)" :y="H - 2" :text-anchor="x(h) > width - 30 ? 'end' : 'middle'">
          {{ clockText(h) }}
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.line {
  padding: 6px 12px 2px;
}
svg {
  display: block;
}
text {
  font: 12px var(--font-figure);
  fill: var(--ink);
}
.name {
  font-weight: 600;
  fill: var(--paper);
}
.label {
  fill: var(--ink-soft);
}
.stop {
  fill: var(--ink);
  stroke: var(--paper);
}
.water {
  fill: var(--water-top);
}
.quiet {
  fill: var(--growth);
  opacity: 0.35;
}
.flow {
  fill: var(--water-deep);
}
.zero {
  stroke: var(--hair-strong);
}
.tick {
  stroke: var(--ink);
}
.turn {
  stroke: var(--ink);
  stroke-dasharray: 3 3;
}
.mark {
  paint-order: stroke;
  stroke: var(--water-top);
  stroke-width: 3px;
}
.run {
  fill: var(--lane);
}
.rod {
  fill: var(--lane-ink);
  font-weight: 700;
  font-size: 13px;
}
</style>
