<script setup lang="ts">
import { UButton, UModal } from '#components'
import { useToast } from '#imports'
import { computed, ref } from 'vue'
import { useFishes } from '~/sync/documents'
import { saveText } from '~/ui/card'
import ChoiceField from '~/ui/ChoiceField.vue'
import FilePick from '~/ui/FilePick.vue'
import { SPECIES, type SpeciesId } from '#core'
import { fishFileSchema, type FishContent, type StoredDocument } from '#schemas/spot'
import { failureText } from '#words/failureText'
import { speciesItems } from '#words/pickWords'
import KeptRow from '~/ui/KeptRow.vue'
import { useRemoval } from '../useRemoval'
import FishForm from './FishForm.vue'
import { copied, taken, type FishTaken } from './ownFish'

/** Kinds of fish of the angler's own: made from one of the list, changed, named, kept, saved and read. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ fish: FishTaken }>()
const emit = defineEmits<{ take: [fish: FishTaken] }>()
const fishes = useFishes()
const toast = useToast()
const like = ref<SpeciesId>(props.fish.species)
const chosen = ref(fishes.list.find(one => one.name === props.fish.own?.name)?.id)
const bad = ref<string>()
const one = computed(() => fishes.byId.get(chosen.value ?? ''))

async function make(): Promise<void> {
  const made = await fishes.add(`My ${SPECIES[like.value].name}`, copied(like.value))
  if (made) chosen.value = made.id
}
/** What the sheet carries follows its fish. */
async function keep(name: string, content: FishContent): Promise<void> {
  const before = one.value!
  const kept = await fishes.change(before, name, content)
  if (kept && props.fish.own?.name === before.name) emit('take', taken(kept))
}
const remove = useRemoval(fishes)
function use(fish: StoredDocument<'fish'>): void {
  emit('take', taken(fish))
  open.value = false
}
const save = (): void =>
  saveText(
    'fish.json',
    JSON.stringify(
      {
        format: 'dunecrest-fish',
        version: 1,
        fish: fishes.list.map(({ name, content }) => ({ name, ...content })),
      },
      null,
      2,
    ),
    'application/json',
  )
async function read(file: File): Promise<void> {
  bad.value = undefined
  try {
    const parsed = fishFileSchema.safeParse(JSON.parse(await file.text()))
    if (!parsed.success) {
      const [issue] = parsed.error.issues
      bad.value = `This file was not read: ${issue!.path.join(' ')} ${issue!.message}`
      return
    }
    for (const { name, ...content } of parsed.data.fish) if (!(await fishes.add(name, content))) return
    toast.add({ title: `Read in: ${parsed.data.fish.map(f => f.name).join(', ')}` })
  } catch (error) {
    bad.value = `This file was not read: ${failureText(error)}`
  }
}
</script>

<template>
  <UModal v-model:open="open" title="Your own fish" :ui="{ content: 'max-w-3xl' }">
    <template #body>
      <p v-if="bad ?? fishes.error" class="bad" role="alert">{{ bad ?? fishes.error }}</p>
      <p class="acts">
        <ChoiceField v-model="like" label="like" :items="speciesItems" />
        <UButton icon="i-lucide-plus" :disabled="fishes.busy" @click="make()">Make one of these</UButton>
        <FilePick label="Fish to read" text="Read a file" accept=".json,application/json" @file="read" />
        <UButton v-if="fishes.list.length > 0" @click="save()">Save as a file</UButton>
      </p>
      <p v-if="fishes.list.length === 0" class="none">
        None yet. What the list says of a fish is usual, not measured: make one from the nearest kind, and
        change what you know better.
      </p>
      <ul>
        <KeptRow
          v-for="f in fishes.list"
          :key="f.id"
          :name="f.name"
          :more="`made from ${SPECIES[f.content.like].name}`"
          :open="f.id === chosen"
          @update:open="on => (chosen = on ? f.id : undefined)"
        >
          <template #act><UButton @click="use(f)">Fish for it</UButton></template>
          <FishForm :fish="f" @keep="keep" @remove="remove(f)" />
        </KeptRow>
      </ul>
    </template>
  </UModal>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin-bottom: 8px;
}
.none {
  color: var(--ink-soft);
}
.bad {
  color: var(--wrack);
  margin-bottom: 6px;
}
</style>
