<script setup lang="ts">
import { UInput } from '#components'
import { useElementSize, useMediaQuery } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import LineField from '~/sheet/fields/LineField.vue'
import RodField from '~/sheet/fields/RodField.vue'
import FishField from '~/sheet/fish/FishField.vue'
import { withFish } from '~/sheet/fish/ownFish'
import { USUAL_SPECIES } from '../../../shared/day'
import NumberFieldDepth from '~/sheet/fields/NumberFieldDepth.vue'
import WaterSection from './WaterSection.vue'
import ZoneField from '~/sheet/fields/ZoneField.vue'
import { CAST_M, SALINITY_RANGE_GKG } from '#core'
import { useWaterFields } from '~/sheet/fields/useWaterFields'
import FieldRow from '~/ui/FieldRow.vue'

/** The water along the top of the sheet; every control sits on the thing it changes. */
const low = useMediaQuery('(min-width: 900px) and (max-height: 860px)')
/** Less deep where all of the sheet is to stand on a low screen, px. */
const height = computed(() => (low.value ? 112 : 138))
const SKY = 34
const BED = 33

const spread = useSpread()
const settings = useSettings()
const host = useTemplateRef('host')
const { width } = useElementSize(host, undefined, { box: 'border-box' })
const water = computed(() => spread.content.water)

const { cover, bottom, current, salt, temperature, wind } = useWaterFields()
const setPlace = (event: Event): void =>
  spread.edit(draft => void (draft.water.place = (event.target as HTMLInputElement).value.trim()))

const ticks = computed(() => {
  const { depth } = settings.units
  const total = depth.from(water.value.depthM)
  const step = [0.1, 0.25, 0.5, 1, 2, 5, 10, 20, 50].find(s => total / s <= (low.value ? 2 : 4)) ?? 50
  const floor = height.value - BED
  return Array.from({ length: Math.floor(total / step + 1e-9) }, (_, i) => (i + 1) * step)
    .map(value => ({ value, y: SKY + ((floor - SKY) * value) / total }))
    .filter(tick => tick.y < floor - 9)
})
const saltHint = computed(
  () =>
    `${Math.round(water.value.salinityGKg)} ‰ of salt; ${SALINITY_RANGE_GKG.join(' to ')} can be given in a file`,
)
</script>

<template>
  <section ref="host" class="strip" aria-label="Water" :style="{ '--water-px': `${height}px` }">
    <WaterSection
      v-if="width > 0"
      class="picture"
      :depth-m="water.depthM"
      :cover="water.cover"
      :bottom="water.bottom"
      :width="width"
      :height="height"
      :top="SKY"
      :bed="BED"
      v-bind="water.zone ? { zone: water.zone } : {}"
    />
    <svg v-if="width > 0" class="scale" width="60" :height="height" aria-hidden="true">
      <g v-for="tick in ticks" :key="tick.value">
        <line x1="0" x2="9" :y1="tick.y" :y2="tick.y" stroke="var(--ink)" />
        <text x="12" :y="tick.y + 4" class="tick figure">{{ Number(tick.value.toFixed(2)) }}</text>
      </g>
    </svg>
    <UInput
      class="place"
      variant="ghost"
      :model-value="water.place"
      aria-label="Place"
      placeholder="name this water"
      maxlength="80"
      @change="setPlace"
    />
    <div class="surface">
      <span class="of-water" :title="saltHint"><FieldRow :fields="[salt, temperature, ...wind]" /></span>
      <LineField />
      <RodField />
    </div>
    <div class="bed">
      <NumberFieldDepth />
      <FieldRow :fields="[cover, bottom, current]" />
      <FishField
        :fish="{ species: USUAL_SPECIES, ...spread.content.fish }"
        @take="fish => spread.edit(draft => withFish(draft, fish))"
      />
      <ZoneField />
      <span class="label scope"
        >as met along {{ Math.round(settings.units.depth.from(CAST_M)) }} {{ settings.units.depth.label }} of
        a cast</span
      >
    </div>
  </section>
</template>

<style scoped>
.strip {
  position: relative;
  height: var(--water-px);
  border-bottom: var(--line-weight) solid var(--ink);
}
.picture,
.scale {
  position: absolute;
  inset: 0 auto auto 0;
}
.picture {
  overflow: hidden;
}
.tick {
  font-size: 12px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--water-top);
  stroke-width: 3px;
}
.place {
  position: absolute;
  left: 12px;
  top: 4px;
  width: min(380px, 40%);
  height: 26px;
  font-size: 15px;
  background: transparent;
  border-bottom: 1px solid transparent;
}
.place:hover,
.place:focus {
  border-bottom-color: var(--hair-strong);
  outline: none;
}
.place::placeholder {
  color: var(--ink-soft);
}
.of-water {
  display: contents;
}
.surface {
  position: absolute;
  right: 12px;
  top: 3px;
  display: flex;
  gap: 18px;
  align-items: baseline;
}
.bed {
  position: absolute;
  left: 12px;
  right: 12px;
  bottom: 2px;
  display: flex;
  gap: 18px;
  align-items: baseline;
}
.bed :deep(.label) {
  color: var(--bed-ink);
}
.bed :deep(.unit.label) {
  color: var(--ink-soft);
}
.scope {
  margin-left: auto;
}
@media (max-width: 899px) {
  .strip {
    height: auto;
    padding: 144px 12px 10px;
  }
  .place {
    width: calc(100% - 24px);
  }
  .surface,
  .bed {
    position: static;
    flex-wrap: wrap;
    gap: 8px 14px;
  }
  .surface {
    margin-bottom: 8px;
  }
  .bed :deep(.label) {
    color: var(--ink-soft);
  }
  .scope {
    margin-left: 0;
  }
}
</style>
