<script setup lang="ts">
import { UButton, UPopover } from '#components'
import { computed, ref } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import { withRod } from '~/sheet/rod'
import ChoiceField from '~/ui/ChoiceField.vue'
import { choicesOf } from '~/ui/fields'
import NumberField from '~/ui/NumberField.vue'
import { gToKg, RODS, type RodPower } from '#core'
import { CAST_KG, CAST_RANGE_M, MOST_CASTS, ROD_LENGTH_M } from '#schemas/ranges'
import { weightText, withUnit } from '#words/units'

/** The rod that throws the rigs of the sheet: power, length, and casts that were measured with it. */
const spread = useSpread()
const settings = useSettings()
const rods = choicesOf(RODS)
const fishing = computed(() => spread.content.fishing ?? {})
const power = computed<RodPower>(() => fishing.value.rod ?? 'medium')
const lengthM = computed(() => fishing.value.rodLengthM ?? RODS[power.value].lengthM)
const casts = computed(() => fishing.value.casts ?? [])
const thrown = computed(() => ({
  ...settings.units.weight,
  decimals: settings.units.weight.label === 'oz' ? 2 : 1,
}))
const whole = computed(() => ({ ...settings.units.depth, decimals: 0 }))
const shown = computed(
  () => `${RODS[power.value].name}, ${withUnit(lengthM.value, { ...settings.units.depth, decimals: 1 })}`,
)
const set = (change: Partial<typeof fishing.value>): void =>
  spread.edit(draft => void (draft.fishing = { ...draft.fishing, ...change }))

const take = (rod: RodPower): void => spread.edit(draft => void (draft.fishing = withRod(draft.fishing, rod)))

const cast = ref({ massKg: gToKg(10), distanceM: 30 })
const add = (): void => set({ casts: [...casts.value, { ...cast.value }] })
const remove = (at: number): void =>
  spread.edit(draft => {
    const left = casts.value.filter((_, i) => i !== at)
    const { casts: __, ...rest } = draft.fishing ?? {}
    draft.fishing = left.length > 0 ? { ...rest, casts: left } : rest
  })
</script>

<template>
  <UPopover :content="{ side: 'bottom', align: 'end' }">
    <UButton variant="ghost" class="rod" :aria-label="`Rod: ${shown}`">
      <span class="label">rod</span> {{ shown }}
    </UButton>
    <template #content>
      <div class="panel">
        <div class="of-rod">
          <ChoiceField label="power" :model-value="power" :items="rods" @update:model-value="take" />
          <NumberField
            label="rod length"
            :model-value="lengthM"
            :unit="settings.units.depth"
            :range="ROD_LENGTH_M"
            :step="0.1"
            @update:model-value="to => set({ rodLengthM: to })"
          />
        </div>
        <p class="of">Casts you measured with it</p>
        <p class="label">
          In still air, with a compact lure. They move the distance of every rig on this sheet.
        </p>
        <ul v-if="casts.length > 0">
          <li v-for="(one, at) in casts" :key="at">
            <span class="figure"
              >{{ weightText(one.massKg, settings.system) }}: {{ withUnit(one.distanceM, whole) }}</span
            >
            <UButton
              variant="ghost"
              icon="i-lucide-trash-2"
              :aria-label="`Remove the cast of ${withUnit(one.distanceM, whole)}`"
              @click="remove(at)"
            />
          </li>
        </ul>
        <p v-else class="none">None yet: distances are those of a usual arm.</p>
        <div class="of-rod">
          <NumberField
            v-model="cast.massKg"
            label="weight thrown"
            :unit="thrown"
            :range="CAST_KG"
            :step="gToKg(1)"
          />
          <NumberField v-model="cast.distanceM" label="went" :unit="whole" :range="CAST_RANGE_M" :step="1" />
          <UButton :disabled="casts.length >= MOST_CASTS" @click="add">Add</UButton>
        </div>
      </div>
    </template>
  </UPopover>
</template>

<style scoped>
.rod {
  padding: 0 4px;
  font-size: 15px;
}
.panel {
  display: grid;
  gap: 8px;
  width: min(380px, 92vw);
  padding: 12px 14px;
}
.of-rod {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: baseline;
}
.of {
  font-size: 14px;
  font-weight: 600;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  border-bottom: var(--line-weight) solid var(--hair);
}
.none {
  font-size: 14px;
  color: var(--ink-soft);
}
</style>
