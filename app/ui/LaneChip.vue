<script setup lang="ts">
import type { Letter } from '#schemas/ranges'
import { PATTERNS } from '~/ui/drawing/identity'

/** A rig's letter, colour and line pattern. */
defineProps<{ letter: Letter; plain?: boolean }>()
</script>

<template>
  <span class="chip" :class="`lane-${letter}`">
    <b class="figure">{{ letter }}</b>
    <svg v-if="!plain" width="30" height="6" aria-hidden="true">
      <line
        x1="0"
        x2="30"
        y1="3"
        y2="3"
        stroke="var(--lane)"
        stroke-width="2.5"
        :stroke-dasharray="PATTERNS[letter].join(' ')"
      />
    </svg>
  </span>
</template>

<style scoped>
.chip {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
b {
  display: inline-grid;
  place-items: center;
  width: 22px;
  height: 22px;
  background: var(--lane);
  color: var(--lane-ink);
  font-weight: 700;
  font-size: 15px;
  border-radius: 2px;
}
</style>
