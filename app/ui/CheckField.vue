<script setup lang="ts">
import { UCheckbox } from '#components'

/**
 * A check box with its words beside it. It carries its name itself: one without looks for its label on the page
 * as it is shown first, for which the whole page is laid out before it stands.
 */
const props = defineProps<{ label: string }>()
const on = defineModel<boolean>()
</script>

<template>
  <UCheckbox
    :model-value="on"
    :label="props.label"
    :aria-label="props.label"
    @update:model-value="value => (on = value === true)"
  />
</template>
