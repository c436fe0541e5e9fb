<script setup lang="ts">
import { UCommandPalette, UModal } from '#components'
import { computed } from 'vue'
import type { PaletteEntry } from './useSheetCommands'

const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ entries: readonly PaletteEntry[] }>()
const groups = computed(() => [
  {
    id: 'commands',
    items: props.entries.map(entry => ({
      ...entry,
      onSelect: () => ((open.value = false), entry.onSelect()),
    })),
  },
])
</script>

<template>
  <UModal v-model:open="open" title="Find a command" :ui="{ header: 'sr-only' }">
    <template #content>
      <UCommandPalette
        :groups="groups"
        placeholder="What do you want to do?"
        class="h-96"
        close
        @update:open="value => (open = value)"
      />
    </template>
  </UModal>
</template>
