<script setup lang="ts">
import { UButton } from '#components'
import { computed, defineAsyncComponent, ref } from 'vue'
import type { Leader, LineKind, RigSpec } from '#core'

/** Opens how a rig is tied: what is threaded, and the knots it asks for. */
const TyingDialog = defineAsyncComponent(() => import('./TyingDialog.vue'))
const props = defineProps<{
  rig: RigSpec
  leader?: Leader | undefined
  line: LineKind
  ratedN: number
}>()
const open = ref<boolean>()
const ahead = computed(() =>
  props.leader && props.leader.material !== 'none'
    ? { lengthM: props.leader.lengthM, wire: props.leader.material === 'wire' }
    : undefined,
)
</script>

<template>
  <UButton class="no-print" @click="open = true">How to tie it</UButton>
  <TyingDialog
    v-if="open !== undefined"
    v-model:open="open"
    :rig="rig"
    :leader="ahead"
    :line="line"
    :rated-n="ratedN"
  />
</template>
