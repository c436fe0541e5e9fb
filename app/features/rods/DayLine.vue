<script setup lang="ts">
import { computed } from 'vue'
import type { TripAnswer } from '~/compute/trip'
import ChartFrame from '~/ui/charts/ChartFrame.vue'
import { useSettings } from '~/ui/settings'
import { changeText } from '#words/tripWords'
import { weightText } from '#words/units'
import { clockText } from './clock'
import { dayData, dayOptions, dayRows, type DayOf, type DayStop } from './dayChart'
import { runsOf } from './runs'
import { skyOver } from './sky'

/**
 * The day as one sheet: the level of the water over the bottom of each stop, the stream, the light, turns of
 * the tide, the rod in hand and its weight.
 */
const props = defineProps<{
  plan: TripAnswer
  stops: readonly DayStop[]
  /** where it is, degrees; without it nothing is known of the light */
  place: { readonly lat: number; readonly lon: number } | undefined
}>()
const settings = useSettings()
const from = computed(() => Math.min(...props.stops.map(s => s.from)))
const to = computed(() => Math.max(...props.stops.map(s => s.to)))
const day = computed((): DayOf => {
  const { depth, speed } = settings.units
  return {
    plan: props.plan,
    stops: props.stops,
    runs: runsOf(props.plan),
    sky: props.place && skyOver(props.place.lat, props.place.lon, from.value, to.value),
    depth: depth.from,
    speed: speed.from,
    depthLabel: depth.label,
    speedLabel: speed.label,
    weight: kg => (kg > 0 ? weightText(kg, settings.system) : 'no weight'),
  }
})
const data = computed(() => {
  void settings.theme
  return dayData(day.value)
})
const options = computed(() => {
  void settings.theme
  return dayOptions(day.value)
})
const label = computed(
  () =>
    `Depth, current and rod in hand from ${clockText(from.value)} to ${clockText(to.value)}. ${props.plan.changes.map(c => `${clockText(c.at)} ${changeText(c, settings.system)}`).join(' ')}`,
)
const head = computed(() => [
  'time',
  'stop',
  `depth, ${day.value.depthLabel}`,
  `stream, ${day.value.speedLabel}`,
  'rod',
])
</script>

<template>
  <ChartFrame
    class="day"
    type="line"
    :data="data"
    :options="options"
    :label="label"
    name="dunecrest-day"
    :head="head"
    :rows="dayRows(day)"
  />
</template>

<style scoped>
.day {
  height: 262px;
  margin: 6px 12px 2px;
}
@media (max-width: 639px) {
  .day {
    height: 320px;
  }
}
</style>
