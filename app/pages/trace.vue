<script setup lang="ts">
import TraceSheet from '~/features/trace/TraceSheet.vue'
</script>

<template>
  <TraceSheet />
</template>
