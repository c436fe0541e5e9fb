<script setup lang="ts">
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import ChoiceField from '~/ui/ChoiceField.vue'
import { choicesOf } from '~/ui/fields'
import LadderStepper from '~/ui/LadderStepper.vue'
import { FAMILIES, HOOK_SIZES, stepWeight, WEIGHT_MATERIALS, type Problem } from '#core'
import type { Lane } from '#schemas/spread'
import { stepHook } from '~/sheet/lanes'
import { weightText } from '#words/units'
import { POINT_WORDS } from '#words/words'
import { problemText } from '#words/problemWords'

/** Hook size and weight on their real ladders, how the point rests, and what the weight is made of. */
const props = defineProps<{ lane: Lane; problems: readonly Problem[] }>()
const spread = useSpread()
const settings = useSettings()
const family = computed(() => FAMILIES[props.lane.family])
const ladder = computed(() => settings.units.ladderKg)
const rests = computed(() => choicesOf(POINT_WORDS, family.value.pointRests))
const materials = choicesOf(WEIGHT_MATERIALS)
function wrong(field: string): string | undefined {
  const problem = props.problems.find(p => p.field.startsWith(field))
  return problem && problemText(problem, settings.system)
}
const edit = (change: Partial<Lane>): void =>
  spread.editLane(props.lane.letter, lane => ({ ...lane, ...change }))
const atEnd = (direction: 1 | -1): boolean =>
  stepWeight(ladder.value, props.lane.weightKg, direction) === props.lane.weightKg
</script>

<template>
  <div class="controls">
    <LadderStepper
      label="hook"
      :value="lane.hookSize"
      :down-disabled="lane.hookSize === HOOK_SIZES[0]"
      :up-disabled="lane.hookSize === HOOK_SIZES[HOOK_SIZES.length - 1]"
      @step="direction => edit({ hookSize: stepHook(lane.hookSize, direction) })"
    />
    <LadderStepper
      v-if="family.weighted"
      label="weight"
      :value="weightText(lane.weightKg, settings.system)"
      :down-disabled="atEnd(-1)"
      :up-disabled="atEnd(1)"
      @step="direction => edit({ weightKg: stepWeight(ladder, lane.weightKg, direction) })"
    />
    <span v-else class="label none">no weight</span>
    <ChoiceField
      v-if="family.weighted"
      label="made of"
      :model-value="lane.weightMaterial"
      :items="materials"
      @update:model-value="value => edit({ weightMaterial: value })"
    />
    <ChoiceField
      v-if="family.pointRests.length > 1"
      label="point"
      :model-value="lane.pointRest"
      :items="rests"
      @update:model-value="value => edit({ pointRest: value })"
    />
    <span v-else class="label none">point open</span>
    <p v-if="wrong('rig.hookSize')" class="error" role="alert">{{ wrong('rig.hookSize') }}</p>
    <p v-if="wrong('rig.weight')" class="error" role="alert">{{ wrong('rig.weight') }}</p>
  </div>
</template>

<style scoped>
.controls {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  padding: 2px 10px 6px;
  align-content: start;
}
.none {
  height: 26px;
  display: inline-flex;
  align-items: center;
}
.error {
  flex-basis: 100%;
  padding: 3px 8px;
  background: var(--wrack);
  color: var(--paper);
  font-size: 13px;
  border-radius: 2px;
}
</style>
