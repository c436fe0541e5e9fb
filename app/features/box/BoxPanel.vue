<script setup lang="ts">
import { UButton, UIcon, UTextarea } from '#components'
import { navigateTo } from '#imports'
import { computed, ref } from 'vue'
import { useBox } from '~/sync/box'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import BoxFits from './BoxFits.vue'
import BoxPhoto from './BoxPhoto.vue'
import ChoiceField from '~/ui/ChoiceField.vue'
import NumberField from '~/ui/NumberField.vue'
import WeighDialog from './WeighDialog.vue'
import {
  BAIT_FORMS,
  FAMILIES,
  FORM_IDS,
  HOOK_SIZES,
  LIMITS,
  LINE_KINDS,
  LINE_STOCKS,
  PLASTIC_IDS,
  PLASTICS,
  typicalHook,
  WEIGHT_MATERIALS,
  WIRE_GRADES,
  type HookSize,
} from '#core'
import {
  HOOK_STYLE_NAMES,
  ROD_POWERS,
  WEIGHT_SHAPE_NAMES,
  type BoxItem,
  type ItemDetails,
} from '#schemas/box'
import { LINE_RANGE_N } from '#schemas/fields'
import { familyItems } from '~/ui/families'

/** One thing of the box: what it is, in full; for a bait, what in the box fits it. */
const props = defineProps<{ item: BoxItem }>()
const emit = defineEmits<{ close: [] }>()
const box = useBox()
const spread = useSpread()
const settings = useSettings()
const details = computed(() => props.item.details)
const weighing = ref(false)

function set(change: Record<string, unknown>): void {
  void box.change([props.item.id], item => {
    const next = { ...item.details, ...change } as Record<string, unknown>
    for (const [key, value] of Object.entries(change))
      if (value === undefined) Reflect.deleteProperty(next, key)
    return { ...item, details: next as unknown as ItemDetails }
  })
}
const named = <T extends string>(
  names: Readonly<Record<T, string | { readonly name: string }>>,
): { value: T; label: string }[] =>
  (Object.entries(names) as [T, string | { name: string }][]).map(([value, name]) => ({
    value,
    label: typeof name === 'string' ? name : name.name,
  }))
const forms = FORM_IDS.map(value => ({ value, label: BAIT_FORMS[value].name }))
const plastics = PLASTIC_IDS.map(value => ({ value, label: PLASTICS[value].name }))
const sizes = HOOK_SIZES.map(value => ({ value, label: value }))
const heads = familyItems().filter(item => /^[EJT]/.test(item.value))
const lineKinds = LINE_KINDS.map(value => ({ value, label: LINE_STOCKS[value].name }))
const powers = ROD_POWERS.map(value => ({ value, label: value }))
const OWN = [
  ['lengthM', 'length', 'small'],
  ['gapM', 'gap', 'small'],
  ['wireM', 'wire', 'fine'],
] as const
const typicalOf = (size: HookSize) =>
  typicalHook(details.value.kind === 'hook' ? details.value.style : 'jig', size)
function setOwn(key: 'lengthM' | 'gapM' | 'wireM', value: number): void {
  const d = details.value
  if (d.kind === 'hook' || d.kind === 'head') set({ own: { ...d.own, [key]: value } })
}
const setNotes = (event: Event): void =>
  void box.change([props.item.id], item => ({
    ...item,
    notes: (event.target as HTMLTextAreaElement).value.slice(0, 500),
  }))

/** Lays the bait on the sheet and shows it on the bench. */
async function onBench(): Promise<void> {
  const d = details.value
  if (d.kind !== 'bait') return
  const { kind: _, colour: __, ...bait } = d
  spread.edit(draft => void (draft.bait = bait))
  await navigateTo(spread.saved ? `/bench/${spread.saved.id}` : '/bench')
}
</script>

<template>
  <aside class="panel" :aria-label="`Details of ${item.name}`">
    <header>
      <h2>{{ item.name }}</h2>
      <UButton
        icon="i-lucide-x"
        variant="ghost"
        class="close"
        aria-label="Close the details"
        @click="emit('close')"
      />
    </header>
    <div class="fields">
      <template v-if="details.kind === 'bait'">
        <ChoiceField
          label="form"
          :model-value="details.form"
          :items="forms"
          @update:model-value="form => set({ form, own: undefined })"
        />
        <NumberField
          label="length"
          :model-value="details.lengthM"
          :unit="settings.units.length"
          :range="LIMITS.baitLengthM"
          :step="0.005"
          @update:model-value="lengthM => set({ lengthM })"
        />
        <ChoiceField
          label="material"
          :model-value="details.material"
          :items="plastics"
          @update:model-value="material => set({ material })"
        />
        <label class="word"
          ><span class="label">colour</span
          ><UInput
            :model-value="details.colour ?? ''"
            maxlength="40"
            @change="
              event =>
                set({ colour: (event.target as HTMLInputElement).value.trim().slice(0, 40) || undefined })
            "
        /></label>
        <NumberField
          label="density"
          :model-value="details.densityKgM3 ?? PLASTICS[details.material].density.value"
          :unit="settings.units.density"
          :range="LIMITS.densityKgM3"
          :step="10"
          @update:model-value="densityKgM3 => set({ densityKgM3 })"
        />
        <UButton v-if="details.densityKgM3 !== undefined" @click="set({ densityKgM3: undefined })">
          Back to the typical density
        </UButton>
        <UButton icon="i-lucide-scale" @click="weighing = true">Weigh it…</UButton>
        <WeighDialog
          v-model:open="weighing"
          :name="item.name"
          :bait="details"
          @found="densityKgM3 => set({ densityKgM3 })"
        />
        <p v-if="details.own" class="label">
          Outline: your own trace.
          <UButton variant="link" @click="set({ own: undefined })">Back to the form's</UButton>
        </p>
        <p v-if="PLASTICS[details.material].elastomer" class="warn">
          <UIcon name="i-lucide-triangle-alert" /> Store this elastomer apart from plastisol baits: together
          they melt.
        </p>
        <UButton icon="i-lucide-ruler" variant="solid" @click="onBench()">Lay it on the bench</UButton>
      </template>
      <template v-else-if="details.kind === 'hook'">
        <ChoiceField
          label="style"
          :model-value="details.style"
          :items="named(HOOK_STYLE_NAMES)"
          @update:model-value="style => set({ style })"
        />
        <ChoiceField
          label="size"
          :model-value="details.size"
          :items="sizes"
          @update:model-value="size => set({ size })"
        />
        <ChoiceField
          label="wire"
          :model-value="details.wire ?? 'standard'"
          :items="named(WIRE_GRADES)"
          @update:model-value="wire => set({ wire: wire === 'standard' ? undefined : wire })"
        />
        <NumberField
          label="weight on it"
          :model-value="details.weightKg ?? 0"
          :unit="settings.units.weight"
          :range="[0, 0.2]"
          :step="0.0005"
          @update:model-value="
            weightKg =>
              set(weightKg < 0.0001 ? { weightKg: undefined, weightMaterial: undefined } : { weightKg })
          "
        />
      </template>
      <template v-else-if="details.kind === 'head'">
        <ChoiceField
          label="head"
          :model-value="details.family"
          :items="heads"
          @update:model-value="family => set({ family })"
        />
        <ChoiceField
          label="hook"
          :model-value="details.size"
          :items="sizes"
          @update:model-value="size => set({ size })"
        />
        <NumberField
          label="weight"
          :model-value="details.weightKg"
          :unit="settings.units.weight"
          :range="[0.0001, 0.2]"
          :step="0.0005"
          @update:model-value="weightKg => set({ weightKg })"
        />
        <ChoiceField
          label="of"
          :model-value="details.weightMaterial"
          :items="named(WEIGHT_MATERIALS)"
          @update:model-value="weightMaterial => set({ weightMaterial })"
        />
        <p class="label">{{ FAMILIES[details.family].advice }}</p>
      </template>
      <template v-if="details.kind === 'hook' || details.kind === 'head'">
        <NumberField
          v-for="[key, label, unit] in OWN"
          :key="key"
          :label="`own ${label}`"
          :model-value="details.own?.[key] ?? typicalOf(details.size)[key]"
          :unit="settings.units[unit]"
          :range="[0.0003, 0.2]"
          :step="unit === 'fine' ? 0.00005 : 0.0005"
          @update:model-value="value => setOwn(key, value)"
        />
        <UButton v-if="details.own" @click="set({ own: undefined })"> Back to typical measurements </UButton>
        <span v-else class="label">typical of the size; put in your own from calipers</span>
      </template>
      <template v-if="details.kind === 'weight'">
        <ChoiceField
          label="shape"
          :model-value="details.shape"
          :items="named(WEIGHT_SHAPE_NAMES)"
          @update:model-value="shape => set({ shape })"
        />
        <NumberField
          label="weight"
          :model-value="details.weightKg"
          :unit="settings.units.weight"
          :range="[0.0001, 0.2]"
          :step="0.0005"
          @update:model-value="weightKg => set({ weightKg })"
        />
        <ChoiceField
          label="of"
          :model-value="details.weightMaterial"
          :items="named(WEIGHT_MATERIALS)"
          @update:model-value="weightMaterial => set({ weightMaterial })"
        />
      </template>
      <template v-else-if="details.kind === 'line'">
        <ChoiceField
          label="line"
          :model-value="details.line"
          :items="lineKinds"
          @update:model-value="line => set({ line })"
        />
        <NumberField
          label="strength"
          :model-value="details.strengthN"
          :unit="settings.units.lineStrength"
          :range="LINE_RANGE_N"
          :step="settings.units.lineStrength.to(1)"
          @update:model-value="strengthN => set({ strengthN })"
        />
        <NumberField
          label="on the spool"
          :model-value="details.lengthM ?? 150"
          :unit="settings.units.depth"
          :range="[1, 5000]"
          :step="10"
          @update:model-value="lengthM => set({ lengthM })"
        />
      </template>
      <template v-else-if="details.kind === 'rod'">
        <NumberField
          label="length"
          :model-value="details.lengthM"
          :unit="settings.units.depth"
          :range="[0.5, 5]"
          :step="0.1"
          @update:model-value="lengthM => set({ lengthM })"
        />
        <ChoiceField
          label="power"
          :model-value="details.power"
          :items="powers"
          @update:model-value="power => set({ power })"
        />
        <NumberField
          label="casts from"
          :model-value="details.castKg[0]"
          :unit="settings.units.weight"
          :range="[0, details.castKg[1]]"
          :step="0.001"
          @update:model-value="low => details.kind === 'rod' && set({ castKg: [low, details.castKg[1]] })"
        />
        <NumberField
          label="to"
          :model-value="details.castKg[1]"
          :unit="settings.units.weight"
          :range="[details.castKg[0], 0.3]"
          :step="0.001"
          @update:model-value="high => details.kind === 'rod' && set({ castKg: [details.castKg[0], high] })"
        />
      </template>
      <BoxPhoto :item="item" />
      <label class="notes label"
        >notes<UTextarea
          class="w-full"
          :model-value="item.notes"
          :rows="2"
          maxlength="500"
          @change="setNotes"
        />
      </label>
    </div>
    <BoxFits v-if="details.kind === 'bait'" :bait="details" />
  </aside>
</template>

<style scoped>
.panel {
  width: 380px;
  flex: none;
  overflow-y: auto;
  border-left: var(--line-weight) solid var(--ink);
  padding: 8px 12px;
  background: var(--raised);
}
header {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  align-items: start;
}
h2 {
  font-size: 18px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
.close {
  width: 28px;
  height: 28px;
  flex: none;
  display: grid;
  place-items: center;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  margin: 8px 0 12px;
  align-items: center;
}
.fields > p {
  flex-basis: 100%;
}
.warn {
  display: flex;
  gap: 6px;
  font-size: 14px;
  color: var(--shell);
}
.notes {
  flex-basis: 100%;
  display: grid;
  gap: 2px;
}
@media (max-width: 899px) {
  .panel {
    width: auto;
    border-left: 0;
    border-top: var(--line-weight) solid var(--ink);
  }
}
</style>
