<script setup lang="ts">
const route = useRoute('rods-id')
</script>

<template>
  <RodsSheet :id="String(route.params.id)" />
</template>
