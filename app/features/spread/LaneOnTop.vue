<script setup lang="ts">
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import FitNotes from './FitNotes.vue'
import MeasureRow from './MeasureRow.vue'
import PostureGlyph from './PostureGlyph.vue'
import RangeWhisker from './RangeWhisker.vue'
import type { OnTopReport } from '#core'
import type { MeasureAxes } from './axes'
import { castHint, castNote } from '#words/castWords'
import { draftWords, raftWords, sitsWords, workedWords } from '#words/onTopWords'
import { percentText } from '#words/units'
import { oddsText } from '#words/words'

/** A rig that floats, as it is fished on the surface. */
const props = defineProps<{ report: OnTopReport; axes: MeasureAxes }>()
const settings = useSettings()
const spread = useSpread()
const still = computed(() => props.report.cast.stillM ?? props.report.cast.distanceM)
const odds = computed(() => oddsText(props.report.snag.snagPerCast))
const raft = computed(() => raftWords(props.report, settings.system))
const wind = computed(() => spread.content.water.wind)
</script>

<template>
  <div class="on-top">
    <MeasureRow
      term="onTop"
      value="afloat"
      unit=""
      :note="`${sitsWords(report)}; ${draftWords(report, settings.system)}`"
      basis="computed"
      hint="Attitude of least energy of the rig on still water, from its own shape and masses."
    >
      <PostureGlyph :pitch-rad="report.sits.pitchRad" :roll-rad="report.sits.rollRad" />
    </MeasureRow>
    <p class="worked">{{ workedWords(report, settings.system) }}</p>
    <MeasureRow
      v-if="report.raft && raft"
      term="raft"
      :value="String(Math.round(100 * report.raft.wholeInShare))"
      unit="%"
      note="of them take all of it, stopped"
      basis="computed"
      hint="Its own shape and masses are computed; how large the holes are and how much leaves or weed carry is assumed."
    />
    <p v-if="raft" class="worked">{{ raft }}</p>
    <MeasureRow
      term="snag"
      flat
      :value="odds.value"
      :unit="odds.unit"
      :note="`${Math.round(report.snag.minutesLeft.value)} min/h left, worked steadily across`"
      :basis="report.snag.minutesLeft.basis"
      hint="What lies on top or stands through it, met from below."
    >
      <RangeWhisker :measure="report.snag.minutesLeft" :axis="axes.minutes" />
    </MeasureRow>
    <MeasureRow
      term="hookUp"
      flat
      :value="String(Math.round(100 * report.hookUp.value))"
      unit="%"
      note="of takes from below; a third miss a bait on top (assumed)"
      :basis="report.hookUp.basis"
      :hint="`${percentText(report.hookUp.low)} to ${percentText(report.hookUp.high)}.`"
    >
      <RangeWhisker :measure="report.hookUp" :axis="axes.hookUp" />
    </MeasureRow>
    <MeasureRow
      term="cast"
      flat
      :value="String(Math.round(settings.units.depth.from(still.value)))"
      :unit="settings.units.depth.label"
      :note="castNote(report.cast, wind, settings.units)"
      :basis="still.basis"
      :hint="castHint(report.cast, wind, settings.units)"
    >
      <RangeWhisker :measure="still" :axis="axes.cast" />
    </MeasureRow>
    <FitNotes :fit="report.fit" />
  </div>
</template>

<style scoped>
.on-top {
  grid-row: span 7;
}
.worked {
  padding: 2px 10px 6px 68px;
  font-size: 13px;
  color: var(--ink-soft);
}
</style>
