<script setup lang="ts">
import { UButton } from '#components'
import { computed, ref, watch } from 'vue'
import { useQuery } from '~/compute/useQuery'
import { useEvidence } from '~/sheet/evidence'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import ChoiceField from '~/ui/ChoiceField.vue'
import CoverCast from './CoverCast.vue'
import type { CoverChangesJob } from '~/compute/coverChanges'
import CoverChanges from './CoverChanges.vue'
import CoverCloseUp from './CoverCloseUp.vue'
import CoverHour from './CoverHour.vue'
import CoverRig from './CoverRig.vue'
import CoverSizes from './CoverSizes.vue'
import FishingFields from '~/sheet/fields/FishingFields.vue'
import LaneChip from '~/ui/LaneChip.vue'
import LineField from '~/sheet/fields/LineField.vue'
import SheetFrame from '~/sheet/SheetFrame.vue'
import { BOTTOM_IDS, BOTTOMS, CAST_M, COVER_IDS, COVERS, FAMILIES, PARAMETERS, SNAG_DRAWS } from '#core'
import { conditionsOf } from '~/sheet/useEvaluation'
import { SITE_WORDS } from './coverWords'
import { movedWords } from '#words/movedWords'
import { fromTo } from '#words/units'
import { articled } from '#words/sentences'
import { oddsText } from '#words/words'
import type { CoverJob, CoverLane } from '~/compute/cover'
import SheetTable, { type SheetColumn } from '~/ui/SheetTable.vue'

/** Every rig through the same cover: where it catches, why, and what that costs in fishing time. */
defineProps<{ id: string | undefined }>()
const spread = useSpread()
const evidence = useEvidence()
const settings = useSettings()
const cast = ref(1)
const job = computed<CoverJob | undefined>(() =>
  spread.opened
    ? {
        bait: spread.content.bait as CoverJob['bait'],
        conditions: conditionsOf(spread.content),
        lanes: spread.content.lanes.map(({ letter, ...rig }) => {
          const known = evidence.of(spread.content, rig)
          return {
            letter,
            rig: rig as CoverJob['lanes'][number]['rig'],
            ...(known ? { evidence: known } : {}),
          }
        }),
        draws: SNAG_DRAWS,
        cast: cast.value,
      }
    : undefined,
)
const { answer, progress, working, error, retry, cancel } = useQuery('cover', () => job.value)
const chosen = computed(
  () => answer.value?.lanes.find(l => l.letter === spread.picked) ?? answer.value?.lanes[0],
)
const covers = COVER_IDS.map(value => ({ value, label: COVERS[value].name }))
const bottoms = BOTTOM_IDS.map(value => ({ value, label: BOTTOMS[value].name }))
const familyOf = (letter: string): string =>
  FAMILIES[spread.content.lanes.find(l => l.letter === letter)!.family].shortName
const one = (x: number, digits = 1): string =>
  x < 0.05 && digits === 1 ? (x === 0 ? '0' : x.toFixed(2)) : x.toFixed(digits)
/** A meeting that was asked for; until then the first that holds some rig, or leaves weed on it. */
const pressed = ref<number>()
watch(
  () => answer.value,
  () => (pressed.value = undefined),
)
const looked = computed(() => {
  const lanes = answer.value?.lanes ?? []
  const first = (ends: (fate: string) => boolean): number =>
    lanes[0]?.events.findIndex((_, i) => lanes.some(l => ends(l.events[i]!.fate))) ?? -1
  const held = first(fate => fate !== 'past' && fate !== 'weed')
  const weedy = first(fate => fate === 'weed')
  return pressed.value ?? Math.max(0, held >= 0 ? held : weedy)
})
/** A stretch of water that people count snags by. */
const hundred = computed(() =>
  settings.units.depth.label === 'm' ? { label: 'm', m: 100 } : { label: 'yd', m: 91.44 },
)
/** Once the cast stands, so that it does not wait for the changes. */
const changesJob = computed<CoverChangesJob | undefined>(() => {
  const lane = job.value?.lanes.find(l => l.letter === chosen.value?.letter)
  if (!job.value || !lane || working.value) return undefined
  const { bait, conditions } = job.value
  return { bait, conditions, rig: lane.rig, ...(lane.evidence ? { evidence: lane.evidence } : {}) }
})
const columns = computed((): readonly SheetColumn<CoverLane>[] => [
  { id: 'rig', label: 'Rig', words: true },
  { id: 'snags', label: 'Hangs up' },
  { id: 'far', label: `In 100 ${hundred.value.label}` },
  { id: 'weed', label: 'Weed' },
  { id: 'casts', label: 'Casts an hour' },
  { id: 'snagMin', label: 'Minutes to snags' },
  { id: 'weedMin', label: 'to weed, min' },
  { id: 'fixMin', label: 'to fixing, min' },
  { id: 'left', label: 'Left for fishing' },
  { id: 'hooks', label: 'Hooks' },
  { id: 'lost', label: 'Rigs lost an hour' },
  { id: 'opened', label: 'Hooks opened' },
  { id: 'laid', label: 'Point laid back' },
  { id: 'mostly', label: 'Mostly', words: true, class: 'mostly wrap' },
])
/** What moved the chosen rig's snags away from the model's own. */
const moved = computed(() => {
  const lane = spread.content.lanes.find(l => l.letter === chosen.value?.letter)
  if (!lane || !chosen.value) return undefined
  const { letter: _, ...rig } = lane
  return movedWords(
    'snag',
    evidence.of(spread.content, rig),
    chosen.value.snag.byModel,
    evidence.whose(spread.content, rig),
  )
})
/** "B leaves 19 minutes more than C, and costs …": the dearest and the cheapest told against each other. */
const sentence = computed(() => {
  const lanes = [...(answer.value?.lanes ?? [])].sort(
    (a, b) => b.snag.minutesLeft.value - a.snag.minutesLeft.value,
  )
  const [best, worst] = [lanes[0], lanes.at(-1)]
  if (!best || !worst || best === worst) return ''
  if (best.snag.minutesLeft.low <= worst.snag.minutesLeft.high)
    return `No rig comes through clearly better here: the ranges of ${lanes.map(l => l.letter).join(', ')} overlap.`
  const cause = worst.snag.causes[0]
  return `Here ${worst.letter} costs ${Math.round(best.snag.minutesLeft.value - worst.snag.minutesLeft.value)} minutes an hour more than ${best.letter}${cause ? `, most of it to ${articled(cause.name)}, ${SITE_WORDS[cause.site]}` : ''}${worst.snag.hour.rigsLost >= 0.3 ? `, and loses ${one(worst.snag.hour.rigsLost)} rigs an hour` : ''}. It hooks ${Math.round(100 * worst.hookUp.value)} % of bites against ${Math.round(100 * best.hookUp.value)} %.`
})
</script>

<template>
  <SheetFrame :id="id" view="cover">
    <section class="strip" aria-label="Cover">
      <ChoiceField
        label="cover"
        :model-value="spread.content.water.cover"
        :items="covers"
        @update:model-value="value => spread.edit(draft => void (draft.water.cover = value))"
      />
      <ChoiceField
        label="bottom"
        :model-value="spread.content.water.bottom"
        :items="bottoms"
        @update:model-value="value => spread.edit(draft => void (draft.water.bottom = value))"
      />
      <FishingFields :show="['retrieve', 'looksEvery']" />
      <LineField />
      <span class="grow" />
      <span v-if="working" class="label" role="status"
        >{{ Math.round(100 * progress) }} % <UButton @click="cancel()">Stop</UButton></span
      >
      <UButton icon="i-lucide-refresh-cw" @click="cast++">Another cast</UButton>
    </section>
    <p v-if="error" class="error" role="alert">
      {{ error }} <UButton variant="ghost" @click="retry()">Try again</UButton>
    </p>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
    <template v-if="answer">
      <CoverCast
        :lanes="answer.lanes"
        :obstacles="answer.obstacles"
        :depth-m="spread.content.water.depthM"
        :busy="working"
        :picked="chosen?.letter"
        :looked="looked"
        @pick="letter => (spread.picked = letter)"
        @look="event => (pressed = event)"
      />
      <div class="body">
        <CoverCloseUp class="causes" :lanes="answer.lanes" :at="looked" :obstacles="answer.obstacles" />
        <CoverHour :lanes="answer.lanes" />
      </div>
      <SheetTable
        class="through"
        cards
        :columns="columns"
        :rows="answer.lanes"
        :key-of="l => l.letter"
        :row-class="l => `lane-${l.letter}`"
        label="Rigs through the cover"
      >
        <template #rig="{ row: l }"><LaneChip :letter="l.letter as 'A'" /> {{ familyOf(l.letter) }}</template>
        <template #snags="{ row: l }"
          >{{ oddsText(l.snag.snagPerCast).value }} {{ oddsText(l.snag.snagPerCast).unit }}</template
        >
        <template #far="{ row: l }">{{ one(hundred.m * l.snag.snagPerM.value) }}</template>
        <template #weed="{ row: l }">{{ Math.round(100 * l.snag.weedPerCast.value) }} %</template>
        <template #casts="{ row: l }">{{ Math.round(l.snag.hour.casts) }}</template>
        <template #snagMin="{ row: l }">{{ one(l.snag.hour.minutes.snags) }}</template>
        <template #weedMin="{ row: l }">{{ one(l.snag.hour.minutes.weed) }}</template>
        <template #fixMin="{ row: l }">{{ one(l.snag.hour.minutes.fixing) }}</template>
        <template #left="{ row: l }">
          <b>{{ Math.round(l.snag.minutesLeft.value) }}</b>
          <small>{{ fromTo(l.snag.minutesLeft.low, l.snag.minutesLeft.high) }} min</small>
        </template>
        <template #hooks="{ row: l }">{{ Math.round(100 * l.hookUp.value) }} %</template>
        <template #lost="{ row: l }">{{ one(l.snag.hour.rigsLost) }}</template>
        <template #opened="{ row: l }">{{ one(l.snag.hour.hooksOpened) }}</template>
        <template #laid="{ row: l }">
          <template v-if="l.snag.castsPerFix === undefined || l.snag.wornFraction === undefined"
            >open</template
          >
          <template v-else>
            every {{ Math.max(1, Math.round(l.snag.castsPerFix)) }} casts
            <small>worn out on {{ Math.round(100 * l.snag.wornFraction) }} %</small>
          </template>
        </template>
        <template #mostly="{ row: l }">{{
          l.snag.causes[0] && l.snag.causes[0].perCast > 0.0005
            ? `${l.snag.causes[0].name}, ${SITE_WORDS[l.snag.causes[0].site]}`
            : 'nothing holds it'
        }}</template>
      </SheetTable>
      <div class="body three">
        <section class="causes" aria-label="Where they catch">
          <h2 class="label">◇ where each catches, of a thousand casts</h2>
          <CoverRig v-for="lane in answer.lanes" :key="lane.letter" :lane="lane" />
        </section>
        <section class="why" aria-label="Why">
          <h2 class="label">◇ sizes met, against what passes under each point</h2>
          <CoverSizes :lanes="answer.lanes" :obstacles="answer.obstacles" />
        </section>
        <CoverChanges v-if="chosen" :letter="chosen.letter" :job="changesJob" />
      </div>
      <p class="label foot">
        <template v-if="moved">▤ {{ chosen?.letter }}: {{ moved }}&ensp;</template>◇ computed:
        {{ answer.lanes[0]?.snag.draws.toLocaleString('en') }} draws for each kind of obstacle and rig,
        {{ Math.round(settings.units.depth.from(CAST_M)) }} {{ settings.units.depth.label }} of cover a cast.
        How much stands there is assumed, within a factor of {{ PARAMETERS.standing.high }}; the ranges say
        so.<template v-if="chosen && chosen.doubts[0]">
          Least certain for {{ chosen.letter }}: {{ PARAMETERS[chosen.doubts[0].id].words }},
          {{
            chosen.doubts[0].minutes < 1
              ? 'below one minute'
              : `${Math.round(chosen.doubts[0].minutes)} minutes`
          }}
          of the hour from end to end; then {{ PARAMETERS[chosen.doubts[1]!.id].words }},
          {{ Math.round(chosen.doubts[1]!.minutes) }}.</template
        >
      </p>
    </template>
    <p v-else class="label wait">Bringing the rigs through…</p>
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
.sentence {
  font-size: 19px;
  padding: 8px 12px;
  border-left: 5px solid var(--float);
  margin: 6px 12px;
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
  border-top: var(--line-weight) solid var(--hair-strong);
}
@media (min-width: 900px) {
  .three {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1.1fr);
  }
}
.why,
.causes {
  border-right: 1px solid var(--hair-strong);
}
.causes,
.why {
  padding: 5px 12px;
  min-width: 0;
}
.through {
  border-top: var(--line-weight) solid var(--ink);
}
.through :deep(.left b) {
  font-size: 19px;
}
.through :deep(.laid small) {
  display: block;
  line-height: 1;
}
.foot,
.wait {
  padding: 6px 12px;
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
}
</style>
