<script setup lang="ts">
import type { ChartOptions } from 'chart.js'
import { computed } from 'vue'
import type { TripAnswer } from '~/compute/trip'
import { LETTERS } from '#schemas/ranges'
import ChartFrame from '~/ui/charts/ChartFrame.vue'
import { axis, common } from '~/ui/charts/theme'
import { laneColour, token } from '~/ui/drawing/identity'
import { useSettings } from '~/ui/settings'
import { weightText } from '#words/units'

/** Which weight in how much water: a rung from the shallowest to the deepest that each is in hand for. */
const props = defineProps<{ plan: TripAnswer }>()
const settings = useSettings()
interface Rung {
  readonly rod: number
  readonly kg: number
  readonly lowM: number
  readonly highM: number
}
const rungs = computed((): Rung[] => {
  const found = new Map<string, Rung>()
  for (const { rod, weightKg: kg, moment } of props.plan.hand) {
    const { depthM } = props.plan.moments[moment]!
    const { lowM = depthM, highM = depthM } = found.get(`${rod} ${kg}`) ?? {}
    found.set(`${rod} ${kg}`, { rod, kg, lowM: Math.min(lowM, depthM), highM: Math.max(highM, depthM) })
  }
  return [...found.values()].sort((a, b) => a.rod - b.rod || a.kg - b.kg)
})
const named = ({ kg }: Rung): string => (kg > 0 ? weightText(kg, settings.system) : 'no weight')
const shownDepth = (m: number): number => Number(settings.units.depth.from(m).toFixed(1))
const ranged = ({ lowM, highM }: Rung): string =>
  shownDepth(lowM) === shownDepth(highM)
    ? `${shownDepth(lowM)} ${settings.units.depth.label}`
    : `${shownDepth(lowM)} to ${shownDepth(highM)} ${settings.units.depth.label}`
/** A rung of one depth is still seen, part of the whole height. */
const LEAST = 0.03
const deepest = computed(() =>
  Math.max(1, ...props.plan.moments.map(m => settings.units.depth.from(m.depthM))),
)
const marks = computed(() => {
  const step = [0.5, 1, 2, 5, 10, 20, 50].find(s => deepest.value / s <= 5) ?? 100
  const { label } = settings.units.depth
  return Array.from({ length: Math.floor(deepest.value / step) + 1 }, (_, i) => ({
    at: i * step,
    text: i === 0 ? `0 ${label}` : String(i * step),
  }))
})
const data = computed(() => {
  void settings.theme
  return {
    labels: rungs.value.map(r => `${LETTERS[r.rod]} ${named(r)}`),
    datasets: [
      {
        label: 'depth',
        data: rungs.value.map(({ lowM, highM }): [number, number] => {
          const [low, high] = [settings.units.depth.from(lowM), settings.units.depth.from(highM)]
          return [low, Math.max(high, low + LEAST * deepest.value)]
        }),
        backgroundColor: rungs.value.map(r => laneColour(LETTERS[r.rod]!)),
        maxBarThickness: 46,
        borderSkipped: false,
      },
    ],
  }
})
const options = computed((): ChartOptions<'bar'> => {
  void settings.theme
  const written = { color: token('ink'), font: { size: 13, weight: 600 } } as const
  return {
    ...common(),
    events: [],
    layout: { padding: { right: 8, bottom: 2 } },
    plugins: {
      tooltip: { enabled: false },
      annotation: {
        clip: false,
        annotations: rungs.value.map((r, i) => ({
          type: 'label' as const,
          xValue: i,
          yValue: settings.units.depth.from(r.highM),
          yAdjust: 16,
          content: ranged(r),
          color: token('ink-soft'),
          font: { size: 12 },
        })),
      },
    },
    scales: {
      x: { type: 'category', position: 'top', grid: { display: false }, ticks: written },
      y: axis({
        min: 0,
        max: deepest.value * 1.14,
        reverse: true,
        marks: marks.value,
      }),
    },
  }
})
</script>

<template>
  <section class="ladder" aria-label="Weights over depth">
    <h2>Which weight in how much water</h2>
    <ChartFrame
      class="plot"
      type="bar"
      :data="data"
      :options="options"
      :label="`Weights over depth. ${rungs.map(r => `${LETTERS[r.rod]}, ${named(r)}: ${ranged(r)}`).join('; ')}`"
      name="dunecrest-weights"
      :head="['rod', 'weight', 'depth']"
      :rows="rungs.map(r => [LETTERS[r.rod]!, named(r), ranged(r)])"
    />
  </section>
</template>

<style scoped>
.ladder {
  display: flex;
  flex-direction: column;
  padding: 6px 12px 8px;
  min-width: 0;
  min-height: 200px;
  border-left: 1px solid var(--hair);
}
h2 {
  font-size: 16px;
  font-weight: 600;
}
.plot {
  flex: 1;
}
</style>
