<script setup lang="ts">
import { UButton, UIcon, UInput, UTextarea } from '#components'
import { navigateTo } from '#imports'
import { computed, ref } from 'vue'
import { useBox } from '~/sync/box'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import BoxFits from './BoxFits.vue'
import BoxPhoto from './BoxPhoto.vue'
import WeighDialog from './WeighDialog.vue'
import { FAMILIES, PLASTICS } from '#core'
import type { BoxItem, ItemDetails } from '#schemas/box'
import FieldRow from '~/ui/FieldRow.vue'
import { itemFields } from './itemFields'

/** One thing of the box: what it is, in full; for a bait, what in the box fits it. */
const props = defineProps<{ item: BoxItem }>()
const emit = defineEmits<{ close: [] }>()
const box = useBox()
const spread = useSpread()
const settings = useSettings()
const details = computed(() => props.item.details)
const weighing = ref(false)

function set(change: Record<string, unknown>): void {
  void box.change([props.item.id], item => {
    const next = { ...item.details, ...change } as Record<string, unknown>
    for (const [key, value] of Object.entries(change))
      if (value === undefined) Reflect.deleteProperty(next, key)
    return { ...item, details: next as unknown as ItemDetails }
  })
}
const fields = computed(() => itemFields(details.value, settings.units, set))
const setNotes = (event: Event): void =>
  void box.change([props.item.id], item => ({
    ...item,
    notes: (event.target as HTMLTextAreaElement).value.slice(0, 500),
  }))

/** Lays the bait on the sheet and shows it on the bench. */
async function onBench(): Promise<void> {
  const d = details.value
  if (d.kind !== 'bait') return
  const { kind: _, colour: __, ...bait } = d
  spread.edit(draft => void (draft.bait = bait))
  await navigateTo(spread.saved ? `/bench/${spread.saved.id}` : '/bench')
}
</script>

<template>
  <aside class="panel" :aria-label="`Details of ${item.name}`">
    <header>
      <h2>{{ item.name }}</h2>
      <UButton
        icon="i-lucide-x"
        variant="ghost"
        class="close"
        aria-label="Close the details"
        @click="emit('close')"
      />
    </header>
    <div class="fields">
      <FieldRow :fields="fields" />
      <template v-if="details.kind === 'bait'">
        <label class="word"
          ><span class="label">colour</span
          ><UInput
            :model-value="details.colour ?? ''"
            maxlength="40"
            @change="
              event =>
                set({ colour: (event.target as HTMLInputElement).value.trim().slice(0, 40) || undefined })
            "
        /></label>
        <UButton v-if="details.densityKgM3 !== undefined" @click="set({ densityKgM3: undefined })">
          Back to the typical density
        </UButton>
        <UButton icon="i-lucide-scale" @click="weighing = true">Weigh it…</UButton>
        <WeighDialog
          v-model:open="weighing"
          :name="item.name"
          :bait="details"
          @found="densityKgM3 => set({ densityKgM3 })"
        />
        <p v-if="details.own" class="label">
          Outline: your own trace.
          <UButton variant="link" @click="set({ own: undefined })">Back to the form's</UButton>
        </p>
        <p v-if="PLASTICS[details.material].elastomer" class="warn">
          <UIcon name="i-lucide-triangle-alert" /> Store this elastomer apart from plastisol baits: together
          they melt.
        </p>
        <UButton icon="i-lucide-ruler" variant="solid" @click="onBench()">Lay it on the bench</UButton>
      </template>
      <template v-else-if="details.kind === 'hook' || details.kind === 'head'">
        <UButton v-if="details.own" @click="set({ own: undefined })"> Back to typical measurements </UButton>
        <span v-else class="label">typical of the size; put in your own from calipers</span>
        <p v-if="details.kind === 'head'" class="label">{{ FAMILIES[details.family].advice }}</p>
      </template>
      <BoxPhoto :item="item" />
      <label class="notes label"
        >notes<UTextarea
          class="w-full"
          :model-value="item.notes"
          :rows="2"
          maxlength="500"
          @change="setNotes"
        />
      </label>
    </div>
    <BoxFits v-if="details.kind === 'bait'" :bait="details" />
  </aside>
</template>

<style scoped>
.panel {
  width: 380px;
  flex: none;
  overflow-y: auto;
  border-left: var(--line-weight) solid var(--ink);
  padding: 8px 12px;
  background: var(--raised);
}
header {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  align-items: start;
}
h2 {
  font-size: 18px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
.close {
  width: 28px;
  height: 28px;
  flex: none;
  display: grid;
  place-items: center;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  margin: 8px 0 12px;
  align-items: center;
}
.fields > p {
  flex-basis: 100%;
}
.warn {
  display: flex;
  gap: 6px;
  font-size: 14px;
  color: var(--shell);
}
.notes {
  flex-basis: 100%;
  display: grid;
  gap: 2px;
}
@media (max-width: 899px) {
  .panel {
    width: auto;
    border-left: 0;
    border-top: var(--line-weight) solid var(--ink);
  }
}
</style>
