<script setup lang="ts">
const route = useRoute('cover-id')
</script>

<template>
  <CoverSheet :id="String(route.params.id)" />
</template>
