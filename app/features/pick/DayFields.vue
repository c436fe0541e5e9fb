<script setup lang="ts">
import { UButton, UIcon } from '#components'
import { useMediaQuery } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { useSpots } from '~/sync/documents'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import ChoiceField from '~/ui/ChoiceField.vue'
import NumberField from '~/ui/NumberField.vue'
import NumberFieldDepth from '~/sheet/fields/NumberFieldDepth.vue'
import ZoneField from '~/sheet/fields/ZoneField.vue'
import {
  ACTIVITIES,
  BOTTOM_IDS,
  BOTTOMS,
  CLARITIES,
  COVER_IDS,
  COVERS,
  FEEDING,
  FEEDING_IDS,
  LIGHTS,
  SALINITY_GKG,
  SPECIES,
  STREAM_RANGE_MS,
  TEMPERATURE_RANGE_C,
  type Day,
} from '#core'
import { PREY_RANGE_M } from '#schemas/fields'
import type { FishChoice } from '#schemas/spread'
import { ACTIVITY_WORDS, CLARITY_WORDS, LIGHT_WORDS, preyItems, speciesItems } from '#words/pickWords'
import { waterOfSpot } from './pickSheet'
import { withUnit } from '#words/units'

/**
 * The conditions in one short form; a spot fills them in. What is worked out from the fish says so until it
 * is set.
 */
defineProps<{ day: Day }>()
const spread = useSpread()
const settings = useSettings()
const spots = useSpots()
onMounted(() => {
  if (!spots.loaded) void spots.load()
})
const water = computed(() => spread.content.water)
const own = computed<FishChoice>(() => spread.content.fish ?? {})
const setWater = <K extends keyof typeof spread.content.water>(
  key: K,
  value: (typeof spread.content.water)[K],
): void => spread.edit(draft => void (draft.water[key] = value))
const setFish = (change: Partial<FishChoice>): void =>
  spread.edit(draft => void (draft.fish = { ...draft.fish, ...change }))
const setCurrent = (surfaceMS: number): void =>
  spread.edit(draft => {
    if (surfaceMS === 0) delete draft.water.stream
    else draft.water.stream = { surfaceMS, towardRad: draft.water.stream?.towardRad ?? 0 }
  })
const takeSpecies = (species: FishChoice['species']): void =>
  spread.edit(draft => {
    const { activity: _, prey: __, preyM: ___, ...kept } = draft.fish ?? {}
    draft.fish = { ...kept, species }
    if (draft.fishing) delete draft.fishing.feeding
  })
const list = <T extends string>(ids: readonly T[], name: (id: T) => string) =>
  ids.map(value => ({ value, label: name(value) }))
const covers = list(COVER_IDS, id => COVERS[id].name)
const bottoms = list(BOTTOM_IDS, id => BOTTOMS[id].name)
const activities = list(ACTIVITIES, id => ACTIVITY_WORDS[id])
const clarities = list(CLARITIES, id => CLARITY_WORDS[id])
const lights = list(LIGHTS, id => LIGHT_WORDS[id])
const feedings = list(FEEDING_IDS, id => FEEDING[id].name)
const salts = [
  { value: 'fresh', label: 'fresh' },
  { value: 'brackish', label: 'brackish' },
  { value: 'salt', label: 'salt' },
] as const
const salt = computed(
  () =>
    salts.reduce(
      (best, one) =>
        Math.abs(SALINITY_GKG[one.value] - water.value.salinityGKg) <
        Math.abs(SALINITY_GKG[best.value] - water.value.salinityGKg)
          ? one
          : best,
      salts[0],
    ).value,
)
/** On a phone the form folds away, so that the answer comes first. */
const narrow = useMediaQuery('(max-width: 639px)')
const unfolded = ref(false)
const NO_SPOT = 'none'
const spotItems = computed(() => [
  { value: NO_SPOT, label: water.value.place || 'as set here' },
  ...spots.list.map(s => ({ value: s.id, label: s.name, group: s.content.water })),
])
function takeSpot(id: string): void {
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
        {{ COVERS[water.cover].name }} over {{ BOTTOMS[water.bottom].name }}; {{ SPECIES[day.species].name }},
        {{ ACTIVITY_WORDS[day.activity] }}</span
      >
      <UIcon :name="unfolded ? 'i-lucide-chevron-up' : 'i-lucide-chevron-down'" />
    </UButton>
    <div class="row">
      <ChoiceField label="spot" :model-value="NO_SPOT" :items="spotItems" @update:model-value="takeSpot" />
      <NumberFieldDepth />
      <ChoiceField
        label="cover"
        :model-value="water.cover"
        :items="covers"
        @update:model-value="value => setWater('cover', value)"
      />
      <ChoiceField
        label="bottom"
        :model-value="water.bottom"
        :items="bottoms"
        @update:model-value="value => setWater('bottom', value)"
      />
      <NumberField
        label="current"
        :model-value="water.stream?.surfaceMS ?? 0"
        :unit="settings.units.speed"
        :range="STREAM_RANGE_MS"
        :step="0.1"
        @update:model-value="setCurrent"
      />
      <ChoiceField
        label="water"
        :model-value="salt"
        :items="salts"
        @update:model-value="value => setWater('salinityGKg', SALINITY_GKG[value])"
      />
      <NumberField
        label="temperature"
        :model-value="water.temperatureC"
        :unit="settings.units.temperature"
        :range="TEMPERATURE_RANGE_C"
        :step="1"
        @update:model-value="value => setWater('temperatureC', value)"
      />
      <ChoiceField
        label="clarity"
        :model-value="day.clarity"
        :items="clarities"
        @update:model-value="clarity => setFish({ clarity })"
      />
      <ChoiceField
        label="light"
        :model-value="day.light"
        :items="lights"
        @update:model-value="light => setFish({ light })"
      />
    </div>
    <div class="row">
      <ChoiceField
        label="fish"
        :model-value="day.species"
        :items="speciesItems"
        @update:model-value="takeSpecies"
      />
      <span class="worked"
        ><ChoiceField
          label="they are"
          :model-value="day.activity"
          :items="activities"
          @update:model-value="activity => setFish({ activity })" /><span v-if="!own.activity" class="label"
          >from temperature and month</span
        ><UButton
          v-else
          icon="i-lucide-rotate-ccw"
          variant="ghost"
          class="again"
          title="Work it out again"
          aria-label="Work their activity out again"
          @click="setFish({ activity: undefined })"
      /></span>
      <ChoiceField
        label="they"
        :model-value="day.feeding"
        :items="feedings"
        @update:model-value="
          feeding => spread.edit(draft => void (draft.fishing = { ...draft.fishing, feeding }))
        "
      />
      <ChoiceField
        label="they eat"
        :model-value="day.prey"
        :items="preyItems"
        @update:model-value="prey => setFish({ prey, preyM: undefined })"
      />
      <NumberField
        label="of"
        :model-value="day.preyM"
        :unit="settings.units.length"
        :range="PREY_RANGE_M"
        :step="0.005"
        @update:model-value="preyM => setFish({ preyM })"
      />
      <ZoneField />
      <slot />
    </div>
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
