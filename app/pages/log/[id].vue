<script setup lang="ts">
import { useRoute } from '#imports'
import LogSheet from '~/features/log/LogSheet.vue'
const route = useRoute('log-id')
</script>

<template>
  <LogSheet :id="String(route.params.id)" />
</template>
