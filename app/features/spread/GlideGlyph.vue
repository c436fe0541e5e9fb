<script setup lang="ts">
import { computed } from 'vue'
/**
 * The way sideways for one metre of fall, to scale, with its range as the fan around it; nose to the left, as
 * in the sketches.
 */
const props = defineProps<{ value: number; low: number; high: number; sign: 1 | -1 }>()
const H = 38
const across = (glide: number): number => Math.min(46, glide * H)
const x0 = computed(() => (props.sign > 0 ? 50 : 4))
const at = (glide: number): number => x0.value - props.sign * across(glide)
</script>

<template>
  <svg class="glyph" viewBox="0 0 54 44" aria-hidden="true">
    <line x1="0" x2="54" y1="3" y2="3" stroke="var(--hair-strong)" />
    <line x1="0" x2="54" y1="41" y2="41" stroke="var(--hair-strong)" />
    <line :x1="x0" :x2="x0" y1="3" y2="41" stroke="var(--hair)" stroke-dasharray="2 2" />
    <path :d="`M${x0} 3L${at(low)} 41H${at(high)}Z`" fill="var(--lane)" opacity="0.22" />
    <path :d="`M${x0} 3L${at(value)} 41`" stroke="var(--lane)" stroke-width="2" fill="none" />
    <circle :cx="at(value)" cy="41" r="2.6" fill="var(--lane)" />
  </svg>
</template>

<style scoped>
.glyph {
  width: 54px;
  height: 44px;
}
</style>
