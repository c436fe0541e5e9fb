<script setup lang="ts">
import { UButton } from '#components'
import { computed, ref } from 'vue'
import { useQuery } from '~/compute/useQuery'
import { useEvidence } from '~/sheet/evidence'
import { useSpread } from '~/sheet/spread'
import FishingFields from '~/sheet/fields/FishingFields.vue'
import LaneChip from '~/ui/LaneChip.vue'
import LineField from '~/sheet/fields/LineField.vue'
import SheetFrame from '~/sheet/SheetFrame.vue'
import StrikeChain from './StrikeChain.vue'
import StrikeFlow from './StrikeFlow.vue'
import StrikeMotion from './StrikeMotion.vue'
import StrikeSection from './StrikeSection.vue'
import { useDropClock } from '~/ui/useDropClock'
import StrikeSet from './StrikeSet.vue'
import { changeOnSheet } from './tryChange'
import { FAMILIES, PARAMETERS, type LossId } from '#core'
import type { Letter } from '#schemas/ranges'
import { bittenOn } from '../../../shared/day'
import { monthNow } from '~/sheet/month'
import { conditionsOf } from '~/sheet/useEvaluation'
import { CHANGE_WORDS } from '#words/touchWords'
import { fromTo, loadText, withUnit } from '#words/units'
import { movedWords } from '#words/movedWords'
import { BASIS_MARKS, LOSS_WORDS } from '#words/words'
import { BITES_TO_SHOW } from '~/compute/bitesToShow'
import type { StrikeJob } from '~/compute/strike'
import PlayKey from '~/ui/PlayKey.vue'
import SlideBar from '~/ui/SlideBar.vue'
import { useSettings } from '~/ui/settings'
import { problemText } from '#words/problemWords'

/**
 * A bite on one rig, step by step: jaws close, plastic gives, the point comes clear or not, the set goes in
 * or not. The weakest link is named.
 */
defineProps<{ id: string | undefined }>()
const settings = useSettings()
const spread = useSpread()
const evidence = useEvidence()
const lanes = computed(() => spread.content.lanes)
const lane = computed(() => lanes.value.find(l => l.letter === spread.picked) ?? lanes.value[0]!)
/** What the log says of this rig here. */
const known = computed(() => {
  const { letter: _, ...rig } = lane.value
  return evidence.of(spread.content, rig)
})
const moved = computed(() => {
  const { letter: _, ...rig } = lane.value
  return movedWords('hook', known.value, bite.value?.result.byModel, evidence.whose(spread.content, rig))
})
const biteN = ref<number>()
const slackM = ref<number>()
const fish = ref<number>()
/** A bite that is lost there, of the same fish that the figures are of. */
function lookAt(letter: string, loss: LossId): void {
  spread.picked = letter as Letter
  biteN.value = slackM.value = undefined
  fish.value = bites.value?.find(l => l.letter === letter)?.example[loss]
}
const { answer: bites } = useQuery('bites', () =>
  spread.opened
    ? {
        bait: spread.content.bait as StrikeJob['bait'],
        conditions: conditionsOf(spread.content),
        lanes: lanes.value.map(({ letter, ...rig }) => {
          const logged = evidence.of(spread.content, rig)
          return { letter, rig: rig as StrikeJob['rig'], ...(logged ? { evidence: logged } : {}) }
        }),
      }
    : undefined,
)
const here = computed(() => bites.value?.find(l => l.letter === lane.value.letter))
/** What one change would give, and how it is made where the sheet has a place for it. */
const changes = computed(() =>
  (bite.value?.changes ?? []).map(change => ({
    ...change,
    make: changeOnSheet(change.id, spread.content, lane.value),
  })),
)
const job = computed<StrikeJob | undefined>(() => {
  if (!spread.opened) return undefined
  const { letter: _, ...rig } = lane.value
  return {
    bait: spread.content.bait as StrikeJob['bait'],
    conditions: conditionsOf(spread.content),
    rig: rig as StrikeJob['rig'],
    ...(known.value ? { evidence: known.value } : {}),
    ...(fish.value === undefined ? {} : { fish: fish.value }),
    ...(biteN.value === undefined ? {} : { biteN: biteN.value }),
    ...(slackM.value === undefined ? {} : { slackM: slackM.value }),
  }
})
const { answer, working, error, retry } = useQuery('bite', () => job.value)
const bite = computed(() => (answer.value?.kind === 'bite' ? answer.value : undefined))
const problems = computed(() => (answer.value?.kind === 'invalid' ? answer.value.problems : []))
/** The bite runs at a quarter of its speed: a set lasts a third of a second. */
const clock = useDropClock(() => bite.value?.course.endS ?? 0)
const { time, playing } = clock
clock.rate.value = 0.25
/** Another fish, the same for every rig of the sheet. */
function nextBite(): void {
  biteN.value = slackM.value = undefined
  fish.value = ((fish.value ?? -1) + 1) % BITES_TO_SHOW
}
const load = (n: number): string => loadText(n, settings.system)
const slack = (m: number): string => withUnit(m, settings.units.depth)

const weakest = computed(() => {
  const loss = bite.value?.chain.loss
  if (!loss) return 'This bite is hooked.'
  return `This bite is lost: ${LOSS_WORDS[loss]}.`
})
</script>

<template>
  <SheetFrame :id="id" view="strike">
    <section class="strip" aria-label="Bite">
      <UButton
        v-for="(one, i) in lanes"
        :key="one.letter"
        variant="ghost"
        class="pick"
        :class="`lane-${one.letter}`"
        :aria-pressed="one.letter === lane.letter"
        :title="`Key ${i + 1}`"
        @click="spread.picked = one.letter as Letter"
      >
        <LaneChip :letter="one.letter" plain /> {{ FAMILIES[one.family].shortName }}
      </UButton>
      <span class="grow" />
      <FishingFields :show="['feeding', 'match', 'retrieve', 'rod', 'biteM']" />
      <LineField />
    </section>
    <p v-if="error" class="error" role="alert">
      {{ error }} <UButton variant="ghost" @click="retry()">Try again</UButton>
    </p>
    <p v-for="problem in problems" :key="problem.field" class="error" role="alert">
      {{ problemText(problem, settings.system) }}
    </p>
    <div v-if="bite" class="body" :aria-busy="working">
      <section class="look" aria-label="This bite">
        <p class="weakest" :class="bite.chain.loss ? 'fail' : 'pass'">{{ weakest }}</p>
        <StrikeMotion :bite="bite" :letter="lane.letter" :at="time" />
        <div class="time">
          <PlayKey :playing="playing" play="Play the bite" stop="Stop the bite" @press="clock.toggle()" />
          <SlideBar
            :model-value="time"
            label="Seconds of the bite"
            :min="0"
            :max="bite.course.endS"
            :step="0.01"
            :says="`${time.toFixed(2)} seconds`"
            @update:model-value="clock.seek"
          />
          <output class="figure">{{ time.toFixed(2) }} s</output>
          <UButton icon="i-lucide-chevron-right" title="The same fish for every rig" @click="nextBite()"
            >Next bite</UButton
          >
        </div>
        <StrikeSection :bite="bite" :letter="lane.letter" :at="time" />
        <div class="sliders">
          <label
            ><span class="label">bite</span
            ><SlideBar
              :model-value="biteN ?? bite.biteN"
              label="Force of the bite"
              :min="2"
              :max="60"
              :step="0.5"
              :says="load(bite.biteN)"
              @update:model-value="value => (biteN = value)"
            /><output class="figure">{{ load(bite.biteN) }}</output></label
          >
          <label
            ><span class="label">slack</span
            ><SlideBar
              :model-value="slackM ?? bite.slackM"
              label="Slack in the line"
              :min="0"
              :max="1.2"
              :step="0.02"
              :says="slack(bite.slackM)"
              @update:model-value="value => (slackM = value)"
            /><output class="figure">{{ slack(bite.slackM) }}</output></label
          >
          <UButton
            v-if="fish !== undefined || biteN !== undefined || slackM !== undefined"
            @click="((fish = undefined), (biteN = undefined), (slackM = undefined))"
          >
            A middling bite again
          </UButton>
        </div>
      </section>
      <section class="chain" aria-label="The chain">
        <h2 class="label">◇ link by link: what it has, what it needs ▎</h2>
        <StrikeChain :bite="bite" />
        <h3 class="label">what one change would add, of a hundred bites; ◇ computed</h3>
        <ul v-if="changes.length > 0" class="changes">
          <li v-for="c in changes" :key="c.id">
            <span>{{ CHANGE_WORDS[c.id] }}</span>
            <span class="figure"
              ><b>+{{ Math.round(100 * c.gain) }}</b>
              <small>({{ fromTo(100 * c.by.low, 100 * c.by.high) }})</small></span
            >
            <UButton
              v-if="c.make"
              :title="'Make this change on the sheet; it can be undone'"
              @click="spread.edit(c.make)"
              >Try it</UButton
            >
          </li>
        </ul>
        <p v-else class="label">No single change helps by half a percent or more.</p>
      </section>
      <section class="all" aria-label="All bites">
        <h2 class="label">
          of all bites of fish that
          {{ bittenOn(spread.content, monthNow()).feeding ?? 'grab' }}, hooked
        </h2>
        <p class="huge figure">
          {{ Math.round(100 * bite.result.hookUp.value) }}
          <small
            >% ({{ fromTo(100 * bite.result.hookUp.low, 100 * bite.result.hookUp.high) }})
            {{ BASIS_MARKS[bite.result.hookUp.basis] }}</small
          >
        </p>
        <p v-if="bite.fromBelow" class="afloat">
          It floats: a third of takes from below miss it before this (assumed), so
          {{ Math.round(100 * bite.fromBelow.value) }} % ({{
            fromTo(100 * bite.fromBelow.low, 100 * bite.fromBelow.high)
          }}) of takes end hooked.
        </p>
        <p v-if="moved" class="label">▤ {{ moved }}</p>
        <p class="label">least certain: {{ PARAMETERS[bite.result.mainDoubt].words }}</p>
        <h3 class="label">what loses the rest</h3>
        <ul>
          <li v-for="l in bite.result.losses" :key="l.id">
            <UButton
              variant="link"
              :disabled="here?.example[l.id] === undefined"
              :title="'Look at a bite that is lost so'"
              @click="lookAt(lane.letter, l.id)"
              >{{ LOSS_WORDS[l.id] }}</UButton><b class="figure">{{ Math.round(100 * l.share) }} %</b>
          </li>
        </ul>
        <StrikeSet :bite="bite" />
      </section>
      <StrikeFlow v-if="bites" class="wide" :lanes="bites" :picked="lane.letter" @look="lookAt" />
    </div>
    <p v-else-if="!error && problems.length === 0" class="label wait">Waiting for a bite…</p>
  </SheetFrame>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 7px;
  align-items: center;
  padding: 4px 10px;
  border-bottom: var(--line-weight) solid var(--ink);
}
.grow {
  flex: 1;
}
.pick {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  height: 34px;
  padding: 0 4px 0 2px;
  font-size: 14px;
  border-bottom: 3px solid transparent;
}
.pick[aria-pressed='true'] {
  border-bottom-color: var(--lane);
  font-weight: 600;
}
.body {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr) 330px;
  grid-template-rows: auto minmax(190px, 1fr);
}
.body > section {
  padding: 8px 14px;
  min-width: 0;
}
.all {
  display: flex;
  flex-direction: column;
}
.wide {
  grid-column: 1 / -1;
}
.body > .wide {
  border-top: 1px solid var(--hair-strong);
}
.look,
.chain {
  border-right: 1px solid var(--hair-strong);
}
.weakest {
  font-size: 20px;
  padding-left: 10px;
  border-left: 5px solid;
  margin-bottom: 6px;
}
.pass {
  color: var(--marram);
}
.fail {
  color: var(--wrack);
}
.time {
  display: flex;
  gap: 8px;
  align-items: center;
}
.sliders {
  display: grid;
  gap: 8px;
  margin-top: 8px;
}
.sliders label {
  display: grid;
  grid-template-columns: 44px 1fr 70px;
  gap: 8px;
  align-items: center;
}
output {
  white-space: nowrap;
  text-align: right;
  font-size: 16px;
}
.huge {
  font-size: 40px;
  font-weight: 600;
  line-height: 1.1;
}
.huge small {
  font-size: 14px;
  font-weight: 400;
  color: var(--ink-soft);
}
h3 {
  margin-top: 10px;
}
.all li,
.changes li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto 62px;
  gap: 6px;
  align-items: center;
  font-size: 14px;
  padding: 2px 0;
}
.all b {
  text-align: right;
}
.all li :deep(button) {
  justify-self: start;
}
.all li {
  grid-template-columns: minmax(0, 200px) auto;
  justify-content: start;
}
.changes b {
  display: inline-block;
  text-align: right;
  min-width: 30px;
  margin-right: 6px;
}
.changes small {
  color: var(--ink-soft);
}
.changes :deep(.control-key) {
  min-height: 24px;
}
.error {
  padding: 8px 12px;
  color: var(--wrack);
}
.error button {
  text-decoration: underline;
}
.wait {
  padding: 20px;
}
@media (max-width: 999px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
  .wide {
    grid-column: auto;
  }
  .look,
  .wide,
  .chain {
    border-right: 0;
  }
  .pick {
    height: 44px;
  }
}
</style>
