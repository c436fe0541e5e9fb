<script setup lang="ts">
import { UButton } from '#components'
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import LadderStepper from '~/ui/LadderStepper.vue'
import { FAMILIES, stepWeight, USUAL_LEADER_M } from '#core'
import type { Lane } from '#schemas/spread'
import { smallText, weightText, withUnit } from '#words/units'

/**
 * What can be tried on one rig without leaving the tank. Apart from the figures, which change with every
 * frame.
 */
const props = defineProps<{ lane: Lane }>()
const spread = useSpread()
const settings = useSettings()
const family = computed(() => FAMILIES[props.lane.family])

const edit = (change: Partial<Lane>): void =>
  spread.editLane(props.lane.letter, lane => ({ ...lane, ...change }))
const mm = (m: number): number => Math.round(m * 1000) / 1000
const stepBend = (by: 1 | -1): void => edit({ bendM: mm((props.lane.bendM ?? 0) + by * 0.002) })
/**
 * From the nose, in steps of two millimetres; the usual place of a belly weight is about 0.7 of the shank
 * back.
 */
const stepPlace = (by: 1 | -1): void => edit({ weightAtM: mm((props.lane.weightAtM ?? 0.024) + by * 0.002) })
const usualLeaderM = computed(
  () => (USUAL_LEADER_M as Partial<Record<Lane['family'], number>>)[props.lane.family],
)
const stepLeader = (by: 1 | -1): void =>
  edit({
    leaderM: Math.min(
      1.5,
      Math.max(0.1, Math.round(((props.lane.leaderM ?? usualLeaderM.value ?? 0.3) + by * 0.1) * 10) / 10),
    ),
  })
const heavier = (by: 1 | -1): void =>
  edit({ weightKg: stepWeight(settings.units.ladderKg, props.lane.weightKg, by) })
</script>

<template>
  <div class="try">
    <LadderStepper
      v-if="family.weighted"
      label="weight"
      :value="weightText(lane.weightKg, settings.system)"
      @step="heavier"
    />
    <LadderStepper
      label="crooked by"
      :value="smallText(lane.bendM ?? 0, settings.system)"
      :down-disabled="(lane.bendM ?? 0) <= 0"
      :up-disabled="(lane.bendM ?? 0) >= 0.03"
      @step="stepBend"
    />
    <LadderStepper
      v-if="family.slides"
      label="weight at"
      :value="lane.weightAtM === undefined ? 'usual' : smallText(lane.weightAtM, settings.system)"
      @step="stepPlace"
    />
    <template v-if="family.pegs">
      <UButton
        variant="ghost"
        class="peg"
        :aria-pressed="lane.peg !== 'free'"
        @click="edit({ peg: lane.peg === 'free' ? 'pegged' : 'free' })"
      >
        {{
          lane.peg === 'free'
            ? 'free: peg it'
            : lane.peg === 'half'
              ? 'half a stop: let it slide'
              : 'pegged: let it slide'
        }}
      </UButton>
      <UButton v-if="lane.peg !== 'half'" variant="ghost" class="peg" @click="edit({ peg: 'half' })">
        half a stop
      </UButton>
    </template>
    <LadderStepper
      v-if="usualLeaderM !== undefined"
      label="leader"
      :value="withUnit(lane.leaderM ?? usualLeaderM ?? 0, settings.units.depth)"
      @step="stepLeader"
    />
  </div>
</template>

<style scoped>
.try {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
  align-items: center;
  min-width: 370px;
}
@media (max-width: 639px) {
  .try {
    min-width: 0;
    padding-top: 4px;
  }
}
.peg {
  height: 26px;
  padding: 0 8px;
  border: var(--line-weight) solid var(--hair-strong);
  border-radius: 2px;
  font-family: var(--font-sans);
  font-size: 13px;
}
.peg:hover {
  background: var(--ink);
  color: var(--paper);
}
</style>
