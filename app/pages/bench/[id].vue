<script setup lang="ts">
const route = useRoute('bench-id')
</script>

<template>
  <BenchSheet :id="String(route.params.id)" />
</template>
