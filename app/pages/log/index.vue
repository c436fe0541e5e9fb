<script setup lang="ts">
import LogSheet from '~/features/log/LogSheet.vue'
</script>

<template>
  <LogSheet :id="undefined" />
</template>
