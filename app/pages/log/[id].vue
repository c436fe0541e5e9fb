<script setup lang="ts">
const route = useRoute('log-id')
</script>

<template>
  <LogSheet :id="String(route.params.id)" />
</template>
