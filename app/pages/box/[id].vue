<script setup lang="ts">
const route = useRoute('box-id')
</script>

<template>
  <BoxSheet :id="String(route.params.id)" />
</template>
