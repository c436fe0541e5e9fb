<script setup lang="ts">
import { computed } from 'vue'
import type { ThingLook } from '#core'

/** One thing of the cover, drawn as it is: stems lean with the stream, pads float, branches fork, stones lie. */
const props = defineProps<{
  look: ThingLook
  /** stem or stone: thickness on the screen, px */ thick: number
  /** height of the water, px; it stands on 0 and grows to minus so much */ water: number
  /** pixels to a metre of height */ perM: number
  /** which of its kind it is, so that no two are alike */ index: number
}>()
/** Heights that such things have, m; null reaches the surface. *Assumed*, for the drawing alone. */
const HIGH_M: Readonly<Record<ThingLook, number | null>> = {
  blade: 0.6,
  stem: 0.7,
  kelp: 1.1,
  reed: null,
  stalk: null,
  pad: null,
  strand: null,
  pile: null,
  twig: 0.5,
  limb: 0.6,
  fork: 0.45,
  clump: 0.2,
  stone: 0.08,
  gap: 0.14,
}
/** Between 0 and 1, the same for the same thing. */
const chance = computed(() => (props.index * 0.6180339887) % 1)
interface Drawn {
  readonly lines: readonly string[]
  readonly shapes: readonly string[]
}
/** Height and thickness on the screen, px, and how far it leans. */
interface Grown {
  readonly high: number
  readonly thick: number
  readonly lean: number
}
const waving = ({ high, lean }: Grown): Drawn => ({
  lines: [`M0 0C${lean / 3} ${-0.4 * high} ${lean} ${-0.6 * high} ${lean * 0.8} ${-high}`],
  shapes: [],
})
const branching = ({ high }: Grown): Drawn => ({
  lines: [
    `M-8 0L${0.45 * high} ${-high}`,
    `M${0.12 * high} ${-0.5 * high}L${0.05 * high} ${-0.95 * high}`,
    `M${0.25 * high} ${-0.7 * high}L${0.6 * high} ${-0.75 * high}`,
  ],
  shapes: [],
})
const floating = (high: number): string => `M-14 ${-high}a17 3.5 0 0 1 34 0z`
const DRAWN: Readonly<Record<ThingLook, (of: Grown) => Drawn>> = {
  blade: waving,
  stem: waving,
  kelp: waving,
  reed: ({ high, lean }) => ({ lines: [`M0 0L${lean / 4} ${-high - 5}`], shapes: [] }),
  stalk: ({ high, lean }) => ({
    lines: [`M0 0C${lean} ${-0.5 * high} ${-lean} ${-0.7 * high} 4 ${-high}`],
    shapes: [floating(high)],
  }),
  pad: ({ high }) => ({ lines: [], shapes: [floating(high)] }),
  strand: ({ high }) => ({
    lines: [`M0 ${-high}c2 ${0.15 * high} -3 ${0.25 * high} 0 ${0.4 * high}`],
    shapes: [`M-9 ${-high - 2}h20v4h-20z`],
  }),
  pile: ({ high, thick }) => ({ lines: [], shapes: [`M${-thick / 2} 0V${-high - 8}h${thick}V0z`] }),
  twig: branching,
  limb: branching,
  fork: branching,
  clump: ({ high }) => ({ lines: [], shapes: [`M-7 0q-2 ${-high} 5 ${-high}q9 0 7 ${high}z`] }),
  stone: ({ high, thick }) => ({
    lines: [],
    shapes: [`M${-5 - thick} 0q1 ${-high} 6 ${-high}q${thick} 1 ${4 + thick} ${high}z`],
  }),
  gap: ({ high }) => ({
    lines: [],
    shapes: [`M-16 0q2 ${-high} 8 ${-high}q5 1 5 ${high}z`, `M5 0q1 ${-high} 7 ${-high}q7 1 7 ${high}z`],
  }),
}
const drawing = computed(() => {
  const usual = HIGH_M[props.look]
  const high =
    usual === null ? props.water : Math.min(props.water, usual * (0.7 + 0.6 * chance.value) * props.perM)
  return DRAWN[props.look]({ high, thick: props.thick, lean: 4 + 8 * chance.value })
})
</script>

<template>
  <g :class="look">
    <path v-for="(d, i) in drawing.shapes" :key="`s${i}`" :d="d" class="shape" />
    <path
      v-for="(d, i) in drawing.lines"
      :key="`l${i}`"
      :d="d"
      class="line"
      :stroke-width="i === 0 ? thick : thick * 0.6"
    />
  </g>
</template>

<style scoped>
.line {
  fill: none;
  stroke: var(--growth);
  stroke-linecap: round;
}
.shape {
  fill: var(--growth);
}
:is(.twig, .limb, .fork) .line {
  stroke: var(--bed-ink);
}
:is(.pile, .stone, .gap, .clump) .shape {
  fill: var(--bed-ink);
}
</style>
