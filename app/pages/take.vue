<script setup lang="ts">
import TakeSheet from '~/features/take/TakeSheet.vue'
</script>

<template>
  <TakeSheet />
</template>
