<script setup lang="ts">
import BenchSheet from '~/components/bench/BenchSheet.vue'
</script>

<template>
  <BenchSheet :id="undefined" />
</template>
