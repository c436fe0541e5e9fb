<script setup lang="ts">
import CoverSheet from '~/components/cover/CoverSheet.vue'
</script>

<template>
  <CoverSheet :id="undefined" />
</template>
