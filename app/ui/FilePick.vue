<script setup lang="ts">
import { UButton, UFileUpload } from '#components'
import { nextTick, ref } from 'vue'

/** A key that asks for a file. The same file can be chosen again. */
defineProps<{
  /** what is asked for, told to those who cannot see the key */ label: string
  text: string
  accept: string
  icon?: string
  disabled?: boolean
}>()
const emit = defineEmits<{ file: [file: File] }>()
const chosen = ref<File | null>(null)

async function take(file: File | null | undefined): Promise<void> {
  if (!file) return
  chosen.value = file
  emit('file', file)
  await nextTick()
  chosen.value = null
}
</script>

<template>
  <UFileUpload
    v-slot="{ open }"
    class="inline-flex"
    :model-value="chosen"
    :accept="accept"
    :aria-label="label"
    :disabled="disabled"
    :dropzone="false"
    @update:model-value="take"
  >
    <UButton :icon="icon" :disabled="disabled" @click="open()">{{ text }}</UButton>
  </UFileUpload>
</template>
