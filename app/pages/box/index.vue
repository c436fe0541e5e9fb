<script setup lang="ts">
import BoxSheet from '~/features/box/BoxSheet.vue'
</script>

<template>
  <BoxSheet :id="undefined" />
</template>
