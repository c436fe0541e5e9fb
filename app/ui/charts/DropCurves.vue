<script setup lang="ts">
import type { ChartData, ChartOptions } from 'chart.js'
import { computed } from 'vue'
import type { Diver } from '~/ui/drawing/diver'
import { laneColour, PATTERNS, token } from '~/ui/drawing/identity'
import { seriesOf, type SeriesId } from '~/ui/drawing/series'
import { useSettings } from '~/ui/settings'
import type { Unit } from '#words/units'
import ChartFrame from './ChartFrame.vue'
import { axis, common } from './theme'

/**
 * One series of every rig against seconds, older drops dotted behind; a mark stands at the moment that the
 * tank shows.
 */
const props = defineProps<{
  id: SeriesId
  title: string
  unit: Unit
  divers: readonly Diver[]
  ghosts?: readonly Diver[]
  /** values at the upper and lower edge, SI (degrees for pitch) */ top: number
  bottom: number
  /** what is written at the left edge, SI */ marks: readonly number[]
  time: number
}>()
const settings = useSettings()
const LEFT_PX = 38
const RIGHT_PX = 12
/** Moments of a drop that are drawn: about as many as the chart is wide in pixels and a half. */
const MOST_POINTS = 240
/** Rows of the table that stands behind. */
const ROWS = 25

const span = computed(() => Math.max(1, ...[...props.divers, ...(props.ghosts ?? [])].map(d => d.drop.timeS)))
/** Steps of a clock, at most six of them. */
const STEPS_S = [0.5, 1, 2, 5, 10, 20, 50]
const seconds = computed(() => {
  const step = STEPS_S.find(s => span.value / s <= 6) ?? STEPS_S.at(-1)!
  return Array.from({ length: Math.floor(span.value / step) + 1 }, (_, n) => n * step)
})
const written = (x: number): string => String(Number(props.unit.from(x).toFixed(Math.abs(x) < 10 ? 1 : 0)))
const points = ({ drop }: Diver) => {
  const series = seriesOf(drop)
  const { length } = series.t
  const every = Math.max(1, Math.ceil(length / MOST_POINTS))
  const kept = Array.from({ length: Math.floor((length - 1) / every) + 1 }, (_, k) => k * every)
  if (kept.at(-1) !== length - 1) kept.push(length - 1)
  return kept.map(i => ({ x: series.t[i]!, y: series[props.id][i]! }))
}
const curve = (diver: Diver, ghost: boolean) => ({
  label: diver.letter,
  data: points(diver),
  borderColor: ghost ? token('ink-soft') : laneColour(diver.letter),
  borderWidth: ghost ? 1.2 : 2,
  borderDash: ghost ? [1, 4] : [...PATTERNS[diver.letter]],
  pointRadius: 0,
})
const data = computed((): ChartData<'line', { x: number; y: number }[]> => {
  void settings.theme
  return {
    datasets: [...props.divers.map(d => curve(d, false)), ...(props.ghosts ?? []).map(d => curve(d, true))],
  }
})
const options = computed((): ChartOptions<'line'> => {
  void settings.theme
  const [low, high] = [Math.min(props.top, props.bottom), Math.max(props.top, props.bottom)]
  return {
    ...common(),
    parsing: false,
    events: [],
    layout: { padding: { right: RIGHT_PX, top: 0 } },
    plugins: { tooltip: { enabled: false } },
    scales: {
      x: axis({ min: 0, max: span.value, marks: seconds.value.map(at => ({ at, text: String(at) })) }),
      y: axis({
        min: low,
        max: high,
        reverse: props.top < props.bottom,
        widthPx: LEFT_PX,
        marks: props.marks.map(at => ({ at, text: written(at) })),
      }),
    },
  }
})
const moment = computed(() => Math.min(1, props.time / span.value))
const head = computed(() => ['s', ...props.divers.map(d => d.letter)])
const rows = computed(() =>
  Array.from({ length: ROWS }, (_, k) => {
    const t = (span.value * k) / (ROWS - 1)
    return [
      Number(t.toFixed(1)),
      ...props.divers.map(({ drop }) => {
        const series = seriesOf(drop)
        const i = series.t.findIndex(at => at >= t - 1e-9)
        return i < 0 ? '–' : Number(props.unit.from(series[props.id][i]!).toFixed(props.unit.decimals))
      }),
    ]
  }),
)
</script>

<template>
  <div class="curves">
    <p class="label">{{ title }}</p>
    <div class="plot">
      <ChartFrame
        class="chart"
        type="line"
        :data="data"
        :options="options"
        :label="`${title}, against seconds`"
        :name="`dunecrest-${id}`"
        :head="head"
        :rows="rows"
      />
      <i
        class="moment"
        aria-hidden="true"
        :style="{ left: `calc(${LEFT_PX}px + (100% - ${LEFT_PX + RIGHT_PX}px) * ${moment})` }"
      />
    </div>
  </div>
</template>

<style scoped>
.curves {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
}
.label {
  padding-left: 38px;
}
.plot {
  position: relative;
  flex: 1;
  min-height: 0;
}
.chart {
  height: 100%;
}
.moment {
  position: absolute;
  top: 0;
  bottom: 20px;
  width: 1.5px;
  background: var(--float);
}
</style>
