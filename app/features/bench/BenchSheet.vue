<script setup lang="ts">
import { UButton } from '#components'
import { computed, ref, shallowRef, watch } from 'vue'
import { useBench } from './useBench'
import { useSettings } from '~/ui/settings'
import { useEvidence } from '~/sheet/evidence'
import { useSpread } from '~/sheet/spread'
import { conditionsOf } from '~/sheet/useEvaluation'
import BaitRow from '~/sheet/fields/BaitRow.vue'
import BenchDrawing from './BenchDrawing.vue'
import BenchOptions from './BenchOptions.vue'
import BenchRules from './BenchRules.vue'
import BenchSizes from './BenchSizes.vue'
import BenchSteps from './BenchSteps.vue'
import BenchWater from './BenchWater.vue'
import CalibrateDialog from './CalibrateDialog.vue'
import ChoiceField from '~/ui/ChoiceField.vue'
import CheckField from '~/ui/CheckField.vue'
import LaneChip from '~/ui/LaneChip.vue'
import LineField from '~/sheet/fields/LineField.vue'
import SheetFrame from '~/sheet/SheetFrame.vue'
import { FAMILIES } from '#core'
import type { Letter } from '#schemas/ranges'
import type { Lane } from '#schemas/spread'
import { familyItems } from '~/ui/families'
import { withFamily } from '~/sheet/lanes'
import type { BenchJob, BenchLook } from '~/compute/bench'
import { problemText } from '#words/problemWords'

/**
 * One bait and hook at true scale: the fit as dimension lines, the right size found, and how to rig it
 * straight.
 */
defineProps<{ id: string | undefined }>()
const spread = useSpread()
const settings = useSettings()
const lanes = computed(() => spread.content.lanes)
const lane = computed<Lane>(() => lanes.value.find(l => l.letter === spread.picked) ?? lanes.value[0]!)

/** What a hand is just moving, before it lets go: one step of undo for the whole movement. */
const moving = ref<Partial<Lane>>({})
watch(
  () => lane.value.letter,
  () => (moving.value = {}),
)
const rig = computed(() => {
  const { letter: _, ...spec } = { ...lane.value, ...moving.value }
  return spec
})
const evidence = useEvidence()
const job = computed((): BenchJob | undefined => {
  if (!spread.opened || !evidence.loaded) return undefined
  // of what is known of it, what bears on how it falls
  const fall = evidence.of(spread.content, rig.value)?.fall
  return {
    bait: spread.content.bait,
    rig: rig.value,
    conditions: { ...conditionsOf(spread.content), ...(fall ? { evidence: { fall } } : {}) },
  }
})
const { look, advice, advising, error, retry, inWater, wetting, dry } = useBench(() => job.value)
/** What was laid out last: the hand that pulls past what fits keeps hold of it, and hears why at once. */
const laid = shallowRef<Extract<BenchLook, { kind: 'rig' }>>()
watch(look, now => now?.kind === 'rig' && (laid.value = now))
const inHand = computed(() => Object.keys(moving.value).length > 0)
const shown = computed(() => (inHand.value || look.value?.kind === 'rig' ? laid.value : undefined))
const problems = computed(() => (look.value?.kind === 'invalid' ? look.value.problems : []))

const edit = (change: Partial<Lane>): void =>
  spread.editLane(lane.value.letter, l => {
    const next = { ...l, ...change } as Record<string, unknown>
    for (const [key, value] of Object.entries(change))
      if (value === undefined) Reflect.deleteProperty(next, key)
    return next as unknown as Lane
  })
function drop(change: Partial<Lane>): void {
  moving.value = {}
  edit(change)
}
const choose = (letter: Letter): void => void (spread.picked = letter)
const families = familyItems()
const trueSize = ref(false)
const calipers = ref(false)
const calibrating = ref(false)
</script>

<template>
  <SheetFrame :id="id" v-slot="{ showCautions }" view="bench">
    <BaitRow>
      <LineField />
      <span class="grow" />
      <UButton to="/trace" icon="i-lucide-scan-line">Trace my bait</UButton>
    </BaitRow>
    <section class="rigs" aria-label="Rig on the bench">
      <UButton
        v-for="(one, i) in lanes"
        :key="one.letter"
        variant="ghost"
        class="pick"
        :class="`lane-${one.letter}`"
        :aria-pressed="one.letter === lane.letter"
        :title="`Key ${i + 1}`"
        @click="choose(one.letter)"
      >
        <LaneChip :letter="one.letter" plain /> {{ FAMILIES[one.family].shortName }} {{ one.hookSize }}
      </UButton>
      <ChoiceField
        class="family"
        label="rigged as"
        :model-value="lane.family"
        :items="families"
        @update:model-value="value => spread.editLane(lane.letter, l => withFamily(l, value))"
      />
    </section>
    <p v-if="error" class="error" role="alert">
      The figures could not be worked out: {{ error }}
      <UButton variant="ghost" @click="retry()">Try again</UButton>
    </p>
    <div class="body">
      <div class="left">
        <div class="tools no-print">
          <CheckField v-model="trueSize" label="true size on this screen" />
          <UButton icon="i-lucide-credit-card" @click="calibrating = true">{{
            settings.calibrated ? 'Calibrate again' : 'Calibrate the screen'
          }}</UButton>
          <CheckField v-model="calipers" label="calipers" />
          <span class="label">{{ FAMILIES[lane.family].advice }}</span>
        </div>
        <BenchDrawing
          v-if="shown"
          :look="shown"
          :lane="lane"
          :true-size="trueSize"
          :calipers="calipers"
          :moving="inHand"
          @move="change => (moving = { ...moving, ...change })"
          @drop="drop"
        />
        <div v-if="problems.length > 0" class="problems" role="alert">
          <p v-for="problem in problems" :key="problem.field">{{ problemText(problem, settings.system) }}</p>
        </div>
        <p v-else-if="!shown" class="waiting label">Laying it out…</p>
        <p v-if="dry" class="error" role="alert">
          How it lies in the water could not be worked out: {{ dry }}
        </p>
        <BenchWater
          v-else-if="inWater && shown"
          v-bind="inWater"
          :letter="lane.letter"
          :busy="wetting || advising"
        />
        <BenchSteps
          v-if="advice && shown"
          :advice="advice"
          :look="shown"
          :lane="lane"
          :busy="advising"
          @cautions="showCautions()"
        />
      </div>
      <aside class="right" aria-label="Fit">
        <BenchSizes :lane="lane" :advice="advice" :busy="advising" @take="edit" />
        <BenchOptions :lane="lane" :look="shown" @change="edit" />
        <BenchRules v-if="shown" :fit="shown.fit" />
      </aside>
    </div>
    <CalibrateDialog v-model:open="calibrating" />
  </SheetFrame>
</template>

<style scoped>
.grow {
  flex: 1;
}
.rigs {
  display: flex;
  flex-wrap: wrap;
  gap: 0 2px;
  align-items: center;
  padding: 0 12px;
  border-bottom: var(--line-weight) solid var(--ink);
}
.pick {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  height: 34px;
  padding: 0 10px 0 4px;
  font-size: 14px;
  border-bottom: 3px solid transparent;
}
.pick[aria-pressed='true'] {
  border-bottom-color: var(--lane);
  font-weight: 600;
}
.family {
  margin-left: auto;
}
.body {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  min-height: 0;
}
.left {
  min-width: 0;
  display: flex;
  flex-direction: column;
  border-right: var(--line-weight) solid var(--hair-strong);
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 5px 12px;
  border-bottom: 1px solid var(--hair);
}
.problems {
  padding: 28px 20px;
  font-size: 17px;
  color: var(--wrack);
}
.waiting {
  padding: 28px 20px;
}
.right {
  min-width: 0;
  overflow-y: auto;
}
.error {
  padding: 8px 12px;
  color: var(--wrack);
}
.error button {
  text-decoration: underline;
}
@media (max-width: 999px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
  .left {
    border-right: 0;
  }
}
@media (max-width: 639px) {
  .pick {
    height: 44px;
  }
  .family {
    margin-left: 0;
  }
}
</style>
