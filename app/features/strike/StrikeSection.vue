<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { momentOf } from '#core'
import { useSettings } from '~/ui/settings'
import { loadText, smallText } from '#words/units'
import type { StrikeAnswer } from '~/compute/strike'

/**
 * A slice through bait and hook where the point passes, at the squeeze of this bite: jaws, plastic, gap,
 * point, and the pull along the line.
 */
const settings = useSettings()
const props = defineProps<{
  bite: Extract<StrikeAnswer, { kind: 'bite' }>
  letter: string
  /** seconds after the mouth closes */ at: number
}>()
const moment = computed(() => momentOf(props.bite.course, props.at))
/** Part of the whole squeeze that has come on. */
const shut = computed(() => moment.value.squeezed / Math.max(1e-9, props.bite.chain.squeezed))
const uncoveredM = computed(() => shut.value * props.bite.chain.uncoveredM)
const host = useTemplateRef('host')
const { width } = useElementSize(host)
const H = 176
const narrow = computed(() => width.value < 430)
const rest = computed(() => props.bite.section)
const perM = computed(() =>
  Math.min(
    (H - (narrow.value ? 110 : 70)) / Math.max(rest.value.heightM, props.bite.rig.gapM),
    (width.value - 200) / (2.4 * rest.value.widthM),
  ),
)
const squeezedM = computed(() => rest.value.heightM * (1 - moment.value.squeezed))
const cx = computed(() => width.value * 0.36)
const cy = computed(() => H / 2 + (narrow.value ? -12 : 6))
/** Plastic spreads as it is pressed: its area stays. */
const rx = computed(
  () =>
    (rest.value.widthM / 2) *
    perM.value *
    Math.min(1.7, rest.value.heightM / Math.max(1e-6, squeezedM.value)),
)
const ry = computed(() => (squeezedM.value / 2) * perM.value)
/** Height of the point over the squeezed back: what was over it, less what the squeeze uncovers. */
const pointY = computed(
  () =>
    cy.value -
    ry.value -
    (uncoveredM.value - props.bite.chain.coverM + shut.value * Math.max(0, props.bite.chain.gapM) * 0.5) *
      perM.value,
)
const shankY = computed(() => Math.min(H - 12, pointY.value + props.bite.rig.gapM * perM.value))
const pull = computed(() => Math.min(1, moment.value.hookN / 50))
const small = (m: number): string => smallText(m, settings.system)
</script>

<template>
  <div ref="host" :class="`lane-${letter}`">
    <svg
      v-if="width > 0"
      :width="width"
      :height="H"
      role="img"
      :aria-label="`Slice at the point: ${small(rest.heightM)} high, squeezed to ${small(squeezedM)}; ${small(Math.max(0, bite.chain.gapM))} of gap left`"
    >
      <ellipse :cx="cx" :cy="cy" :rx="(rest.widthM / 2) * perM" :ry="(rest.heightM / 2) * perM" class="was" />
      <ellipse :cx="cx" :cy="cy" :rx="rx" :ry="ry" class="plastic" />
      <path
        :d="`M${cx - rx - 26} ${cy - ry - 24} Q${cx} ${cy - ry + 8} ${cx + rx + 26} ${cy - ry - 24}`"
        class="jaw"
      />
      <path
        :d="`M${cx - rx - 26} ${cy + ry + 24} Q${cx} ${cy + ry - 8} ${cx + rx + 26} ${cy + ry + 24}`"
        class="jaw"
      />
      <line :x1="cx" :x2="cx" :y1="pointY" :y2="shankY" class="gap" />
      <circle :cx="cx" :cy="pointY" r="5" class="point" :class="{ under: uncoveredM < bite.chain.coverM }" />
      <circle :cx="cx" :cy="shankY" :r="Math.max(3, (bite.rig.wireM / 2) * perM)" class="wire" />
      <text :x="cx + 10" :y="pointY + 4">point</text>
      <text :x="cx + 10" :y="shankY + 4">shank</text>
      <text x="2" y="18">squeezed {{ Math.round(100 * moment.squeezed) }} %</text>
      <g class="pull">
        <line
          :x1="cx + rx + 46"
          :y1="cy"
          :x2="cx + rx + 46 + Math.max(10, (width - cx - rx - 70) * pull)"
          :y2="cy - 40 * pull"
        />
        <text :x="narrow ? 2 : cx + rx + 48" :y="narrow ? H - 20 : cy + 22">
          {{ loadText(moment.hookN, settings.system) }} at the hook,
        </text>
        <text :x="narrow ? 2 : cx + rx + 48" :y="narrow ? H - 4 : cy + 40">
          {{ loadText(bite.chain.plasticN, settings.system) }} cuts plastic
        </text>
      </g>
    </svg>
    <p class="label">
      dashed: the bait at rest. Slice where the point passes, {{ small(rest.widthM) }} by
      {{ small(rest.heightM) }}.
    </p>
  </div>
</template>

<style scoped>
.was {
  fill: none;
  stroke: var(--plastic-edge);
  stroke-dasharray: 4 4;
}
.plastic {
  fill: var(--plastic);
  stroke: var(--plastic-edge);
  stroke-width: 1.5;
}
.jaw {
  fill: none;
  stroke: var(--ink);
  stroke-width: 5;
  stroke-linecap: round;
}
.gap {
  stroke: var(--lane);
  stroke-width: 2.5;
}
.point {
  fill: var(--float);
}
.under {
  fill: var(--raised);
  stroke: var(--float);
  stroke-width: 2.5;
  stroke-dasharray: 2 2;
}
.wire {
  fill: var(--steel);
}
text {
  font: 13px var(--font-figure);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
.pull line {
  stroke: var(--float);
  stroke-width: 3;
}
</style>
