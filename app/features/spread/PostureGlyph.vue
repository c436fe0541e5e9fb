<script setup lang="ts">
import { computed } from 'vue'
import { radToDeg } from '#core'

/**
 * The bait as it hangs in the fall: from the side at its pitch, and from behind at its roll. Angles in
 * radians.
 */
const props = defineProps<{ pitchRad: number; rollRad: number }>()
const pitch = computed(() => radToDeg(props.pitchRad))
const roll = computed(() => radToDeg(props.rollRad))
</script>

<template>
  <svg class="glyph" viewBox="0 0 92 44" aria-hidden="true">
    <line x1="6" x2="56" y1="22" y2="22" stroke="var(--hair-strong)" stroke-dasharray="2 3" />
    <g :transform="`translate(31 22) scale(-0.76 0.76) rotate(${-pitch})`">
      <path
        d="M26 0C22-6 8-8 0-6C-10-4-16-1.4-22-1.4L-26-6V6L-22 1.4C-16 1.4-10 4 0 6C8 8 22 6 26 0Z"
        fill="var(--plastic)"
        stroke="var(--lane)"
        stroke-width="1.6"
      />
      <path d="M2-6L-6-11L-7-5.2" fill="var(--lane)" />
    </g>
    <g transform="translate(77 22)">
      <circle r="13.5" fill="none" stroke="var(--hair)" />
      <g :transform="`rotate(${roll})`">
        <ellipse rx="6.5" ry="9" fill="var(--plastic)" stroke="var(--lane)" stroke-width="1.6" />
        <path d="M-3-8.4L0-14L3-8.4Z" fill="var(--lane)" />
      </g>
    </g>
  </svg>
</template>

<style scoped>
.glyph {
  width: 92px;
  max-width: 100%;
  height: 44px;
}
</style>
