<script setup lang="ts">
defineProps<{ id: string | undefined }>()
</script>

<template>
  <SheetFrame :id="id" view="rods"><p class="label">…</p></SheetFrame>
</template>
