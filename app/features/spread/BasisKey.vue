<script setup lang="ts">
import { UButton } from '#components'
const emit = defineEmits<{ cautions: [] }>()
</script>

<template>
  <p class="label key">
    <span>◇ computed, ◆ moved by your drops, ▤ by your log</span>
    <span
      ><svg width="34" height="10" aria-hidden="true">
        <g stroke="currentColor" stroke-width="1.5">
          <line x1="2" x2="32" y1="5" y2="5" />
          <line x1="2" x2="2" y1="2" y2="8" />
          <line x1="32" x2="32" y1="2" y2="8" />
          <line x1="14" x2="14" y1="0" y2="10" stroke-width="4" />
        </g>
      </svg>
      value in its range</span
    >
    <UButton variant="ghost" @click="emit('cautions')">Cautions: hooks, lead, water</UButton>
  </p>
</template>

<style scoped>
.key {
  display: grid;
  gap: 2px;
  white-space: nowrap;
}
.key span {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
button {
  justify-content: flex-start;
  text-align: left;
  text-decoration: underline;
  text-underline-offset: 3px;
}
</style>
