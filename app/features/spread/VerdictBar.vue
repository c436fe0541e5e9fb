<script setup lang="ts">
import { NuxtLink, UButton } from '#components'
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import ChoiceField from '~/ui/ChoiceField.vue'
import LaneChip from '~/ui/LaneChip.vue'
import { UTILITY_IDS, type RigReport, type Verdict } from '#core'
import { LETTERS, type Letter } from '#schemas/ranges'
import { KIND_WORDS, UTILITY_WORDS, verdictWords } from '#words/verdictWords'

/** Which rig to tie on, how surely, and what would settle it. */
const props = defineProps<{
  verdict: Verdict | undefined
  reports: ReadonlyMap<string, RigReport>
  depthM: number
  busy: boolean
  error: string | undefined
}>()
const emit = defineEmits<{ retry: [] }>()
const settings = useSettings()
const letters = computed(() =>
  LETTERS.filter((letter): letter is Letter => props.verdict?.letters.includes(letter) ?? false),
)
const words = computed(
  () => props.verdict && verdictWords(props.verdict, props.reports, props.depthM, settings.system),
)
/** How often each is best, of a hundred ways it may be. */
const shares = computed(() =>
  LETTERS.flatMap(letter => {
    const rig = props.verdict?.rigs.find(r => r.letter === letter)
    return rig && props.verdict!.rigs.length > 1 && rig.pBest >= 0.005
      ? [{ letter, of100: Math.round(100 * rig.pBest) }]
      : []
  }),
)
const utilities = UTILITY_IDS.map(value => ({ value, label: UTILITY_WORDS[value] }))
</script>

<template>
  <section class="verdict" aria-label="Verdict" aria-live="polite" :aria-busy="busy">
    <template v-if="error">
      <p class="first fail">The figures could not be worked out: {{ error }}</p>
      <UButton variant="ghost" class="retry" @click="emit('retry')">Try again</UButton>
    </template>
    <template v-else-if="verdict && words">
      <div class="mark" :class="verdict.kind">
        <span class="label">{{ KIND_WORDS[verdict.kind] }}</span>
        <span class="letters"
          ><LaneChip v-for="letter in letters" :key="letter" :letter="letter" plain
        /></span>
      </div>
      <div class="words">
        <p class="first">{{ words.first }}</p>
        <p class="rest">
          {{ words.rest.join(' ') }}
          <span v-if="words.settles.length > 0" class="settles"
            ><span class="label">would settle it</span>
            <template v-for="(s, i) in words.settles" :key="s.words"
              ><template v-if="i > 0">, </template
              ><NuxtLink :to="s.to" :title="`Knowing what it tells is worth ${s.worth} on average`">{{
                s.words
              }}</NuxtLink></template
            ></span
          >
        </p>
      </div>
      <div class="judge">
        <ChoiceField v-model="settings.utility" label="Judged by" hide-label :items="utilities" />
        <p
          v-if="shares.length > 0"
          class="shares"
          :aria-label="`Best: ${shares.map(s => `${s.letter} in ${s.of100} of 100`).join(', ')}`"
          role="img"
        >
          <span
            v-for="s in shares"
            :key="s.letter"
            :class="`lane-${s.letter}`"
            :style="{ flexGrow: s.of100 }"
            >{{ s.of100 >= 9 ? `${s.letter} ${s.of100}` : '' }}</span
          >
        </p>
        <p v-if="shares.length > 0" class="label">best in so many of 100 ways it may be</p>
      </div>
      <slot />
    </template>
    <p v-else class="first waiting">Working out the first figures…</p>
  </section>
</template>

<style scoped>
.verdict {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 5px 12px;
  min-height: 66px;
  border-top: 2px solid var(--ink);
  background: var(--raised);
}
.mark {
  display: grid;
  justify-items: center;
  gap: 3px;
  padding: 4px 10px;
  border-left: 5px solid var(--float);
  min-width: 76px;
}
.mark.alike,
.mark.group {
  border-left-color: var(--marram);
}
.mark.open {
  border-left-color: var(--shell);
}
.mark.none {
  border-left-color: var(--wrack);
}
.mark .label {
  white-space: nowrap;
}
.letters {
  display: inline-flex;
  gap: 3px;
}
.words {
  flex: 1;
  min-width: 0;
}
.first {
  font-size: 19px;
  line-height: 1.2;
}
.rest {
  font-size: 14px;
  line-height: 1.25;
  color: var(--ink);
  margin-top: 1px;
  text-wrap: pretty;
}
.settles .label {
  margin-right: 5px;
}
.settles a {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.judge {
  display: grid;
  gap: 2px;
  width: 214px;
  flex: none;
}
.judge :deep(.choice-field),
.judge :deep(.choice) {
  width: 100%;
}
.shares {
  display: flex;
  height: 20px;
  border: 1px solid var(--ink);
  font: 600 12px/18px var(--font-figure);
  overflow: hidden;
}
.shares span {
  flex-basis: 0;
  min-width: 3px;
  background: var(--lane);
  color: var(--lane-ink);
  text-align: center;
  white-space: nowrap;
}
.waiting {
  color: var(--ink-soft);
}
.retry {
  padding: 6px 14px;
  border: 1px solid var(--ink);
  border-radius: 2px;
}
@media (max-width: 639px) {
  .verdict {
    flex-wrap: wrap;
    align-items: flex-start;
  }
  .words {
    flex-basis: 100%;
  }
  .first {
    font-size: 17px;
  }
  .judge {
    flex: 1;
    width: auto;
    min-width: 200px;
  }
}
</style>
