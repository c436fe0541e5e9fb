<script setup lang="ts">
import CoverSheet from '~/features/cover/CoverSheet.vue'
</script>

<template>
  <CoverSheet :id="undefined" />
</template>
