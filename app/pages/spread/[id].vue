<script setup lang="ts">
const route = useRoute('spread-id')
</script>

<template>
  <SpreadSheet :id="String(route.params.id)" />
</template>
