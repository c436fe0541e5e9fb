<script setup lang="ts">
import { UButton, UForm, UFormField, UInput } from '#components'
import { useDebounceFn } from '@vueuse/core'
import { computed, reactive, useTemplateRef, watch } from 'vue'
import { ACTIVITIES, FEEDING, FEEDING_IDS, PREY, PREY_IDS, type PreyId } from '#core'
import { FEED_RANGE_C, GAPE_RANGE_M, JAW_RANGE, PREY_RANGE_M } from '#schemas/ranges'
import { fishFormSchema, type FishContent, type FishForm, type StoredDocument } from '#schemas/spot'
import { FISH_WORDS, preyItems, TEETH_WORDS } from '#words/pickWords'
import { PERCENT } from '#words/units'
import ChoiceField from '~/ui/ChoiceField.vue'
import CheckField from '~/ui/CheckField.vue'
import FieldRow from '~/ui/FieldRow.vue'
import { choice, choicesOf, number } from '~/ui/fields'
import NumberField from '~/ui/NumberField.vue'
import { useSettings } from '~/ui/settings'
import { copy } from '../../../shared/data'

/** One kind of fish in full. What is changed is kept as soon as it stands; what does not fit says so there. */
const props = defineProps<{ fish: StoredDocument<'fish'> }>()
const emit = defineEmits<{ keep: [name: string, content: FishContent]; remove: [] }>()
const settings = useSettings()
const form = useTemplateRef('form')
const stateOf = ({ name, content }: StoredDocument<'fish'>): FishForm => ({ name, ...copy(content) })
const state = reactive<FishForm>(stateOf(props.fish))
const asKept = computed(() => JSON.stringify(fishFormSchema.safeParse(stateOf(props.fish)).data))

/** Typing has come to rest. */
const STILL_MS = 400
const keep = useDebounceFn(() => {
  const { data } = fishFormSchema.safeParse(state)
  if (!data || JSON.stringify(data) === asKept.value) return
  const { name, ...content } = data
  emit('keep', name, content)
}, STILL_MS)
/** What does not stand, by the part it is in. */
const wrong = computed(() => {
  const issues = fishFormSchema.safeParse(state).error?.issues ?? []
  return Object.fromEntries(issues.map(({ path, message }) => [String(path[0]), message]))
})
watch(state, () => {
  void form.value?.validate({ silent: true })
  void keep()
})

const feedings = choicesOf(FEEDING, FEEDING_IDS)
const warmth = computed(() =>
  FISH_WORDS.feedC.map((label, i) =>
    number(label, state.feedC[i]!, [settings.units.temperature, FEED_RANGE_C, 1], to => {
      state.feedC[i] = to
    }),
  ),
)
const takes = computed(() =>
  ACTIVITIES.map(on =>
    choice(FISH_WORDS.when[on], state.feeding[on], feedings, to => (state.feeding[on] = to)),
  ),
)
const SHARE = [0, 1] as const
const column = computed(() =>
  (['from', 'down to'] as const).map((label, i) =>
    number(label, state.zone[i]!, [PERCENT, SHARE, 0.05], to => (state.zone[i] = to)),
  ),
)
const mouth = computed(() => [
  number('opens', state.mouth.gapeM, [settings.units.length, GAPE_RANGE_M, 0.005], to => {
    state.mouth.gapeM = to
  }),
  number('bite', state.mouth.bite, [PERCENT, JAW_RANGE, 0.1], to => (state.mouth.bite = to)),
  number('hardness', state.mouth.hard, [PERCENT, JAW_RANGE, 0.1], to => (state.mouth.hard = to)),
  choice('teeth', state.teeth, choicesOf(TEETH_WORDS), to => (state.teeth = to)),
])
const eats = (id: PreyId): boolean => state.prey.includes(id)
function eat(id: PreyId, on: boolean): void {
  state.prey = on ? [...state.prey, id] : state.prey.filter(other => other !== id)
}
const mostly = (id: string): void =>
  void (state.prey = [id as PreyId, ...state.prey.filter(other => other !== id)])
const size = (id: PreyId, lengthM: number): void => void (state.preyM = { ...state.preyM, [id]: lengthM })
const eaten = computed(() => preyItems.filter(({ value }) => eats(value)))
</script>

<template>
  <UForm ref="form" :schema="fishFormSchema" :state="state" class="edit">
    <UFormField name="name" label="name"><UInput v-model.trim="state.name" /></UFormField>
    <fieldset class="group">
      <legend class="label">Warmth of the water</legend>
      <p v-if="wrong.feedC" class="bad" role="alert">{{ wrong.feedC }}</p>
      <div class="fields"><FieldRow :fields="warmth" /></div>
    </fieldset>
    <fieldset class="group">
      <legend class="label">Part of the depth they feed in, from the surface</legend>
      <p v-if="wrong.zone" class="bad" role="alert">{{ wrong.zone }}</p>
      <div class="fields"><FieldRow :fields="column" /></div>
    </fieldset>
    <fieldset class="group">
      <legend class="label">How they take a bait</legend>
      <p v-if="wrong.feeding" class="bad" role="alert">{{ wrong.feeding }}</p>
      <div class="fields"><FieldRow :fields="takes" /></div>
    </fieldset>
    <fieldset class="group">
      <legend class="label">Mouth, against that of a school bass</legend>
      <p v-if="wrong.mouth" class="bad" role="alert">{{ wrong.mouth }}</p>
      <div class="fields"><FieldRow :fields="mouth" /></div>
    </fieldset>
    <fieldset class="group">
      <legend class="label">What they eat</legend>
      <p v-if="wrong.prey" class="bad" role="alert">{{ wrong.prey }}</p>
      <ChoiceField
        v-if="eaten.length > 0"
        label="mostly"
        :model-value="state.prey[0]!"
        :items="eaten"
        @update:model-value="mostly"
      />
      <ul class="food">
        <li v-for="id in PREY_IDS" :key="id">
          <CheckField
            :model-value="eats(id)"
            :label="PREY[id].name"
            @update:model-value="on => eat(id, on === true)"
          />
          <NumberField
            v-if="eats(id)"
            :label="`length of ${PREY[id].name}`"
            hide-label
            :model-value="state.preyM?.[id] ?? PREY[id].lengthM"
            :unit="settings.units.length"
            :range="PREY_RANGE_M"
            :step="0.005"
            @update:model-value="to => size(id, to)"
          />
        </li>
      </ul>
    </fieldset>
    <UButton @click="emit('remove')">Delete</UButton>
  </UForm>
</template>

<style scoped>
.edit {
  display: grid;
  gap: 10px;
  padding: 4px 8px 12px;
  justify-items: start;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
}
.group {
  width: 100%;
}
.food {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 2px 24px;
  max-width: 560px;
  margin-top: 4px;
}
.food li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 32px;
}
.bad {
  color: var(--wrack);
}
</style>
