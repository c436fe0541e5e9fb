<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { useEvidence } from '~/sheet/evidence'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import LaneControls from './LaneControls.vue'
import LaneHead from './LaneHead.vue'
import LaneOnTop from './LaneOnTop.vue'
import LaneMeasures from './LaneMeasures.vue'
import RigSketch from '~/ui/RigSketch.vue'
import { FAMILIES, type RigDrawing } from '#core'
import type { Lane } from '#schemas/spread'
import type { MeasureAxes } from './axes'
import { movedWords } from '#words/movedWords'
import { stoppedText } from '#words/words'
import type { LaneOutcome } from '~/compute/protocol'

/** One rig: its name, drawing, sizes, and all its measures. */
const props = defineProps<{
  lane: Lane
  index: number
  outcome: LaneOutcome | undefined
  perM: number
  axes: MeasureAxes
  picked: boolean
  chosen: boolean
  busy: boolean
}>()
const emit = defineEmits<{ choose: [] }>()
const settings = useSettings()
const host = useTemplateRef('host')
const { width } = useElementSize(host)
const SKETCH = 86
const drawing = computed<RigDrawing | undefined>(() =>
  props.outcome && props.outcome.kind !== 'invalid' ? props.outcome.drawing : undefined,
)
const problems = computed(() => (props.outcome?.kind === 'invalid' ? props.outcome.problems : []))
/** What the angler's own drops and log say of this rig. */
const evidence = useEvidence()
const spread = useSpread()
const known = computed(() => {
  const { letter: _, ...rig } = props.lane
  return evidence.of(spread.content, rig)
})
/** What moved its figures away from the model's own. */
const moved = computed(() => {
  const { letter: _, ...rig } = props.lane
  const { snag, strike } = props.outcome?.kind === 'done' ? props.outcome.report : {}
  const whose = evidence.whose(spread.content, rig)
  return {
    snag: movedWords('snag', known.value, snag?.byModel, whose) ?? '',
    hook: movedWords('hook', known.value, strike?.byModel, whose) ?? '',
  }
})
const described = computed(
  () =>
    `Rig ${props.lane.letter} from the side: ${FAMILIES[props.lane.family].name}, size ${props.lane.hookSize}`,
)
</script>

<template>
  <article
    class="lane"
    :class="[`lane-${lane.letter}`, { picked, chosen, busy }]"
    :aria-label="`Rig ${lane.letter}: ${FAMILIES[lane.family].name}`"
    @pointerdown="emit('choose')"
    @focusin="emit('choose')"
  >
    <LaneHead :lane="lane" :index="index" />
    <div ref="host" class="drawing" :style="{ height: `${SKETCH}px` }">
      <RigSketch
        v-if="drawing && width > 0"
        :drawing="drawing"
        :per-m="perM"
        :width="width"
        :height="SKETCH"
        :unit-label="settings.units.length.label"
        :described="described"
      />
    </div>
    <LaneControls :lane="lane" :problems="problems" />
    <LaneMeasures
      v-if="outcome?.kind === 'done'"
      :report="outcome.report"
      :axes="axes"
      :evidence="known"
      :moved="moved"
    />
    <LaneOnTop v-else-if="outcome?.kind === 'failed' && outcome.onTop" :report="outcome.onTop" :axes="axes" />
    <p v-else-if="outcome?.kind === 'failed'" class="stopped">
      {{ stoppedText(outcome, settings.units.depth) }}
    </p>
    <p v-else-if="outcome?.kind === 'invalid'" class="stopped">
      Nothing can be computed until this is put right.
    </p>
    <p v-else class="stopped waiting">Working it out…</p>
  </article>
</template>

<style scoped>
.lane {
  display: grid;
  grid-template-rows: subgrid;
  grid-template-columns: minmax(0, 1fr);
  grid-row: span 10;
  min-width: 0;
  border-left: var(--line-weight) solid var(--hair-strong);
  align-content: start;
}
.chosen {
  background: color-mix(in srgb, var(--raised) 70%, transparent);
}
.picked {
  box-shadow: inset 0 -4px 0 var(--float);
}
.busy {
  opacity: 0.6;
}
@media (max-width: 899px) {
  .lane {
    scroll-margin-top: 60px;
  }
}
.drawing {
  min-width: 0;
  overflow: hidden;
}
.stopped {
  grid-row: span 7;
  padding: 14px 12px;
  font-size: 16px;
  border-top: var(--line-weight) solid var(--hair);
}
.waiting {
  color: var(--ink-soft);
}
</style>
