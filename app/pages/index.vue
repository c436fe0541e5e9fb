<script setup lang="ts">
import SpreadSheet from '~/features/spread/SpreadSheet.vue'
</script>

<template>
  <SpreadSheet :id="undefined" />
</template>
