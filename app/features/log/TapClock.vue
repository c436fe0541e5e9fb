<script setup lang="ts">
import { UButton } from '#components'
import { onKeyStroke, useIntervalFn } from '@vueuse/core'
import { ref } from 'vue'
/**
 * One big button: tap at the first moment, tap at the second; the time between is told. The space bar does
 * the same.
 */
const props = defineProps<{
  first: string
  second: string
  hint: string
  busy?: boolean
  /** takes the space bar */ listens?: boolean
}>()
const emit = defineEmits<{ timed: [seconds: number]; begun: [] }>()
const started = ref<number>()
const now = ref(0)
useIntervalFn(() => {
  if (started.value !== undefined) now.value = performance.now()
}, 50)
function tap(): void {
  if (props.busy) return
  if (started.value === undefined) {
    now.value = started.value = performance.now()
    return emit('begun')
  }
  const seconds = (performance.now() - started.value) / 1000
  started.value = undefined
  emit('timed', seconds)
}
onKeyStroke(' ', event => {
  if (
    !props.listens ||
    (event.target as HTMLElement).closest('input, button, select, textarea, [role=combobox]')
  )
    return
  event.preventDefault()
  tap()
})
</script>

<template>
  <UButton
    variant="ghost"
    class="tap"
    :class="{ falling: started !== undefined }"
    :disabled="busy"
    @click="tap()"
  >
    {{ started === undefined ? first : second }}
    <b v-if="started !== undefined" class="figure">{{ ((now - started) / 1000).toFixed(1) }} s</b
    ><small v-else>{{ hint }}</small>
  </UButton>
</template>

<style scoped>
.tap {
  width: 100%;
  min-height: 92px;
  border: 2px solid var(--ink);
  border-radius: 2px;
  font-size: 28px;
  font-weight: 600;
  display: grid;
  place-content: center;
  justify-items: center;
  background: var(--raised);
  touch-action: manipulation;
}
.tap small {
  font-size: 13px;
  font-weight: 400;
  color: var(--ink-soft);
}
.tap b {
  font-size: 34px;
}
.falling {
  background: var(--float);
  color: var(--float-ink);
  border-color: var(--float);
}
</style>
