<script setup lang="ts">
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import TieKey from '~/sheet/tying/TieKey.vue'
import LaneChip from '~/ui/LaneChip.vue'
import RigSketch from '~/ui/RigSketch.vue'
import { RETRIEVES, type RigDrawing, type TripPlan } from '#core'
import type { Letter } from '#schemas/ranges'
import { castWords } from '#words/castWords'
import { leaderText } from '#words/leaderWords'
import { lineWords, rigWords, sizeWords } from '#words/pickWords'
import { weightText, withUnit } from '#words/units'

/** One rod of the plan: what is tied on it, and the weights it goes through. */
const props = defineProps<{
  rod: TripPlan['rods'][number]
  drawing: RigDrawing
  baitName: string
  rodName: string | undefined
  stopName: string
}>()
const settings = useSettings()
const strength = (n: number): string => withUnit(n, settings.units.lineStrength)
const perM = computed(() => {
  const [left, bottom, right, top] = props.drawing.bounds
  return Math.min(250 / (right - left), 66 / (top - bottom))
})
</script>

<template>
  <article class="card" :class="`lane-${rod.letter}`" :aria-label="`Rod ${rod.letter}`">
    <h2>
      <LaneChip :letter="rod.letter as Letter" plain /> {{ rodName ?? 'any rod' }}
      <small>{{ Math.round(100 * rod.used) }} % of the day</small>
    </h2>
    <RigSketch
      :drawing="drawing"
      :per-m="perM"
      :width="276"
      :height="92"
      :unit-label="settings.units.length.label"
      :described="rigWords(rod.finalist.rig)"
    />
    <p class="rig">{{ rigWords(rod.finalist.rig) }}</p>
    <p>
      {{ sizeWords(rod.finalist.rig, settings.system) }} · <span data-own>{{ baitName }}</span>
    </p>
    <p>
      {{ lineWords(rod.finalist, strength) }} · {{ RETRIEVES[rod.finalist.outfit.retrieve].name }} ·
      {{ stopName }}
    </p>
    <p>Throws it {{ castWords(rod.finalist.report.cast, undefined, settings.units) }}.</p>
    <p class="leader">{{ leaderText(rod.finalist.leader, settings.system) }}</p>
    <p>
      <TieKey
        :rig="rod.finalist.rig"
        :leader="rod.finalist.leader"
        :line="rod.finalist.outfit.line.kind"
        :rated-n="rod.finalist.outfit.line.strengthN"
      />
    </p>
    <p class="weights figure">
      <span v-for="kg in rod.weightsKg" :key="kg" :class="{ now: kg === rod.finalist.rig.weightKg }">{{
        kg > 0 ? weightText(kg, settings.system) : 'no weight'
      }}</span>
    </p>
  </article>
</template>

<style scoped>
.card {
  border-top: 4px solid var(--lane);
  padding: 6px 12px 8px;
  break-inside: avoid;
}
h2 {
  font-size: 17px;
  font-weight: 600;
  display: flex;
  gap: 8px;
  align-items: center;
}
small {
  font-size: 12px;
  font-weight: 400;
  color: var(--ink-soft);
}
.rig {
  font-size: 18px;
  font-weight: 600;
}
p {
  font-size: 14px;
  line-height: 1.3;
}
.weights {
  display: flex;
  gap: 6px;
  margin-top: 4px;
}
.weights span {
  padding: 1px 7px;
  border: 1px solid var(--hair-strong);
  border-radius: 2px;
  font-size: 16px;
}
.weights .now {
  background: var(--lane);
  color: var(--lane-ink);
  border-color: var(--lane);
}
</style>
