<script setup lang="ts">
import StrikeSheet from '~/components/strike/StrikeSheet.vue'
</script>

<template>
  <StrikeSheet :id="undefined" />
</template>
