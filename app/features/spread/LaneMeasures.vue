<script setup lang="ts">
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import FitNotes from './FitNotes.vue'
import GlideGlyph from './GlideGlyph.vue'
import MeasureRow from './MeasureRow.vue'
import PostureGlyph from './PostureGlyph.vue'
import RangeWhisker from './RangeWhisker.vue'
import { BOTTOMS, COVERS, radToDeg, type Evidence, type RigReport } from '#core'
import type { MeasureAxes } from './axes'
import { DOUBT_WORDS, fallLimits, LOSS_WORDS, oddsText, postureWords, secondsText } from '#words/words'
import { castHint, castNote } from '#words/castWords'
import { percentText, withUnit } from '#words/units'

/** The measures of one rig and its fit. */
const props = defineProps<{
  report: RigReport
  axes: MeasureAxes
  evidence?: Evidence | undefined
  /** what moved snags and hook-ups, in words */ moved: { readonly snag: string; readonly hook: string }
}>()
const settings = useSettings()
const spread = useSpread()
const fall = computed(() => props.report.fall)
const pitch = computed(() => Math.round(radToDeg(fall.value.pitchRad.value)))
const odds = computed(() => oddsText(props.report.snag.snagPerCast))
const cause = computed(() => props.report.snag.causes.find(c => c.perCast > 0.0005)?.name)
const limit = computed(() => props.report.strike.losses[0])
const perFallen = computed(() => `${settings.units.depth.label} per ${settings.units.depth.label} down`)
/** Drifting less than this for each metre, it comes straight down. */
const STRAIGHT = 0.05
const course = computed(() => {
  const { glide, summary, turnsPerM } = fall.value
  const per = turnsPerM / settings.units.depth.from(1)
  const turns =
    Math.abs(turnsPerM) > 0.05 ? `, turns ${Math.abs(per).toFixed(1)}/${settings.units.depth.label}` : ''
  if (glide.value < STRAIGHT) return `straight down${turns}`
  const off = withUnit(glide.value * spread.content.water.depthM, { ...settings.units.depth, decimals: 1 })
  return `${off} off, ${summary.glideSign > 0 ? 'nose' : 'tail'} leads${turns}`
})
const fallNote = computed(() => {
  const { meanSpeedMS, timeS, bending } = fall.value
  const limp = bending?.rodS === undefined ? '' : '; bends'
  return `${withUnit(meanSpeedMS.value, settings.units.speed)}, count ${Math.round(timeS.value)}${limp}`
})
const range = (text: (x: number) => string, { low, high }: { low: number; high: number }): string =>
  `${text(low)} to ${text(high)}`
/** Tail beat in the fall, where the bait has a tail that beats. */
const beat = computed(() => {
  const hz = props.report.tailHz
  return hz && `${hz.value < 9.95 ? hz.value.toFixed(1) : Math.round(hz.value)} Hz`
})
/** What moved the fall away from the model's own. */
const movedFall = computed(() => {
  const f = props.evidence?.fall
  return f
    ? ` Moved by ${f.drops} ${f.pooled ? 'drops of other baits of its form and plastic' : 'drops of this bait'}: drag ${f.drag.toFixed(2)} of the model's, turning moment ${f.eta.toFixed(2)}.`
    : ''
})
const still = computed(() => props.report.cast.stillM ?? props.report.cast.distanceM)
const hints = computed(() => ({
  fall: `${range(secondsText, fall.value.timeS)} s to the bottom.${fallLimits(fall.value)} Least certain: ${DOUBT_WORDS[fall.value.mainDoubt]}. Computed from the fall.${movedFall.value}`,
  posture: `Pitch ${range(x => `${Math.round(radToDeg(x))}°`, fall.value.pitchRad)}, roll ${range(x => `${Math.round(radToDeg(x))}°`, fall.value.rollRad)}.${props.report.tailHz ? ` Tail beats ${range(x => x.toFixed(0), props.report.tailHz)} times a second, from the Strouhal number.` : ''} Computed from the fall.`,
  glide: `${range(x => x.toFixed(2), fall.value.glide)}${fall.value.scatter === undefined ? '' : `; landing places scatter by ${percentText(fall.value.scatter)} of the depth`}. Computed from the fall.`,
  snag: `${range(percentText, props.report.snag.snagPerCast)} of casts hang up in ${COVERS[spread.content.water.cover].name} over ${BOTTOMS[spread.content.water.bottom].name}; ${Math.round(props.report.snag.minutesLeft.low)} to ${Math.round(props.report.snag.minutesLeft.high)} minutes of an hour left. ${percentText(props.report.snag.weedPerCast.value)} of casts bring weed. Computed from ${props.report.snag.draws} draws for each kind of obstacle.${props.moved.snag ? ` ${props.moved.snag}` : ''}`,
  hookUp: `${range(percentText, props.report.strike.hookUp)}. Lost: ${props.report.strike.losses.map(l => `${LOSS_WORDS[l.id]} ${percentText(l.share)}`).join(', ')}. Computed from ${props.report.strike.draws} bites.${props.moved.hook ? ` ${props.moved.hook}` : ''}`,
}))
</script>

<template>
  <MeasureRow
    term="fall"
    flat
    :value="secondsText(fall.timeS.value)"
    unit="s"
    :note="fallNote"
    :basis="fall.timeS.basis"
    :hint="hints.fall"
  >
    <RangeWhisker :measure="fall.timeS" :axis="axes.fall" logarithmic />
  </MeasureRow>
  <MeasureRow
    term="posture"
    :value="`${pitch > 0 ? '+' : pitch < 0 ? '−' : ''}${Math.abs(pitch)}°`"
    :unit="beat ? `tail ${beat}` : ''"
    :note="postureWords(report)"
    :basis="fall.pitchRad.basis"
    :hint="hints.posture"
  >
    <PostureGlyph :pitch-rad="fall.pitchRad.value" :roll-rad="fall.rollRad.value" />
  </MeasureRow>
  <MeasureRow
    term="glide"
    :value="fall.glide.value.toFixed(2)"
    :unit="perFallen"
    :note="course"
    :basis="fall.glide.basis"
    :hint="hints.glide"
  >
    <GlideGlyph
      :value="fall.glide.value"
      :low="fall.glide.low"
      :high="fall.glide.high"
      :sign="fall.summary.glideSign"
    />
  </MeasureRow>
  <MeasureRow
    term="snag"
    flat
    :value="odds.value"
    :unit="odds.unit"
    :note="[`${Math.round(report.snag.minutesLeft.value)} min/h left`, cause].filter(Boolean).join('; ')"
    :basis="report.snag.snagPerCast.basis"
    :hint="hints.snag"
  >
    <RangeWhisker :measure="report.snag.minutesLeft" :axis="axes.minutes" />
  </MeasureRow>
  <MeasureRow
    term="hookUp"
    flat
    :value="String(Math.round(100 * report.strike.hookUp.value))"
    unit="%"
    :note="limit ? `${LOSS_WORDS[limit.id]} ${percentText(limit.share)}` : 'nothing lost'"
    :basis="report.strike.hookUp.basis"
    :hint="hints.hookUp"
  >
    <RangeWhisker :measure="report.strike.hookUp" :axis="axes.hookUp" />
  </MeasureRow>
  <MeasureRow
    term="cast"
    flat
    :value="String(Math.round(settings.units.depth.from(still.value)))"
    :unit="settings.units.depth.label"
    :note="castNote(report.cast, spread.content.water.wind, settings.units)"
    :basis="still.basis"
    :hint="castHint(report.cast, spread.content.water.wind, settings.units)"
  >
    <RangeWhisker :measure="still" :axis="axes.cast" />
  </MeasureRow>
  <FitNotes :fit="report.fit" />
</template>
