<script setup lang="ts">
import { UButton, UCollapsible, UIcon } from '#components'

/** What is seen when it is asked for, under a line that says what it is. */
const open = defineModel<boolean>('open', { default: false })
</script>

<template>
  <UCollapsible v-model:open="open">
    <UButton variant="link" class="fold">
      <slot name="head" /><UIcon name="i-lucide-chevron-down" class="sign" :class="{ open }" />
    </UButton>
    <template #content><slot /></template>
  </UCollapsible>
</template>

<style scoped>
.fold {
  font: inherit;
  color: inherit;
  text-align: left;
  text-decoration: none;
}
.sign.open {
  transform: rotate(180deg);
}
</style>
