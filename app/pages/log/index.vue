<script setup lang="ts">
import LogSheet from '~/components/log/LogSheet.vue'
</script>

<template>
  <LogSheet :id="undefined" />
</template>
