<script setup lang="ts">
import { UButton, UDropdownMenu } from '#components'
import { computed } from 'vue'
import { useSpread } from '~/sheet/spread'
import ChoiceField from '~/ui/ChoiceField.vue'
import LaneChip from '~/ui/LaneChip.vue'
import type { Lane } from '#schemas/spread'
import { familyItems } from '~/ui/families'
import { moved, newLane, withFamily } from '~/sheet/lanes'

/** A lane's name: letter, way of rigging, and what can be done with the lane. */
const props = defineProps<{ lane: Lane; index: number }>()
const spread = useSpread()
const lanes = computed(() => spread.content.lanes)
const families = computed(() => familyItems(lanes.value.length > 3))

function duplicate(): void {
  spread.edit(draft => {
    const lane = newLane(draft, props.lane.family)
    if (lane) draft.lanes.splice(props.index + 1, 0, { ...props.lane, letter: lane.letter })
  })
}
const move = (by: 1 | -1): void =>
  spread.edit(draft => void (draft.lanes = moved(draft.lanes, props.index, props.index + by)))
const remove = (): void => spread.edit(draft => void draft.lanes.splice(props.index, 1))

const menu = computed(() => [
  { label: 'Duplicate', icon: 'i-lucide-copy', disabled: lanes.value.length >= 5, onSelect: duplicate },
  { label: 'Move left', icon: 'i-lucide-arrow-left', disabled: props.index === 0, onSelect: () => move(-1) },
  {
    label: 'Move right',
    icon: 'i-lucide-arrow-right',
    disabled: props.index === lanes.value.length - 1,
    onSelect: () => move(1),
  },
  { label: 'Remove', icon: 'i-lucide-trash-2', disabled: lanes.value.length <= 1, onSelect: remove },
])
</script>

<template>
  <header class="head">
    <span class="grip" title="Drag to reorder"><LaneChip :letter="lane.letter" /></span>
    <ChoiceField
      class="family"
      label="Way of rigging"
      hide-label
      :model-value="lane.family"
      :items="families"
      @update:model-value="value => spread.editLane(lane.letter, l => withFamily(l, value))"
    />
    <UDropdownMenu :items="menu">
      <UButton
        icon="i-lucide-ellipsis-vertical"
        variant="ghost"
        class="more"
        :aria-label="`What to do with rig ${lane.letter}`"
      />
    </UDropdownMenu>
  </header>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 4px 6px 3px 10px;
  border-top: 3px solid var(--lane);
}
.grip {
  cursor: grab;
  touch-action: none;
}
.family {
  flex: 1;
  min-width: 0;
}
.family :deep(button.choice) {
  width: 100%;
  background: transparent;
  border-bottom-color: transparent;
  font-weight: 600;
  font-size: 14.5px;
  padding-left: 2px;
}
.family :deep(button.choice:hover) {
  border-bottom-color: var(--hair-strong);
}
.more {
  width: 26px;
  height: 26px;
  display: grid;
  place-items: center;
  font-size: 16px;
  border-radius: 2px;
}
.more:hover {
  background: var(--ink);
  color: var(--paper);
}
@media (max-width: 639px) {
  .more {
    width: 44px;
    height: 44px;
  }
}
</style>
