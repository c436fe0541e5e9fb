<script setup lang="ts">
import type { ChartOptions } from 'chart.js'
import { computed, onMounted, shallowRef } from 'vue'
import { useEvidence } from '~/sheet/evidence'
import { BOTTOMS, COVERS, type BottomId, type CoverId } from '#core'
import type { CountedKind } from '#schemas/ranges'
import type { LogTotals, NamedCounts } from '#schemas/log'
import { ask } from '~/sync/api'
import ChartFrame from '~/ui/charts/ChartFrame.vue'
import { axis, common, tooltip } from '~/ui/charts/theme'
import { token } from '~/ui/drawing/identity'
import { useSettings } from '~/ui/settings'
import { useExchange } from '~/sync/useExchange'

/**
 * What the log comes to by water, by cover, by tide and by month: hooked fish for a hundred casts, and how
 * many casts that rests on.
 */
const totals = shallowRef<LogTotals>()
const evidence = useEvidence()
const settings = useSettings()
const { error, exchange } = useExchange()
onMounted(async () => {
  totals.value = await exchange(() => ask<LogTotals>('/api/log/totals'))
})
/** From the tallies: cover and bottom they were gathered over. */
const covers = computed<NamedCounts[]>(() => {
  const by = new Map<string, Partial<Record<CountedKind, number>>>()
  for (const { placeKey, counts } of evidence.tallies) {
    const [cover, bottom] = placeKey.split('/') as [CoverId, BottomId]
    const name = `${COVERS[cover]?.name ?? cover}, ${BOTTOMS[bottom]?.name ?? bottom}`
    const sum = by.get(name) ?? {}
    by.set(name, {
      ...sum,
      cast: (sum.cast ?? 0) + (counts.cast ?? 0),
      hooked: (sum.hooked ?? 0) + (counts.hooked ?? 0),
    })
  }
  return [...by]
    .map(([name, counts]) => ({ name, counts }))
    .filter(r => r.counts.cast! > 0)
    .sort((a, b) => b.counts.cast! - a.counts.cast!)
})
const groups = computed(() => totals.value && { ...totals.value, covers: covers.value })
const rate = ({ counts }: NamedCounts): number =>
  (counts.cast ?? 0) > 0 ? (100 * (counts.hooked ?? 0)) / counts.cast! : 0
const month = (name: string): string =>
  new Date(`${name}-15`).toLocaleDateString('en-GB', { month: 'short', year: '2-digit' })
const tides = computed(() =>
  totals.value?.simulated === 0 ? 'by tide, your own' : 'by tide, simulated where you have none of your own',
)
const groupNames = computed(
  () =>
    [
      ['places', 'by water'],
      ['covers', 'by cover'],
      ['tides', tides.value],
      ['months', 'by month'],
    ] as const,
)
type GroupId = (typeof groupNames.value)[number][0]
const nameOf = (key: GroupId, name: string): string =>
  key === 'months' ? month(name) : key === 'places' ? name.split(', ').at(-1)! : name
/** Months run along, names that need room stand one under another. */
const upright = (key: GroupId): boolean => key === 'months'
const dataOf = (key: GroupId) => {
  void settings.theme
  return {
    labels: groups.value![key].map(row =>
      upright(key) ? nameOf(key, row.name) : `${nameOf(key, row.name)}  ${rate(row).toFixed(1)}`,
    ),
    datasets: [{ data: groups.value![key].map(rate), backgroundColor: token('marram'), maxBarThickness: 14 }],
  }
}
const most = computed(() =>
  Math.ceil(Math.max(1, ...groupNames.value.flatMap(([key]) => groups.value?.[key].map(rate) ?? []))),
)
function optionsOf(key: GroupId): ChartOptions<'bar'> {
  void settings.theme
  const values = axis({ min: 0, max: most.value })
  const { ticks, border } = values
  const names = { type: 'category' as const, grid: { display: false }, ticks, border }
  return {
    ...common(),
    indexAxis: upright(key) ? 'x' : 'y',
    plugins: {
      tooltip: {
        ...tooltip(),
        callbacks: {
          label: ({ dataIndex }) => {
            const row = groups.value![key][dataIndex]!
            return `${rate(row).toFixed(1)} hooked for a hundred casts, of ${row.counts.cast} casts`
          },
        },
      },
    },
    scales: upright(key)
      ? { x: names, y: values }
      : { x: values, y: { ...names, afterFit: scale => void (scale.width = 168) } },
  }
}
const heightOf = (key: GroupId): string =>
  upright(key) ? '130px' : `${26 + 22 * groups.value![key].length}px`
</script>

<template>
  <div v-if="groups" class="totals">
    <section v-for="[key, name] in groupNames" :key="key" :aria-label="name">
      <h3 class="label">hooked for a hundred casts, {{ name }} ▤</h3>
      <ChartFrame
        v-if="groups[key].length > 0"
        type="bar"
        :style="{ height: heightOf(key) }"
        :data="dataOf(key)"
        :options="optionsOf(key)"
        :label="`Hooked for a hundred casts, ${name}`"
        :name="`dunecrest-${key}`"
        :head="[name, 'hooked for a hundred casts', 'casts']"
        :rows="
          groups[key].map(row => [nameOf(key, row.name), Number(rate(row).toFixed(1)), row.counts.cast ?? 0])
        "
      />
    </section>
  </div>
  <p v-else-if="error" class="bad" role="alert">{{ error }}</p>
</template>

<style scoped>
.totals {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 4px 16px;
  margin-top: 10px;
}
.totals section:last-child {
  grid-column: 1 / -1;
}
.bad {
  color: var(--wrack);
}
@media (max-width: 639px) {
  .totals {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
