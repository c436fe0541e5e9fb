<script setup lang="ts">
import { UButton } from '#components'
import { computed, defineAsyncComponent, ref } from 'vue'
import { shownFrom } from '~/sync/copies'
import { useOutbox } from '~/sync/outboxStore'

/** Where what one changes is: on this device, on its way, on the server; and what waits for a person. */
const outbox = useOutbox()
const SyncDialog = defineAsyncComponent(() => import('./SyncDialog.vue'))
const open = ref(false)
const asked = ref(false)
const here = computed(() => outbox.left + outbox.changes + outbox.unkept.length)
const state = computed(() => {
  // nothing is said to be on the server before this device was looked through
  if (!outbox.loaded) return { icon: 'i-lucide-cloud', text: 'looking', kind: 'looks' }
  const choose = outbox.unsettled.length + outbox.aside.length
  if (choose > 0) return { icon: 'i-lucide-cloud-alert', text: `${choose} to settle`, kind: 'bad' }
  if (here.value > 0)
    return { icon: 'i-lucide-cloud-upload', text: `${here.value} on this device`, kind: 'waits' }
  if (shownFrom.value !== undefined)
    return { icon: 'i-lucide-cloud-off', text: 'from this device', kind: 'copy' }
  return { icon: 'i-lucide-cloud-check', text: 'all on the server', kind: 'all' }
})
const telling = computed(() => !['all', 'looks'].includes(state.value.kind))
function show(): void {
  asked.value = true
  open.value = true
}
</script>

<template>
  <span class="sync" :class="state.kind">
    <UButton
      :icon="state.icon"
      variant="ghost"
      :aria-label="`Kept: ${state.text}`"
      :title="state.text"
      @click="show()"
      ><span v-if="telling" class="words">{{ state.text }}</span></UButton
    >
    <span class="visually-hidden" role="status">{{ telling ? state.text : '' }}</span>
    <SyncDialog v-if="asked" v-model:open="open" />
  </span>
</template>

<style scoped>
.sync {
  display: inline-flex;
  white-space: nowrap;
}
.words {
  font-size: 14px;
}
.bad :deep(button) {
  color: var(--wrack);
  font-weight: 600;
}
.waits :deep(button) {
  color: var(--shell);
}
.sync :deep(button) {
  min-width: 30px;
  min-height: 30px;
  justify-content: center;
}
@media (max-width: 639px) {
  .sync :deep(button) {
    min-width: 44px;
    min-height: 44px;
  }
  .words {
    display: none;
  }
}
</style>
