<script setup lang="ts">
import BenchSheet from '~/features/bench/BenchSheet.vue'
</script>

<template>
  <BenchSheet :id="undefined" />
</template>
