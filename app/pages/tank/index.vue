<script setup lang="ts">
import TankSheet from '~/components/tank/TankSheet.vue'
</script>

<template>
  <TankSheet :id="undefined" />
</template>
