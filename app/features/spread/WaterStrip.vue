<script setup lang="ts">
import { UInput } from '#components'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import ChoiceField from '~/ui/ChoiceField.vue'
import LineField from '~/sheet/fields/LineField.vue'
import NumberField from '~/ui/NumberField.vue'
import NumberFieldDepth from '~/sheet/fields/NumberFieldDepth.vue'
import WaterSection from './WaterSection.vue'
import ZoneField from '~/sheet/fields/ZoneField.vue'
import {
  BOTTOM_IDS,
  BOTTOMS,
  CAST_M,
  COVER_IDS,
  COVERS,
  SALINITY_GKG,
  SALINITY_RANGE_GKG,
  STREAM_RANGE_MS,
  TEMPERATURE_RANGE_C,
} from '#core'

/** The water along the top of the sheet; every control sits on the thing it changes. */
const HEIGHT = 138
const SKY = 34
const BED = 33

const spread = useSpread()
const settings = useSettings()
const host = useTemplateRef('host')
const { width } = useElementSize(host, undefined, { box: 'border-box' })
const water = computed(() => spread.content.water)

const covers = COVER_IDS.map(value => ({ value, label: COVERS[value].name }))
const bottoms = BOTTOM_IDS.map(value => ({ value, label: BOTTOMS[value].name }))
const salts = [
  { value: 'fresh', label: 'fresh' },
  { value: 'brackish', label: 'brackish' },
  { value: 'salt', label: 'salt' },
] as const
/** Anything between the named waters is shown as the nearest of them. */
const salt = computed(
  () =>
    salts.reduce(
      (best, one) =>
        Math.abs(SALINITY_GKG[one.value] - water.value.salinityGKg) <
        Math.abs(SALINITY_GKG[best.value] - water.value.salinityGKg)
          ? one
          : best,
      salts[0],
    ).value,
)

const set = <K extends keyof typeof spread.content.water>(
  key: K,
  value: (typeof spread.content.water)[K],
): void => spread.edit(draft => void (draft.water[key] = value))

/**
 * A current set here runs away from the angler until the tank says otherwise; none at all leaves still water.
 */
const setCurrent = (surfaceMS: number): void =>
  spread.edit(draft => {
    if (surfaceMS === 0) delete draft.water.stream
    else draft.water.stream = { surfaceMS, towardRad: draft.water.stream?.towardRad ?? 0 }
  })

const ticks = computed(() => {
  const { depth } = settings.units
  const total = depth.from(water.value.depthM)
  const step = [0.1, 0.25, 0.5, 1, 2, 5, 10, 20, 50].find(s => total / s <= 4) ?? 50
  const floor = HEIGHT - BED
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
  <section ref="host" class="strip" aria-label="Water">
    <WaterSection
      v-if="width > 0"
      class="picture"
      :depth-m="water.depthM"
      :cover="water.cover"
      :bottom="water.bottom"
      :width="width"
      :height="HEIGHT"
      :top="SKY"
      :bed="BED"
      v-bind="water.zone ? { zone: water.zone } : {}"
    />
    <svg v-if="width > 0" class="scale" width="60" :height="HEIGHT" aria-hidden="true">
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
      @change="set('place', ($event.target as HTMLInputElement).value.trim())"
    />
    <div class="surface">
      <ChoiceField
        label="water"
        :model-value="salt"
        :items="salts"
        :title="saltHint"
        @update:model-value="value => set('salinityGKg', SALINITY_GKG[value])"
      />
      <NumberField
        label="temperature"
        :model-value="water.temperatureC"
        :unit="settings.units.temperature"
        :range="TEMPERATURE_RANGE_C"
        :step="1"
        @update:model-value="value => set('temperatureC', value)"
      />
      <LineField />
    </div>
    <div class="bed">
      <NumberFieldDepth />
      <ChoiceField
        label="cover"
        :model-value="water.cover"
        :items="covers"
        @update:model-value="value => set('cover', value)"
      />
      <ChoiceField
        label="bottom"
        :model-value="water.bottom"
        :items="bottoms"
        @update:model-value="value => set('bottom', value)"
      />
      <NumberField
        label="current"
        :model-value="water.stream?.surfaceMS ?? 0"
        :unit="settings.units.speed"
        :range="STREAM_RANGE_MS"
        :step="0.1"
        @update:model-value="setCurrent"
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
  height: 138px;
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
