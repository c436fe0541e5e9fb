<script setup lang="ts">
import { UButton } from '#components'

/** The key that plays what moves, and stops it. */
defineProps<{
  playing: boolean
  /** what it does, while still and while playing */ play: string
  stop: string
  disabled?: boolean
}>()
defineEmits<{ press: [] }>()
</script>

<template>
  <UButton
    :icon="playing ? 'i-lucide-pause' : 'i-lucide-play'"
    variant="ghost"
    class="play"
    :aria-label="playing ? stop : play"
    :disabled="disabled"
    @click="$emit('press')"
  />
</template>

<style scoped>
.play {
  flex: none;
  width: 34px;
  height: 34px;
  display: grid;
  place-items: center;
  background: var(--ink);
  color: var(--paper);
  border-radius: 2px;
  font-size: 18px;
}
.play:disabled {
  opacity: 0.4;
}
</style>
