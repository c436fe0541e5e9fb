<script setup lang="ts">
import { UButton } from '#components'
import { computed } from 'vue'
import LaneChip from '~/ui/LaneChip.vue'
import type { Verdict } from '#core'
import type { Letter } from '#schemas/ranges'
import type { Lane } from '#schemas/spread'
import type { LaneOutcome } from '~/compute/protocol'

/** All rigs in small, for a narrow screen: tap one to come to its lane. */
const props = defineProps<{
  lanes: readonly Lane[]
  outcomes: ReadonlyMap<string, LaneOutcome>
  verdict: Verdict | undefined
}>()
const emit = defineEmits<{ go: [letter: Letter] }>()
const small = computed(() =>
  props.lanes.map(({ letter }) => {
    const outcome = props.outcomes.get(letter)
    if (outcome?.kind === 'failed' && outcome.onTop)
      return {
        letter,
        first: 'on top',
        second: `${Math.round(100 * outcome.onTop.hookUp.value)} %`,
      }
    if (outcome?.kind !== 'done') return { letter, first: '–', second: 'out' }
    const { fall, snag, strike } = outcome.report
    return {
      letter,
      first: `${fall.timeS.value.toFixed(fall.timeS.value < 9.95 ? 1 : 0)} s`,
      second: `${Math.round(snag.minutesLeft.value)} min, ${Math.round(100 * strike.hookUp.value)} %`,
    }
  }),
)
</script>

<template>
  <nav class="small" aria-label="Rigs">
    <UButton
      v-for="one in small"
      :key="one.letter"
      variant="ghost"
      :class="[
        `lane-${one.letter}`,
        { best: verdict?.kind === 'one' && verdict.letters.includes(one.letter) },
      ]"
      @click="emit('go', one.letter)"
    >
      <LaneChip :letter="one.letter" plain />
      <span class="figure"
        ><b>{{ one.first }}</b
        ><br />{{ one.second }}</span
      >
    </UButton>
  </nav>
</template>

<style scoped>
.small {
  background: var(--paper);
  border-bottom: var(--line-weight) solid var(--hair-strong);
  overflow-x: auto;
}
button {
  flex: 1;
  min-height: 56px;
  display: inline-flex;
  align-items: center;
  gap: 6px;
  padding: 4px 8px;
  border-left: var(--line-weight) solid var(--hair);
  justify-content: flex-start;
  text-align: left;
  font-size: 12px;
  white-space: nowrap;
}
b {
  font-size: 15px;
}
.best {
  box-shadow: inset 0 -4px 0 var(--float);
}
</style>
