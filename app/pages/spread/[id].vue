<script setup lang="ts">
import { useRoute } from '#imports'
import SpreadSheet from '~/features/spread/SpreadSheet.vue'
const route = useRoute('spread-id')
</script>

<template>
  <SpreadSheet :id="String(route.params.id)" />
</template>
