<script setup lang="ts">
import { UButton } from '#components'
import { computed } from 'vue'
import type { PickAnswer } from '~/compute/pick'
import RigSketch from '~/ui/RigSketch.vue'
import { useSettings } from '~/ui/settings'
import { castWords } from '#words/castWords'
import { onTopReason, raftWords, sitsWords } from '#words/onTopWords'
import { rigWords, sizeWords } from '#words/pickWords'
import { fromTo } from '#words/units'
import { BASIS_MARKS } from '#words/words'

/** The best rig of the box that is fished on the surface, beside the one that sinks. */
const props = defineProps<{
  pick: NonNullable<PickAnswer['onTop']>
  baitName: string
}>()
const emit = defineEmits<{ put: [] }>()
const settings = useSettings()
const perM = computed(() => {
  const [left, bottom, right, top] = props.pick.drawing.bounds
  return Math.min(150 / (right - left), 46 / (top - bottom))
})
</script>

<template>
  <section class="on-top" aria-label="On top">
    <h2 class="label">or on top</h2>
    <article>
      <RigSketch
        class="small"
        :drawing="pick.drawing"
        :per-m="perM"
        :width="170"
        :height="66"
        :unit-label="settings.units.length.label"
        :described="rigWords(pick.rig)"
      />
      <div>
        <h3>{{ rigWords(pick.rig) }}, afloat</h3>
        <p>
          {{ sizeWords(pick.rig, settings.system) }} · <span data-own>{{ baitName }}</span>
        </p>
        <p class="figures figure">
          {{ Math.round(100 * pick.report.hookUp.value) }} <small>% of takes from below hooked</small> ·
          {{ Math.round(pick.report.snag.minutesLeft.value) }}
          <small>min/h {{ BASIS_MARKS[pick.report.snag.minutesLeft.basis] }}</small>
        </p>
        <p>{{ sitsWords(pick.report) }}; {{ castWords(pick.report.cast, undefined, settings.units) }}.</p>
        <p v-if="pick.report.raft">{{ raftWords(pick.report, settings.system) }}</p>
        <p>{{ onTopReason(pick) }}</p>
        <p class="label">
          score {{ (100 * pick.score).toFixed(1) }} ({{ fromTo(100 * pick.low, 100 * pick.high, 1) }}),
          without the fall and the rest that the others are weighed by: not one for one with theirs. Misses of
          takes from below, and how many come up, are assumed.
        </p>
      </div>
      <UButton
        icon="i-lucide-arrow-right"
        :aria-label="`Put ${rigWords(pick.rig)}, afloat, alone in the Spread`"
        title="This one into the Spread"
        @click="emit('put')"
      />
    </article>
  </section>
</template>

<style scoped>
.on-top {
  padding: 8px 12px;
  border-top: 1px solid var(--hair-strong);
}
article {
  display: grid;
  grid-template-columns: 170px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
}
h3 {
  font-size: 17px;
  font-weight: 600;
  line-height: 1.15;
}
p {
  font-size: 14px;
  line-height: 1.25;
}
.figures {
  font-size: 18px;
}
.figures small {
  font-size: 12px;
  color: var(--ink-soft);
}
.small :deep(text) {
  display: none;
}
@media (max-width: 639px) {
  article {
    grid-template-columns: 110px minmax(0, 1fr) auto;
  }
  .small {
    width: 110px;
  }
}
</style>
