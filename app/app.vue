<script setup lang="ts">
import { NuxtPage, UApp } from '#components'
import { onNuxtReady, useHead, useToast } from '#imports'
import { useSettings } from '~/ui/settings'
const settings = useSettings()
useHead({ htmlAttrs: { 'data-theme': () => settings.theme } })

/** Keeping the application on the device begins so long after the page stands, ms. */
const LATER_MS = 3000
const toast = useToast()
/** A newer build is offered and never forced on anyone in the middle of something. */
async function keepOnDevice(): Promise<void> {
  const { registerSW } = await import('virtual:pwa-register')
  const load = registerSW({
    immediate: true,
    onNeedRefresh: () =>
      void toast.add({
        id: 'newer',
        title: 'A newer Dunecrest is ready.',
        description: 'What is on the sheet stays as it is.',
        duration: 0,
        actions: [{ label: 'Load it', onClick: () => void loadNewer(load) }],
      }),
  })
}
/** A page that is not served from the device yet, as on the first visit, is not told that the newer one has come. */
async function loadNewer(load: (reload: boolean) => Promise<void>): Promise<void> {
  await load(true)
  if (!navigator.serviceWorker.controller) location.reload()
}
onNuxtReady(() => setTimeout(() => void keepOnDevice(), LATER_MS))
</script>

<template>
  <UApp :toaster="{ position: 'bottom-right' }">
    <NuxtPage />
  </UApp>
</template>
