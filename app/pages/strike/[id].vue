<script setup lang="ts">
const route = useRoute('strike-id')
</script>

<template>
  <StrikeSheet :id="String(route.params.id)" />
</template>
