<script setup lang="ts">
import { UButton, UCheckbox, UInput } from '#components'
import { useToast } from '#imports'
import { computed, ref } from 'vue'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import BathDialog from './BathDialog.vue'
import ChoiceField from '~/ui/ChoiceField.vue'
import DropClip from './DropClip.vue'
import LaneChip from '~/ui/LaneChip.vue'
import NumberField from '~/ui/NumberField.vue'
import TapClock from './TapClock.vue'
import { FAMILIES } from '#core'
import { OPEN_WATER, useDropTest } from './useDropTest'
import { DEPTH_RANGE_M } from '#schemas/ranges'
import { shown } from '#words/units'
import SheetTable, { type SheetColumn } from '~/ui/SheetTable.vue'

/**
 * Tap at the splash, tap when the line goes slack, on open water or in a bath; what the drops say of the
 * bait, and how predictions moved.
 */
const spread = useSpread()
const settings = useSettings()
const {
  lane,
  chosen,
  depth,
  depthM,
  where,
  bath,
  baths,
  error,
  saving,
  keepTaps,
  keepClip,
  readTank,
  readSounder,
  sample,
  own,
  fit,
  pooled,
  strange,
  words,
  exclude,
  leaveOut,
  keepTyped,
  tankReads,
  keepTank,
} = useDropTest()
const toast = useToast()
const typed = ref('')
async function keepThem(): Promise<void> {
  if (await keepTyped(typed.value)) typed.value = ''
}
const used = computed(() => own.value.filter(d => !d.excluded))
/** Leaves drops out, named for what it does, with a way back. */
async function without(ids: readonly string[], title: string): Promise<void> {
  await leaveOut(ids, true)
  toast.add({
    title,
    duration: 15_000,
    actions: [
      { label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void leaveOut(ids, false) },
    ],
  })
}
const clipping = ref(false)
const bathing = ref(false)
const places = computed(() => [
  { value: OPEN_WATER, label: 'open water' },
  ...baths.list.map(b => ({ value: b.id, label: b.name })),
])
const day = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: '2-digit' })
const COLUMNS: readonly SheetColumn<(typeof own.value)[number]>[] = [
  { id: 'when', label: 'when', words: true },
  { id: 'depth', label: 'depth' },
  { id: 'took', label: 'took' },
  { id: 'model', label: 'model' },
  { id: 'used', label: 'used', words: true, class: 'used wrap' },
]
</script>

<template>
  <section class="timer" aria-label="Drop timer">
    <h2>Drop test</h2>
    <p class="rig">
      <UButton
        v-for="l in spread.content.lanes"
        :key="l.letter"
        variant="ghost"
        :class="`lane-${l.letter}`"
        :aria-pressed="l.letter === lane.letter"
        @click="chosen = l.letter"
      >
        <LaneChip :letter="l.letter" plain /> {{ FAMILIES[l.family].shortName }}
      </UButton>
    </p>
    <p class="at">
      <ChoiceField
        label="in"
        :model-value="bath ? where : OPEN_WATER"
        :items="places"
        @update:model-value="value => (where = value)"
      />
      <span v-if="bath" class="label"
        >{{ shown(depth, settings.units.depth) }} {{ settings.units.depth.label }} deep,
        {{ bath.content.temperatureC }} °C,
        {{ bath.content.ball.taps.length > 0 ? 'calibrated' : 'not calibrated' }}</span
      >
      <template v-else
        ><NumberField
          label="depth"
          :model-value="depth"
          :unit="settings.units.depth"
          :range="DEPTH_RANGE_M"
          :step="0.1"
          @update:model-value="value => (depthM = value)"
        /><UButton @click="readSounder()">from the sounder</UButton></template
      >
      <UButton @click="bathing = true">baths…</UButton
      ><UButton @click="readTank()">read the drop tank</UButton
      ><UButton @click="clipping = true">from a clip…</UButton>
    </p>
    <TapClock
      first="Splash"
      :second="bath ? 'Bottom' : 'Slack'"
      :hint="`or the space bar; tap again when ${bath ? 'it touches the bottom' : 'the line goes slack'}`"
      :busy="saving"
      :listens="!bathing && !clipping"
      @begun="error = undefined"
      @timed="seconds => keepTaps(seconds)"
    />
    <form class="typed" @submit.prevent="keepThem()">
      <UInput
        v-model="typed"
        aria-label="Seconds of drops, one or several"
        placeholder="or type seconds: 3.2 3.4"
        inputmode="text"
        maxlength="120"
      /><UButton type="submit" :disabled="saving || typed.trim() === ''">Keep</UButton>
    </form>
    <p v-if="tankReads !== undefined" class="typed" role="status">
      The simulated tank reads {{ tankReads.toFixed(2) }} s. Keep it as a drop of this bait?
      <UButton :disabled="saving" @click="keepTank(true)">Keep it</UButton
      ><UButton variant="ghost" @click="keepTank(false)">Leave it</UButton>
    </p>
    <p v-if="error ?? baths.error" class="bad" role="alert">{{ error ?? baths.error }}</p>
    <div class="says" role="status">
      <template v-if="fit && words"
        ><p class="first">{{ words.sentence }}</p>
        <p class="label">{{ words.detail }} ◆ measured</p></template
      >
      <p v-else-if="pooled" class="first">
        This bait was never dropped. {{ pooled.drops }} drops of others of its form and plastic move its drag
        by {{ Math.round(100 * (pooled.drag - 1)) }} %.
      </p>
      <p v-else class="label">
        No drops of this bait yet: five make the model fit it. Known depth, slack line, the same rig.
      </p>
    </div>
    <SheetTable
      v-if="own.length > 0"
      :columns="COLUMNS"
      :rows="own.slice(-12).reverse()"
      :key-of="d => d.id"
      :row-class="d => (d.excluded || strange.has(d.id) ? 'out' : '')"
    >
      <template #when="{ row: d }">
        {{ day(d.at)
        }}<small v-if="d.drop.bath ?? d.drop.from !== 'taps'"> {{ d.drop.bath?.name ?? d.drop.from }}</small>
      </template>
      <template #depth="{ row: d }">{{ shown(d.drop.depthM, settings.units.depth) }}</template>
      <template #took="{ row: d }">
        <span
          :title="
            d.drop.bath
              ? `${d.drop.bath.tappedS.toFixed(2)} s tapped, thumb ${d.drop.bath.lagS.toFixed(2)} s late, walls slow it by ${Math.round(100 * (1 - d.drop.bath.slowed))} %`
              : undefined
          "
          >{{ d.drop.seconds.toFixed(d.drop.bath ? 2 : 1) }} s</span
        >
      </template>
      <template #model="{ row: d }">{{ d.drop.model.seconds.toFixed(d.drop.bath ? 2 : 1) }} s</template>
      <template #used="{ row: d }">
        <UCheckbox
          :model-value="!d.excluded"
          :aria-label="`Use the drop of ${d.drop.seconds.toFixed(1)} s`"
          :label="strange.has(d.id) ? 'set aside: far from the others' : ''"
          @update:model-value="exclude(d.id, !$event)"
        />
      </template>
    </SheetTable>
    <p v-if="own.some(d => d.drop.bath)" class="label">
      Baths: the thumb's lag taken off, the walls' slowing undone.
    </p>
    <p v-if="used.length > 0" class="typed">
      <UButton @click="without([used.at(-1)!.id], 'The last drop is left out')"
        >Leave the last one out</UButton
      >
      <UButton
        @click="
          without(
            used.map(d => d.id),
            `${used.length} drops of this bait are left out`,
          )
        "
      >
        Forget these drops
      </UButton>
    </p>
    <DropClip
      v-model:open="clipping"
      :sample="sample"
      @keep="(speedMS, pitchRad) => void keepClip(speedMS, pitchRad)"
    />
    <BathDialog v-model:open="bathing" v-model:where="where" />
  </section>
</template>

<style scoped>
.timer {
  padding: 6px 12px 12px;
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
.typed {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  margin: 6px 0;
}
.rig {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.rig button {
  display: inline-flex;
  gap: 5px;
  align-items: center;
  padding: 2px 8px 2px 2px;
  border-bottom: 3px solid transparent;
  font-size: 14px;
}
.rig [aria-pressed='true'] {
  border-bottom-color: var(--lane);
  font-weight: 600;
}
.at {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: baseline;
  padding: 4px 0;
}
.says {
  padding: 8px 0 6px;
}
.first {
  font-size: 17px;
  padding-left: 10px;
  border-left: 5px solid var(--float);
}
.bad {
  color: var(--wrack);
  padding: 4px 0;
}
:deep(.out td:not(.used)) {
  color: var(--ink-soft);
  text-decoration: line-through;
}
</style>
