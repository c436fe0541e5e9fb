<script setup lang="ts">
import { UModal } from '#components'
import { computed } from 'vue'
import SheetTable, { type SheetColumn } from '../SheetTable.vue'

/** What stands behind a chart, in figures. */
type Row = readonly (string | number)[]
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ title: string; head: readonly string[]; rows: readonly Row[] }>()
const columns = computed(() =>
  props.head.map((label, k): SheetColumn<{ readonly row: Row; readonly at: number }> => ({
    id: `c${k}`,
    label,
    words: typeof props.rows[0]?.[k] !== 'number',
  })),
)
</script>

<template>
  <UModal v-model:open="open" :title="title">
    <template #body>
      <SheetTable
        :columns="columns"
        :rows="rows.map((row, at) => ({ row, at }))"
        :key-of="({ at }) => String(at)"
      >
        <template v-for="(h, k) in head" :key="h" #[`c${k}`]="{ row: { row } }">{{ row[k] }}</template>
      </SheetTable>
    </template>
  </UModal>
</template>
