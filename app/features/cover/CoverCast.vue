<script setup lang="ts">
import { UButton } from '#components'
import { useElementSize, usePreferredReducedMotion, useRafFn } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useSpread } from '~/sheet/spread'
import { CAST_M, onPath, radToDeg, type ThingLook } from '#core'
import type { Letter } from '#schemas/ranges'
import CoverThing from './CoverThing.vue'
import { FATE_WORDS, SITE_WORDS } from './coverWords'
import { useSettings } from '~/ui/settings'
import PlayKey from '~/ui/PlayKey.vue'
import SlideBar from '~/ui/SlideBar.vue'
import { withUnit } from '#words/units'
import type { CastEvent, CoverLane } from '~/compute/cover'

/**
 * One cast, the same for every rig: what stands along it, and what becomes of each rig there. Played from the
 * splash in.
 */
const props = defineProps<{
  lanes: readonly CoverLane[]
  obstacles: readonly { readonly name: string; readonly look: ThingLook }[]
  depthM: number
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
/** Height of one rig's water, px: less where many rigs come through. */
const row = computed(() => (props.lanes.length > 3 ? 58 : 74))
/** Left free over the surface and under the bottom of each, px. */
const SKY = 7
const BED = 5
const LEFT = 34
/** Water that is drawn, m from the bottom up: enough for the highest of the ways. */
const drawnM = computed(() => {
  const highest = Math.max(
    0.5,
    ...props.lanes.flatMap(l => l.path.slice(1).map(leg => Math.max(leg.fromHighM, leg.toHighM))),
  )
  return Math.min(props.depthM, 1.5 * highest)
})
const perM = computed(() => (row.value - SKY - BED) / drawnM.value)
/** Up from a rig's bottom, px. */
const up = (highM: number): number => -Math.min(drawnM.value + SKY / perM.value, highM) * perM.value
/** Rigs are drawn so many pixels to a metre, long ones smaller so that they keep to their own water. */
const RIG_PER_M = 420
const RIG_MOST = 52
const rigPerM = computed(() =>
  Math.min(RIG_PER_M, RIG_MOST / Math.max(0.01, ...props.lanes.map(l => l.drawing.bounds[2]))),
)
/** Heights over lengths, and rigs over lengths, as drawn. */
const stretched = computed(() => ({
  heights: Math.max(1, Math.round(perM.value / ((width.value - LEFT - 12) / CAST_M))),
  rigs: Math.round(rigPerM.value / ((width.value - LEFT - 12) / CAST_M)),
}))
const x = (m: number): number => width.value - 12 - ((width.value - LEFT - 12) * m) / CAST_M

/** The retrieve runs in this many seconds on the screen; a hang-up holds it for a moment. */
const PLAY_S = 7
const HOLD_M = 0.7
/** And in so many times as long when it is slowed. */
const SLOW = 4
const slow = ref(false)
const at = ref(CAST_M)
const reduced = usePreferredReducedMotion()
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
/** Without motion the rigs stand at one meeting after the other. */
function stepOn(): void {
  const next = things.value.find(t => t.atM > at.value + 0.01)
  at.value = next?.atM ?? (at.value < CAST_M ? CAST_M : 0)
  if (next) emit('look', next.key)
}
function play(): void {
  if (reduced.value === 'reduce') return stepOn()
  if (playing.value) return stop()
  if (at.value >= CAST_M) at.value = 0
  last = 0
  playing.value = true
  resume()
}
// what comes anew is looked at where the old was
watch(() => props.lanes, stop)

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
const scaleWords = computed(
  () =>
    `${stretched.value.heights > 1 ? `Heights are drawn ${stretched.value.heights} times, rigs` : 'Rigs are drawn'} ${stretched.value.rigs} times as large as lengths.`,
)
const things = computed(() =>
  (props.lanes[0]?.events ?? []).map((e, i) => ({
    key: i,
    atM: e.atM,
    x: x(e.atM),
    thick: Math.max(1.2, Math.min(18, e.sizeM * 700)),
    name: props.obstacles[e.obstacle]?.name ?? '',
    look: props.obstacles[e.obstacle]?.look ?? ('blade' as const),
  })),
)
/** A rig's way to where it has come, or the whole of it. */
function wayOf(lane: CoverLane, toM: number): string {
  const points = [`${x(0)} ${up(lane.path[0]!.fromHighM)}`]
  for (const leg of lane.path) {
    if (leg.fromM >= toM) break
    const end = Math.min(toM, leg.toM)
    const high = leg.toM > toM ? onPath([leg], end).highM : leg.toHighM
    points.push(`${x(end).toFixed(1)} ${up(high).toFixed(1)}`)
  }
  return `M${points.join('L')}`
}
/** Where a rig is, and how it lies; the nose is drawn toward the rod. */
function placeOf(lane: CoverLane) {
  const alongM = come(lane)
  const { highM, pitchRad } = onPath(lane.path, alongM)
  // what lies nose up has its tail on the bottom, not in it
  const tailUnder = Math.max(0, Math.sin(pitchRad)) * lane.drawing.bounds[2] * rigPerM.value
  return { x: x(alongM), y: Math.min(up(highM), -tailUnder), turn: radToDeg(pitchRad) }
}
const drawn = (lane: CoverLane): { d: string; stroke: number }[] =>
  lane.drawing.shapes
    .filter(s => s.kind !== 'slot')
    .map(s => {
      let d = ''
      for (let i = 0; i < s.points.length; i += 2)
        d += `${i === 0 ? 'M' : 'L'}${(s.points[i]! * rigPerM.value).toFixed(1)} ${(-s.points[i + 1]! * rigPerM.value).toFixed(1)}`
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
      <PlayKey :playing="playing" play="Bring the rigs in" stop="Stop the retrieve" @press="play()" />
    </div>
    <div ref="host" class="water">
      <svg
        v-if="width > 0"
        :width="width"
        :height="row * lanes.length + 20"
        role="img"
        :aria-label="`The same cast for every rig, splash at the right. ${told}`"
      >
        <g
          v-for="(lane, i) in lanes"
          :key="lane.letter"
          :class="[`lane-${lane.letter}`, { picked: picked === lane.letter }]"
          :transform="`translate(0 ${row * (i + 1) - BED})`"
        >
          <rect
            :x="x(CAST_M)"
            :y="-drawnM * perM"
            :width="x(0) - x(CAST_M)"
            :height="drawnM * perM"
            class="wet"
          />
          <g
            v-for="t in things"
            :key="t.key"
            class="met"
            :class="{ looked: t.key === looked }"
            :transform="`translate(${t.x} 0)`"
            @click="emit('look', t.key)"
          >
            <title>{{ t.name }}: look closely</title>
            <rect x="-8" :y="-row + BED" width="20" :height="row" class="reach" />
            <CoverThing :look="t.look" :thick="t.thick" :water="drawnM * perM" :per-m="perM" :index="t.key" />
            <path
              v-if="t.key === looked && i === 0"
              :d="`M0 ${-row + SKY + BED + 6} l-6 -9 h12 z`"
              class="here"
            />
          </g>
          <line :x1="x(CAST_M)" :x2="x(0)" y1="0" y2="0" class="bed" />
          <path :d="wayOf(lane, CAST_M)" class="way" />
          <path :d="wayOf(lane, come(lane))" class="gone" />
          <template v-for="(e, k) in lane.events" :key="k">
            <g
              v-if="e.fate !== 'past' && come(lane) >= e.atM - 0.01"
              :transform="`translate(${x(e.atM)} ${up(onPath(lane.path, e.atM).highM)})`"
            >
              <title>
                {{ obstacles[e.obstacle]?.name }}: {{ FATE_WORDS[e.fate]
                }}{{ e.site ? `, ${SITE_WORDS[e.site]}` : '' }}
              </title>
              <circle v-if="e.fate === 'weed'" r="4.5" class="weed" />
              <g v-else class="snag">
                <line x1="-6" y1="-6" x2="6" y2="6" />
                <line x1="-6" y1="6" x2="6" y2="-6" />
                <text v-if="e.fate === 'lost'" x="9" y="4">lost</text>
                <text v-else-if="e.fate === 'opened'" x="9" y="4">opens</text>
              </g>
            </g>
          </template>
          <line :x1="placeOf(lane).x" :y1="placeOf(lane).y" :x2="x(CAST_M)" :y2="-row + BED" class="line" />
          <g :transform="`translate(${placeOf(lane).x} ${placeOf(lane).y}) rotate(${placeOf(lane).turn})`">
            <path v-for="(s, k) in drawn(lane)" :key="k" :d="s.d" class="rig" :stroke-width="s.stroke" />
          </g>
          <text x="4" :y="-row / 2 + 8" class="letter" @click="emit('pick', lane.letter as Letter)">
            {{ lane.letter }}
          </text>
        </g>
        <text :x="x(0)" :y="row * lanes.length + 14" text-anchor="end" class="note">the splash</text>
        <text :x="x(CAST_M)" :y="row * lanes.length + 14" class="note">
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
        The same things are met by every rig in {{ spread.content.water.place || 'this water' }}; each falls
        and rides as computed, moved as it is worked. Green dot: picks up weed; cross: hangs up.
        {{ scaleWords }}
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
.met {
  cursor: pointer;
}
.reach {
  fill: transparent;
}
.looked .reach {
  fill: color-mix(in srgb, var(--float) 14%, transparent);
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
.bed {
  stroke: var(--bed-ink);
  stroke-width: 2;
}
.way {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1;
  stroke-dasharray: 2 4;
  opacity: 0.7;
}
.gone {
  fill: none;
  stroke: var(--lane);
  stroke-width: 1.8;
}
.picked .gone {
  stroke-width: 3;
}
.line {
  stroke: var(--ink-soft);
  stroke-width: 0.7;
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
