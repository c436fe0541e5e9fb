<script setup lang="ts">
import { UModal } from '#components'
import { computed } from 'vue'
import { BAIT_FORMS, FAMILIES, PLASTICS } from '#core'
import type { LaneOutcome } from '~/compute/protocol'
import RigSketch from '~/ui/RigSketch.vue'
import { useSettings } from '~/ui/settings'
import { rigWords, sizeWords } from '#words/pickWords'
import { fromTo, smallText } from '#words/units'
import { oddsText, postureWords } from '#words/words'
import type { BankRod } from './bankStart'

/** The card of the rod in hand: what is tied on it, how it falls, what it hangs on, what it hooks. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ rod: BankRod; outcome: LaneOutcome | undefined }>()
const settings = useSettings()
const bait = computed(() => {
  const { form, lengthM, material } = props.rod.bait
  return `${BAIT_FORMS[form].name} ${smallText(lengthM, settings.system)}, ${PLASTICS[material].name}`
})
const WIDTH = 300
const HEIGHT = 120
const drawing = computed(() =>
  props.outcome && props.outcome.kind !== 'invalid' ? props.outcome.drawing : undefined,
)
const perM = computed(() => {
  const [left, bottom, right, top] = drawing.value?.bounds ?? [0, 0, 1, 1]
  return Math.min((WIDTH - 10) / (right - left), (HEIGHT - 30) / (top - bottom))
})
const report = computed(() => (props.outcome?.kind === 'done' ? props.outcome.report : undefined))
const odds = computed(() => report.value && oddsText(report.value.snag.snagPerCast))
</script>

<template>
  <UModal v-model:open="open" :title="`Rod ${rod.letter}: ${FAMILIES[rod.rig.family].shortName}`">
    <template #body>
      <RigSketch
        v-if="drawing"
        :drawing="drawing"
        :per-m="perM"
        :width="WIDTH"
        :height="HEIGHT"
        :unit-label="settings.units.length.label"
        :described="rigWords(rod.rig)"
      />
      <p class="name">{{ rigWords(rod.rig) }}</p>
      <p>{{ sizeWords(rod.rig, settings.system) }}; {{ rod.name || bait }}</p>
      <dl v-if="report && odds">
        <div>
          <dt>down in</dt>
          <dd class="figure">
            {{ report.fall.timeS.value.toFixed(1) }} s
            <small>{{ fromTo(report.fall.timeS.low, report.fall.timeS.high, 1) }}</small>
          </dd>
        </div>
        <div>
          <dt>falls</dt>
          <dd>{{ postureWords(report) }}</dd>
        </div>
        <div>
          <dt>hangs up</dt>
          <dd class="figure">{{ odds.value }} {{ odds.unit }}</dd>
        </div>
        <div>
          <dt>hooks</dt>
          <dd class="figure">
            {{ Math.round(100 * report.strike.hookUp.value) }} % of bites
            <small>{{ fromTo(100 * report.strike.hookUp.low, 100 * report.strike.hookUp.high, 0) }}</small>
          </dd>
        </div>
      </dl>
      <p class="label">◇ computed, in the water of this stop.</p>
    </template>
  </UModal>
</template>

<style scoped>
.name {
  font-size: 20px;
  font-weight: 600;
}
p,
dl {
  font-size: 18px;
}
dl div {
  display: grid;
  grid-template-columns: 90px minmax(0, 1fr);
  padding: 6px 0;
  border-top: 1px solid var(--hair);
}
dt {
  color: var(--ink-soft);
}
dd small {
  font-size: 15px;
  color: var(--ink-soft);
}
</style>
