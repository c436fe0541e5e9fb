<script setup lang="ts">
import { useRoute } from '#imports'
import RodsSheet from '~/features/rods/RodsSheet.vue'
const route = useRoute('rods-id')
</script>

<template>
  <RodsSheet :id="String(route.params.id)" />
</template>
