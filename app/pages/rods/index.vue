<script setup lang="ts">
import RodsSheet from '~/components/rods/RodsSheet.vue'
</script>

<template>
  <RodsSheet :id="undefined" />
</template>
