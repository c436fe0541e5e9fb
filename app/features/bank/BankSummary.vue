<script setup lang="ts">
import { computed } from 'vue'
import type { LogEntry } from '#schemas/log'
import { minutesText } from '#words/logWords'
import { summaryOf } from './bankSummary'

/** What a session came to. */
const props = defineProps<{ log: readonly LogEntry[] }>()
const sum = computed(() => summaryOf(props.log))
const KINDS = [
  ['cast', 'casts'],
  ['bump', 'touches only'],
  ['bite', 'bites'],
  ['hooked', 'hooked'],
  ['landed', 'landed'],
  ['snag', 'snags'],
  ['lost', 'rigs lost'],
] as const
</script>

<template>
  <section class="summary" aria-label="This session">
    <p class="where">
      <span data-own>{{ sum.places.join(', ') || 'somewhere' }}</span>, {{ minutesText(sum.minutes) }}
    </p>
    <p class="figures figure">
      <span v-for="[kind, name] in KINDS" :key="kind"
        ><b>{{ sum.all[kind] ?? 0 }}</b> {{ name }}</span
      >
    </p>
    <p v-for="rod in sum.rods" :key="rod.letter">
      <b class="chip figure" :class="`lane-${rod.letter}`">{{ rod.letter }}</b>
      {{ rod.counts.cast ?? 0 }} casts, {{ rod.counts.hooked ?? 0 }} hooked, {{ rod.counts.snag ?? 0 }} snags
    </p>
    <p v-for="(note, i) in sum.notes" :key="i" class="note" data-own>“{{ note }}”</p>
  </section>
</template>

<style scoped>
.summary {
  display: grid;
  gap: 6px;
  font-size: 18px;
}
.where {
  font-weight: 600;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
.figures b {
  font-size: 24px;
}
.chip {
  display: inline-grid;
  place-content: center;
  width: 28px;
  height: 28px;
  background: var(--lane);
  color: var(--lane-ink);
}
</style>
