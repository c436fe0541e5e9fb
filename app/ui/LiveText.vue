<script setup lang="ts">
/**
 * A figure that changes with every frame: it is read here, so that what stands around it is not drawn anew with it.
 */
defineProps<{ of: () => string }>()
</script>

<template>{{ of() }}</template>
