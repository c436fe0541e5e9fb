<script setup lang="ts">
import { UButton, UInput, UProgress, UTextarea } from '#components'
import { navigateTo, useToast } from '#imports'
import { computed, defineAsyncComponent, ref } from 'vue'
import { useTrip } from './useTrip'
import { useSettings } from '~/ui/settings'
import ChoiceField from '~/ui/ChoiceField.vue'
import CountDial from './CountDial.vue'
import DayLine from './DayLine.vue'
import { moonText } from './sky'
import WeightLadder from './WeightLadder.vue'
import RodCard from './RodCard.vue'
import SheetFrame from '~/sheet/SheetFrame.vue'
import SpotsDialog from '~/sheet/spots/SpotsDialog.vue'
import TripForm from './TripForm.vue'
import { LETTERS } from '#schemas/ranges'
import { tripCalendar } from './calendar'
import { clockText } from './clock'
import { packingList } from './packing'
import { saveText } from '~/ui/card'
import { shown, weightText } from '#words/units'
import { BASIS_MARKS } from '#words/words'
import { changeText, onTopAtText, sourceText, uncoveredText, withoutText } from '#words/tripWords'
import SheetTable, { type SheetColumn } from '~/ui/SheetTable.vue'

/** Rods tied the night before, weights that follow the tide, when to change, what to pack. */
defineProps<{ id: string | undefined }>()
const settings = useSettings()
const toast = useToast()
const {
  answer,
  progress,
  working,
  error,
  retry,
  cancel,
  content,
  name,
  saved,
  edit,
  open,
  save,
  tie,
  stops,
  goods,
  problem,
  spots,
  trips,
  tides,
  temperatureC,
  box,
  keep,
  steps,
} = useTrip()
const TidesDialog = defineAsyncComponent(() => import('./TidesDialog.vue'))
const spotting = ref(false)
const tiding = ref(false)
const takeTide = (id: string | undefined): void =>
  edit(draft => {
    if (id === undefined) delete draft.tideId
    else draft.tideId = id
  })
const plan = computed(() => answer.value)
const baitName = (i: number): string => {
  const bait = goods.value.baits.find(b => b.id === plan.value?.items[i]?.baitId)
  return bait
    ? (goods.value.alike.get(bait.id)?.length ?? 1) > 1
      ? bait.name.replace(/,[^,]*$/, '')
      : bait.name
    : ''
}
const packed = computed(() => (plan.value ? packingList(plan.value, box.byId, goods.value.alike) : []))
const missing = computed(() => packed.value.filter(p => p.has < p.take))
const freeRod = computed(() => (plan.value?.freeRodId ? box.byId.get(plan.value.freeRodId)?.name : undefined))
const NEW = 'new'
const tripItems = computed(() => [
  { value: NEW, label: saved.value ? 'a new trip' : 'not saved yet' },
  ...trips.list.map(t => ({ value: t.id, label: t.name })),
])
async function keepIt(): Promise<void> {
  if (await save()) toast.add({ title: `Saved: ${name.value}` })
}
/** The rods as they leave the house, each at its first weight. */
async function toBank(): Promise<void> {
  const rods = plan.value!.rods.map(({ letter, finalist, weightsKg }, i) => ({
    letter,
    name: baitName(i),
    bait: goods.value.baits[finalist.bait]!.spec as never,
    rig: { ...finalist.rig, weightKg: weightsKg[0] ?? finalist.rig.weightKg } as never,
  }))
  if (await tie(rods)) await navigateTo('/bank')
}
async function remove(): Promise<void> {
  const trip = saved.value
  if (!trip || !(await trips.remove(trip.id))) return
  open(undefined)
  toast.add({
    title: `Deleted: ${trip.name}`,
    duration: 15_000,
    actions: [
      {
        label: 'Undo',
        color: 'neutral',
        variant: 'outline',
        onClick: () => void trips.restore(trip.id).then(back => back && open(back)),
      },
    ],
  })
}
/** The first stop that says where it lies. */
const place = computed(() => {
  for (const { spotId } of content.value.stops) {
    const spot = spots.byId.get(spotId)
    const { lat, lon } = spot?.content ?? {}
    if (spot && lat !== undefined && lon !== undefined) return { name: spot.name, lat, lon }
  }
  return undefined
})
const moon = computed(() => moonText(Math.min(...stops.value.map(s => s.from))))
const print = (): void => window.print()
const second = (s: number): string => (Number.isFinite(s) ? String(Math.round(s)) : '')
/** Depths of the count, the shallowest first; below them the bottom, -1. */
const countRows = computed(() => [...(plan.value?.depths.keys() ?? []), -1])
const countColumns = computed((): readonly SheetColumn<number>[] => [
  { id: 'depth', label: settings.units.depth.label, words: true },
  ...(plan.value?.countdowns ?? []).map((c, i) => ({ id: `rod${i}`, label: LETTERS[c.rod]! })),
])
</script>

<template>
  <SheetFrame :id="id" v-slot="{ showCautions }" view="rods" :steps="steps">
    <TripForm
      :content="content"
      :spots="spots.list"
      :problem="content.stops.length > 0 ? problem : undefined"
      :tides="tides.list"
      :temperature-c="temperatureC"
      @edit="edit"
      @tides="tiding = true"
    >
      <span class="grow" />
      <ChoiceField
        label="trip"
        :model-value="saved?.id ?? NEW"
        :items="tripItems"
        @update:model-value="value => open(trips.byId.get(value))"
      />
      <UInput
        v-model="name"
        class="called"
        aria-label="Name of this trip"
        placeholder="name this trip"
        maxlength="80"
        @change="keep()"
      />
      <UButton :disabled="problem !== undefined || trips.busy" @click="keepIt()"> Save trip </UButton>
      <UButton v-if="saved" icon="i-lucide-trash-2" aria-label="Delete this trip" @click="remove()" />
      <UButton @click="spotting = true">Spots…</UButton>
    </TripForm>
    <p v-if="trips.error ?? tides.error ?? spots.error ?? box.error ?? error" class="bad" role="alert">
      {{ trips.error ?? tides.error ?? spots.error ?? box.error ?? error }}
      <UButton v-if="error" variant="ghost" @click="retry()">Try again</UButton>
    </p>
    <div v-if="working" class="bar" role="status">
      <UProgress :model-value="progress" :max="1" :get-value-label="() => 'Planning'" class="w-60" /><span
        class="label"
        >{{ plan ? 'Planning again…' : 'Planning the rods…' }}</span
      ><UButton @click="cancel()">Stop</UButton>
    </div>
    <p v-if="content.stops.length === 0" class="empty">
      {{
        spots.list.length === 0
          ? 'No spots yet: open Spots and add the water on the sheet, or read a GPX file.'
          : 'Add a stop: where, from when to when. The rods follow.'
      }}
    </p>
    <template v-else-if="plan">
      <p class="print-only called-print">
        {{ name || 'Trip' }}, {{ content.date }}. Times by the clock of this device.
      </p>
      <DayLine :plan="plan" :stops="stops" :place="place" />
      <p class="label source">
        {{
          sourceText(
            plan.tide,
            plan.wind,
            stops.some(stop => stop.tide > 0),
          )
        }}
        ◇ computed.
        {{
          place ? `Sun for ${place.name}; ${moon}.` : 'No stop has a position: nothing is said of the light.'
        }}
      </p>
      <p v-for="u in plan.uncovered" :key="`u${u}`" class="bad" role="alert">
        {{ uncoveredText(u, plan.tide.name) }}
      </p>
      <p v-for="w in plan.without" :key="w" class="bad" role="alert">
        {{ withoutText(w) }} Look at it in Pick to see why.
      </p>
      <p v-for="o in plan.onTop" :key="`t${o.stop}`" class="on-top">
        {{
          onTopAtText(
            stops[o.stop]?.name ?? '',
            o.pick,
            goods.baits[o.pick.bait]?.name ?? '',
            settings.system,
          )
        }}
      </p>
      <div class="rods">
        <RodCard
          v-for="(rod, i) in plan.rods"
          :key="rod.letter"
          :rod="rod"
          :drawing="plan.drawings[i]!"
          :bait-name="baitName(i)"
          :rod-name="rod.rodId ? box.byId.get(rod.rodId)?.name : undefined"
          :stop-name="stops[rod.stop]?.name ?? ''"
        />
        <WeightLadder :plan="plan" />
      </div>
      <div class="cards">
        <section aria-label="Change plan">
          <h2>When to change</h2>
          <ol class="changes">
            <li v-for="c in plan.changes" :key="`${c.at}${c.kind}`">
              <b class="figure">{{ clockText(c.at) }}</b> {{ changeText(c, settings.system) }}
            </li>
          </ol>
          <p class="label">
            {{ plan.changes.filter(c => c.kind === 'weight').length }} changes of weight, no rig tied anew on
            the water. {{ freeRod ? `Left free for what turns up: ${freeRod}.` : 'No rod is left free.' }}
          </p>
        </section>
        <section aria-label="Countdown">
          <h2>Countdown, seconds from the splash</h2>
          <div class="dials">
            <CountDial
              v-for="c in plan.countdowns"
              :key="`${c.rod} ${c.weightKg}`"
              :count="c"
              :depths="plan.depths"
            />
          </div>
          <SheetTable
            class="counts"
            :columns="countColumns"
            :rows="countRows"
            :key-of="k => String(k)"
            :row-class="k => (k < 0 ? 'end' : '')"
          >
            <template v-for="(c, i) in plan.countdowns" :key="i" #[`head-rod${i}`]>
              <span class="chip figure" :class="`lane-${LETTERS[c.rod]}`">{{ LETTERS[c.rod] }}</span>
              {{ c.weightKg > 0 ? weightText(c.weightKg, settings.system) : 'no weight' }}
            </template>
            <template #depth="{ row: k }">{{
              k < 0 ? 'bottom' : shown(plan.depths[k]!, { ...settings.units.depth, decimals: 2 })
            }}</template>
            <template v-for="(c, i) in plan.countdowns" :key="i" #[`rod${i}`]="{ row: k }">
              <template v-if="k >= 0">{{ second(c.seconds[k]!) }}</template>
              <template v-else
                >{{ Math.round(c.bottomS) }} <small>{{ BASIS_MARKS[c.basis] }}</small></template
              >
            </template>
          </SheetTable>
          <p class="label">
            On slack line in still water, at the deepest of the stop. ◇ computed, ◆ moved by your drops
          </p>
        </section>
        <section aria-label="Packing list">
          <h2>Pack</h2>
          <ul class="pack">
            <li v-for="p in packed" :key="p.name" :class="{ short: p.has < p.take }">
              <b class="figure">{{ p.take }}</b> <span data-own>{{ p.name }}</span>
              <small>{{ p.has < p.take ? `only ${p.has} in the box` : `${p.has} in the box` }}</small>
            </li>
          </ul>
          <p v-if="missing.length > 0" class="bad">
            Short of {{ missing.map(p => `${p.take - p.has} × ${p.name}`).join(', ') }}.
          </p>
          <p class="label">Also: pliers, cutters, eyewear, a bag for torn plastics and line.</p>
        </section>
        <section aria-label="Rules and cautions">
          <h2>Local rules</h2>
          <UTextarea
            class="w-full"
            :model-value="content.rules"
            :rows="3"
            maxlength="1000"
            aria-label="Local rules"
            placeholder="licence, season, sizes, hook and lead rules of these waters"
            @change="edit(draft => void (draft.rules = ($event.target as HTMLTextAreaElement).value))"
          />
          <p class="cautions">
            Eyewear when casting; pliers for hooks, barbs pressed down where you can. Lead: wash hands, many
            waters restrict it. Wading, boats, lightning and cold water: tell someone where you are and when
            you come back. Local rules and the people licensed to teach come before this card.
            <UButton variant="ghost" class="no-print" @click="showCautions()">All cautions</UButton>
          </p>
          <p class="acts no-print">
            <UButton variant="solid" :disabled="trips.busy" @click="toBank()"> Take to the bank </UButton>
            <UButton @click="print()">Print the cards</UButton>
            <UButton
              @click="
                saveText(
                  'trip.ics',
                  tripCalendar(name || 'trip', stops, plan, settings.system),
                  'text/calendar',
                )
              "
            >
              Calendar (.ics)
            </UButton>
          </p>
        </section>
      </div>
    </template>
    <SpotsDialog v-model:open="spotting" />
    <TidesDialog
      v-if="tiding"
      v-model:open="tiding"
      :chosen="content.tideId"
      :date="content.date"
      @choose="takeTide"
    />
  </SheetFrame>
</template>

<style scoped>
.grow {
  flex: 1;
}
.called {
  width: 150px;
}
.bar {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 4px 12px;
}
.called-print {
  padding: 0 12px;
}
.source {
  padding: 0 12px 4px;
}
.rods {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(290px, 1fr));
  border-top: 1px solid var(--hair-strong);
}
.cards {
  flex: 1;
  display: grid;
  grid-template-columns: 1fr 1.5fr 0.9fr 0.9fr;
  border-top: 1px solid var(--hair-strong);
}
.cards > section {
  padding: 6px 12px 10px;
  border-right: 1px solid var(--hair);
  min-width: 0;
  break-inside: avoid;
}
h2 {
  font-size: 16px;
  font-weight: 600;
}
.changes li {
  font-size: 15px;
  padding: 3px 0;
  border-top: 1px solid var(--hair);
}
.changes b {
  display: inline-block;
  width: 48px;
  font-size: 16px;
}
.counts :deep(td) {
  padding-block: 1px;
}
.dials {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
}
.counts :deep(.end) {
  border-top: 2px solid var(--ink);
}
.chip {
  background: var(--lane);
  color: var(--lane-ink);
  padding: 0 5px;
  border-radius: 2px;
}
.pack li {
  padding: 2px 0;
  font-size: 15px;
  border-top: 1px solid var(--hair);
}
.pack b {
  display: inline-block;
  min-width: 22px;
}
.pack small {
  margin-left: 6px;
  color: var(--ink-soft);
}
.short,
.short small {
  color: var(--wrack);
}
.cautions {
  font-size: 13px;
  margin: 6px 0;
}
.cautions button,
.bad button {
  text-decoration: underline;
}
.bad {
  color: var(--wrack);
  padding: 4px 12px;
  font-size: 14px;
}
.cards .bad {
  padding: 2px 0;
}
.empty {
  padding: 40px 24px;
  font-size: 18px;
}
@media (max-width: 1099px) {
  .cards {
    grid-template-columns: 1fr 1fr;
  }
}
@media (max-width: 639px) {
  .cards {
    grid-template-columns: minmax(0, 1fr);
  }
  .cards > section {
    overflow-x: auto;
  }
}
.on-top {
  padding: 2px 12px 4px;
  font-size: 15px;
}
</style>
