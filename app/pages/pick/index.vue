<script setup lang="ts">
import PickSheet from '~/features/pick/PickSheet.vue'
</script>

<template>
  <PickSheet :id="undefined" />
</template>
