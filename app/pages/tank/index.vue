<script setup lang="ts">
import TankSheet from '~/features/tank/TankSheet.vue'
</script>

<template>
  <TankSheet :id="undefined" />
</template>
