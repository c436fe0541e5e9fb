<script setup lang="ts">
import { useRoute } from '#imports'
import CoverSheet from '~/features/cover/CoverSheet.vue'
const route = useRoute('cover-id')
</script>

<template>
  <CoverSheet :id="String(route.params.id)" />
</template>
