<script setup lang="ts">
import { UModal } from '#components'
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import LaneChip from '~/ui/LaneChip.vue'
import type { Letter } from '#schemas/spread'
import { tradedOf, type Trader } from './trade'
import SlideBar from '~/ui/SlideBar.vue'

/**
 * Hook-up against fishing time left: what each rig gains and costs in every way it may be, and who comes out
 * best at so many bites an hour.
 */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ traders: readonly Trader[] }>()
const settings = useSettings()
const W = 560
const H = 330
const x = (minutes: number): number => 50 + ((W - 70) * minutes) / 60
const y = (share: number): number => H - 40 - (H - 60) * share
const result = computed(() => tradedOf(props.traders, settings.bitesPerHour, settings.rigWorth))
const netOf = (letter: string) => result.value.find(r => r.letter === letter)!
/** Lines of equal fish an hour: hook-up times time is the same all along. */
const lines = computed(() =>
  [0.1, 0.2, 0.3, 0.45, 0.6, 0.8].map(k => {
    const points: string[] = []
    for (let m = Math.ceil(60 * k); m <= 60; m += 1)
      points.push(`${x(m).toFixed(1)} ${y((60 * k) / m).toFixed(1)}`)
    return { k, d: `M${points.join('L')}`, label: (settings.bitesPerHour * k).toFixed(1) }
  }),
)
const sentence = computed(() => {
  const [top, next] = result.value
  if (!top) return ''
  const surest = result.value.reduce((most, r) => (r.pBest > most.pBest ? r : most))
  return `At ${settings.bitesPerHour} bites an hour ${top.letter} nets ${top.net.value.toFixed(1)} fish an hour${next ? `, ${next.letter} ${next.net.value.toFixed(1)}; ${surest.letter} is best in ${Math.round(100 * surest.pBest)} of 100 ways it may be` : ''}.`
})
</script>

<template>
  <UModal v-model:open="open" title="What it gains, what it costs" :ui="{ content: 'max-w-3xl' }">
    <template #body>
      <p class="sentence" role="status">{{ sentence }}</p>
      <svg
        :viewBox="`0 0 ${W} ${H}`"
        role="img"
        :aria-label="`Hook-up against fishing time left. ${sentence}`"
      >
        <line :x1="50" :x2="W - 20" :y1="y(0)" :y2="y(0)" class="axis" />
        <line x1="50" x2="50" :y1="y(0)" :y2="y(1)" class="axis" />
        <g v-for="m in [0, 15, 30, 45, 60]" :key="m">
          <text :x="x(m)" :y="y(0) + 16" text-anchor="middle">{{ m }}</text>
        </g>
        <g v-for="p in [0, 0.25, 0.5, 0.75, 1]" :key="p">
          <text x="44" :y="y(p) + 4" text-anchor="end">{{ 100 * p }} %</text>
        </g>
        <text :x="W - 20" :y="y(0) + 32" text-anchor="end" class="name">
          minutes of the hour left for fishing
        </text>
        <text x="50" y="14" class="name">bites hooked</text>
        <g v-for="l in lines" :key="l.k">
          <path :d="l.d" class="equal" />
          <text :x="x(60) + 2" :y="y(l.k) + 4" class="small" text-anchor="end">{{ l.label }} fish/h</text>
        </g>
        <g v-for="t in traders" :key="t.letter" :class="`lane-${t.letter}`">
          <circle
            v-for="(h, m) in t.members.hookUp"
            :key="m"
            :cx="x(t.members.minutesLeft[m]!)"
            :cy="y(h)"
            r="2"
            class="member"
          />
        </g>
        <g v-for="t in traders" :key="`${t.letter} mark`" :class="`lane-${t.letter}`">
          <circle
            v-if="netOf(t.letter).pBest >= 0.8"
            :cx="x(t.minutesLeft.value)"
            :cy="y(t.hookUp.value)"
            r="17"
            class="best"
          />
          <rect
            :x="x(t.minutesLeft.value) - 9"
            :y="y(t.hookUp.value) - 9"
            width="18"
            height="18"
            rx="2"
            class="mark"
          />
          <text :x="x(t.minutesLeft.value)" :y="y(t.hookUp.value) + 5" text-anchor="middle" class="letter">
            {{ t.letter }}
          </text>
        </g>
      </svg>
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
      <table>
        <thead>
          <tr>
            <th scope="col">Rig</th>
            <th scope="col">Fish an hour, net</th>
            <th scope="col">Best in</th>
            <th scope="col">Hooked</th>
            <th scope="col">Time left</th>
            <th scope="col">Rigs and hooks lost an hour</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="t in traders" :key="t.letter" :class="`lane-${t.letter}`">
            <th scope="row"><LaneChip :letter="t.letter as Letter" /></th>
            <td>
              <b>{{ netOf(t.letter).net.value.toFixed(1) }}</b>
              <small
                >{{ netOf(t.letter).net.low.toFixed(1) }} to {{ netOf(t.letter).net.high.toFixed(1) }}</small
              >
            </td>
            <td>{{ Math.round(100 * netOf(t.letter).pBest) }} of 100</td>
            <td>{{ Math.round(100 * t.hookUp.value) }} %</td>
            <td>{{ Math.round(t.minutesLeft.value) }} min</td>
            <td>{{ t.rigsLost.toFixed(1) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="label">
        Dots: the same 256 ways it may be for every rig; rigs are compared dot by dot, not cloud by cloud.
        Ringed: best in 80 of 100 and more. ◇ computed; how often fish bite and what a rig is worth to you are
        yours to say, and the verdict takes them.
      </p>
    </template>
  </UModal>
</template>

<style scoped>
svg {
  width: 100%;
  display: block;
}
.sentence {
  font-size: 19px;
  padding-left: 10px;
  border-left: 5px solid var(--float);
  margin-bottom: 6px;
}
.axis {
  stroke: var(--ink);
}
text {
  font: 12px var(--font-figure);
  fill: var(--ink-soft);
}
.name {
  fill: var(--ink);
}
.small {
  font-size: 11px;
}
.equal {
  fill: none;
  stroke: var(--hair-strong);
  stroke-dasharray: 4 4;
}
.member {
  fill: var(--lane);
  opacity: 0.28;
}
.mark {
  fill: var(--lane);
}
.letter {
  fill: var(--lane-ink);
  font-weight: 700;
  font-size: 14px;
}
.best {
  fill: none;
  stroke: var(--float);
  stroke-width: 3;
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
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 15px;
}
thead th {
  font-weight: 400;
  font-size: 12px;
  color: var(--ink-soft);
  text-align: right;
}
thead th:first-child,
tbody th {
  text-align: left;
}
td {
  text-align: right;
  padding: 3px 6px;
  border-top: 1px solid var(--hair);
  font-family: var(--font-figure);
}
b {
  font-size: 18px;
}
small {
  color: var(--ink-soft);
}
</style>
