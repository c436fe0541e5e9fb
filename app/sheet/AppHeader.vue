<script setup lang="ts">
import { NuxtLink, UButton, UDropdownMenu, UInput } from '#components'
import { computed, ref } from 'vue'
import { useSpread } from './spread'
import ChoiceField from '~/ui/ChoiceField.vue'
import SyncState from './SyncState.vue'
import { asLine, nameProblem } from '#schemas/names'
import { THEMES, useSettings } from '~/ui/settings'
import { VIEW_NAMES, viewPath, VIEWS, type SheetView, type Steps } from './useSheetCommands'
import { UNIT_SYSTEMS } from '#words/units'

/** Name of the sheet, keeping it, undo, units, theme, help. */
const props = defineProps<{ saving: boolean; view: SheetView; steps: Steps }>()
const emit = defineEmits<{
  save: []
  rename: [name: string]
  spreads: []
  fresh: []
  palette: []
  keys: []
  words: []
  discard: []
}>()
const spread = useSpread()
const settings = useSettings()
const nameError = ref<string>()
const units = UNIT_SYSTEMS.map(value => ({ value, label: value }))
const themes = THEMES.map(value => ({ value, label: value }))
const state = computed(() => (!spread.saved ? 'not saved yet' : spread.changed ? 'unsaved changes' : 'saved'))

/** On a phone all but the name and keeping it stands behind one key. */
const phoneMenu = computed(() => [
  [
    {
      label: 'Undo',
      icon: 'i-lucide-undo-2',
      disabled: !props.steps.canUndo,
      onSelect: () => props.steps.undo(),
    },
    {
      label: 'Redo',
      icon: 'i-lucide-redo-2',
      disabled: !props.steps.canRedo,
      onSelect: () => props.steps.redo(),
    },
  ],
  [
    { label: 'Saved spreads', icon: 'i-lucide-folder-open', onSelect: () => emit('spreads') },
    { label: 'A new spread', icon: 'i-lucide-file-plus', onSelect: () => emit('fresh') },
    ...(spread.saved && spread.changed
      ? [{ label: 'Discard the changes', icon: 'i-lucide-rotate-ccw', onSelect: () => emit('discard') }]
      : []),
    { label: 'Find a command', icon: 'i-lucide-search', onSelect: () => emit('palette') },
    { label: 'Words used here', icon: 'i-lucide-book-open', onSelect: () => emit('words') },
  ],
  UNIT_SYSTEMS.map(system => ({
    label: `units: ${system}`,
    type: 'checkbox' as const,
    checked: settings.system === system,
    onSelect: () => void (settings.system = system),
  })),
  THEMES.map(theme => ({
    label: `theme: ${theme}`,
    type: 'checkbox' as const,
    checked: settings.theme === theme,
    onSelect: () => void (settings.theme = theme),
  })),
])

function takeName(event: Event): void {
  const input = event.target as HTMLInputElement
  const name = asLine(input.value)
  nameError.value = nameProblem(name)
  if (nameError.value === undefined) emit('rename', name)
}
</script>

<template>
  <header class="bar no-print">
    <h1 class="mark figure">Dunecrest</h1>
    <nav class="views" aria-label="Views">
      <NuxtLink
        v-for="one in VIEWS"
        :key="one"
        :to="viewPath(one, spread.saved?.id)"
        :aria-current="one === view ? 'page' : undefined"
        >{{ VIEW_NAMES[one] }}</NuxtLink
      >
    </nav>
    <span class="name">
      <UInput
        class="w-full"
        variant="ghost"
        :ui="{ base: 'figure' }"
        :model-value="spread.name"
        aria-label="Name of this spread"
        maxlength="100"
        :aria-invalid="nameError ? 'true' : 'false'"
        aria-describedby="name-error"
        @change="takeName"
      />
      <span v-if="nameError" id="name-error" class="error" role="alert">{{ nameError }}</span>
    </span>
    <span class="label state" role="status">{{ state }}</span>
    <SyncState />
    <UButton
      class="save"
      icon="i-lucide-save"
      variant="solid"
      :disabled="saving || !spread.changed"
      @click="emit('save')"
      >Save</UButton
    >
    <UButton
      v-if="spread.saved && spread.changed"
      icon="i-lucide-rotate-ccw"
      aria-label="Discard"
      title="Discard the changes"
      @click="emit('discard')"
      ><span class="text">Discard</span></UButton
    >
    <UButton icon="i-lucide-folder-open" aria-label="Spreads" title="Saved spreads" @click="emit('spreads')"
      ><span class="text">Spreads</span></UButton
    >
    <UButton icon="i-lucide-file-plus" aria-label="New" title="A new spread" @click="emit('fresh')"
      ><span class="text">New</span></UButton
    >
    <span class="pair">
      <UButton icon="i-lucide-undo-2" aria-label="Undo" :disabled="!steps.canUndo" @click="steps.undo()" />
      <UButton icon="i-lucide-redo-2" aria-label="Redo" :disabled="!steps.canRedo" @click="steps.redo()" />
    </span>
    <span class="gap" />
    <ChoiceField
      label="units"
      :model-value="settings.system"
      :items="units"
      @update:model-value="value => (settings.system = value)"
    />
    <ChoiceField
      label="theme"
      :model-value="settings.theme"
      :items="themes"
      @update:model-value="value => (settings.theme = value)"
    />
    <UButton
      icon="i-lucide-search"
      aria-label="Find a command"
      title="Find a command ( / )"
      @click="emit('palette')"
    />
    <UButton icon="i-lucide-keyboard" aria-label="Show the keys" title="Keys ( ? )" @click="emit('keys')" />
    <UDropdownMenu :items="phoneMenu">
      <UButton class="phone" icon="i-lucide-ellipsis-vertical" aria-label="More" />
    </UDropdownMenu>
  </header>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 5px 12px;
  border-bottom: var(--line-weight) solid var(--hair-strong);
  flex-wrap: wrap;
}
.mark {
  font-size: 20px;
  font-weight: 700;
  font-stretch: 80%;
  letter-spacing: 0.01em;
  margin-right: 8px;
}
.views {
  display: inline-flex;
  gap: 2px;
  margin-right: 8px;
}
.views a {
  padding: 3px 7px;
  font-size: 15px;
  border-bottom: 3px solid transparent;
}
.views a:hover {
  border-bottom-color: var(--hair-strong);
}
.views a[aria-current] {
  border-bottom-color: var(--float);
  font-weight: 600;
}
.name {
  position: relative;
  flex: 0 1 190px;
  min-width: 110px;
}
.error {
  position: absolute;
  top: 30px;
  left: 0;
  z-index: 30;
  padding: 4px 8px;
  background: var(--wrack);
  color: var(--paper);
  font-size: 13px;
  border-radius: 2px;
  white-space: nowrap;
}
.state {
  min-width: 84px;
  white-space: nowrap;
}
@media (max-width: 1439px) {
  .text {
    display: none;
  }
  .bar {
    gap: 5px;
  }
  .mark {
    margin-right: 0;
    font-size: 18px;
  }
  .views {
    margin-right: 0;
    gap: 0;
  }
  .views a {
    padding-inline: 5px;
  }
  .name {
    flex-basis: 110px;
    min-width: 90px;
  }
  .state {
    min-width: 0;
  }
}
.pair {
  display: inline-flex;
  gap: 3px;
}
.gap {
  flex: 1;
}
.phone {
  display: none;
}
@media (max-width: 639px) {
  .bar {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto auto auto;
    gap: 6px;
  }
  .bar > :not(.mark, .name, .sync, .save, .phone, .views) {
    display: none;
  }
  /* within the thumb's reach, all of them at once */
  .views {
    position: fixed;
    inset: auto 0 0;
    z-index: 40;
    display: flex;
    padding: 0 2px env(safe-area-inset-bottom);
    background: var(--paper);
    border-top: var(--line-weight) solid var(--ink);
  }
  .views a {
    flex: 1 1 auto;
    padding: 12px 3px;
    text-align: center;
    font: 14px/20px var(--font-figure);
    font-stretch: 75%;
    border-block: 3px solid transparent;
  }
  .views a[aria-current] {
    border-top-color: var(--float);
    border-bottom-color: transparent;
  }
  .phone {
    display: inline-flex;
  }
}
</style>
