<script setup lang="ts">
const route = useRoute('tank-id')
</script>

<template>
  <TankSheet :id="String(route.params.id)" />
</template>
