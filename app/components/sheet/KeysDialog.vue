<script setup lang="ts">
import type { KeyCommand } from '~/composables/useKeys'

const open = defineModel<boolean>('open', { required: true })
defineProps<{ keys: readonly KeyCommand[] }>()
</script>

<template>
  <UModal v-model:open="open" title="Keys">
    <template #body>
      <dl>
        <template v-for="key in keys" :key="key.keys">
          <dt class="figure">{{ key.keys }}</dt>
          <dd>{{ key.says }}</dd>
        </template>
      </dl>
    </template>
  </UModal>
</template>

<style scoped>
dl { display: grid; grid-template-columns: max-content 1fr; gap: 6px 18px; font-size: 15px; }
dt { font-weight: 600; }
</style>
