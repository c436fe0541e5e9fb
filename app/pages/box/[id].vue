<script setup lang="ts">
import { useRoute } from '#imports'
import BoxSheet from '~/features/box/BoxSheet.vue'
const route = useRoute('box-id')
</script>

<template>
  <BoxSheet :id="String(route.params.id)" />
</template>
