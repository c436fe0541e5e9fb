<script setup lang="ts">
import StrikeSheet from '~/features/strike/StrikeSheet.vue'
</script>

<template>
  <StrikeSheet :id="undefined" />
</template>
