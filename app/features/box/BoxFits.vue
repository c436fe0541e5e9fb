<script setup lang="ts">
import { UButton, UIcon } from '#components'
import { navigateTo } from '#imports'
import { computed } from 'vue'
import { useBox } from '~/sync/box'
import { useSpread } from '~/sheet/spread'
import type { BaitSpec } from '#core'
import type { ItemDetails } from '#schemas/box'
import type { FitsAnswer } from '~/compute/box'
import { useQuery } from '~/compute/useQuery'
import { freeLetter } from '~/sheet/lanes'
import { useSettings } from '~/ui/settings'
import { ruleText } from '#words/fitWords'

/** Which hooks and heads of the box fit a bait, those that fit first, each with its tightest rule. */
const settings = useSettings()
const props = defineProps<{ bait: Extract<ItemDetails, { kind: 'bait' }> }>()
const box = useBox()
const spread = useSpread()
const baitSpec = computed<BaitSpec>(() => {
  const { kind: _, colour: __, ...bait } = props.bait
  return bait
})
const { answer: found, error: failed } = useQuery('fits', () => ({
  bait: baitSpec.value,
  items: box.items.filter(i => i.details.kind === 'hook' || i.details.kind === 'head'),
  lineKind: spread.content.line.kind,
  lineStrengthN: spread.content.line.strengthN,
}))
const fits = computed(() => (found.value ?? []).filter(f => f.verdict !== 'fail'))
const ICONS = { near: 'i-lucide-triangle-alert', pass: 'i-lucide-check', fail: 'i-lucide-x' } as const

/** Puts the bait and this hook on the sheet as one more rig. */
function take(one: FitsAnswer): void {
  spread.edit(draft => {
    draft.bait = { ...baitSpec.value } as typeof draft.bait
    const letter = freeLetter(draft.lanes)
    const lane = {
      letter: letter ?? draft.lanes[draft.lanes.length - 1]!.letter,
      ...one.rig,
    } as (typeof draft.lanes)[number]
    if (letter) draft.lanes.push(lane)
    else draft.lanes[draft.lanes.length - 1] = lane
    spread.picked = lane.letter
  })
  void navigateTo(spread.saved ? `/bench/${spread.saved.id}` : '/bench')
}
</script>

<template>
  <section class="fits" aria-label="What fits this bait in my box">
    <h3>What fits it in my box</h3>
    <p v-if="failed" class="bad" role="alert">{{ failed }}</p>
    <p v-else-if="!found" class="label">Trying every hook…</p>
    <p v-else-if="fits.length === 0" class="label">
      None of the {{ found.length }} hooks and heads that go into it fits. The bench can say which size would.
    </p>
    <ul v-else>
      <li v-for="one in fits" :key="one.id" :class="one.verdict">
        <UIcon :name="ICONS[one.verdict]" />
        <span
          ><b>{{ box.byId.get(one.id)?.name }}</b
          ><small>{{ ruleText(one.worst, settings.system) }}</small></span
        >
        <UButton
          icon="i-lucide-ruler"
          :aria-label="`Rig ${box.byId.get(one.id)?.name} on the bench`"
          @click="take(one)"
        />
      </li>
    </ul>
    <p v-if="found && fits.length > 0" class="label">
      {{ found.length - fits.length }} more do not fit. ◇ computed
    </p>
  </section>
</template>

<style scoped>
h3 {
  font-size: 16px;
  font-weight: 600;
  margin-bottom: 2px;
}
li {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr) auto;
  gap: 6px;
  align-items: start;
  padding: 4px 0;
  border-top: 1px solid var(--hair);
  font-size: 14px;
}
li > :first-child {
  margin-top: 3px;
}
.pass > :first-child {
  color: var(--marram);
}
.near > :first-child {
  color: var(--shell);
}
small {
  display: block;
  font-size: 13px;
  color: var(--ink-soft);
  line-height: 1.25;
}
b {
  font-weight: 600;
}
.bad {
  color: var(--wrack);
}
</style>
