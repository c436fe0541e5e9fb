<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { momentOf } from '#core'
import type { Plane } from '~/ui/drawing/plane'
import RigShapes from '~/ui/drawing/RigShapes.vue'
import type { StrikeAnswer } from '~/compute/strike'
import { loadText } from '#words/units'
import { useSettings } from '~/ui/settings'

/**
 * The bite from the side, to scale, at one moment: the jaws shut where this fish takes the bait, the plastic gives, slack
 * comes up, the line pulls, the point goes in or does not.
 */
const props = defineProps<{
  bite: Extract<StrikeAnswer, { kind: 'bite' }>
  letter: string
  /** seconds after the mouth closes */ at: number
}>()
const settings = useSettings()
const host = useTemplateRef('host')
const { width } = useElementSize(host)
const H = 150
/** Breadth of bait that a jaw presses on, m: the area that is reckoned with, over the bait's width. */
const JAW_M = 0.018
/** How far from the middle of a bite the plastic still gives, m. */
const GIVES_M = 0.012
/** Room left of the eye for the line, share of the width. */
const LINE_ROOM = 0.14

const moment = computed(() => momentOf(props.bite.course, props.at))
const plane = computed<Plane>(() => {
  const [left, bottom, right, top] = props.bite.drawing.bounds
  const perM = Math.min(((1 - LINE_ROOM) * width.value - 24) / (right - left), (H - 84) / (top - bottom))
  return {
    perM,
    x0: LINE_ROOM * width.value - left * perM,
    y0: H / 2 + ((top + bottom) / 2) * perM,
  }
})
const middle = computed(() => {
  const body = props.bite.drawing.shapes.find(s => s.kind === 'body')!.points
  let [low, high] = [Infinity, -Infinity]
  for (let i = 0; i < body.length; i += 2) {
    if (Math.abs(body[i]! - props.bite.atM) > 0.004) continue
    low = Math.min(low, body[i + 1]!)
    high = Math.max(high, body[i + 1]!)
  }
  return high > low ? { low, high, z: (low + high) / 2 } : { low: -0.004, high: 0.004, z: 0 }
})
/** What the bite leaves of the height, at a place along the bait. */
const left = (s: number): number =>
  1 - moment.value.squeezed * Math.exp(-(((s - props.bite.atM) / GIVES_M) ** 2))
/** Plastic gives where it is bitten; wire and weight do not. */
const shapes = computed(() =>
  props.bite.drawing.shapes.map(shape => {
    const soft = shape.kind === 'body' || shape.kind === 'tail' || shape.kind === 'slot'
    const points = soft
      ? shape.points.map((v, i) =>
          i % 2 === 0 ? v : middle.value.z + (v - middle.value.z) * left(shape.points[i - 1]!),
        )
      : shape.points
    return { ...shape, points }
  }),
)
/** The point: the end of the first hook's wire. */
const tip = computed(() => {
  const list = props.bite.drawing.shapes
  const eye = list.findIndex(s => s.kind === 'eye')
  const wire = list.slice(0, eye).findLast(s => s.kind === 'wire')!.points
  return [wire[wire.length - 2]!, wire[wire.length - 1]!] as const
})
const eye = computed(() => {
  const ring = props.bite.drawing.shapes.find(s => s.kind === 'eye')!.points
  let [x, z] = [0, 0]
  for (let i = 0; i < ring.length; i += 2) {
    x += ring[i]! / (ring.length / 2)
    z += ring[i + 1]! / (ring.length / 2)
  }
  return { x: plane.value.x0 + x * plane.value.perM, y: plane.value.y0 - z * plane.value.perM }
})
const jaws = computed(() => {
  const { perM, x0, y0 } = plane.value
  const { low, high, z } = middle.value
  const shut = Math.min(1, moment.value.squeezed / Math.max(1e-6, props.bite.chain.squeezed))
  const gone = moment.value.tS > 0 && moment.value.squeezed === 0 ? 1 : 0
  const apart = (1 - shut) * 16 + gone * 14
  const half = (JAW_M / 2) * perM
  const x = x0 + props.bite.atM * perM
  const at = (edge: number): number => y0 - (z + (edge - z) * (1 - moment.value.squeezed)) * perM
  return { x, half, top: at(high) - apart, bottom: at(low) + apart }
})
const clear = computed(
  () =>
    props.bite.chain.coverM <= 0 ||
    (moment.value.squeezed / Math.max(1e-6, props.bite.chain.squeezed)) * props.bite.chain.uncoveredM >=
      props.bite.chain.coverM,
)
const isIn = computed(
  () => props.bite.course.inS !== undefined && props.at >= props.bite.course.inS && !props.bite.chain.loss,
)
/** Slack hangs in the line until it is up. */
const line = computed(() => {
  const { x, y } = eye.value
  const slack = Math.max(0, props.bite.slackM - moment.value.sweptM) / Math.max(0.05, props.bite.slackM)
  return `M${x} ${y}Q${x / 2} ${y - 10 + 34 * slack} 0 ${y - 26}`
})
const load = (n: number): string => loadText(n, settings.system)
const said = computed(() => {
  const { tS, hookN } = moment.value
  const { course, chain } = props.bite
  if (chain.loss === 'letGo' && tS >= course.endS) return 'it has let go'
  if (isIn.value) return `${load(hookN)} at the hook: the point is in`
  if (chain.loss === 'opens' && hookN >= chain.opensN) return `${load(hookN)}: the hook opens`
  if (hookN > 0) return `${load(hookN)} at the hook`
  if (tS > course.setS) return 'slack comes up'
  return tS <= 0 ? 'the mouth opens' : clear.value ? 'held; the point is clear' : 'held; the point is covered'
})
</script>

<template>
  <div ref="host" :class="`lane-${letter}`">
    <svg
      v-if="width > 0"
      :width="width"
      :height="H"
      role="img"
      :aria-label="`The bite from the side, ${at.toFixed(2)} seconds after the mouth closes: ${said}`"
    >
      <path :d="line" class="line" :class="{ pulled: moment.hookN > 0 }" />
      <RigShapes :shapes="shapes" :plane="plane" :wire-px="3" inside />
      <g class="jaw">
        <path
          :d="`M${jaws.x - jaws.half - 14} ${jaws.top - 26}Q${jaws.x - jaws.half} ${jaws.top} ${jaws.x} ${jaws.top}T${jaws.x + jaws.half + 14} ${jaws.top - 26}`"
        />
        <path
          :d="`M${jaws.x - jaws.half - 14} ${jaws.bottom + 26}Q${jaws.x - jaws.half} ${jaws.bottom} ${jaws.x} ${jaws.bottom}T${jaws.x + jaws.half + 14} ${jaws.bottom + 26}`"
        />
      </g>
      <circle
        :cx="plane.x0 + tip[0] * plane.perM"
        :cy="plane.y0 - tip[1] * plane.perM"
        :r="isIn ? 7 : 5"
        class="point"
        :class="{ clear, in: isIn }"
      />
      <text x="4" :y="H - 8">{{ said }}</text>
    </svg>
  </div>
</template>

<style scoped>
.jaw path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 5;
  stroke-linecap: round;
}
.line {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1.2;
}
.pulled {
  stroke: var(--float);
  stroke-width: 2.4;
}
.point {
  fill: var(--paper);
  stroke: var(--wrack);
  stroke-width: 2.5;
}
.point.clear {
  stroke: var(--marram);
}
.point.in {
  fill: var(--marram);
}
text {
  font: 600 14px var(--font-figure);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
</style>
