<script setup lang="ts">
import { computed } from 'vue'
import type { Measure } from '#core'

/** A value and its range on an axis that all lanes share. */
const props = defineProps<{ measure: Measure; axis: readonly [number, number]; logarithmic?: boolean }>()
const W = 100
const place = (value: number): number => {
  const f = props.logarithmic ? Math.log : (x: number): number => x
  const [low, high] = props.axis
  const span = f(high) - f(low)
  return span > 0 ? 4 + (W - 8) * Math.min(1, Math.max(0, (f(Math.max(value, low)) - f(low)) / span)) : W / 2
}
const points = computed(() => ({
  low: place(props.measure.low),
  value: place(props.measure.value),
  high: place(props.measure.high),
}))
</script>

<template>
  <svg class="whisker" viewBox="0 0 100 16" preserveAspectRatio="none" aria-hidden="true">
    <line x1="0" x2="100" y1="8" y2="8" stroke="var(--hair)" vector-effect="non-scaling-stroke" />
    <g stroke="var(--lane)" stroke-width="2" vector-effect="non-scaling-stroke">
      <line :x1="points.low" :x2="points.high" y1="8" y2="8" vector-effect="non-scaling-stroke" />
      <line :x1="points.low" :x2="points.low" y1="4" y2="12" vector-effect="non-scaling-stroke" />
      <line :x1="points.high" :x2="points.high" y1="4" y2="12" vector-effect="non-scaling-stroke" />
      <line
        :x1="points.value"
        :x2="points.value"
        y1="2"
        y2="14"
        stroke-width="6"
        vector-effect="non-scaling-stroke"
      />
    </g>
  </svg>
</template>

<style scoped>
.whisker {
  width: 100%;
  height: 16px;
  display: block;
}
</style>
