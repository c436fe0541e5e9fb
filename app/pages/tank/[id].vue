<script setup lang="ts">
import { useRoute } from '#imports'
import TankSheet from '~/features/tank/TankSheet.vue'
const route = useRoute('tank-id')
</script>

<template>
  <TankSheet :id="String(route.params.id)" />
</template>
