<script setup lang="ts">
import PickSheet from '~/components/pick/PickSheet.vue'
</script>

<template>
  <PickSheet :id="undefined" />
</template>
