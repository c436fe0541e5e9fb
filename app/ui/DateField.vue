<script setup lang="ts">
import { UInputDate } from '#components'
import { parseDate, parseDateTime, type CalendarDate, type CalendarDateTime } from '@internationalized/date'
import { computed } from 'vue'

/** A day, or a moment to the second, as the visitor's own region writes it; handed on as ISO 8601 without a zone. */
const value = defineModel<string>({ required: true })
const props = defineProps<{ label: string; timed?: boolean }>()
/** Nothing where what is kept is no date: it is written anew. */
const shown = computed(() => {
  try {
    return props.timed ? parseDateTime(value.value) : parseDate(value.value)
  } catch {
    return undefined
  }
})
const take = (date: CalendarDate | CalendarDateTime | undefined): void => {
  if (date) value.value = date.toString()
}
const region = navigator.language
</script>

<template>
  <span class="date"
    ><span class="label">{{ label }}</span
    ><UInputDate
      :model-value="shown"
      :granularity="timed ? 'second' : 'day'"
      :hour-cycle="24"
      :locale="region"
      :aria-label="label"
      @update:model-value="date => take(date as CalendarDate | undefined)"
  /></span>
</template>

<style scoped>
.date {
  display: inline-flex;
  gap: 6px;
  align-items: baseline;
}
</style>
