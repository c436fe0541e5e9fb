<script setup lang="ts">
import { UButton, UFormField, UInput, UTextarea } from '#components'
import { computed, ref } from 'vue'
import type { SessionRow } from '#schemas/log'
import { useSettings } from '~/ui/settings'
import { historyOf } from '#words/logWords'
import type { useSession } from './useSession'
import CheckField from '~/ui/CheckField.vue'

/** A session opened: where it was, what was noted, what was tapped; its places and notes can be put right. */
const props = defineProps<{ row: SessionRow; session: ReturnType<typeof useSession> }>()
const emit = defineEmits<{ leaveOut: [excluded: boolean] }>()
const settings = useSettings()
const MOST = { place: 160, note: 500 } as const
const draft = ref('')
const time = (iso: string): string =>
  new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
const lines = computed(() => historyOf(props.session.entries.value, settings.system))
/** the place whose field was emptied */
const nameless = ref<string>()

const textOf = (event: Event): string => (event.target as HTMLInputElement).value.trim()
function rename(place: (typeof props.session.places.value)[number], event: Event): void {
  const name = textOf(event)
  nameless.value = name === '' ? place.name : undefined
  if (name === '') (event.target as HTMLInputElement).value = place.name
  else if (name !== place.name) void props.session.rename(place.entries, name)
}
function rewrite(note: (typeof props.session.notes.value)[number], event: Event): void {
  const text = textOf(event)
  if (text !== note.data?.text) void props.session.rewrite(note, text)
}
async function write(): Promise<void> {
  const text = draft.value.trim()
  if (text === '') return
  draft.value = ''
  await props.session.write(text)
}
</script>

<template>
  <div class="details">
    <p v-if="session.error.value" class="bad" role="alert">{{ session.error.value }}</p>
    <CheckField
      v-if="(row.counts.cast ?? 0) > 0"
      :model-value="!row.excluded"
      label="counts for the tally"
      @update:model-value="emit('leaveOut', !$event)"
    />
    <UFormField
      v-for="(place, i) in session.places.value"
      :key="place.name"
      :label="session.places.value.length > 1 ? `place ${i + 1}` : 'place'"
      :error="nameless === place.name ? 'A place needs a name.' : false"
    >
      <UInput
        :model-value="place.name"
        :maxlength="MOST.place"
        class="w-full"
        data-own
        @change="rename(place, $event)"
      />
    </UFormField>
    <UFormField
      v-for="note in session.notes.value"
      :key="note.id"
      :label="`note, ${time(note.at)}`"
      help="Emptied, it is taken out."
    >
      <UTextarea
        :model-value="note.data?.text ?? ''"
        :maxlength="MOST.note"
        :rows="2"
        autoresize
        class="w-full"
        data-own
        @change="rewrite(note, $event)"
      />
    </UFormField>
    <UFormField label="another note">
      <div class="another">
        <UInput v-model="draft" :maxlength="MOST.note" class="w-full" @keydown.enter="write()" />
        <UButton :disabled="draft.trim() === ''" @click="write()">Add</UButton>
      </div>
    </UFormField>
    <ol tabindex="0" aria-label="What was tapped">
      <li v-for="{ entry, text } in lines" :key="entry.id">
        <span class="figure">{{ time(entry.at) }}</span> <span data-own>{{ text }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.details {
  display: grid;
  gap: 8px;
  padding: 4px 0 10px 10px;
  border-left: 4px solid var(--hair-strong);
}
.details :deep(.form-field) {
  display: grid;
  gap: 2px;
}
.another {
  display: flex;
  gap: 8px;
}
ol {
  font-size: 14px;
  max-height: 220px;
  overflow: auto;
}
ol .figure {
  color: var(--ink-soft);
  margin-right: 6px;
}
.bad {
  color: var(--wrack);
}
</style>
