<script setup lang="ts">
import { computed } from 'vue'
import DropCurves from '~/ui/charts/DropCurves.vue'
import type { Diver } from '~/ui/drawing/diver'
import { seriesOf } from '~/ui/drawing/series'
import { useSettings } from '~/ui/settings'
import type { Unit } from '#words/units'

/** Depth, pitch and speed of every rig against the same seconds. */
const props = defineProps<{
  divers: readonly Diver[]
  ghosts: readonly Diver[]
  depthM: number
  time: number
}>()
const settings = useSettings()
const DEGREES: Unit = { label: '°', from: x => x, to: x => x, decimals: 0 }

const fastest = computed(() =>
  Math.max(0.2, ...[...props.divers, ...props.ghosts].map(d => Math.max(...seriesOf(d.drop).speed))),
)
/** The fastest, up to the next fifth of the unit shown. */
const top = computed(() => {
  const { speed } = settings.units
  return speed.to(Math.ceil(speed.from(fastest.value) * 5) / 5)
})
</script>

<template>
  <div class="charts">
    <DropCurves
      id="depth"
      :title="`depth, ${settings.units.depth.label}`"
      :unit="settings.units.depth"
      :divers="divers"
      :ghosts="ghosts"
      :top="0"
      :bottom="depthM"
      :marks="[0, depthM / 2, depthM]"
      :time="time"
    />
    <DropCurves
      id="pitch"
      title="pitch, degrees, nose up positive"
      :unit="DEGREES"
      :divers="divers"
      :ghosts="ghosts"
      :top="90"
      :bottom="-90"
      :marks="[90, 45, 0, -45, -90]"
      :time="time"
    />
    <DropCurves
      id="speed"
      :title="`sinking speed, ${settings.units.speed.label}`"
      :unit="settings.units.speed"
      :divers="divers"
      :ghosts="ghosts"
      :top="top"
      :bottom="0"
      :marks="[top, top / 2, 0]"
      :time="time"
    />
  </div>
</template>

<style scoped>
.charts {
  display: grid;
  grid-template-rows: repeat(3, minmax(110px, 1fr));
  min-height: 360px;
  min-width: 0;
}
</style>
