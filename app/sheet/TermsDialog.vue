<script setup lang="ts">
import { UModal } from '#components'
/** A list of terms and what is said of each. */
const open = defineModel<boolean>('open', { required: true })
defineProps<{ title: string; terms: readonly (readonly [term: string, text: string])[] }>()
</script>

<template>
  <UModal v-model:open="open" :title="title">
    <template #body>
      <dl>
        <template v-for="[term, text] in terms" :key="term">
          <dt class="figure">{{ term }}</dt>
          <dd>{{ text }}</dd>
        </template>
      </dl>
    </template>
  </UModal>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 8px 18px;
  font-size: 15px;
}
dt {
  font-weight: 600;
}
</style>
