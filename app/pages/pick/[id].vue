<script setup lang="ts">
const route = useRoute('pick-id')
</script>

<template>
  <PickSheet :id="String(route.params.id)" />
</template>
