<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref } from 'vue'
import { useFishes } from '~/sync/documents'
import ChoiceField from '~/ui/ChoiceField.vue'
import { EDIT, fishChoices, fishChosen, type FishTaken } from './ownFish'

/** The fish that are sought: a kind of the list, or one of the angler's own. */
const FishDialog = defineAsyncComponent(() => import('./FishDialog.vue'))
const props = withDefaults(defineProps<{ fish: FishTaken; hideLabel?: boolean }>(), { hideLabel: false })
const emit = defineEmits<{ take: [fish: FishTaken] }>()
const fishes = useFishes()
onMounted(() => {
  if (!fishes.loaded) void fishes.load()
})
const choices = computed(() => fishChoices(props.fish, fishes.list))
const editing = ref<boolean>()
function choose(value: string): void {
  if (value === EDIT) return void (editing.value = true)
  const fish = fishChosen(value, fishes.list)
  if (fish) emit('take', fish)
}
</script>

<template>
  <ChoiceField
    label="fish"
    :hide-label="hideLabel"
    :model-value="choices.value"
    :items="choices.items"
    @update:model-value="choose"
  />
  <FishDialog
    v-if="editing !== undefined"
    v-model:open="editing"
    :fish="fish"
    @take="one => emit('take', one)"
  />
</template>
