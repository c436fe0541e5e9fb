<script setup lang="ts">
import RodsSheet from '~/features/rods/RodsSheet.vue'
</script>

<template>
  <RodsSheet :id="undefined" />
</template>
