<script setup lang="ts">
import { computed } from 'vue'
import { BOTTOMS, CAST_M, COVERS, type BottomId, type CoverId } from '#core'
import type { Zone } from '~/ui/drawing/diver'
import { withUnit } from '#words/units'
import { useSettings } from '~/ui/settings'
import { growthOf, stonesOf } from './section'

/**
 * A section through the water: as many stems, blades and edges as the model has a cast meet, at the depth
 * given.
 */
const settings = useSettings()
const props = defineProps<{
  depthM: number
  cover: CoverId
  bottom: BottomId
  width: number
  height: number
  top: number
  bed: number
  zone?: Zone
}>()

const floor = computed(() => props.height - props.bed)
const growth = computed(() =>
  growthOf(props.cover, { width: props.width, top: props.top, floor: floor.value }),
)
const stones = computed(() =>
  stonesOf(props.bottom, { width: props.width, floor: floor.value, bed: props.bed }),
)
const waves = computed(() => {
  let path = `M0 ${props.top}`
  for (let x = 0; x < props.width; x += 48) path += ` q12 -4 24 0 t24 0`
  return path
})
/** Where the fish feed, in pixels. */
const band = computed(() => {
  if (!props.zone) return undefined
  const perM = (floor.value - props.top) / props.depthM
  return { y: props.top + props.zone.fromM * perM, high: (props.zone.toM - props.zone.fromM) * perM }
})
const described = computed(
  () =>
    `Section through the water near the cover, ${withUnit(CAST_M, settings.units.depth)} long: ${COVERS[props.cover].name} over ${BOTTOMS[props.bottom].name}, ${withUnit(props.depthM, settings.units.depth)} deep.`,
)
</script>

<template>
  <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="described">
    <defs>
      <linearGradient id="water-fill" x1="0" y1="0" x2="0" y2="1">
        <stop offset="0" stop-color="var(--water-top)" />
        <stop offset="1" stop-color="var(--water-deep)" stop-opacity="0.55" />
      </linearGradient>
    </defs>
    <rect x="0" :y="top" :width="width" :height="floor - top" fill="url(#water-fill)" />
    <path
      v-for="(stem, i) in growth"
      :key="i"
      :d="stem.path"
      fill="none"
      :stroke="stem.kind === 'wood' ? 'var(--bed-ink)' : 'var(--growth)'"
      :stroke-width="stem.weight"
      stroke-linecap="round"
    />
    <template v-if="band">
      <rect x="0" :y="band.y" :width="width" :height="band.high" fill="var(--raised)" opacity="0.35" />
      <rect x="0" :y="band.y" width="4" :height="band.high" fill="var(--float)" />
    </template>
    <rect x="0" :y="floor" :width="width" :height="bed" fill="var(--bed)" />
    <path
      v-for="(stone, i) in stones"
      :key="`s${i}`"
      :d="stone"
      fill="none"
      stroke="var(--bed-ink)"
      stroke-width="1.1"
      opacity="0.75"
    />
    <line x1="0" :x2="width" :y1="floor" :y2="floor" stroke="var(--bed-ink)" />
    <path :d="waves" fill="none" stroke="var(--ink)" stroke-width="1" />
  </svg>
</template>
