<script setup lang="ts">
import { UButton, UProgress } from '#components'
import { computed } from 'vue'
import type { CoverChange, CoverChangesJob } from '~/compute/coverChanges'
import { useQuery } from '~/compute/useQuery'
import { useSpread } from '~/sheet/spread'
import { RETRIEVES, type GuardId, type PointRest } from '#core'
import type { SpreadContent } from '#schemas/spread'
import { fromTo, trueMinus } from '#words/units'
import { POINT_WORDS } from '#words/words'

/** What one change would do to the chosen rig here, the best first, each with its doubt and a way to make it. */
const props = defineProps<{ letter: string; job: CoverChangesJob | undefined }>()
const spread = useSpread()
const { answer, progress, working, error, retry } = useQuery('coverChanges', () => props.job)
const GUARDS: Readonly<Record<GuardId, string>> = {
  none: 'no guard',
  fibre: 'a fibre guard',
  wire: 'a wire guard',
}
/** Less than this is no change, of all bites. */
const LEAST = 0.005
/** So many are told: those that help, and what the best of them cost. */
const MOST = 5
function words(change: CoverChange): string {
  switch (change.id) {
    case 'guard':
      return GUARDS[change.rig.guard ?? 'none']
    case 'rest':
      return `point ${POINT_WORDS[change.rig.pointRest as PointRest]}`
    case 'slimmer':
      return 'the same weight in tungsten: a slimmer head'
    case 'worked':
      return `worked otherwise: ${RETRIEVES[change.fishing.retrieve].name}`
    case 'looks':
      return `looking at the point every ${change.fishing.looksEvery} casts`
  }
}
const make = (change: CoverChange): void =>
  spread.edit((draft: SpreadContent) => {
    if ('fishing' in change) draft.fishing = { ...draft.fishing, ...change.fishing }
    else draft.lanes = draft.lanes.map(l => (l.letter === props.letter ? { ...l, ...change.rig } : l))
  })
const signed = (x: number): string => trueMinus(`${x > 0 ? '+' : ''}${Math.round(x)}`)
/** Of this rig as it is: what was found for another, or before, is not shown for it. */
const told = computed(() =>
  (working.value || !props.job ? [] : (answer.value ?? []))
    .filter(change => Math.abs(change.fish.value) >= LEAST)
    .slice(0, MOST)
    .map(change => ({
      change,
      words: words(change),
      minutes: signed(change.minutes.value),
      hooks: signed(100 * change.hookUp.value),
      fish: signed(100 * change.fish.value),
      range: fromTo(100 * change.fish.low, 100 * change.fish.high),
    })),
)
</script>

<template>
  <section class="changes" aria-label="What one change would do" :aria-busy="working">
    <h2 class="label">
      rig {{ letter }}: what one change would do, of a hundred bites that an hour without snags brings; ◇
      computed
      <UProgress
        v-if="working"
        :model-value="progress"
        :max="1"
        class="w-24"
        :get-value-label="() => 'Trying changes'"
      />
    </h2>
    <p v-if="error" class="bad" role="alert">
      {{ error }} <UButton variant="link" @click="retry()">Try again</UButton>
    </p>
    <p v-else-if="answer && !working && told.length === 0" class="label">
      No single change does half a bite of a hundred.
    </p>
    <ul v-else>
      <li v-for="t in told" :key="t.words" :class="{ worse: t.change.fish.value < 0 }">
        <b class="figure">{{ t.fish }}</b><small class="figure">({{ t.range }})</small>
        <span
          >{{ t.words }}<small>: {{ t.minutes }} min, hooks {{ t.hooks }} %</small></span
        >
        <UButton title="Make this change on the sheet; it can be undone" @click="make(t.change)"
          >Try it</UButton
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.changes {
  padding: 5px 12px;
  min-width: 0;
}
li {
  display: grid;
  grid-template-columns: 36px 76px minmax(0, 1fr) auto;
  gap: 6px;
  align-items: center;
  padding: 1px 0;
  font-size: 14px;
  border-top: 1px solid var(--hair);
}
li b {
  text-align: right;
  color: var(--marram);
}
.worse b {
  color: var(--wrack);
}
li small {
  color: var(--ink-soft);
}
li :deep(.control-key) {
  min-height: 24px;
}
.bad {
  color: var(--wrack);
}
</style>
