<script setup lang="ts">
import type { ChartOptions } from 'chart.js'
import { computed } from 'vue'
import type { CoverLane } from '~/compute/cover'
import type { Letter } from '#schemas/ranges'
import ChartFrame from '~/ui/charts/ChartFrame.vue'
import { axis, common, tooltip } from '~/ui/charts/theme'
import { laneColour, token } from '~/ui/drawing/identity'
import { useSettings } from '~/ui/settings'
import { BASIS_MARKS } from '#words/words'

/** Where an hour goes, rig under rig: fishing, snags, weed, laying the point back. */
const props = defineProps<{ lanes: readonly CoverLane[] }>()
const settings = useSettings()
const PARTS = [
  ['fishing', ({ snag }: CoverLane) => snag.minutesLeft.value],
  ['snags', ({ snag }: CoverLane) => snag.hour.minutes.snags],
  ['weed', ({ snag }: CoverLane) => snag.hour.minutes.weed],
  ['fixing', ({ snag }: CoverLane) => snag.hour.minutes.fixing],
] as const
const COLOURS = { snags: 'wrack', weed: 'marram', fixing: 'ink-soft' } as const
const data = computed(() => {
  void settings.theme
  return {
    labels: props.lanes.map(l => l.letter),
    datasets: PARTS.map(([label, of]) => ({
      label,
      data: props.lanes.map(of),
      backgroundColor: props.lanes.map(l =>
        label === 'fishing' ? laneColour(l.letter as Letter) : token(COLOURS[label]),
      ),
      barPercentage: 0.72,
      categoryPercentage: 1,
    })),
  }
})
/** Shorter bars than this hold no words, minutes. */
const ROOM_FOR_WORDS = 20
const fishingWords = ({ value, basis }: CoverLane['snag']['minutesLeft']): string =>
  `${Math.round(value)}${value < ROOM_FOR_WORDS ? '' : ' minutes of fishing'} ${BASIS_MARKS[basis]}`
const options = computed((): ChartOptions<'bar'> => {
  void settings.theme
  const bold = { size: 14, weight: 700 } as const
  return {
    ...common(),
    indexAxis: 'y',
    layout: { padding: { right: 8 } },
    plugins: {
      tooltip: {
        ...tooltip(),
        callbacks: {
          label: ({ dataset, parsed }) => `${dataset.label}: ${(parsed.x ?? 0).toFixed(1)} minutes`,
        },
      },
      annotation: {
        annotations: props.lanes.map((l, i) => ({
          type: 'label' as const,
          yValue: i,
          xValue: l.snag.minutesLeft.value / 2,
          content: fishingWords(l.snag.minutesLeft),
          color: token('paper'),
          font: bold,
        })),
      },
    },
    scales: {
      x: axis({
        min: 0,
        max: 60,
        stacked: true,
        marks: [0, 15, 30, 45, 60].map(at => ({ at, text: String(at) })),
      }),
      y: {
        type: 'category',
        stacked: true,
        grid: { display: false },
        ticks: { color: token('ink'), font: bold },
      },
    },
  }
})
const round = (x: number): number => Number(x.toFixed(1))
const rows = computed(() => props.lanes.map(l => [l.letter, ...PARTS.map(([, of]) => round(of(l)))]))
</script>

<template>
  <section class="hour" aria-label="The hour">
    <h2 class="label">
      where an hour goes<span v-for="(colour, part) in COLOURS" :key="part" class="key"
        ><i :style="{ background: `var(--${colour})` }" />{{ part }}</span
      >
    </h2>
    <ChartFrame
      class="plot"
      type="bar"
      :data="data"
      :options="options"
      :label="`Where an hour goes: ${lanes.map(l => `${l.letter} leaves ${Math.round(l.snag.minutesLeft.value)} minutes for fishing`).join(', ')}`"
      name="dunecrest-hour"
      :head="['rig', ...PARTS.map(([label]) => `${label}, min`)]"
      :rows="rows"
    />
  </section>
</template>

<style scoped>
.hour {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 150px;
  padding: 5px 12px;
}
.key {
  margin-left: 14px;
}
.key i {
  display: inline-block;
  width: 12px;
  height: 10px;
  margin-right: 4px;
}
.plot {
  flex: 1;
}
</style>
