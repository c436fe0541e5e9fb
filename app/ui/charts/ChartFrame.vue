<script setup lang="ts">
import { UButton, UDropdownMenu } from '#components'
import type { ChartData, ChartOptions } from 'chart.js'
import { computed, defineAsyncComponent, ref, useTemplateRef, watch } from 'vue'
import { Chart, type ChartComponentRef } from 'vue-chartjs'
import { saveText } from '~/ui/card'
import './theme'
import { csvLine } from '../../../shared/cells'

/**
 * A chart with the table that stands behind it: read out in its place, shown when asked for, saved as picture
 * or CSV.
 */
const props = defineProps<{
  type: 'line' | 'scatter' | 'bar'
  data:
    | ChartData<'line'>
    | ChartData<'scatter'>
    | ChartData<'bar'>
    | ChartData<'bar' | 'line', { x: number; y: number }[]>
  options: ChartOptions<'line'> | ChartOptions<'scatter'> | ChartOptions<'bar'> | ChartOptions<'bar' | 'line'>
  /** what it shows, in a sentence */ label: string
  /** of the files it is saved to */ name: string
  head: readonly string[]
  rows: readonly (readonly (string | number)[])[]
}>()
const emit = defineEmits<{ press: [event: MouseEvent, chart: NonNullable<ChartComponentRef['chart']>] }>()
const frame = useTemplateRef<ChartComponentRef>('frame')
const tabled = ref(false)
// it comes when it is first asked for, and stays
const ChartTable = defineAsyncComponent(() => import('./ChartTable.vue'))
const everTabled = ref(false)
watch(tabled, () => (everTabled.value = true))

function savePicture(): void {
  const picture = frame.value?.chart?.toBase64Image('image/png')
  if (!picture) return
  const link = document.createElement('a')
  link.href = picture
  link.download = `${props.name}.png`
  link.click()
}
const saveTable = (): void =>
  saveText(
    `${props.name}.csv`,
    [props.head, ...props.rows].map(row => csvLine(row.map(String))).join('\r\n'),
    'text/csv',
  )
const menu = computed(() => [
  { label: 'Show as a table', icon: 'i-lucide-table', onSelect: () => void (tabled.value = true) },
  { label: 'Save as a picture', icon: 'i-lucide-image', onSelect: savePicture },
  { label: 'Save as CSV', icon: 'i-lucide-file-down', onSelect: saveTable },
])
function press(event: MouseEvent): void {
  const chart = frame.value?.chart
  if (chart) emit('press', event, chart)
}
</script>

<template>
  <figure class="chart" :aria-label="label">
    <Chart
      ref="frame"
      :type="type"
      :data="data as ChartData"
      :options="options as ChartOptions"
      :aria-label="label"
      @click="press"
    />
    <UDropdownMenu :items="menu" class="no-print">
      <UButton
        class="more"
        variant="ghost"
        icon="i-lucide-ellipsis"
        :aria-label="`${label}: as a table, picture or CSV`"
      />
    </UDropdownMenu>
    <slot />
    <ChartTable v-if="everTabled" v-model:open="tabled" :title="label" :head="head" :rows="rows" />
  </figure>
</template>

<style scoped>
.chart {
  position: relative;
  min-width: 0;
  min-height: 0;
}
.chart > :deep(canvas) {
  position: absolute;
  inset: 0;
}
.more {
  position: absolute;
  top: 0;
  right: 0;
  width: 24px;
  height: 20px;
  justify-content: center;
  color: var(--ink-soft);
}
</style>
