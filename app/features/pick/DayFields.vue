<script setup lang="ts">
import { UButton, UIcon } from '#components'
import { useMediaQuery } from '@vueuse/core'
import { computed, defineAsyncComponent, ref } from 'vue'
import { useSpots } from '~/sync/documents'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import FishField from '~/sheet/fish/FishField.vue'
import { withFish, type FishTaken } from '~/sheet/fish/ownFish'
import ChoiceField from '~/ui/ChoiceField.vue'
import FieldRow from '~/ui/FieldRow.vue'
import { choice, choicesOf, number } from '~/ui/fields'
import { useWaterFields } from '~/sheet/fields/useWaterFields'
import NumberFieldDepth from '~/sheet/fields/NumberFieldDepth.vue'
import ZoneField from '~/sheet/fields/ZoneField.vue'
import {
  ACTIVITIES,
  BOTTOMS,
  CLARITIES,
  COVERS,
  FEEDING,
  FEEDING_IDS,
  LIGHTS,
  SIGHT_M,
  fishOf,
  type Day,
} from '#core'
import { PREY_RANGE_M, SIGHT_RANGE_M } from '#schemas/ranges'
import type { FishChoice } from '#schemas/spread'
import { ACTIVITY_WORDS, CLARITY_WORDS, LIGHT_WORDS, preyItems } from '#words/pickWords'
import { waterOfSpot } from '~/sheet/spots/waterOfSpot'
import { withUnit } from '#words/units'

/**
 * The conditions in one short form; a spot fills them in. What is worked out from the fish says so until it
 * is set.
 */
const props = defineProps<{ day: Day }>()
const spread = useSpread()
const settings = useSettings()
const spots = useSpots()
if (!spots.loaded) void spots.load()
const water = computed(() => spread.content.water)
const own = computed<FishChoice>(() => spread.content.fish ?? {})
const setFish = (change: Partial<FishChoice>): void =>
  spread.edit(draft => void (draft.fish = { ...draft.fish, ...change }))
const takeFish = (fish: FishTaken): void => spread.edit(draft => withFish(draft, fish))
const activities = choicesOf(ACTIVITY_WORDS, ACTIVITIES)
const clarities = choicesOf(CLARITY_WORDS, CLARITIES)
const lights = choicesOf(LIGHT_WORDS, LIGHTS)
const feedings = choicesOf(FEEDING, FEEDING_IDS)
const waters = useWaterFields()
const whole = computed(() => ({ ...settings.units.depth, decimals: 0 }))
const aboutWater = computed(() => [
  waters.cover.value,
  waters.bottom.value,
  waters.current.value,
  waters.salt.value,
  waters.temperature.value,
  choice('clarity', props.day.clarity, clarities, clarity => setFish({ clarity })),
  choice('light', props.day.light, lights, light => setFish({ light })),
  ...waters.wind.value,
])
const aboutFood = computed(() => [
  choice('they', props.day.feeding, feedings, feeding =>
    spread.edit(draft => void (draft.fishing = { ...draft.fishing, feeding })),
  ),
  choice('they eat', props.day.prey, preyItems, prey => setFish({ prey, preyM: undefined })),
  number('of', props.day.preyM, [settings.units.length, PREY_RANGE_M, 0.005], preyM => setFish({ preyM })),
])
const AIMS = choicesOf({ usual: 'as usual', search: 'covering water', sight: 'one fish in sight' })
const about = computed(() => [
  choice('casting', props.day.aim ?? 'usual', AIMS, to =>
    setFish({ aim: to === 'usual' ? undefined : to, ...(to === 'sight' ? {} : { sightM: undefined }) }),
  ),
  ...(props.day.aim === 'sight'
    ? [
        number('it is off', props.day.sightM ?? SIGHT_M, [whole.value, SIGHT_RANGE_M, 1], sightM =>
          setFish({ sightM }),
        ),
      ]
    : []),
])
/** On a phone the form folds away, so that the answer comes first. */
const narrow = useMediaQuery('(max-width: 639px)')
const unfolded = ref(false)
const NO_SPOT = 'none'
const EDIT_SPOTS = 'edit'
const SpotsDialog = defineAsyncComponent(() => import('~/sheet/spots/SpotsDialog.vue'))
const spotting = ref<boolean>()
const spotItems = computed(() => [
  { value: NO_SPOT, label: water.value.place || 'as set here' },
  ...spots.list.map(s => ({ value: s.id, label: s.name, group: s.content.water || 'no water named' })),
  { value: EDIT_SPOTS, label: 'add or change spots…', group: 'your spots' },
])
function takeSpot(id: string): void {
  if (id === EDIT_SPOTS) spotting.value = true
  const spot = spots.byId.get(id)
  if (spot) spread.edit(draft => void Object.assign(draft, waterOfSpot(spot, draft)))
}
</script>

<template>
  <section class="day" :class="{ folded: narrow && !unfolded }" aria-label="Conditions">
    <UButton
      v-if="narrow"
      variant="ghost"
      class="fold"
      :aria-expanded="unfolded"
      @click="unfolded = !unfolded"
    >
      <span
        >{{ water.place || 'Here' }}: {{ withUnit(water.depthM, settings.units.depth) }},
        {{ COVERS[water.cover].name }} over {{ BOTTOMS[water.bottom].name }}; {{ fishOf(day).name }},
        {{ ACTIVITY_WORDS[day.activity] }}</span
      >
      <UIcon :name="unfolded ? 'i-lucide-chevron-up' : 'i-lucide-chevron-down'" />
    </UButton>
    <div class="row">
      <ChoiceField label="spot" :model-value="NO_SPOT" :items="spotItems" @update:model-value="takeSpot" />
      <NumberFieldDepth />
      <FieldRow :fields="aboutWater" />
    </div>
    <div class="row">
      <FishField :fish="day" @take="takeFish" />
      <span class="worked"
        ><ChoiceField
          label="they are"
          :model-value="day.activity"
          :items="activities"
          @update:model-value="activity => setFish({ activity })" /><span
          v-if="!own.activity"
          class="label"
          title="From the temperature and the month"
          >worked out</span
        ><UButton
          v-else
          icon="i-lucide-rotate-ccw"
          variant="ghost"
          class="again"
          title="Work it out again"
          aria-label="Work their activity out again"
          @click="setFish({ activity: undefined })"
      /></span>
      <FieldRow :fields="aboutFood" />
      <ZoneField />
      <FieldRow :fields="about" />
      <slot />
    </div>
    <SpotsDialog v-if="spotting !== undefined" v-model:open="spotting" />
  </section>
</template>

<style scoped>
.day {
  display: grid;
  gap: 3px;
  padding: 5px 12px 6px;
  border-bottom: var(--line-weight) solid var(--ink);
  background: var(--raised);
}
.folded .row {
  display: none;
}
.fold {
  display: flex;
  gap: 10px;
  justify-content: space-between;
  align-items: center;
  min-height: 44px;
  text-align: left;
  font-size: 16px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
}
.worked {
  display: inline-flex;
  gap: 6px;
  align-items: baseline;
}
.again {
  width: 26px;
  height: 26px;
  display: inline-grid;
  place-items: center;
  align-self: center;
}
</style>
