<script setup lang="ts">
import { encode } from 'uqr'
import { computed } from 'vue'

/** A square that a phone's camera reads. Dark on light in every theme: cameras want it so. */
const props = defineProps<{ text: string; says: string }>()
/** Clear rim that a reader needs, modules (ISO/IEC 18004). */
const RIM = 4
const code = computed(() => encode(props.text, { border: 0 }))
const path = computed(() =>
  code.value.data
    .flatMap((row, y) => row.map((dark, x) => (dark ? `M${x + RIM} ${y + RIM}h1v1h-1z` : '')))
    .join(''),
)
const box = computed(() => `0 0 ${code.value.size + 2 * RIM} ${code.value.size + 2 * RIM}`)
</script>

<template>
  <svg :viewBox="box" role="img" :aria-label="says" shape-rendering="crispEdges">
    <rect width="100%" height="100%" fill="#fff" />
    <path :d="path" fill="#000" />
  </svg>
</template>
