<script setup lang="ts">
import { UButton, UDropdownMenu } from '#components'
import { usePreferredReducedMotion } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { useEvaluation } from '~/sheet/useEvaluation'
import { useBend } from './useBend'
import { useKeys } from '~/sheet/useKeys'
import { useSpread } from '~/sheet/spread'
import CheckField from '~/ui/CheckField.vue'
import ChoiceField from '~/ui/ChoiceField.vue'
import LineField from '~/sheet/fields/LineField.vue'
import NumberFieldDepth from '~/sheet/fields/NumberFieldDepth.vue'
import SheetFrame from '~/sheet/SheetFrame.vue'
import TankCharts from './TankCharts.vue'
import TankConditions from './TankConditions.vue'
import TankGlass from './TankGlass.vue'
import TankTable from './TankTable.vue'
import ZoneField from '~/sheet/fields/ZoneField.vue'
import { PLASTIC_IDS, PLASTICS } from '#core'
import { dropRows, dropsCsv } from '../../../shared/dropRecord'
import { TANK_SPEEDS, useDropClock } from '~/ui/useDropClock'
import { diversOf, floatersOf, type Diver } from '~/ui/drawing/diver'
import { SETTLE_S } from '~/ui/drawing/dropPath'
import { LESSONS } from './lessons'
import { useSettings } from '~/ui/settings'
import { summaryOf } from '~/ui/drawing/told'
import PlayKey from '~/ui/PlayKey.vue'
import SlideBar from '~/ui/SlideBar.vue'

/** The rigs dropped side by side, large: from the side and from above, with charts, figures and what-ifs. */
defineProps<{ id: string | undefined }>()
const settings = useSettings()
const spread = useSpread()
const { outcomes, working, error, retry } = useEvaluation(() => (spread.opened ? spread.content : undefined))
const reduced = usePreferredReducedMotion()
const order = computed(() => spread.content.lanes.map(l => l.letter))
const depthM = computed(() => spread.content.water.depthM)
const {
  wanted: bends,
  said: bentSaid,
  drops: bentDrops,
  bent,
} = useBend(() => (spread.opened ? spread.content : undefined), outcomes)
const divers = computed(() => bent(diversOf(order.value, outcomes.value)))
const floaters = computed(() => floatersOf(order.value, outcomes.value))
const zone = computed(() => spread.content.water.zone)
const end = computed(() =>
  divers.value.length === 0 ? 0 : SETTLE_S + Math.max(...divers.value.map(d => d.drop.timeS)),
)
const clock = useDropClock(() => end.value)
const { time, playing, rate } = clock
const shownAt = (): number => time.value
const SPEED_WORDS: Readonly<Record<number, string>> = {
  1: 'real time',
  0.5: 'half speed',
  0.25: 'quarter',
  0.1: 'tenth',
}
const speeds = TANK_SPEEDS.map(speed => ({ value: String(speed), label: SPEED_WORDS[speed]! }))
const plastics = PLASTIC_IDS.map(value => ({ value, label: PLASTICS[value].name }))
const rod = computed(() => {
  const hold = spread.content.line.hold
  return hold && hold.mode !== 'slack' ? { rodDistanceM: hold.rodDistanceM } : {}
})

/** A drop worked out again and found the same. */
const same = (one: Diver['drop'], other: Diver['drop']): boolean =>
  one === other || (one.timeS === other.timeS && one.samples.length === other.samples.length)
/** The drop before the last change stays as a ghost, one for each rig. */
const ghosts = shallowRef<readonly Diver[]>([])
watch(divers, (now, before) => {
  const changed = before.filter(old => now.some(d => d.letter === old.letter && !same(d.drop, old.drop)))
  if (changed.length > 0)
    ghosts.value = [...ghosts.value.filter(g => changed.every(c => c.letter !== g.letter)), ...changed]
})

/** What to look for in the set piece on show; gone with the next drop that was not asked for here. */
const looking = ref('')
const lessons = LESSONS.map(({ title, look, apply }) => ({
  label: title,
  onSelect: () => {
    ghosts.value = []
    spread.edit(apply)
    looking.value = look
    restart = true
  },
}))
let restart = false
watch(
  working,
  now => {
    if (now || !restart) return
    restart = false
    ghosts.value = []
    if (reduced.value === 'reduce') return clock.seek(end.value)
    clock.seek(0)
    clock.play()
  },
  { flush: 'post' },
)

function exportDrops(kind: 'csv' | 'json'): void {
  const drops = divers.value.map(({ letter, drop, links }) => ({ rig: letter, drop, links }))
  const text =
    kind === 'csv'
      ? dropsCsv(drops)
      : JSON.stringify(
          {
            format: 'dunecrest-drop',
            version: 1,
            spread: spread.content,
            drops: drops.map(({ rig, drop, links }) => ({
              rig,
              ...(links ? { links: links.map(({ parent, joint }) => ({ parent, jointM: joint })) } : {}),
              moments: dropRows(drop),
            })),
          },
          null,
          1,
        )
  const link = document.createElement('a')
  link.href = URL.createObjectURL(
    new Blob([text], { type: kind === 'csv' ? 'text/csv' : 'application/json' }),
  )
  link.download = `${
    spread.name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'drop'
  }-drop.${kind}`
  link.click()
  URL.revokeObjectURL(link.href)
}

const exports = (['csv', 'json'] as const).map(kind => ({
  label: `These drops as ${kind.toUpperCase()}`,
  onSelect: () => exportDrops(kind),
}))

const KEYS_SAID =
  'Space drops, ← → step a frame, Shift a second. ◇ Computed by the model, ◆ with your drops where you made them.'
/** One frame of a film at thirty a second. */
const FRAME_S = 1 / 30
const described = computed(() => summaryOf(order.value, outcomes.value, settings.system, zone.value))
const frames = (event: KeyboardEvent): number => (event.shiftKey ? 1 : FRAME_S)
useKeys([
  {
    keys: '→',
    says: 'a frame on; with Shift a second',
    on: ['arrowright', 'shift_arrowright'],
    run: event => clock.seek(time.value + frames(event)),
  },
  {
    keys: '←',
    says: 'a frame back; with Shift a second',
    on: ['arrowleft', 'shift_arrowleft'],
    run: event => clock.seek(time.value - frames(event)),
  },
  { keys: 'Home', says: 'to the splash', on: ['home'], run: () => clock.seek(0) },
])
</script>

<template>
  <SheetFrame :id="id" view="tank" @drop="clock.toggle()">
    <section class="strip" aria-label="Conditions">
      <NumberFieldDepth />
      <ChoiceField
        label="material"
        :model-value="spread.content.bait.material"
        :items="plastics"
        @update:model-value="value => spread.edit(draft => void (draft.bait.material = value))"
      />
      <TankConditions />
      <ZoneField />
      <LineField />
      <span v-if="looking" class="look">{{ looking }}</span>
      <span class="grow" />
      <UDropdownMenu :items="lessons"><UButton icon="i-lucide-eye">Show me</UButton></UDropdownMenu>
      <UDropdownMenu :items="exports"
        ><UButton icon="i-lucide-download" :disabled="divers.length === 0">Export</UButton></UDropdownMenu
      >
      <UButton :disabled="ghosts.length === 0" @click="ghosts = []"> Clear ghosts </UButton>
    </section>
    <p v-if="error" class="error" role="alert">
      The figures could not be worked out: {{ error }}
      <UButton variant="ghost" @click="retry()">Try again</UButton>
    </p>
    <div class="body" :aria-busy="working">
      <TankGlass
        :divers="divers"
        :ghosts="ghosts"
        :floaters="floaters"
        :depth-m="depthM"
        :time="time"
        :described="described"
        :zone="zone"
        v-bind="rod"
      />
      <TankCharts :divers="divers" :ghosts="ghosts" :depth-m="depthM" :time="time" />
    </div>
    <section class="controls no-print" aria-label="Tank">
      <PlayKey
        :playing="playing"
        play="Drop the rigs"
        stop="Pause the drop"
        :disabled="end === 0"
        @press="clock.toggle()"
      />
      <UButton icon="i-lucide-step-back" aria-label="One frame back" @click="clock.seek(time - FRAME_S)" />
      <UButton icon="i-lucide-step-forward" aria-label="One frame on" @click="clock.seek(time + FRAME_S)" />
      <SlideBar
        class="time"
        :model-value="time"
        label="Time of the drop"
        :min="0"
        :max="end"
        :step="0.02"
        :says="`${time.toFixed(1)} seconds`"
        @update:model-value="clock.seek"
      />
      <output class="figure">{{ time.toFixed(1) }} s</output>
      <ChoiceField
        label="Speed of the drop"
        hide-label
        :model-value="String(rate)"
        :items="speeds"
        @update:model-value="value => (rate = Number(value))"
      />
      <CheckField v-model="bends" label="plastic bends" />
      <span class="label says" role="status">{{ bentSaid || KEYS_SAID }}</span>
    </section>
    <TankTable
      :lanes="spread.content.lanes"
      :outcomes="outcomes"
      :at="shownAt"
      :zone="zone"
      :bent="bentDrops"
    />
    <p class="visually-hidden" aria-live="polite">{{ working ? '' : described }}</p>
  </SheetFrame>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
  padding: 5px 12px;
  border-bottom: var(--line-weight) solid var(--hair-strong);
}
.grow {
  flex: 1;
}
.body {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(0, 1fr);
  min-height: 420px;
}
.controls {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 5px 12px;
  border-top: var(--line-weight) solid var(--ink);
}
.time {
  flex: 1;
  min-width: 80px;
}
.says {
  max-width: 60ch;
  line-height: 1.25;
}
output {
  font-size: 16px;
  min-width: 6ch;
  text-align: right;
}

.look {
  font-size: 15px;
  padding-left: 10px;
  border-left: 4px solid var(--float);
}
.error {
  padding: 8px 12px;
  color: var(--wrack);
}
.error button {
  text-decoration: underline;
}
@media (max-width: 899px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
  .body > :first-child {
    min-height: 480px;
  }
  .controls {
    flex-wrap: wrap;
  }
  .drop {
    width: 56px;
    height: 56px;
  }
}
</style>
