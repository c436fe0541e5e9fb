<script setup lang="ts">
import { UButton } from '#components'
import { useSettings } from '~/ui/settings'
import RigSketch from '~/ui/RigSketch.vue'
import type { PickAnswer } from '~/compute/pick'
import { lineWords, rigWords, sizeWords } from '#words/pickWords'
import { shown, withUnit } from '#words/units'
import { BASIS_MARKS } from '#words/words'

/** The honest alternatives, each with what it gives and what it costs. */
const props = defineProps<{
  picks: PickAnswer['picks']
  /** part of the ways it may be in which each is the best of them */ odds: readonly number[]
  baitName: (pick: PickAnswer['picks'][number]) => string
}>()
const emit = defineEmits<{ put: [index: number] }>()
const settings = useSettings()
const strength = (n: number): string => withUnit(n, settings.units.lineStrength)
const perM = (pick: PickAnswer['picks'][number]): number => {
  const [left, bottom, right, top] = pick.drawing.bounds
  return Math.min(150 / (right - left), 46 / (top - bottom))
}
const SURELY_BEHIND = 0.05
/** How often it is the best of these after all. */
const standing = (i: number): string => {
  const p = props.odds[i] ?? 0
  return p < SURELY_BEHIND
    ? 'behind the first in nearly all ways it may be'
    : `the best of these in ${Math.round(100 * p)} in 100 ways it may be`
}
</script>

<template>
  <section class="others" aria-label="Alternatives">
    <h2 class="label">or, honestly</h2>
    <article v-for="(pick, i) in picks.slice(1)" :key="`${pick.bait} ${pick.rigging}`">
      <RigSketch
        class="small"
        :drawing="pick.drawing"
        :per-m="perM(pick)"
        :width="170"
        :height="66"
        :unit-label="settings.units.length.label"
        :described="rigWords(pick.rig)"
      />
      <div>
        <h3>{{ rigWords(pick.rig) }}</h3>
        <p>
          {{ sizeWords(pick.rig, settings.system) }} · <span data-own>{{ baitName(pick) }}</span> ·
          {{ lineWords(pick, strength) }}
        </p>
        <p class="figures figure">
          {{ shown(pick.report.fall.meanSpeedMS.value, settings.units.speed) }}
          <small>{{ settings.units.speed.label }}</small> ·
          {{ Math.round(100 * pick.report.strike.hookUp.value) }} <small>% hooked</small> ·
          {{ Math.round(pick.report.snag.minutesLeft.value) }}
          <small>min/h {{ BASIS_MARKS[pick.report.snag.minutesLeft.basis] }}</small>
        </p>
        <p :class="{ near: odds[i + 1]! >= 0.2 }">{{ standing(i + 1) }}</p>
        <p class="label">
          score {{ (100 * pick.score).toFixed(1) }} against {{ (100 * picks[0]!.score).toFixed(1)
          }}{{ pick.report.fit.verdict === 'near' ? '; fits only just' : '' }}
        </p>
      </div>
      <UButton
        icon="i-lucide-arrow-right"
        :aria-label="`Put ${rigWords(pick.rig)} alone in the Spread`"
        title="This one into the Spread"
        @click="emit('put', i + 1)"
      />
    </article>
  </section>
</template>

<style scoped>
.others {
  padding: 8px 12px;
}
article {
  display: grid;
  grid-template-columns: 170px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--hair);
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
.near {
  color: var(--shell);
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
