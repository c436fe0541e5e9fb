<script setup lang="ts">
import { UButton, UModal } from '#components'
import { computed, ref, watch } from 'vue'
import { CARD_MM, PX_PER_MM_RANGE, USUAL_PX_PER_MM, useSettings } from '~/ui/settings'
import SlideBar from '~/ui/SlideBar.vue'

/** Makes the screen true: the outline of a bank card, or a ruler, is stretched until a real one covers it. */
const open = defineModel<boolean>('open', { required: true })
const settings = useSettings()
const scale = ref(settings.pxPerMm)
watch(open, now => now && (scale.value = settings.pxPerMm))
const ticks = computed(() => Array.from({ length: 101 }, (_, i) => i))
function keep(): void {
  settings.pxPerMm = scale.value
  settings.calibrated = true
  open.value = false
}
function forget(): void {
  settings.pxPerMm = scale.value = USUAL_PX_PER_MM
  settings.calibrated = false
}
</script>

<template>
  <UModal v-model:open="open" title="Calibrate the screen" :ui="{ content: 'max-w-3xl' }">
    <template #body>
      <p>
        Lay a bank card flat on the outline, or a ruler on the scale, and move the slider until they match.
        Keep the browser's zoom as it is.
      </p>
      <svg
        :width="CARD_MM[0] * scale + 12"
        :height="CARD_MM[1] * scale + 46"
        class="outline"
        aria-hidden="true"
      >
        <rect x="1" y="1" :width="CARD_MM[0] * scale" :height="CARD_MM[1] * scale" :rx="3.2 * scale" />
        <g :transform="`translate(1 ${CARD_MM[1] * scale + 12})`">
          <template v-for="t in ticks" :key="t">
            <line :x1="t * scale" :x2="t * scale" y1="0" :y2="t % 10 === 0 ? 12 : t % 5 === 0 ? 8 : 5" />
            <text
              v-if="t % 10 === 0 && t * scale < CARD_MM[0] * scale"
              :x="t * scale"
              y="25"
              text-anchor="middle"
            >
              {{ t }}
            </text>
          </template>
        </g>
      </svg>
      <label class="slider"
        ><span class="label">scale</span
        ><SlideBar
          v-model="scale"
          label="Pixels per millimetre"
          :min="PX_PER_MM_RANGE[0]"
          :max="PX_PER_MM_RANGE[1]"
          :step="0.01"
        /><output class="figure">{{ scale.toFixed(2) }} px/mm</output></label
      >
      <p class="keys">
        <UButton variant="solid" @click="keep()">It matches: keep it</UButton
        ><UButton @click="forget()">Back to the usual screen</UButton>
      </p>
    </template>
  </UModal>
</template>

<style scoped>
.outline {
  display: block;
  margin: 12px 0;
  overflow: visible;
  max-width: none;
}
rect {
  fill: none;
  stroke: var(--float);
  stroke-width: 1.5;
}
line {
  stroke: var(--ink);
}
text {
  font: 11px var(--font-figure);
  fill: var(--ink);
}
.slider {
  display: flex;
  gap: 10px;
  align-items: center;
}
.keys {
  display: flex;
  gap: 8px;
  margin-top: 12px;
}
</style>
