<script setup lang="ts">
import { computed } from 'vue'
import type { KnotStep } from '#core'
import { knotDrawing } from './knotDrawing'

/** One step of a knot, drawn from its strands: what lies over is drawn over. */
const props = defineProps<{ step: KnotStep; label: string }>()
const drawing = computed(() => knotDrawing(props.step.strands))
</script>

<template>
  <svg class="knot" :viewBox="drawing.viewBox" role="img" :aria-label="label">
    <template v-for="(s, i) in drawing.strokes" :key="i">
      <polyline v-if="s.clears" :points="s.points" class="clear" :class="{ doubled: s.doubled }" />
      <template v-else>
        <polyline :points="s.points" :class="[s.kind, { doubled: s.doubled }]" />
        <polyline v-if="s.doubled" :points="s.points" class="between" />
      </template>
    </template>
  </svg>
</template>

<style scoped>
.knot {
  display: block;
  width: 100%;
  height: 116px;
  background: var(--raised);
}
polyline {
  fill: none;
  stroke-width: 0.26;
  stroke-linejoin: round;
}
.line {
  stroke: var(--ink);
}
.leader,
.main {
  stroke: var(--float);
}
.ring,
.shank {
  stroke: var(--ink-soft);
  stroke-width: 0.32;
}
.doubled {
  stroke-width: 0.62;
}
.between {
  stroke: var(--raised);
  stroke-width: 0.18;
}
.clear {
  stroke: var(--raised);
  stroke-width: 0.56;
}
.clear.doubled {
  stroke-width: 0.95;
}
</style>
