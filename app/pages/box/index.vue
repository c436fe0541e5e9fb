<script setup lang="ts">
import BoxSheet from '~/components/box/BoxSheet.vue'
</script>

<template>
  <BoxSheet :id="undefined" />
</template>
