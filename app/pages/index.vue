<script setup lang="ts">
import SpreadSheet from '~/components/spread/SpreadSheet.vue'
</script>

<template>
  <SpreadSheet :id="undefined" />
</template>
