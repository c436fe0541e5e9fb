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
 * The force of a bite over its seconds: at rod and hook, and what of it drives the point, against what the jaw takes and
 * what opens the hook. Where the lines cross is the weakest link.
 */
const props = defineProps<{
  bite: Extract<StrikeAnswer, { kind: 'bite' }>
}>()
const settings = useSettings()
const load = (n: number): string => loadText(n, settings.system)
const unit = computed(() => settings.units.lineStrength)
const needsN = computed(() => props.bite.chain.neededN)
const lost = computed(() => props.bite.chain.loss === 'letGo')
/** Lines across: what must be passed, and what must not. A limit far above the pull is told, not drawn. */
const most = computed(() => 1.25 * Math.max(lost.value ? 0 : props.bite.chain.setN, needsN.value))
const limits = computed(() => [
  { n: needsN.value, text: `the jaw takes ${load(needsN.value)}`, colour: 'marram' },
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
        label: 'at rod and hook',
        data: props.bite.course.moments.map(({ tS, hookN }) => ({ x: tS, y: unit.value.from(hookN) })),
        borderColor: token('ink'),
        borderWidth: 2.5,
        pointRadius: 0,
      },
      {
        label: 'at the point',
        data: props.bite.course.moments.map(({ tS, pointN }) => ({ x: tS, y: unit.value.from(pointN) })),
        borderColor: token('float'),
        borderDash: [5, 4],
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
      x: axis({ min: 0, max: props.bite.course.endS, title: 'seconds after the mouth closes' }),
      y: axis({ min: 0, max: unit.value.from(most.value), marks: marks.value }),
    },
  }
})
const label = computed(
  () =>
    `${lost.value ? 'The fish lets go before the set' : `The set brings ${load(props.bite.chain.setN)} to the hook, ${load(Math.max(0, props.bite.course.moments.at(-1)!.pointN))} of it to the point`}; ${limits.value.map(l => l.text).join('; ')}.`,
)
const rows = computed(() =>
  props.bite.course.moments.map(({ tS, sweptM, hookN, pointN }) => [
    Number(tS.toFixed(3)),
    Number(settings.units.depth.from(sweptM).toFixed(2)),
    Number(unit.value.from(hookN).toFixed(1)),
    Number(unit.value.from(pointN).toFixed(1)),
  ]),
)
</script>

<template>
  <section class="set" aria-label="The set">
    <h2 class="label">
      ◇ force in time: <span class="hook">at rod and hook</span>, <span class="tip">at the point</span>, less
      what plastic takes<template v-for="l in above" :key="l.text">; {{ l.text }}</template>
    </h2>
    <ChartFrame
      class="plot"
      type="line"
      :data="data"
      :options="options"
      :label="label"
      name="dunecrest-set"
      :head="[
        'seconds',
        `swept, ${settings.units.depth.label}`,
        `at the hook, ${unit.label}`,
        `at the point, ${unit.label}`,
      ]"
      :rows="rows"
    />
  </section>
</template>

<style scoped>
.set {
  display: flex;
  flex-direction: column;
  flex: 1;
  min-height: 200px;
  margin-top: 8px;
}
.plot {
  flex: 1;
}
.hook {
  color: var(--ink);
  font-weight: 600;
}
.tip {
  color: var(--float);
  font-weight: 600;
}
</style>
