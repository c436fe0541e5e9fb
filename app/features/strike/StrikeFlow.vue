<script setup lang="ts">
import type { ChartOptions } from 'chart.js'
import { computed } from 'vue'
import type { LaneBites } from '~/compute/strike'
import { LOSSES, type LossId } from '#core'
import type { Letter } from '#schemas/ranges'
import { percentText } from '#words/units'
import { BASIS_MARKS, LOSS_WORDS, PASSED_WORDS } from '#words/words'
import ChartFrame from '~/ui/charts/ChartFrame.vue'
import { axis, common, tooltip } from '~/ui/charts/theme'
import { laneColour, PATTERNS } from '~/ui/drawing/identity'
import { useSettings } from '~/ui/settings'

/** A hundred bites of the same fish on every rig: how many are left after each step; where a line drops, it loses. */
const props = defineProps<{ lanes: readonly LaneBites[]; picked: string }>()
const emit = defineEmits<{ look: [letter: string, loss: LossId] }>()
const settings = useSettings()
/** Steps at which some rig loses something. */
const steps = computed(() => LOSSES.filter(id => props.lanes.some(l => l.lost[id] > 0.0005)))
const leftOf = ({ left }: LaneBites): number[] => [1, ...steps.value.map(id => left[LOSSES.indexOf(id)]!)]
/** What each point is called: what has come right by then, and in the end that it is hooked. */
const names = computed(() => [
  'bites',
  ...steps.value.map((id, i) => (i === steps.value.length - 1 ? 'hooked' : PASSED_WORDS[id])),
])
const hundred = (share: number): number => Math.round(100 * share)
const data = computed(() => {
  void settings.theme
  return {
    datasets: props.lanes.map(lane => ({
      label: lane.letter,
      data: leftOf(lane).map((share, x) => ({ x, y: 100 * share })),
      borderColor: laneColour(lane.letter as Letter),
      backgroundColor: laneColour(lane.letter as Letter),
      borderWidth: lane.letter === props.picked ? 3.5 : 2,
      borderDash: [...PATTERNS[lane.letter as Letter]],
      pointRadius: 4,
      pointHoverRadius: 7,
      clip: false as const,
    })),
  }
})
/** Numbers at the ends of the lines, kept apart where lines end together. */
const LEAST_APART = 7
const ends = computed(() => {
  const order = props.lanes
    .map(({ letter, hookUp: { value, basis } }) => ({
      letter,
      value: 100 * value,
      at: 100 * value,
      mark: BASIS_MARKS[basis],
    }))
    .sort((a, b) => a.at - b.at)
  order.forEach((end, i) => {
    const under = order[i - 1]
    if (under && end.at - under.at < LEAST_APART) end.at = under.at + LEAST_APART
  })
  return order
})
const options = computed((): ChartOptions<'line'> => {
  void settings.theme
  const last = names.value.length - 1
  return {
    ...common(),
    parsing: false,
    layout: { padding: { right: 76, top: 10 } },
    interaction: { mode: 'nearest', intersect: true },
    plugins: {
      tooltip: {
        ...tooltip(),
        callbacks: {
          title: ([item]) => names.value[item?.dataIndex ?? 0] ?? '',
          label: ({ dataset, dataIndex, parsed }) => {
            const id = steps.value[dataIndex - 1]
            const lane = props.lanes.find(l => l.letter === dataset.label)
            return `${dataset.label}: ${hundred((parsed.y ?? 0) / 100)} left${id && lane ? `, ${percentText(lane.lost[id])} lost: ${LOSS_WORDS[id]}` : ''}`
          },
        },
      },
      annotation: {
        clip: false,
        annotations: ends.value.map(({ letter, value, at, mark }) => ({
          type: 'label' as const,
          xValue: last,
          yValue: at,
          xAdjust: 38,
          content: `${letter}  ${Math.round(value)} ${mark}`,
          color: laneColour(letter as Letter),
          font: { size: 16, weight: 700 as const },
        })),
      },
    },
    scales: {
      x: axis({
        min: 0,
        max: last,
        marks: names.value.map((text, at) => ({ at, text })),
      }),
      y: axis({ min: 0, max: 100, marks: [0, 25, 50, 75, 100].map(at => ({ at, text: String(at) })) }),
    },
  }
})
const head = computed(() => ['rig', ...names.value])
const rows = computed(() => props.lanes.map(lane => [lane.letter, ...leftOf(lane).map(hundred)]))
const label = computed(
  () => `A hundred bites: ${props.lanes.map(l => `${l.letter} hooks ${hundred(l.hookUp.value)}`).join(', ')}`,
)
function press(event: MouseEvent, chart: { getElementsAtEventForMode: (...of: never[]) => unknown }): void {
  const [hit] = chart.getElementsAtEventForMode(
    ...([event, 'nearest', { intersect: true }, false] as never[]),
  ) as { datasetIndex: number; index: number }[]
  const id = hit && steps.value[hit.index - 1]
  const lane = hit && props.lanes[hit.datasetIndex]
  if (id && lane && lane.example[id] !== undefined) emit('look', lane.letter, id)
}
</script>

<template>
  <section class="flow" aria-label="A hundred bites">
    <h2 class="label">
      of a hundred bites of the same fish, how many are left after each step; press a point to see one that is
      lost there
    </h2>
    <ChartFrame
      class="plot"
      type="line"
      :data="data"
      :options="options"
      :label="label"
      name="dunecrest-bites"
      :head="head"
      :rows="rows"
      @press="press"
    />
  </section>
</template>

<style scoped>
.flow {
  display: flex;
  flex-direction: column;
  min-height: 230px;
}
.plot {
  flex: 1;
}
</style>
