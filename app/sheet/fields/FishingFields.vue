<script setup lang="ts">
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import { withRod } from '~/sheet/rod'
import { bittenOn, USUAL_SPECIES } from '../../../shared/day'
import { monthNow } from '../month'
import FishField from '../fish/FishField.vue'
import { withFish } from '../fish/ownFish'
import FieldRow from '~/ui/FieldRow.vue'
import { choice, choicesOf, number, type Field } from '~/ui/fields'
import { FEEDING, FEEDING_IDS, LOOKS_EVERY, MATCHES, RETRIEVE_IDS, RETRIEVES, RODS } from '#core'
import { BITE_RANGE_M, LOOKS_RANGE } from '#schemas/ranges'
import type { SpreadContent } from '#schemas/spread'
import type { Unit } from '#words/units'

/** How the rigs are worked, how fish take, and the rod. */
const props = defineProps<{
  show: readonly ('retrieve' | 'feeding' | 'rod' | 'biteM' | 'match' | 'looksEvery')[]
}>()
const spread = useSpread()
const settings = useSettings()
const fishing = computed(() => spread.content.fishing ?? {})
const set = (change: SpreadContent['fishing']): void =>
  spread.edit(draft => void (draft.fishing = { ...draft.fishing, ...change }))
const USUAL_BITE_M = 18
const CASTS: Unit = { label: 'casts', from: n => n, to: n => Math.round(n), decimals: 0 }
const scents = choicesOf({ no: 'no', yes: 'yes' })
const retrieves = choicesOf(RETRIEVES, RETRIEVE_IDS)
const feedings = choicesOf(FEEDING, FEEDING_IDS)
const matches = choicesOf(MATCHES)
const rods = choicesOf(RODS)
const known = computed((): Readonly<Record<(typeof props.show)[number], readonly Field[]>> => {
  const feeding = bittenOn(spread.content, monthNow()).feeding ?? 'grab'
  const { retrieve = 'hop', match = 'fair', scented, rod = 'medium' } = fishing.value
  const { biteM = USUAL_BITE_M, looksEvery = LOOKS_EVERY } = fishing.value
  return {
    retrieve: [choice('worked', retrieve, retrieves, to => set({ retrieve: to }))],
    // beside the fish it reads as one: "sea bass, grab it"
    feeding: [{ ...choice('they', feeding, feedings, to => set({ feeding: to })), hideLabel: true }],
    match: [
      choice('likeness', match, matches, to => set({ match: to })),
      choice('scent', scented ? 'yes' : 'no', scents, to => set({ scented: to === 'yes' })),
    ],
    rod: [
      choice('rod', rod, rods, to => spread.edit(draft => void (draft.fishing = withRod(draft.fishing, to)))),
    ],
    biteM: [number('bite at', biteM, [settings.units.depth, BITE_RANGE_M, 2], to => set({ biteM: to }))],
    looksEvery: [
      number('hidden point looked at every', looksEvery, [CASTS, LOOKS_RANGE, 1], to =>
        set({ looksEvery: to }),
      ),
    ],
  }
})
/** In their own order, whatever order they are asked for in. */
const fields = computed(() =>
  (['feeding', 'retrieve', 'match', 'rod', 'biteM', 'looksEvery'] as const)
    .filter(what => props.show.includes(what))
    .flatMap(what => known.value[what]),
)
</script>

<template>
  <FishField
    v-if="show.includes('feeding')"
    hide-label
    :fish="{ species: USUAL_SPECIES, ...spread.content.fish }"
    @take="fish => spread.edit(draft => withFish(draft, fish))"
  />
  <FieldRow :fields="fields" />
</template>
