<script setup lang="ts">
import { computed } from 'vue'
import type { DrawnShape } from '#core'
import { shapePath, type Plane } from '~/ui/drawing/plane'

/** A rig's shapes from the side in the colours of what they are: plastic, slot, weight, wire. */
const props = defineProps<{
  shapes: readonly DrawnShape[]
  plane: Plane
  /** width of the wire's line, px */ wirePx: number
  /** wire that runs inside the plastic is dashed */ inside?: boolean
}>()
const drawn = computed(() =>
  props.shapes.map(s => ({
    d: shapePath(s, props.plane),
    kind: s.kind,
    under: props.inside === true && s.hidden === true,
    width: s.kind === 'wire' || s.kind === 'eye' ? props.wirePx : 1,
  })),
)
</script>

<template>
  <path
    v-for="(s, i) in drawn"
    :key="i"
    :d="s.d"
    :stroke-width="s.width"
    :class="[s.kind, { under: s.under }]"
  />
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--plastic-edge);
}
.body,
.tail {
  fill: var(--plastic);
}
.slot {
  fill: var(--paper);
}
.weight {
  fill: var(--lead);
  stroke: var(--ink);
}
.wire,
.eye {
  stroke: var(--steel);
  stroke-linecap: round;
}
.under {
  opacity: 0.6;
  stroke-dasharray: 4 3;
}
</style>
