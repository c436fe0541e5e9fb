<script setup lang="ts">
import { useRoute } from '#imports'
import BenchSheet from '~/features/bench/BenchSheet.vue'
const route = useRoute('bench-id')
</script>

<template>
  <BenchSheet :id="String(route.params.id)" />
</template>
