<script setup lang="ts">
import { UModal } from '#components'
import type { ChartData, ChartOptions } from 'chart.js'
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import LaneChip from '~/ui/LaneChip.vue'
import type { Letter } from '#schemas/ranges'
import { tradedOf, type Trader } from './trade'
import SlideBar from '~/ui/SlideBar.vue'
import ChartFrame from '~/ui/charts/ChartFrame.vue'
import { axis, common, through } from '~/ui/charts/theme'
import { laneColour, token } from '~/ui/drawing/identity'
import SheetTable, { type SheetColumn } from '~/ui/SheetTable.vue'

/**
 * Hook-up against fishing time left: what each rig gains and costs in every way it may be, and who comes out
 * best at so many bites an hour.
 */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ traders: readonly Trader[] }>()
const settings = useSettings()
const result = computed(() => tradedOf(props.traders, settings.bitesPerHour, settings.rigWorth))
/** Best in so many of the ways it may be: ringed. */
const RINGED = 0.8
const netOf = (letter: string) => result.value.find(r => r.letter === letter)!
/** With a true minus. */
const fish = (x: number): string => x.toFixed(1).replace('-', '−')
const COLUMNS: readonly SheetColumn<Trader>[] = [
  { id: 'rig', label: 'Rig', words: true },
  { id: 'net', label: 'Fish an hour, net' },
  { id: 'best', label: 'Best in' },
  { id: 'hooked', label: 'Hooked' },
  { id: 'left', label: 'Time left' },
  { id: 'lost', label: 'Rigs and hooks lost an hour' },
]
const sentence = computed(() => {
  const [top, next] = result.value
  if (!top) return ''
  const surest = result.value.reduce((most, r) => (r.pBest > most.pBest ? r : most))
  return `At ${settings.bitesPerHour} bites an hour ${top.letter} nets ${fish(top.net.value)} fish an hour${next ? `, ${next.letter} ${fish(next.net.value)}; ${surest.letter} is best in ${Math.round(100 * surest.pBest)} of 100 ways it may be` : ''}.`
})
/** Hook-up times share of the hour: lines along which the fish an hour are the same. */
const EQUAL = [0.1, 0.2, 0.3, 0.45, 0.6, 0.8]
const equalLine = (k: number) => ({
  type: 'line' as const,
  data: Array.from({ length: 61 - Math.ceil(60 * k) }, (_, n) => {
    const minutes = Math.ceil(60 * k) + n
    return { x: minutes, y: (6000 * k) / minutes }
  }),
  borderColor: token('hair-strong'),
  borderWidth: 1,
  borderDash: [4, 4],
  pointRadius: 0,
  order: 2,
})
const data = computed((): ChartData<'scatter'> => {
  void settings.theme
  return {
    datasets: [
      ...props.traders.map(({ letter, members }) => ({
        label: letter,
        data: Array.from(members.hookUp, (h, m) => ({ x: members.minutesLeft[m]!, y: 100 * h })),
        pointRadius: 2,
        pointBackgroundColor: through(`lane-${letter.toLowerCase()}`, 0.28),
        pointBorderWidth: 0,
        order: 1,
      })),
      ...(EQUAL.map(equalLine) as unknown as ChartData<'scatter'>['datasets']),
    ],
  }
})
/** Each rig's letter at its own figures; ringed where it is best in four of five ways and more. */
const letters = computed(() =>
  props.traders.flatMap(({ letter, hookUp, minutesLeft }) => {
    const at = { xValue: minutesLeft.value, yValue: 100 * hookUp.value }
    const ring = {
      type: 'point' as const,
      ...at,
      radius: 17,
      backgroundColor: 'transparent',
      borderColor: token('float'),
      borderWidth: 3,
    }
    const mark = {
      type: 'label' as const,
      ...at,
      content: letter,
      backgroundColor: laneColour(letter),
      color: token('lane-ink'),
      borderRadius: 2,
      font: { size: 14, weight: 'bold' as const },
      padding: { x: 5, y: 2 },
    }
    return netOf(letter).pBest >= RINGED ? [ring, mark] : [mark]
  }),
)
const options = computed((): ChartOptions<'scatter'> => {
  void settings.theme
  const equal = EQUAL.map(k => ({
    type: 'label' as const,
    xValue: 60,
    yValue: 100 * k,
    xAdjust: -34,
    content: `${(settings.bitesPerHour * k).toFixed(1)} fish/h`,
    backgroundColor: token('raised'),
    color: token('ink-soft'),
    font: { size: 11 },
  }))
  return {
    ...common(),
    events: [],
    plugins: {
      tooltip: { enabled: false },
      annotation: { clip: false, annotations: [...equal, ...letters.value] },
    },
    scales: {
      x: axis({
        min: 0,
        max: 60,
        grid: false,
        title: 'minutes of the hour left for fishing',
        marks: [0, 15, 30, 45, 60].map(at => ({ at, text: String(at) })),
      }),
      y: axis({
        min: 0,
        max: 100,
        grid: false,
        title: 'bites hooked',
        marks: [0, 25, 50, 75, 100].map(at => ({ at, text: `${at} %` })),
      }),
    },
  }
})
const rows = computed(() =>
  props.traders.map(({ letter, hookUp, minutesLeft }) => [
    letter,
    Math.round(100 * hookUp.value),
    Math.round(minutesLeft.value),
    Number(netOf(letter).net.value.toFixed(1)),
    Math.round(100 * netOf(letter).pBest),
  ]),
)
</script>

<template>
  <UModal v-model:open="open" title="What it gains, what it costs" :ui="{ content: 'max-w-3xl' }">
    <template #body>
      <p class="sentence" role="status">{{ sentence }}</p>
      <ChartFrame
        class="plot"
        type="scatter"
        :data="data"
        :options="options"
        :label="`Hook-up against fishing time left. ${sentence}`"
        name="dunecrest-trade"
        :head="['rig', 'hooked, %', 'minutes left', 'fish an hour, net', 'best in, of 100']"
        :rows="rows"
      />
      <div class="sliders">
        <label
          ><span class="label">bites an hour</span
          ><SlideBar
            v-model="settings.bitesPerHour"
            label="Bites an hour"
            :min="0.5"
            :max="20"
            :step="0.5"
          /><output class="figure">{{ settings.bitesPerHour }}</output></label
        >
        <label
          ><span class="label">a lost rig is worth</span
          ><SlideBar
            v-model="settings.rigWorth"
            label="Fish that a lost rig is worth"
            :min="0"
            :max="3"
            :step="0.1"
          /><output class="figure">{{ settings.rigWorth.toFixed(1) }} fish</output></label
        >
      </div>
      <SheetTable
        class="standing"
        :columns="COLUMNS"
        :rows="traders"
        :key-of="t => t.letter"
        :row-class="t => `lane-${t.letter}`"
      >
        <template #rig="{ row: t }"><LaneChip :letter="t.letter as Letter" /></template>
        <template #net="{ row: t }">
          <b>{{ fish(netOf(t.letter).net.value) }}</b>
          <small>{{ fish(netOf(t.letter).net.low) }} to {{ fish(netOf(t.letter).net.high) }}</small>
        </template>
        <template #best="{ row: t }">{{ Math.round(100 * netOf(t.letter).pBest) }} of 100</template>
        <template #hooked="{ row: t }">{{ Math.round(100 * t.hookUp.value) }} %</template>
        <template #left="{ row: t }">{{ Math.round(t.minutesLeft.value) }} min</template>
        <template #lost="{ row: t }">{{ t.rigsLost.toFixed(1) }}</template>
      </SheetTable>
      <p class="label">
        Dots: the same 256 ways it may be for every rig; rigs are compared dot by dot, not cloud by cloud.
        Ringed: best in 80 of 100 and more. ◇ computed; how often fish bite and what a rig is worth to you are
        yours to say, and the verdict takes them.
      </p>
    </template>
  </UModal>
</template>

<style scoped>
.plot {
  height: 330px;
}
.sentence {
  font-size: 19px;
  padding-left: 10px;
  border-left: 5px solid var(--float);
  margin-bottom: 6px;
}
.sliders {
  display: grid;
  gap: 6px;
  margin: 8px 0;
}
.sliders label {
  display: grid;
  grid-template-columns: 130px 1fr 70px;
  gap: 8px;
  align-items: center;
}
output {
  text-align: right;
  font-size: 16px;
}
.standing b {
  font-size: 18px;
}
</style>
