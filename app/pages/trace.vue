<script setup lang="ts">
import TraceSheet from '~/components/trace/TraceSheet.vue'
</script>

<template>
  <TraceSheet />
</template>
