<script setup lang="ts">
import type { ChartOptions } from 'chart.js'
import { computed } from 'vue'
import type { StrikeAnswer } from '~/compute/strike'
import { loadText } from '#words/units'
import ChartFrame from '~/ui/charts/ChartFrame.vue'
import { axis, common } from '~/ui/charts/theme'
import { token } from '~/ui/drawing/identity'
import { useSettings } from '~/ui/settings'

/**
 * The set: force at the hook as the rod comes up, against what plastic and jaw take and what opens the hook. Where the
 * pull does not reach the one, or passes the other, the fish is lost.
 */
const props = defineProps<{ bite: Extract<StrikeAnswer, { kind: 'bite' }> }>()
const settings = useSettings()
const load = (n: number): string => loadText(n, settings.system)
const unit = computed(() => settings.units.lineStrength)
const swept = computed(() => settings.units.depth)
const needsN = computed(() => props.bite.chain.plasticN + props.bite.chain.neededN)
/** Lines across: what must be passed, and what must not. A limit far above the pull is told, not drawn. */
const most = computed(() => 1.25 * Math.max(props.bite.chain.setN, needsN.value))
const limits = computed(() => [
  { n: needsN.value, text: `goes in at ${load(needsN.value)}`, colour: 'marram' },
  { n: props.bite.chain.opensN, text: `hook opens at ${load(props.bite.chain.opensN)}`, colour: 'wrack' },
])
const drawn = computed(() => limits.value.filter(l => l.n <= most.value))
const above = computed(() => limits.value.filter(l => l.n > most.value))
const marks = computed(() => {
  const top = unit.value.from(most.value)
  const step = [0.5, 1, 2, 5, 10, 20, 50].find(s => top / s <= 5) ?? 100
  return Array.from({ length: Math.floor(top / step) + 1 }, (_, i) => ({
    at: i * step,
    text: i === 0 ? `0 ${unit.value.label}` : String(i * step),
  }))
})
const data = computed(() => {
  void settings.theme
  return {
    datasets: [
      {
        label: 'at the hook',
        data: props.bite.set.map(({ sweptM, forceN }) => ({
          x: swept.value.from(sweptM),
          y: unit.value.from(forceN),
        })),
        borderColor: token('ink'),
        borderWidth: 2.5,
        pointRadius: 0,
      },
    ],
  }
})
const options = computed((): ChartOptions<'line'> => {
  void settings.theme
  return {
    ...common(),
    parsing: false,
    events: [],
    layout: { padding: { right: 10, top: 4 } },
    plugins: {
      tooltip: { enabled: false },
      annotation: {
        clip: false,
        annotations: drawn.value.map(({ n, text, colour }) => ({
          type: 'line' as const,
          yMin: unit.value.from(n),
          yMax: unit.value.from(n),
          borderColor: token(colour),
          borderWidth: 2,
          borderDash: [6, 3],
          label: {
            display: true,
            content: text,
            position: 'start' as const,
            yAdjust: -9,
            backgroundColor: 'transparent',
            color: token(colour),
            font: { size: 13, weight: 600 as const },
            padding: 0,
          },
        })),
      },
    },
    scales: {
      x: axis({ min: 0, title: `rod tip swept, ${swept.value.label}` }),
      y: axis({ min: 0, max: unit.value.from(most.value), marks: marks.value }),
    },
  }
})
const label = computed(
  () =>
    `The set brings ${load(props.bite.chain.setN)} to the hook; ${limits.value.map(l => l.text).join('; ')}.`,
)
const rows = computed(() =>
  props.bite.set.map(({ sweptM, forceN }) => [
    Number(swept.value.from(sweptM).toFixed(2)),
    Number(unit.value.from(forceN).toFixed(1)),
  ]),
)
</script>

<template>
  <section class="set" aria-label="The set">
    <h2 class="label">
      ◇ the set: force at the hook as the rod comes up<template v-for="l in above" :key="l.text"
        >; {{ l.text }}</template
      >
    </h2>
    <ChartFrame
      class="plot"
      type="line"
      :data="data"
      :options="options"
      :label="label"
      name="dunecrest-set"
      :head="[`swept, ${swept.label}`, `force, ${unit.label}`]"
      :rows="rows"
    />
  </section>
</template>

<style scoped>
.set {
  display: flex;
  flex-direction: column;
  min-height: 230px;
}
.plot {
  flex: 1;
}
</style>
