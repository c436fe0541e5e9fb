<script setup lang="ts">
import { computed } from 'vue'
import type { TripAnswer } from '~/compute/trip'
import { LETTERS } from '#schemas/ranges'
import { useSettings } from '~/ui/settings'
import { shown, weightText } from '#words/units'
import { BASIS_MARKS } from '#words/words'

/** A watch to count down with: how many seconds from the splash to each depth, and to the bottom. */
const props = defineProps<{ count: TripAnswer['countdowns'][number]; depths: readonly number[] }>()
const settings = useSettings()
const R = 44
/** Once round, s: the least of these that holds the whole fall. */
const ROUNDS = [5, 10, 15, 20, 30, 60, 120] as const
const round = computed(() => ROUNDS.find(s => s >= props.count.bottomS) ?? ROUNDS.at(-1)!)
const at = (seconds: number, radius: number): { readonly x: number; readonly y: number } => {
  const turn = (2 * Math.PI * seconds) / round.value - Math.PI / 2
  return { x: radius * Math.cos(turn), y: radius * Math.sin(turn) }
}
const seconds = computed(() => Array.from({ length: round.value }, (_, s) => s))
const written = computed(() => seconds.value.filter(s => s % (round.value / 5) === 0))
/** Depths that have room on the dial: no two nearer than this, parts of a turn. */
const APART = 0.06
const marks = computed(() => {
  const found: { readonly s: number; readonly text: string; readonly end?: boolean }[] = [
    { s: props.count.bottomS, text: `bottom ${BASIS_MARKS[props.count.basis]}`, end: true },
  ]
  props.count.seconds.forEach((s, i) => {
    if (Number.isFinite(s) && found.every(m => Math.abs(m.s - s) / round.value > APART))
      found.push({ s, text: shown(props.depths[i]!, { ...settings.units.depth, decimals: 1 }) })
  })
  return found
})
const sweep = computed(() => {
  const { x, y } = at(Math.min(props.count.bottomS, round.value - 1e-3), R)
  return `M 0 0 L 0 ${-R} A ${R} ${R} 0 ${props.count.bottomS > round.value / 2 ? 1 : 0} 1 ${x} ${y} Z`
})
const letter = computed(() => LETTERS[props.count.rod]!)
const weight = computed(() =>
  props.count.weightKg > 0 ? weightText(props.count.weightKg, settings.system) : 'no weight',
)
</script>

<template>
  <svg
    class="dial"
    :class="`lane-${letter}`"
    viewBox="-92 -66 184 132"
    role="img"
    :aria-label="`${letter}, ${weight}: on the bottom after ${Math.round(count.bottomS)} s. Once round is ${round} s.`"
  >
    <circle :r="R" class="face" />
    <path :d="sweep" class="sweep" />
    <line
      v-for="s in seconds"
      :key="s"
      :x1="at(s, R).x"
      :y1="at(s, R).y"
      :x2="at(s, R - 4).x"
      :y2="at(s, R - 4).y"
      class="second"
    />
    <text v-for="s in written" :key="`t${s}`" :x="at(s, R - 11).x" :y="at(s, R - 11).y + 3" class="written">
      {{ s }}
    </text>
    <g v-for="m in marks" :key="m.text" :class="{ end: m.end }">
      <line
        :x1="at(m.s, R - 2).x"
        :y1="at(m.s, R - 2).y"
        :x2="at(m.s, R + 6).x"
        :y2="at(m.s, R + 6).y"
        class="mark"
      />
      <text
        :x="at(m.s, R + 10).x"
        :y="at(m.s, R + 10).y + 4"
        :text-anchor="at(m.s, 1).x > 0.25 ? 'start' : at(m.s, 1).x < -0.25 ? 'end' : 'middle'"
      >
        {{ m.text }}
      </text>
    </g>
    <text y="-4" class="letter">{{ letter }}</text>
    <text y="10" class="weight">{{ weight }}</text>
  </svg>
</template>

<style scoped>
.dial {
  width: 190px;
  height: 170px;
}
.face {
  fill: var(--raised);
  stroke: var(--ink);
  stroke-width: 1.2;
}
.sweep {
  fill: var(--lane);
  opacity: 0.16;
}
.second {
  stroke: var(--ink-soft);
  stroke-width: 0.7;
}
.mark {
  stroke: var(--lane);
  stroke-width: 2;
}
text {
  font: 10px var(--font-figure);
  fill: var(--ink);
}
.written {
  font-size: 8px;
  fill: var(--ink-soft);
  text-anchor: middle;
}
.end text {
  font-weight: 700;
}
.letter {
  font-size: 16px;
  font-weight: 700;
  fill: var(--lane);
  text-anchor: middle;
}
.weight {
  font-weight: 600;
  text-anchor: middle;
}
</style>
