<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useEvidence } from '~/sheet/evidence'
import { BOTTOMS, COVERS, type BottomId, type CoverId } from '#core'
import type { CountedKind, LogTotals, NamedCounts } from '#schemas/log'
import { ask, ServerRefusal } from '~/sync/api'

/**
 * What the log comes to by water, by cover, by tide and by month: hooked fish for a hundred casts, and how
 * many casts that rests on.
 */
const totals = shallowRef<LogTotals>()
const evidence = useEvidence()
const error = ref<string>()
onMounted(async () => {
  try {
    totals.value = await ask<LogTotals>('/api/log/totals')
  } catch (failure) {
    error.value = failure instanceof ServerRefusal ? failure.message : String(failure)
  }
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
const most = computed(() =>
  Math.max(
    1,
    ...[
      ...(totals.value?.months ?? []),
      ...(totals.value?.places ?? []),
      ...(totals.value?.tides ?? []),
      ...covers.value,
    ].map(rate),
  ),
)
const month = (name: string): string =>
  new Date(`${name}-15`).toLocaleDateString('en-GB', { month: 'short', year: '2-digit' })
const GROUPS = [
  ['places', 'by water'],
  ['covers', 'by cover'],
  ['tides', 'by tide, simulated'],
  ['months', 'by month'],
] as const
</script>

<template>
  <div v-if="groups" class="totals">
    <section v-for="[key, name] in GROUPS" :key="key" :aria-label="name">
      <h3 class="label">hooked for a hundred casts, {{ name }} ▤</h3>
      <ul>
        <li v-for="row in groups[key]" :key="row.name" :title="row.name">
          <span>{{
            key === 'months' ? month(row.name) : key === 'places' ? row.name.split(', ').at(-1) : row.name
          }}</span><i :style="{ width: `${(60 * rate(row)) / most}%` }" /><b class="figure">{{
            rate(row).toFixed(1)
          }}</b
          ><small>{{ row.counts.cast }} casts</small>
        </li>
      </ul>
    </section>
  </div>
  <p v-else-if="error" class="bad" role="alert">{{ error }}</p>
</template>

<style scoped>
.totals {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 16px;
  margin-top: 10px;
}
.totals section:last-child {
  grid-column: 1 / 3;
}
.totals section:last-child ul {
  columns: 2;
  column-gap: 16px;
}
li {
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 14px;
  padding: 1px 0;
}
li span {
  flex: 0 0 44%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
section:last-child li span {
  flex-basis: 64px;
}
i {
  height: 10px;
  background: var(--marram);
  min-width: 1px;
}
small {
  color: var(--ink-soft);
  white-space: nowrap;
}
.bad {
  color: var(--wrack);
}
@media (max-width: 639px) {
  .totals {
    grid-template-columns: minmax(0, 1fr);
  }
  .totals section:last-child {
    grid-column: auto;
  }
}
</style>
