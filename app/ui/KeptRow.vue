<script setup lang="ts">
import { UButton } from '#components'

/** One thing of a list that is kept: its name, what can be done with it, and the whole of it when it is opened. */
const open = defineModel<boolean>('open', { required: true })
defineProps<{ name: string; more?: string }>()
</script>

<template>
  <li :class="{ on: open }">
    <p class="head">
      <UButton variant="ghost" class="row" :aria-expanded="open" @click="open = !open">
        <b>{{ name }}</b> <small v-if="more">{{ more }}</small>
      </UButton>
      <slot name="act" />
    </p>
    <slot v-if="open" />
  </li>
</template>

<style scoped>
li {
  border-top: 1px solid var(--hair);
}
.on {
  background: var(--paper);
}
.head {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 4px 8px 4px 0;
}
.row {
  flex: 1;
  justify-content: flex-start;
  text-align: left;
  padding: 6px 4px;
  font-size: 15px;
}
small {
  margin-left: 8px;
  font-size: 13px;
  color: var(--ink-soft);
}
</style>
