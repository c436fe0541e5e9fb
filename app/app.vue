<script setup lang="ts">
import { NuxtPage, UApp } from '#components'
import { onNuxtReady, useHead, useToast } from '#imports'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { changesLoaded } from '~/sync/changes'
import { waitingEntries } from '~/sync/outbox'
import { useSettings } from '~/ui/settings'
// what this device keeps is opened while the view is on its way
void changesLoaded()
void waitingEntries().catch(() => undefined)
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

/** What is taken along is looked over so often, ms. */
const AGAIN_MS = 10 * 60_000
/** A device on which the application stands has a copy of all that it needs; without a server nothing is missed. */
async function takeData(): Promise<void> {
  if (!navigator.serviceWorker?.controller || !navigator.onLine) return
  const { takeAlong, takenAlongAt } = await import('~/sync/deviceCopy')
  const first = takenAlongAt.value === 0
  try {
    await takeAlong()
  } catch {
    // the server went away meanwhile: what is here stays, and it is tried again
    return
  }
  if (first)
    toast.add({
      title: 'Everything is kept on this device.',
      description: 'From now on it needs no connection.',
      duration: 8000,
    })
}
onNuxtReady(() => setTimeout(() => void takeData(), 2 * LATER_MS))
/** What searches need of the box is worked out while nobody does anything here. */
onNuxtReady(() =>
  setTimeout(
    () => void import('~/sheet/readyBox').then(({ readyBoxWhenIdle }) => readyBoxWhenIdle()),
    LATER_MS,
  ),
)
useIntervalFn(() => void takeData(), AGAIN_MS)
useEventListener('online', () => void takeData())
</script>

<template>
  <UApp :toaster="{ position: 'bottom-right' }">
    <NuxtPage />
  </UApp>
</template>
