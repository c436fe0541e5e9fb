<script setup lang="ts">
/** What a share lies between, on a line from none to all. */
defineProps<{ measure: { readonly low: number; readonly high: number }; tone: 'good' | 'ill' }>()
</script>

<template>
  <svg viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
    <line x1="0" x2="100" y1="4" y2="4" class="base" />
    <line :x1="100 * measure.low" :x2="100 * measure.high" y1="4" y2="4" class="range" :class="tone" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 110px;
  height: 8px;
}
.base {
  stroke: var(--hair);
}
.range {
  stroke-width: 6;
  vector-effect: non-scaling-stroke;
}
.good {
  stroke: var(--marram);
}
.ill {
  stroke: var(--wrack);
}
</style>
