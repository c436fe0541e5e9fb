<script setup lang="ts">
import { NuxtPage, UApp } from '#components'
import { useHead } from '#imports'
import { useSettings } from '~/ui/settings'
const settings = useSettings()
useHead({ htmlAttrs: { 'data-theme': () => settings.theme } })
</script>

<template>
  <UApp :toaster="{ position: 'bottom-right' }">
    <NuxtPage />
  </UApp>
</template>
