<script setup lang="ts">
import { UButton, UDropdownMenu } from '#components'
import { useElementSize, useResizeObserver } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, useTemplateRef, watch, type ComponentPublicInstance } from 'vue'
import { useEvaluation } from '~/sheet/useEvaluation'
import { useSpread } from '~/sheet/spread'
import BaitRow from '~/sheet/fields/BaitRow.vue'
import BasisKey from './BasisKey.vue'
import LaneColumn from './LaneColumn.vue'
import LaneStrip from './LaneStrip.vue'
import SheetFrame from '~/sheet/SheetFrame.vue'
import SmallTank from './SmallTank.vue'
import VerdictBar from './VerdictBar.vue'
import WaterStrip from './WaterStrip.vue'
import { VueDraggable } from 'vue-draggable-plus'
import type { Letter } from '#schemas/ranges'
import type { Lane } from '#schemas/spread'
import { familyItems } from '~/ui/families'
import { axesOf } from './axes'
import { traderOf } from './trade'

/** The home view: the water, the bait, the rigs side by side, and which to tie on. */
defineProps<{ id: string | undefined }>()
const spread = useSpread()
const tank = useTemplateRef('tank')

const { outcomes, verdict, working, busy, error, retry } = useEvaluation(() =>
  spread.opened ? spread.content : undefined,
)
const reportOf = computed(
  () =>
    new Map(
      [...outcomes.value].flatMap(([letter, o]) => (o.kind === 'done' ? [[letter, o.report] as const] : [])),
    ),
)
const reports = computed(() => [...reportOf.value.values()])
const TradeDialog = defineAsyncComponent(() => import('./TradeDialog.vue'))
const trading = ref(false)
/** loaded when it is first asked for */
const traded = ref(false)
watch(trading, now => now && (traded.value = true))
const traders = computed(() =>
  spread.content.lanes.flatMap(({ letter }) => {
    const outcome = outcomes.value.get(letter)
    return outcome?.kind === 'done' ? [traderOf(letter, outcome.report)] : []
  }),
)
const axes = computed(() => axesOf(reports.value))
const order = computed(() => spread.content.lanes.map(l => l.letter))
const isPicked = (letter: Letter): boolean =>
  verdict.value?.kind === 'one' && verdict.value.letters.includes(letter)

/** One scale for all sketches, so that lengths can be compared: the longest and the tallest rig just fit. */
const lanesHost = useTemplateRef('lanesHost')
const { width: lanesWidth } = useElementSize(lanesHost)
const perM = computed(() => {
  const bounds = [...outcomes.value.values()].flatMap(o => (o.kind === 'invalid' ? [] : [o.drawing.bounds]))
  const longest = Math.max(0.05, ...bounds.map(([left, , right]) => right - left))
  const tallest = Math.max(0.01, ...bounds.map(([, bottom, , top]) => top - bottom))
  const narrow = lanesWidth.value < 640 ? 0.8 * lanesWidth.value : lanesWidth.value / order.value.length
  return Math.max(100, Math.min((narrow - 44) / longest, 78 / tallest))
})

/** The tank stands between what is above it and the verdict, whose height goes with what it says. */
const field = useTemplateRef('field')
const verdictBar = useTemplateRef<ComponentPublicInstance>('verdictBar')
const { height: verdictPx } = useElementSize(verdictBar, undefined, { box: 'border-box' })
const abovePx = ref(0)
// whatever comes or goes above takes room from it, or makes the page longer
useResizeObserver(
  [field, computed(() => field.value?.parentElement)],
  () => (abovePx.value = field.value?.offsetTop ?? 0),
)
const tankPx = computed(() => `calc(100dvh - ${abovePx.value + verdictPx.value}px)`)

const reorder = (lanes: Lane[]): void => spread.edit(draft => void (draft.lanes = lanes.map(l => ({ ...l }))))
const goTo = (letter: Letter): void => {
  spread.picked = letter
  lanesHost.value?.querySelector(`.lane-${letter}`)?.scrollIntoView({ inline: 'start', block: 'nearest' })
}
const addMenu = Object.values(Object.groupBy(familyItems(), item => item.group)).map(items => [
  { label: items![0]!.group, type: 'label' as const },
  ...items!.map(({ value, label }) => ({ label, onSelect: () => spread.addLane(value) })),
])
</script>

<template>
  <SheetFrame :id="id" v-slot="{ showCautions }" view="spread" @drop="tank?.toggle()">
    <WaterStrip />
    <BaitRow>
      <span class="grow" />
      <UDropdownMenu :items="addMenu" :ui="{ content: 'max-h-[70vh] overflow-y-auto' }">
        <UButton icon="i-lucide-plus" variant="ghost" class="add" :disabled="spread.content.lanes.length >= 5"
          >Add a rig</UButton
        >
      </UDropdownMenu>
    </BaitRow>
    <LaneStrip
      class="in-small"
      :lanes="spread.content.lanes"
      :outcomes="outcomes"
      :verdict="verdict"
      @go="goTo"
    />
    <div ref="field" class="field">
      <SmallTank
        ref="tank"
        class="tank"
        :outcomes="outcomes"
        :order="order"
        :depth-m="spread.content.water.depthM"
        :zone="spread.content.water.zone"
      />
      <div ref="lanesHost" class="lanes-host">
        <VueDraggable
          :model-value="spread.content.lanes"
          class="lanes"
          :class="{ many: order.length > 3 }"
          handle=".grip"
          :animation="120"
          :style="{ '--count': order.length }"
          @update:model-value="reorder"
        >
          <LaneColumn
            v-for="(lane, index) in spread.content.lanes"
            :key="lane.letter"
            :lane="lane"
            :index="index"
            :outcome="outcomes.get(lane.letter)"
            :per-m="perM"
            :axes="axes"
            :busy="busy"
            :picked="isPicked(lane.letter)"
            :chosen="spread.picked === lane.letter"
            @choose="spread.picked = lane.letter"
          />
        </VueDraggable>
      </div>
    </div>
    <VerdictBar
      ref="verdictBar"
      class="verdict"
      :verdict="verdict"
      :reports="reportOf"
      :depth-m="spread.content.water.depthM"
      :busy="working"
      :error="error"
      @retry="retry()"
    >
      <UButton
        icon="i-lucide-scale"
        variant="ghost"
        class="add"
        :disabled="traders.length === 0"
        @click="trading = true"
        >Trade-off</UButton
      >
      <BasisKey @cautions="showCautions" />
    </VerdictBar>
    <TradeDialog v-if="traded" v-model:open="trading" :traders="traders" />
  </SheetFrame>
</template>

<style scoped>
.field {
  flex: 1;
  display: grid;
  grid-template-columns: 236px minmax(0, 1fr);
  min-height: 0;
}
.tank {
  position: sticky;
  top: 0;
  height: min(100%, v-bind(tankPx));
  min-height: 380px;
}
.lanes {
  position: relative;
  display: grid;
  grid-template-columns: repeat(var(--count), minmax(0, 1fr));
  grid-template-rows: repeat(9, auto);
  height: 100%;
  align-content: start;
}
.lanes-host {
  min-width: 0;
}
.many :deep(.row) {
  grid-template-columns: 46px minmax(0, 1fr) auto;
  column-gap: 4px;
  padding-inline: 8px;
}
.many :deep(.picture) {
  grid-row: 1;
  width: auto;
}
.many :deep(.whisker) {
  width: 42px;
}
.many :deep(.glyph) {
  max-width: 62px;
}
.many :deep(.number b) {
  font-size: 21px;
}
.many :deep(.note) {
  grid-column: 2 / -1;
  font-size: 12.5px;
}
.many :deep(.glyph) {
  height: 32px;
}
.many :deep(.chip svg) {
  display: none;
}
.many :deep(.head .choice) {
  height: 36px;
  font-size: 14px;
  line-height: 1.1;
}
.many :deep(.head .choice span) {
  white-space: normal;
  text-align: left;
}
.many :deep(.stepper .name),
.many :deep(.controls .choice-field .label) {
  display: none;
}
.many :deep(.controls) {
  column-gap: 5px;
  padding-inline: 8px;
}
.many :deep(.stepper output) {
  min-width: 7ch;
  font-size: 15px;
}
.grow {
  flex: 1;
}
.add {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  height: 27px;
  padding: 0 9px;
  border: var(--line-weight) solid var(--hair-strong);
  border-radius: 2px;
  font-size: 14px;
}
.add:hover:not(:disabled) {
  background: var(--ink);
  color: var(--paper);
}
.add:disabled {
  opacity: 0.4;
}
.verdict {
  position: sticky;
  bottom: 0;
  z-index: 5;
}
.in-small {
  display: none;
}
@media (max-width: 899px) {
  .field {
    grid-template-columns: minmax(0, 1fr);
  }
  .tank {
    position: static;
    order: 2;
    height: 480px;
  }
  .in-small {
    display: flex;
    order: 4;
    position: sticky;
    top: 0;
    z-index: 6;
  }
  .field {
    order: 5;
  }
  .verdict {
    position: static;
    order: 3;
  }
  .lanes {
    grid-template-columns: repeat(var(--count), 86vw);
    overflow-x: auto;
    scroll-snap-type: x mandatory;
  }
  .lanes > :deep(*) {
    scroll-snap-align: start;
  }
}
</style>
