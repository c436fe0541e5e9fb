<script setup lang="ts">
import { computed } from 'vue'
import type { BenchDimensions } from '#core'

/** What each line of the drawing is. */
const props = defineProps<{ dims: BenchDimensions; hidden: boolean; ghosts: boolean }>()
const entries = computed(() => [
  { id: 'gap', words: 'gap of the hook', shown: true },
  { id: 'fill', words: 'plastic in it', shown: props.dims.fill.heightM > 0 },
  { id: 'squeezed', words: 'the same, squeezed', shown: props.dims.fill.heightM > 0 },
  { id: 'way', words: 'way of the point through the bait', shown: props.hidden },
  {
    id: 'push',
    words: 'plastic pushed toward the nose',
    shown: props.hidden && props.dims.allowanceM > 0.0005,
  },
  { id: 'inside', words: 'wire inside the bait', shown: true },
  { id: 'ghost', words: 'one size down and up', shown: props.ghosts },
])
</script>

<template>
  <ul class="key" aria-label="Lines of the drawing">
    <li v-for="entry in entries.filter(e => e.shown)" :key="entry.id">
      <svg width="26" height="12" aria-hidden="true">
        <path v-if="entry.id === 'push'" :class="entry.id" d="M24 6H3m5 -4l-5 4l5 4" />
        <line v-else :class="entry.id" x1="2" x2="24" y1="6" y2="6" />
      </svg>
      {{ entry.words }}
    </li>
  </ul>
</template>

<style scoped>
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  padding: 4px 12px 0;
  font-size: 13px;
  color: var(--ink-soft);
}
.key li {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
.key line,
.key path {
  fill: none;
  stroke-width: 2.5;
}
.gap {
  stroke: var(--lane);
}
.fill {
  stroke: var(--plastic-edge);
}
.squeezed,
.way,
.push {
  stroke: var(--float);
}
.key .way {
  stroke-width: 1.6;
  stroke-dasharray: 5 3;
}
.key .push {
  stroke-width: 1.8;
}
.key .inside {
  stroke: var(--steel);
  stroke-width: 4;
  stroke-dasharray: 4 3;
  opacity: 0.7;
}
.key .ghost {
  stroke: var(--ink-soft);
  stroke-width: 1.2;
  stroke-dasharray: 1.5 4;
}
</style>
