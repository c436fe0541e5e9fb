<script setup lang="ts">
import { useRoute } from '#imports'
import PickSheet from '~/features/pick/PickSheet.vue'
const route = useRoute('pick-id')
</script>

<template>
  <PickSheet :id="String(route.params.id)" />
</template>
