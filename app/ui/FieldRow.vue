<script setup lang="ts">
import FieldOne from './FieldOne.vue'
import type { Field } from './fields'

/** Fields one after another, as data; they stand in the row that holds them. */
defineProps<{ fields: readonly Field[] }>()
</script>

<template>
  <FieldOne v-for="field in fields" :key="field.label" :field="field" />
</template>
