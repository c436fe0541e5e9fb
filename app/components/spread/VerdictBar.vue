<script setup lang="ts">
import type { Verdict } from '#core'
import { LETTERS, type Letter } from '#schemas/spread'

/** Which rig to tie on, and what decided it. */
const props = defineProps<{ verdict: Verdict | undefined, busy: boolean, error: string | undefined }>()
const emit = defineEmits<{ retry: [] }>()
const letters = computed(() => LETTERS.filter((letter): letter is Letter => props.verdict?.letters.includes(letter) ?? false))
const kinds = { pick: 'tie on', close: 'too close', none: 'none' } as const
</script>

<template>
  <section class="verdict" aria-label="Verdict" aria-live="polite" :aria-busy="busy">
    <template v-if="error">
      <p class="first fail">The figures could not be worked out: {{ error }}</p>
      <button type="button" class="retry" @click="emit('retry')">Try again</button>
    </template>
    <template v-else-if="verdict">
      <div class="mark" :class="verdict.kind">
        <span class="label">{{ kinds[verdict.kind] }}</span>
        <span class="letters"><LaneChip v-for="letter in letters" :key="letter" :letter="letter" plain /></span>
      </div>
      <div class="words">
        <p class="first">{{ verdict.sentences[0] }}</p>
        <p class="rest">{{ verdict.sentences.slice(1).join(' ') }} <span v-if="verdict.decidedBy !== 'nothing'" class="label decided">decided by {{ verdict.decidedBy }}</span></p>
      </div>
      <slot />
    </template>
    <p v-else class="first waiting">Working out the first figures…</p>
  </section>
</template>

<style scoped>
.verdict { display: flex; align-items: center; gap: 14px; padding: 8px 12px; min-height: 66px; border-top: 2px solid var(--ink); background: var(--raised); }
.mark { display: grid; justify-items: center; gap: 3px; padding: 4px 10px; border-left: 5px solid var(--float); min-width: 76px; }
.mark.close { border-left-color: var(--shell); }
.mark.none { border-left-color: var(--wrack); }
.letters { display: inline-flex; gap: 3px; }
.words { flex: 1; }
.first { font-size: 19px; line-height: 1.2; }
.rest { font-size: 14px; color: var(--ink); margin-top: 2px; }
.decided { margin-left: 6px; white-space: nowrap; }
.waiting { color: var(--ink-soft); }
.retry { padding: 6px 14px; border: 1px solid var(--ink); border-radius: 2px; }
@media (max-width: 639px) { .verdict { flex-wrap: wrap; align-items: flex-start; } .words { flex-basis: 100%; } .first { font-size: 17px; } }
</style>
