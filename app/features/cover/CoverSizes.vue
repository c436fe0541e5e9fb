<script setup lang="ts">
import type { ChartData, ChartOptions } from 'chart.js'
import { computed } from 'vue'
import { binEdgeM, SIZE_BINS } from '#core'
import { SITE_WORDS } from './coverWords'
import type { CoverLane } from '~/compute/cover'
import ChartFrame from '~/ui/charts/ChartFrame.vue'
import { axis, common, through, tooltip } from '~/ui/charts/theme'
import type { Letter } from '#schemas/ranges'
import { laneColour, PATTERNS } from '~/ui/drawing/identity'
import { useSettings } from '~/ui/settings'
import { smallText } from '#words/units'

/**
 * How often each size is met on a cast, on a scale of sizes, and how often each rig keeps something of that size, weed or
 * snag; the opening of each point marked: what is smaller can lodge.
 */
const props = defineProps<{
  lanes: readonly CoverLane[]
  obstacles: readonly { readonly name: string; readonly perCast: number }[]
}>()
const settings = useSettings()
interface Met {
  readonly all: number
  readonly kept: number
}
/** Meetings a cast by bin, all kinds together: all, and those that leave something on the rig or hold it. */
const metBy = ({ sizes }: CoverLane): Met[] => {
  const all = new Float64Array(SIZE_BINS)
  const kept = new Float64Array(SIZE_BINS)
  sizes.forEach((bins, k) => {
    const total = bins.reduce((a, b) => a + b, 0) || 1
    for (let i = 0; i < SIZE_BINS; i++) {
      const [past, weed, snag] = [bins[3 * i]!, bins[3 * i + 1]!, bins[3 * i + 2]!]
      all[i]! += ((past + weed + snag) / total) * props.obstacles[k]!.perCast
      kept[i]! += ((weed + snag) / total) * props.obstacles[k]!.perCast
    }
  })
  return Array.from(all, (n, i) => ({ all: n, kept: kept[i]! }))
}
const rigs = computed(() => props.lanes.map(lane => ({ letter: lane.letter, met: metBy(lane) })))
/** What is met, alike for every rig but for chance: the mean over them. */
const met = computed(() =>
  Array.from(
    { length: SIZE_BINS },
    (_, i) => rigs.value.reduce((sum, r) => sum + r.met[i]!.all, 0) / Math.max(1, rigs.value.length),
  ),
)
/** Where a size lies along the axis, in bins: sizes stand on a logarithmic scale. */
const binOf = (sizeM: number): number =>
  (SIZE_BINS * Math.log(sizeM / binEdgeM(0))) / Math.log(binEdgeM(SIZE_BINS) / binEdgeM(0))
/** Sizes marked along the axis, in the angler's unit. */
const MARKS = computed(() =>
  settings.units.length.label === 'in' ? [0.05, 0.1, 0.25, 0.5, 1, 2, 4, 8] : [1, 2, 5, 10, 20, 50, 100, 200],
)
const openings = computed(() =>
  props.lanes.flatMap(({ letter, openings: list }) =>
    list.filter(o => o.openingM > binEdgeM(0)).map(o => ({ letter, ...o })),
  ),
)
const small = (sizeM: number): string => smallText(sizeM, settings.system)
const rangeText = (bin: number): string => `${small(binEdgeM(bin))} to ${small(binEdgeM(bin + 1))}`
const data = computed((): ChartData<'bar' | 'line', { x: number; y: number }[]> => {
  void settings.theme
  return {
    datasets: [
      ...rigs.value.map(({ letter, met: list }) => ({
        type: 'line' as const,
        label: `${letter} keeps it`,
        data: list.map((m, i) => ({ x: i + 0.5, y: m.kept })),
        borderColor: laneColour(letter),
        backgroundColor: laneColour(letter),
        borderDash: [...PATTERNS[letter as Letter]],
        borderWidth: 2.5,
        pointRadius: 0,
        tension: 0.3,
      })),
      {
        type: 'bar' as const,
        label: 'met',
        data: met.value.map((n, i) => ({ x: i + 0.5, y: n })),
        backgroundColor: through('water-deep', 0.55),
        barPercentage: 1,
        categoryPercentage: 0.96,
      },
    ],
  }
})
const options = computed((): ChartOptions<'bar' | 'line'> => {
  void settings.theme
  return {
    ...common(),
    parsing: false,
    layout: { padding: { top: 18 } },
    plugins: {
      tooltip: {
        ...tooltip(),
        mode: 'index',
        intersect: false,
        callbacks: {
          title: ([item]) => {
            const i = item?.dataIndex ?? 0
            return rangeText(i)
          },
          label: ({ dataset, parsed }) => `${dataset.label}: ${(parsed.y ?? 0).toFixed(2)} a cast`,
        },
      },
      annotation: {
        clip: false,
        annotations: openings.value.map(o => ({
          type: 'line' as const,
          xMin: binOf(o.openingM),
          xMax: binOf(o.openingM),
          borderColor: laneColour(o.letter),
          borderWidth: 2,
          borderDash: [3, 3],
          label: {
            display: true,
            content: `${o.letter} ${small(o.openingM)}`,
            position: 'end' as const,
            yAdjust: -16,
            backgroundColor: 'transparent',
            color: laneColour(o.letter),
            font: { size: 13 },
            padding: 0,
          },
        })),
      },
    },
    scales: {
      x: {
        ...axis({
          min: 0,
          max: SIZE_BINS,
          grid: false,
          marks: MARKS.value.map((size, i) => ({
            at: binOf(settings.units.length.to(size)),
            text: i === 0 ? `${size} ${settings.units.length.label}` : String(size),
          })),
        }),
        offset: false,
      },
      y: { ...axis({ min: 0, grid: false }), display: false },
    },
  }
})
const label = computed(
  () =>
    `Sizes met on a cast, and what each rig keeps of them. ${openings.value.map(o => `Opening of ${o.letter} ${SITE_WORDS[o.id]}: ${small(o.openingM)}`).join('; ') || 'No point stands open.'}`,
)
const rows = computed(() =>
  met.value.map((n, i) => [
    rangeText(i),
    Number(n.toFixed(3)),
    ...rigs.value.map(r => Number(r.met[i]!.kept.toFixed(3))),
  ]),
)
const covered = computed(() =>
  props.lanes.filter(l => openings.value.every(o => o.letter !== l.letter)).map(l => l.letter),
)
</script>

<template>
  <div>
    <ChartFrame
      class="plot"
      type="bar"
      :data="data"
      :options="options"
      :label="label"
      name="dunecrest-sizes"
      :head="['size', 'met a cast', ...rigs.map(r => `${r.letter} keeps`)]"
      :rows="rows"
    />
    <p class="label">
      radius of what is met (width of gaps), as often as on a cast; lines: what each rig keeps of it, weed or
      snag; upright: how far each point stands open.<template v-if="covered.length > 0">
        Covered: {{ covered.join(', ') }}; only what presses the plastic down, or meets the point on its side,
        can lodge.</template
      >
    </p>
  </div>
</template>

<style scoped>
.plot {
  height: 170px;
}
</style>
