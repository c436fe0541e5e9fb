<script setup lang="ts">
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import ChoiceField from '~/ui/ChoiceField.vue'
import NumberField from '~/ui/NumberField.vue'
import {
  FEEDING,
  FEEDING_IDS,
  LOOKS_EVERY,
  MATCHES,
  RETRIEVE_IDS,
  RETRIEVES,
  RODS,
  type FeedingId,
  type MatchId,
  type RetrieveId,
  type RodPower,
} from '#core'
import { BITE_RANGE_M, LOOKS_RANGE } from '#schemas/fields'

/** How the rigs are worked, how fish take, and the rod. */
const props = defineProps<{
  show: readonly ('retrieve' | 'feeding' | 'rod' | 'biteM' | 'match' | 'looksEvery')[]
}>()
const spread = useSpread()
const settings = useSettings()
const fishing = computed(() => spread.content.fishing ?? {})
const retrieves = RETRIEVE_IDS.map(value => ({ value, label: RETRIEVES[value].name }))
const feedings = FEEDING_IDS.map(value => ({ value, label: FEEDING[value].name }))
const rods = (Object.keys(RODS) as RodPower[]).map(value => ({ value, label: RODS[value].name }))
const USUAL_BITE_M = 18
const CASTS = {
  label: 'casts',
  from: (n: number): number => n,
  to: (n: number): number => Math.round(n),
  decimals: 0,
} as const
const matches = (Object.keys(MATCHES) as MatchId[]).map(value => ({ value, label: MATCHES[value].name }))
const scents = [
  { value: 'no', label: 'no' },
  { value: 'yes', label: 'yes' },
] as const
const set = (change: {
  retrieve?: RetrieveId
  feeding?: FeedingId
  rod?: RodPower
  biteM?: number
  looksEvery?: number
  match?: MatchId
  scented?: boolean
}): void => spread.edit(draft => void (draft.fishing = { ...draft.fishing, ...change }))
const shows = (what: (typeof props.show)[number]): boolean => props.show.includes(what)
</script>

<template>
  <ChoiceField
    v-if="shows('retrieve')"
    label="worked"
    :model-value="fishing.retrieve ?? 'hop'"
    :items="retrieves"
    @update:model-value="retrieve => set({ retrieve })"
  />
  <ChoiceField
    v-if="shows('feeding')"
    label="fish"
    :model-value="fishing.feeding ?? 'grab'"
    :items="feedings"
    @update:model-value="feeding => set({ feeding })"
  />
  <ChoiceField
    v-if="shows('match')"
    label="like their food"
    :model-value="fishing.match ?? 'fair'"
    :items="matches"
    @update:model-value="match => set({ match })"
  />
  <ChoiceField
    v-if="shows('match')"
    label="scent"
    :model-value="fishing.scented ? 'yes' : 'no'"
    :items="scents"
    @update:model-value="value => set({ scented: value === 'yes' })"
  />
  <ChoiceField
    v-if="shows('rod')"
    label="rod"
    :model-value="fishing.rod ?? 'medium'"
    :items="rods"
    @update:model-value="rod => set({ rod })"
  />
  <NumberField
    v-if="shows('biteM')"
    label="bite at"
    :model-value="fishing.biteM ?? USUAL_BITE_M"
    :unit="settings.units.depth"
    :range="BITE_RANGE_M"
    :step="2"
    @update:model-value="biteM => set({ biteM })"
  />
  <NumberField
    v-if="shows('looksEvery')"
    label="hidden point looked at every"
    :model-value="fishing.looksEvery ?? LOOKS_EVERY"
    :unit="CASTS"
    :range="LOOKS_RANGE"
    :step="1"
    @update:model-value="looksEvery => set({ looksEvery })"
  />
</template>
