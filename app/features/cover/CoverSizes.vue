<script setup lang="ts">
import type { ChartOptions } from 'chart.js'
import { computed } from 'vue'
import { binEdgeM, SIZE_BINS } from '#core'
import { SITE_WORDS } from './coverWords'
import type { CoverLane } from '~/compute/cover'
import ChartFrame from '~/ui/charts/ChartFrame.vue'
import { axis, common, through, tooltip } from '~/ui/charts/theme'
import { token } from '~/ui/drawing/identity'
import { useSettings } from '~/ui/settings'
import { smallText } from '#words/units'

/**
 * How often each size is met on a cast, and what becomes of it, on a scale of sizes; the opening of each
 * point marked: what is smaller can lodge.
 */
const props = defineProps<{
  lane: CoverLane
  obstacles: readonly { readonly name: string; readonly perCast: number }[]
}>()
const settings = useSettings()
/** Meetings a cast by bin and fate, all kinds together. */
const bars = computed(() => {
  const sums = new Float64Array(SIZE_BINS * 3)
  props.lane.sizes.forEach((bins, k) => {
    const total = bins.reduce((a, b) => a + b, 0) || 1
    bins.forEach((n, i) => (sums[i]! += (n / total) * props.obstacles[k]!.perCast))
  })
  return Array.from({ length: SIZE_BINS }, (_, i) => ({
    past: sums[3 * i]!,
    weed: sums[3 * i + 1]!,
    snag: sums[3 * i + 2]!,
  }))
})
/** Where a size lies along the axis, in bins: sizes stand on a logarithmic scale. */
const binOf = (sizeM: number): number =>
  (SIZE_BINS * Math.log(sizeM / binEdgeM(0))) / Math.log(binEdgeM(SIZE_BINS) / binEdgeM(0))
/** Sizes marked along the axis, in the angler's unit. */
const MARKS = computed(() =>
  settings.units.length.label === 'in' ? [0.05, 0.1, 0.25, 0.5, 1, 2, 4, 8] : [1, 2, 5, 10, 20, 50, 100, 200],
)
const openings = computed(() => props.lane.openings.filter(o => o.openingM > binEdgeM(0)))
const small = (sizeM: number): string => smallText(sizeM, settings.system)
const rangeText = (bin: number): string => `${small(binEdgeM(bin))} to ${small(binEdgeM(bin + 1))}`
const FATES = [
  ['snag', 'hangs up'],
  ['weed', 'weed'],
  ['past', 'passes'],
] as const
const colourOf = (fate: 'snag' | 'weed' | 'past'): string =>
  fate === 'snag' ? token('wrack') : fate === 'weed' ? token('marram') : through('water-deep', 0.55)
const data = computed(() => {
  void settings.theme
  return {
    datasets: FATES.map(([fate, label]) => ({
      label,
      data: bars.value.map((bar, i) => ({ x: i + 0.5, y: bar[fate] })),
      backgroundColor: colourOf(fate),
      barPercentage: 1,
      categoryPercentage: 0.96,
    })),
  }
})
const options = computed((): ChartOptions<'bar'> => {
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
          borderColor: token('float'),
          borderWidth: 2,
          label: {
            display: true,
            content: `opening ${SITE_WORDS[o.id]} ${small(o.openingM)}`,
            position: 'end' as const,
            yAdjust: -16,
            backgroundColor: 'transparent',
            color: token('float'),
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
          stacked: true,
          marks: MARKS.value.map((size, i) => ({
            at: binOf(settings.units.length.to(size)),
            text: i === 0 ? `${size} ${settings.units.length.label}` : String(size),
          })),
        }),
        offset: false,
      },
      y: { ...axis({ min: 0, stacked: true, grid: false }), display: false },
    },
  }
})
const label = computed(
  () =>
    `Sizes met on a cast. ${openings.value.map(o => `Opening ${SITE_WORDS[o.id]}: ${small(o.openingM)}`).join('; ') || 'No point stands open.'}`,
)
const rows = computed(() =>
  bars.value.map((bar, i) => [rangeText(i), ...FATES.map(([fate]) => Number(bar[fate].toFixed(3)))]),
)
</script>

<template>
  <div>
    <p v-if="openings.length === 0" class="label">
      The point is covered: only what presses the plastic down, or meets it on its side, can lodge.
    </p>
    <ChartFrame
      class="plot"
      type="bar"
      :data="data"
      :options="options"
      :label="label"
      name="dunecrest-sizes"
      :head="['size', ...FATES.map(([, name]) => name)]"
      :rows="rows"
    />
    <p class="label">
      radius of what is met (width of gaps), as often as on a cast: <span class="k past" /> passes
      <span class="k weed" /> weed <span class="k snag" /> hangs up
    </p>
  </div>
</template>

<style scoped>
.plot {
  height: 150px;
}
.k {
  display: inline-block;
  width: 11px;
  height: 11px;
  margin-left: 6px;
}
.past {
  background: var(--water-deep);
  opacity: 0.55;
}
.weed {
  background: var(--marram);
}
.snag {
  background: var(--wrack);
}
</style>
