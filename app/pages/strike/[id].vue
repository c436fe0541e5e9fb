<script setup lang="ts">
import { useRoute } from '#imports'
import StrikeSheet from '~/features/strike/StrikeSheet.vue'
const route = useRoute('strike-id')
</script>

<template>
  <StrikeSheet :id="String(route.params.id)" />
</template>
