<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef, watch } from 'vue'
import { useSettings } from '~/ui/settings'
import type { Diver, Floater, Zone } from '~/ui/drawing/diver'
import { fitted } from '~/ui/drawing/canvas'
import { drawFromAbove } from './fromAbove'
import { drawTank, tankScale } from '~/ui/drawing/tankDrawing'

/** The rigs in the water, from the side and from above, at one scale. */
const props = defineProps<{
  divers: readonly Diver[]
  ghosts: readonly Diver[]
  floaters: readonly Floater[]
  depthM: number
  time: number
  described: string
  zone?: Zone
  rodDistanceM?: number
}>()
const settings = useSettings()
const side = useTemplateRef('side')
const above = useTemplateRef('above')
const sideHost = useTemplateRef('sideHost')
const aboveHost = useTemplateRef('aboveHost')
const { width, height } = useElementSize(sideHost)
const { height: aboveHeight } = useElementSize(aboveHost)
const frame = computed(() => ({
  width: width.value,
  height: height.value,
  depthM: props.depthM,
  unit: settings.units.depth,
  divers: props.divers,
  ghosts: props.ghosts,
  floaters: props.floaters,
  bare: true,
  ...(props.zone === undefined ? {} : { zone: props.zone }),
  ...(props.rodDistanceM === undefined ? {} : { rodDistanceM: props.rodDistanceM }),
}))
const scale = computed(() => tankScale(frame.value))

watch(
  [frame, aboveHeight, () => props.time, () => settings.theme],
  () => {
    const ctx = fitted(side.value, width.value, height.value)
    if (ctx) drawTank(ctx, frame.value, scale.value, props.time)
    const top = fitted(above.value, width.value, aboveHeight.value)
    if (top) drawFromAbove(top, { ...frame.value, height: aboveHeight.value }, scale.value, props.time)
  },
  { flush: 'post', immediate: true },
)
</script>

<template>
  <div class="glass">
    <div ref="sideHost" class="side">
      <canvas ref="side" role="img" :aria-label="`From the side. ${described}`" />
    </div>
    <p class="label note">
      from the side; rigs drawn {{ scale.magnified.toFixed(scale.magnified < 3 ? 1 : 0) }} times larger than
      the depth; the rod stands to the right. Below: from above.
    </p>
    <div ref="aboveHost" class="above">
      <canvas ref="above" role="img" aria-label="The same drops from above" />
    </div>
  </div>
</template>

<style scoped>
.glass {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
  border-right: var(--line-weight) solid var(--hair-strong);
}
.side {
  flex: 1;
  min-height: 260px;
  position: relative;
}
.above {
  height: 96px;
  position: relative;
  border-top: var(--line-weight) solid var(--hair-strong);
}
.note {
  padding: 2px 10px;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
</style>
