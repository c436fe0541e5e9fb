<script setup lang="ts">
const settings = useSettings()
useHead({ htmlAttrs: { 'data-theme': () => settings.theme } })
</script>

<template>
  <UApp :toaster="{ position: 'bottom-right' }">
    <NuxtPage />
  </UApp>
</template>
