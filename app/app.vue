<script setup lang="ts">
import { NuxtPage, UApp } from '#components'
import { useHead, useNuxtApp, useToast } from '#imports'
import { watch } from 'vue'
import { useSettings } from '~/ui/settings'
const settings = useSettings()
useHead({ htmlAttrs: { 'data-theme': () => settings.theme } })

/** A newer build is offered and never forced on anyone in the middle of something. */
const { $pwa } = useNuxtApp()
const toast = useToast()
watch(
  () => $pwa?.needRefresh,
  ready => {
    if (!ready) return
    toast.add({
      id: 'newer',
      title: 'A newer Dunecrest is ready.',
      description: 'What is on the sheet stays as it is.',
      duration: 0,
      actions: [{ label: 'Load it', onClick: () => void $pwa?.updateServiceWorker() }],
    })
  },
  { immediate: true },
)
</script>

<template>
  <UApp :toaster="{ position: 'bottom-right' }">
    <NuxtPage />
  </UApp>
</template>
