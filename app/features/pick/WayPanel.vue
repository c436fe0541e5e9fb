<script setup lang="ts">
import { UButton } from '#components'
import { computed } from 'vue'
import { useSpread } from '~/sheet/spread'
import type { Way, WayCost } from '#core'
import { costWords, SCHOOLS, type SchoolId } from '#words/pickWords'
import CheckField from '~/ui/CheckField.vue'

/** My way: where anglers disagree, each school with what it costs here. */
const props = defineProps<{ ways: readonly WayCost[] }>()
const spread = useSpread()
const way = computed<Way>(() => (spread.content.fish?.way ?? {}) as Way)
const ids = Object.keys(SCHOOLS) as SchoolId[]
const set = (school: SchoolId, choice: string | undefined): void =>
  spread.edit(draft => {
    const { [school]: _, ...kept } = draft.fish?.way ?? {}
    draft.fish = { ...draft.fish, way: choice === undefined ? kept : { ...kept, [school]: choice } }
  })
const setUnleaded = (unleaded: boolean): void =>
  spread.edit(draft => {
    const { unleaded: _, ...kept } = draft.fish?.way ?? {}
    draft.fish = { ...draft.fish, way: unleaded ? { ...kept, unleaded } : kept }
  })
const costOf = (school: SchoolId, choice: string): WayCost | undefined =>
  props.ways.find(w => w.school === school && w.choice === choice)
const NO_FIGURE: Readonly<Partial<Record<SchoolId, string>>> = {
  knot: 'custom, no figure',
  work: 'choose it to see',
  hook: 'choose it to see',
}
</script>

<template>
  <section class="ways" aria-label="My way">
    <h2 class="label">my way: where anglers disagree, and what it costs here</h2>
    <fieldset v-for="id in ids" :key="id">
      <legend>{{ SCHOOLS[id].name }}</legend>
      <UButton variant="ghost" :aria-pressed="way[id] === undefined" @click="set(id, undefined)"
        >either</UButton
      >
      <UButton
        v-for="(words, choice) in SCHOOLS[id].choices"
        :key="choice"
        variant="ghost"
        :aria-pressed="way[id] === choice"
        @click="set(id, choice)"
      >
        {{ words }} <small v-if="costOf(id, choice)">{{ costWords(costOf(id, choice)!) }}</small><small
          v-else-if="NO_FIGURE[id]"
          >{{ NO_FIGURE[id] }}</small
        >
      </UButton>
    </fieldset>
    <CheckField
      :model-value="way.unleaded ?? false"
      label="no lead: tungsten, tin, bismuth, steel or brass only"
      @update:model-value="setUnleaded($event === true)"
    />
  </section>
</template>

<style scoped>
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 4px;
  align-items: center;
  padding: 3px 0;
  border-top: 1px solid var(--hair);
}
legend {
  float: left;
  width: 128px;
  font-size: 14px;
}
button {
  min-height: 28px;
  padding: 2px 8px;
  font-size: 14px;
  border: var(--line-weight) solid var(--hair);
  border-radius: 2px;
}
button:hover {
  border-color: var(--ink);
}
button[aria-pressed='true'] {
  background: var(--ink);
  color: var(--paper);
  border-color: var(--ink);
}
small {
  font-size: 12px;
  color: var(--ink-soft);
  margin-left: 4px;
}
[aria-pressed='true'] small {
  color: inherit;
}
@media (max-width: 639px) {
  button {
    min-height: 44px;
  }
  legend {
    width: 100%;
  }
}
</style>
