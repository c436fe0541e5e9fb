<script setup lang="ts">
import { UButton } from '#components'
import { useElementSize, useRafFn } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useSpread } from '~/sheet/spread'
import { CAST_M } from '#core'
import type { Letter } from '#schemas/spread'
import { FATE_WORDS, SITE_WORDS } from './coverWords'
import { useSettings } from '~/ui/settings'
import SlideBar from '~/ui/SlideBar.vue'
import { withUnit } from '#words/units'
import type { CastEvent, CoverLane } from '~/compute/cover'

/**
 * One cast, the same for every rig: what stands along it, and what becomes of each rig there. Played from the
 * splash in.
 */
const props = defineProps<{
  lanes: readonly CoverLane[]
  obstacles: readonly { readonly name: string; readonly hard: boolean }[]
  busy: boolean
  picked: string | undefined
  /** the meeting that is looked at closely */ looked: number
}>()
const emit = defineEmits<{ pick: [letter: Letter]; look: [event: number] }>()
const spread = useSpread()
const host = useTemplateRef('host')
const settings = useSettings()
/** Along the cast nothing finer than a whole unit is told. */
const far = computed(() => ({ ...settings.units.depth, decimals: 0 }))
const { width } = useElementSize(host)
const TOP = 74
const ROW = 34
const LEFT = 34
const x = (m: number): number => width.value - 12 - ((width.value - LEFT - 12) * m) / CAST_M

/** The retrieve runs in this many seconds on the screen; a hang-up holds it for a moment. */
const PLAY_S = 7
const HOLD_M = 0.7
/** And in so many times as long when it is slowed. */
const SLOW = 4
const slow = ref(false)
const at = ref(CAST_M)
const playing = ref(false)
let last = 0
const { pause, resume } = useRafFn(
  ({ timestamp }) => {
    const passed = last > 0 ? Math.min(0.1, (timestamp - last) / 1000) : 0
    last = timestamp
    const before = at.value
    at.value = Math.min(CAST_M, at.value + (passed * CAST_M) / (slow.value ? SLOW * PLAY_S : PLAY_S))
    const met = props.lanes[0]?.events.findIndex(
      (e, i) => e.atM > before && e.atM <= at.value && props.lanes.some(l => l.events[i]!.fate !== 'past'),
    )
    if (met !== undefined && met >= 0) emit('look', met)
    if (at.value >= CAST_M) stop()
  },
  { immediate: false },
)
function stop(): void {
  playing.value = false
  pause()
}
function scrub(to: number): void {
  stop()
  at.value = to
}
function play(): void {
  if (playing.value) return stop()
  if (at.value >= CAST_M) at.value = 0
  last = 0
  playing.value = true
  resume()
}
watch(
  () => props.lanes,
  () => {
    stop()
    at.value = CAST_M
  },
)

const hung = (fate: CastEvent['fate']): boolean => fate === 'freed' || fate === 'opened' || fate === 'lost'
/**
 * How far a rig has come when the clock says `at`: each hang-up costs it a stretch, a lost rig stays there.
 */
function come(lane: CoverLane): number {
  let behind = 0
  for (const e of lane.events) {
    if (e.atM + behind > at.value) break
    if (e.fate === 'lost') return e.atM
    if (hung(e.fate)) {
      if (at.value < e.atM + behind + HOLD_M && playing.value) return e.atM
      if (playing.value) behind += HOLD_M
    }
  }
  return Math.min(CAST_M, at.value - behind)
}
const things = computed(() =>
  (props.lanes[0]?.events ?? []).map((e, i) => ({
    key: i,
    x: x(e.atM),
    size: Math.max(1.2, Math.min(16, e.sizeM * 700)),
    high: 26 + 20 * ((i * 0.618) % 1),
    name: props.obstacles[e.obstacle]?.name ?? '',
    hard: props.obstacles[e.obstacle]?.hard === true,
  })),
)
const drawn = (lane: CoverLane): { d: string; stroke: number }[] =>
  lane.drawing.shapes
    .filter(s => s.kind !== 'slot')
    .map(s => {
      let d = ''
      for (let i = 0; i < s.points.length; i += 2)
        d += `${i === 0 ? 'M' : 'L'}${(s.points[i]! * 420).toFixed(1)} ${(-s.points[i + 1]! * 420).toFixed(1)}`
      return { d: s.closed ? `${d}Z` : d, stroke: s.kind === 'wire' ? 1.2 : 0.8 }
    })
const told = computed(() =>
  props.lanes
    .map(
      lane =>
        `${lane.letter}: ${
          lane.events
            .filter(e => e.fate !== 'past')
            .map(
              e =>
                `${FATE_WORDS[e.fate]} ${e.site ? SITE_WORDS[e.site] : ''} on ${props.obstacles[e.obstacle]?.name} ${withUnit(e.atM, far.value)} from the splash`,
            )
            .join('; ') || 'comes through clean'
        }.`,
    )
    .join(' '),
)
</script>

<template>
  <section class="cast" aria-label="One cast" :aria-busy="busy">
    <div class="side">
      <UButton
        :icon="playing ? 'i-lucide-pause' : 'i-lucide-play'"
        variant="ghost"
        class="play"
        :aria-label="playing ? 'Stop the retrieve' : 'Bring the rigs in'"
        @click="play()"
      />
    </div>
    <div ref="host" class="water">
      <svg
        v-if="width > 0"
        :width="width"
        :height="TOP + ROW * lanes.length + 22"
        role="img"
        :aria-label="`The same cast for every rig, splash at the left. ${told}`"
      >
        <rect x="0" y="0" :width="width" :height="TOP" class="wet" />
        <g v-for="t in things" :key="t.key" class="met" @click="emit('look', t.key)">
          <title>{{ t.name }}: look closely</title>
          <rect :x="t.x - 8" y="0" width="20" :height="TOP" class="reach" />
          <path v-if="t.key === looked" :d="`M${t.x + 2} ${TOP - t.high - 4} l-5 -8 h10 z`" class="here" />
          <line
            :x1="t.x"
            :x2="t.x + 4"
            :y1="TOP"
            :y2="TOP - t.high"
            :stroke-width="t.size"
            class="stem"
            :class="{ hard: t.hard }"
          />
        </g>
        <line x1="0" :x2="width" :y1="TOP" :y2="TOP" class="bed" />
        <g
          v-for="(lane, i) in lanes"
          :key="lane.letter"
          :class="[`lane-${lane.letter}`, { picked: picked === lane.letter }]"
          :transform="`translate(0 ${TOP + ROW * i + ROW / 2 + 4})`"
        >
          <line :x1="x(CAST_M)" :x2="x(0)" y1="0" y2="0" class="way" />
          <line :x1="x(0)" :x2="x(come(lane))" y1="0" y2="0" class="gone" />
          <template v-for="(e, k) in lane.events" :key="k">
            <g v-if="come(lane) >= e.atM - 0.01" :transform="`translate(${x(e.atM)} 0)`">
              <title>
                {{ obstacles[e.obstacle]?.name }}: {{ FATE_WORDS[e.fate]
                }}{{ e.site ? `, ${SITE_WORDS[e.site]}` : '' }}
              </title>
              <line v-if="e.fate === 'past'" y1="-4" y2="4" class="tick" />
              <circle v-else-if="e.fate === 'weed'" r="4.5" class="weed" />
              <g v-else class="snag">
                <line x1="-6" y1="-6" x2="6" y2="6" />
                <line x1="-6" y1="6" x2="6" y2="-6" />
                <text v-if="e.fate === 'lost'" x="9" y="4">lost</text>
                <text v-else-if="e.fate === 'opened'" x="9" y="4">opens</text>
              </g>
            </g>
          </template>
          <g :transform="`translate(${x(come(lane))} -8)`">
            <path v-for="(s, k) in drawn(lane)" :key="k" :d="s.d" class="rig" :stroke-width="s.stroke" />
          </g>
          <text x="4" y="5" class="letter" @click="emit('pick', lane.letter as Letter)">
            {{ lane.letter }}
          </text>
        </g>
        <text :x="x(0)" :y="TOP + ROW * lanes.length + 18" text-anchor="end" class="note">the splash</text>
        <text :x="x(CAST_M)" :y="TOP + ROW * lanes.length + 18" class="note">
          you, {{ withUnit(CAST_M, far) }} nearer
        </text>
      </svg>
      <div class="time">
        <SlideBar
          :model-value="at"
          label="How far the rigs have come"
          :min="0"
          :max="CAST_M"
          :step="0.05"
          :says="withUnit(at, far)"
          @update:model-value="scrub"
        />
        <UButton :aria-pressed="slow" @click="slow = !slow">slowly</UButton>
        <UButton
          icon="i-lucide-chevron-left"
          aria-label="The meeting before"
          :disabled="looked <= 0"
          @click="emit('look', looked - 1)"
        />
        <UButton
          icon="i-lucide-chevron-right"
          aria-label="The next meeting"
          :disabled="looked >= things.length - 1"
          @click="emit('look', looked + 1)"
        />
      </div>
      <p class="label">
        tick: passes · green dot: picks up weed · cross: hangs up. The same things are met by every rig in
        {{ spread.content.water.place || 'this water' }}.
      </p>
    </div>
  </section>
</template>

<style scoped>
.cast {
  display: grid;
  grid-template-columns: 46px minmax(0, 1fr);
}
.side {
  padding: 8px 0 0 8px;
}
.play {
  width: 34px;
  height: 34px;
  display: grid;
  place-items: center;
  background: var(--ink);
  color: var(--paper);
  border-radius: 2px;
  font-size: 18px;
}
.water {
  min-width: 0;
  padding-right: 12px;
}
svg {
  display: block;
}
.wet {
  fill: var(--water-top);
}
.stem {
  stroke: var(--growth);
  stroke-linecap: round;
}
.met {
  cursor: pointer;
}
.reach {
  fill: transparent;
}
.here {
  fill: var(--float);
}
.time {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 0 0 2px 34px;
}
.hard {
  stroke: var(--bed-ink);
}
.bed {
  stroke: var(--bed-ink);
  stroke-width: 2;
}
.way {
  stroke: var(--hair-strong);
  stroke-width: 1;
  stroke-dasharray: 2 4;
}
.gone {
  stroke: var(--lane);
  stroke-width: 2.5;
}
.picked .gone {
  stroke-width: 4;
}
.tick {
  stroke: var(--ink-soft);
  stroke-width: 1.2;
}
.weed {
  fill: var(--marram);
}
.snag line {
  stroke: var(--wrack);
  stroke-width: 3;
}
.snag text,
.note {
  font: 12px var(--font-figure);
  fill: var(--ink-soft);
}
.snag text {
  fill: var(--wrack);
  font-weight: 600;
}
.letter {
  font: 700 16px var(--font-figure);
  fill: var(--lane);
  cursor: pointer;
}
.rig {
  fill: var(--plastic);
  stroke: var(--ink);
}
</style>
