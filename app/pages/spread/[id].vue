<script setup lang="ts">
const route = useRoute('spread-id')
</script>

<template>
  <SpreadSheet :id="route.params.id" />
</template>
