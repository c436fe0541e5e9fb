<script setup lang="ts">
import { NuxtLink, UButton, UIcon, UInput } from '#components'
import { useHead } from '#imports'
import { useEventListener } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useBank } from './useBank'
import { useOutbox } from '~/sync/outboxStore'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import AsideEntries from '~/sheet/AsideEntries.vue'
import { FAMILIES, harmonicTide, simulatedWeather, stepWeight } from '#core'
import type { LogKind } from '#schemas/log'
import type { Spread } from '#schemas/spread'
import type { StoredDocument } from '#schemas/spot'
import type { Readings } from './useBank'
import { fromSheet, fromTrip, type BankStart } from './bankStart'
import { ask } from '~/sync/api'
import { saveText } from '~/ui/card'
import { LOG_KIND_WORDS } from '#words/logWords'
import { failureText } from '#words/failureText'
import { weightText, withUnit } from '#words/units'
import { logCsv } from '../../../shared/logTable'

/**
 * Bank mode: one hand, bright sun, big targets. Every tap is kept on the phone first; the page opens without
 * a connection.
 */
const settings = useSettings()
const spread = useSpread()
const outbox = useOutbox()
const {
  bank,
  loaded,
  elsewhere,
  online,
  hand,
  water,
  lastTap: last,
  counts,
  log,
  undo,
  start,
  arrive,
  takeRod,
  changeWeight,
  end,
} = useBank()
const saved = ref<readonly { id: string; name: string }[]>([])
const trips = shallowRef<readonly StoredDocument<'trip'>[]>([])
const asked = ref<string>()
/** what the last tap asks next: what came of a snag, or what a lost touch shows */
const asks = ref<'snag' | 'touch'>()
const noting = ref(false)
const said = ref('')
useHead({ title: 'Bank · Dunecrest' })
onMounted(async () => {
  try {
    saved.value = (await ask<{ spreads: { id: string; name: string }[] }>('/api/spreads')).spreads
    trips.value = (
      await ask<{ documents: StoredDocument<'trip'>[] }>('/api/documents/trip')
    ).documents.filter(t => t.content.tied)
  } catch (error) {
    asked.value = failureText(error)
  }
})
/** Longest wait for the sounder, ms: the taps must not wait for it. */
const SOUNDER_MS = 1500
/**
 * Filled in from the stand-ins, as real instruments would; depth and temperature from the sounder where it is
 * on and can be reached.
 */
async function readings(): Promise<Readings> {
  const sky = {
    tideM: harmonicTide('simulated').heightM(Date.now()),
    windMS: simulatedWeather('simulated').at(Date.now()).windMS,
  }
  const heard = await Promise.race([
    ask<{ reading?: { depthM?: number; temperatureC?: number } }>('/api/instruments/sounder').then(
      a => a.reading ?? {},
      () => ({}),
    ),
    new Promise<object>(resolve => setTimeout(() => resolve({}), SOUNDER_MS)),
  ])
  return { ...sky, ...heard }
}
async function begin(what: () => BankStart | Promise<BankStart>): Promise<void> {
  try {
    const { rods, stops } = await what()
    await start(rods, stops, await readings())
    asked.value = undefined
  } catch (error) {
    asked.value = failureText(error)
  }
}
const onTrip = async (trip: StoredDocument<'trip'>): Promise<BankStart> =>
  fromTrip(
    trip,
    new Map(
      (await ask<{ documents: StoredDocument<'spot'>[] }>('/api/documents/spot')).documents.map(s => [
        s.id,
        s,
      ]),
    ),
  )
const onSpread = async (id: string): Promise<BankStart> =>
  fromSheet((await ask<Spread>(`/api/spreads/${id}`)).content)
const moving = ref(false)
async function moveOn(stop: number): Promise<void> {
  moving.value = false
  if (stop !== bank.value?.stop) await arrive(stop, await readings())
}
const TAPS = [
  ['cast', 'Cast'],
  ['bump', 'Touch only'],
  ['bite', 'Bite'],
  ['hooked', 'Hooked'],
  ['landed', 'Landed'],
  ['snag', 'Snag'],
] as const
/** What a touch that did not stick may show; for those who look. */
const SEEN = [
  ['nipped', 'Tail nipped'],
  ['onSlack', 'Line slack'],
  ['covered', 'Point covered'],
] as const
async function tap(kind: LogKind): Promise<void> {
  navigator.vibrate?.(20)
  await log(kind)
  asks.value = kind === 'snag' ? 'snag' : kind === 'bump' || kind === 'bite' ? 'touch' : undefined
}
async function note(): Promise<void> {
  const text = said.value.trim()
  if (text !== '') await log('note', { text })
  said.value = ''
  noting.value = false
}
const weigh = (direction: 1 | -1): void => {
  if (hand.value) void changeWeight(stepWeight(settings.units.ladderKg, hand.value.rig.weightKg, direction))
}
/** Where everything that was tapped is, as far as it is known. */
const waits = computed(() => {
  if (outbox.unkept.length > 0) return `${outbox.unkept.length} not kept by this phone`
  if (outbox.keeping > 0) return 'keeping…'
  if (!outbox.loaded) return 'looking…'
  if (outbox.left > 0) return `${outbox.left} waiting on this phone`
  return outbox.aside.length > 0
    ? `${outbox.aside.length} set aside (below), the rest kept`
    : 'all kept by the server'
})
const clockWords = computed(() => {
  const minutes = Math.round(Math.abs(outbox.clockAheadMs) / 60_000)
  const much =
    minutes < 90
      ? `${minutes} minutes`
      : minutes < 2880
        ? `${Math.round(minutes / 60)} hours`
        : `${Math.round(minutes / 1440)} days`
  return `The clock of this phone is ${much} ${outbox.clockAheadMs > 0 ? 'ahead of' : 'behind'} the server's. Taps carry the time of this phone.`
})
async function saveWaiting(): Promise<void> {
  saveText('taps-not-on-the-server.csv', logCsv(await outbox.notOnServer()), 'text/csv')
}
// what is in this page alone must not go with it unasked
useEventListener('beforeunload', event => outbox.unkept.length > 0 && event.preventDefault())
</script>

<template>
  <main class="bank">
    <header>
      <NuxtLink to="/log" class="mark figure" aria-label="Back to the log">Dunecrest</NuxtLink>
      <span class="state" role="status" :class="{ off: !outbox.settled || outbox.aside.length > 0 }"
        ><UIcon :name="online ? 'i-lucide-wifi' : 'i-lucide-wifi-off'" /> {{ waits }}</span
      >
      <UButton v-if="outbox.left > 0" variant="ghost" class="small" @click="outbox.send(true)">Send</UButton>
    </header>
    <p v-if="outbox.trouble && online && outbox.left > 0" class="bad" role="alert">
      {{ outbox.trouble }} Nothing is lost: it stays on this phone.
    </p>
    <div v-if="outbox.cannotKeep" class="bad" role="alert">
      {{ outbox.cannotKeep }} Free some space; until then leave this page open.<UButton
        color="neutral"
        variant="outline"
        size="xl"
        @click="saveWaiting()"
        >Save what waits as a file</UButton
      >
    </div>
    <p v-if="outbox.conflicts > 0" class="bad" role="alert">
      {{ outbox.conflicts }} {{ outbox.conflicts === 1 ? 'entry is' : 'entries are' }} on the server with
      other content; those were kept.
    </p>
    <p v-if="outbox.clockIsOff" class="bad" role="alert">{{ clockWords }}</p>
    <p v-if="elsewhere" class="bad" role="status">{{ elsewhere }}</p>
    <p v-if="!loaded" class="label">Opening…</p>
    <section v-else-if="!bank" class="begin" aria-label="Begin">
      <h1>Begin a session</h1>
      <p v-if="asked" class="bad" role="alert">{{ asked }}</p>
      <UButton variant="solid" class="big" @click="begin(() => fromSheet(spread.content))">
        With the rigs on the sheet
      </UButton>
      <template v-if="trips.length > 0"
        ><h2>The rods of a trip</h2>
        <UButton v-for="t in trips" :key="t.id" variant="ghost" class="big" @click="begin(() => onTrip(t))">
          {{ t.name }}
        </UButton></template
      >
      <template v-if="saved.length > 0"
        ><h2>A saved spread</h2>
        <UButton
          v-for="s in saved"
          :key="s.id"
          variant="ghost"
          class="big"
          @click="begin(() => onSpread(s.id))"
        >
          {{ s.name }}
        </UButton></template
      >
    </section>
    <template v-else>
      <h1 class="visually-hidden">On the bank: {{ water?.place || 'here' }}</h1>
      <nav class="rods" aria-label="Rod in hand">
        <UButton
          v-for="r in bank.rods"
          :key="r.letter"
          variant="ghost"
          :class="`lane-${r.letter}`"
          :aria-pressed="r.letter === bank.rod"
          @click="takeRod(r.letter)"
        >
          <b class="figure">{{ r.letter }}</b> {{ FAMILIES[r.rig.family].shortName }}
        </UButton>
      </nav>
      <p v-if="hand" class="hand">
        <span
          >{{ hand.rig.hookSize }},
          {{ hand.rig.weightKg > 0 ? weightText(hand.rig.weightKg, settings.system) : 'no weight' }}</span
        ><span class="grow" /><template v-if="FAMILIES[hand.rig.family].weighted"
          ><UButton variant="ghost" class="step" aria-label="Lighter" @click="weigh(-1)">−</UButton
          ><UButton variant="ghost" class="step" aria-label="Heavier" @click="weigh(1)">+</UButton></template
        ><UButton variant="ghost" class="step wide" @click="tap('reskin')">Re-skin</UButton>
      </p>
      <section class="taps" aria-label="Log">
        <UButton v-for="[kind, name] in TAPS" :key="kind" variant="ghost" :class="kind" @click="tap(kind)">
          {{ name }} <b class="figure">{{ counts[kind] ?? 0 }}</b>
        </UButton>
      </section>
      <p v-if="asks === 'snag'" class="next">
        <UButton variant="ghost" class="big" @click="tap('freed')">Freed</UButton
        ><UButton variant="ghost" class="big" @click="tap('lost')">Rig lost</UButton>
      </p>
      <p v-else-if="asks === 'touch'" class="next">
        <UButton v-for="[kind, name] in SEEN" :key="kind" variant="ghost" class="big" @click="tap(kind)">
          {{ name }}
        </UButton>
      </p>
      <p class="last">
        <span role="status" aria-label="Last tap">{{
          last
            ? `last: ${LOG_KIND_WORDS[last.kind]}${last.data?.text ? `: ${last.data.text}` : last.data?.weightKg ? ` ${weightText(last.data.weightKg, settings.system)}` : ''}`
            : 'nothing tapped yet'
        }}</span><UButton
          icon="i-lucide-undo-2"
          variant="ghost"
          class="big undo"
          :disabled="!last"
          @click="undo()"
          >Undo</UButton
        >
      </p>
      <form v-if="noting" class="note" @submit.prevent="note()">
        <UInput v-model="said" aria-label="Note" maxlength="500" placeholder="a few words" /><UButton
          variant="ghost"
          type="submit"
          class="big"
        >
          Keep
        </UButton>
      </form>
      <nav v-if="moving" class="begin" aria-label="Spot">
        <UButton
          v-for="(s, i) in bank.stops"
          :key="i"
          variant="ghost"
          class="big"
          :aria-pressed="i === bank.stop"
          @click="moveOn(i)"
        >
          {{ s.place }}
        </UButton>
      </nav>
      <footer>
        <UButton variant="ghost" class="small" @click="noting = !noting">Note</UButton
        ><component
          :is="bank.stops.length > 1 ? 'button' : 'span'"
          class="label here"
          :type="bank.stops.length > 1 ? 'button' : undefined"
          :aria-expanded="bank.stops.length > 1 ? moving : undefined"
          @click="moving = bank.stops.length > 1 && !moving"
          ><template v-if="water"
            >{{ water.place || 'here' }}, {{ withUnit(water.depthM, settings.units.depth) }},
            {{ withUnit(water.temperatureC, settings.units.temperature)
            }}{{ bank.stops.length > 1 ? ' ▾' : '' }}</template
          >; tide and wind simulated</component
        ><UButton variant="ghost" class="small" @click="end()">End</UButton>
      </footer>
    </template>
    <AsideEntries />
  </main>
</template>

<style scoped>
.bank {
  min-height: 100dvh;
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 8px 10px 12px;
  max-width: 560px;
  margin: 0 auto;
  font-size: 18px;
}
header {
  display: flex;
  gap: 10px;
  align-items: center;
}
.mark {
  font-size: 20px;
  font-weight: 700;
  flex: 1;
}
.state {
  font-size: 14px;
  display: inline-flex;
  gap: 5px;
  align-items: center;
}
.off {
  color: var(--shell);
  font-weight: 600;
}
.begin {
  display: grid;
  gap: 10px;
}
.begin h2 {
  font-size: 17px;
  margin-top: 6px;
}
.begin [aria-pressed='true'] {
  background: var(--ink);
  color: var(--paper);
}
button.here {
  min-height: 48px;
  justify-content: flex-start;
  text-align: left;
  text-decoration: underline;
}
h1 {
  font-size: 26px;
  font-weight: 600;
}
.big {
  min-height: 60px;
  padding: 8px 14px;
  border: 2px solid var(--ink);
  border-radius: 2px;
  font-size: 19px;
  font-weight: 600;
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 8px;
}
.small {
  min-height: 48px;
  padding: 4px 14px;
  border: 1px solid var(--hair-strong);
  border-radius: 2px;
  font-size: 16px;
}
.rods {
  display: flex;
  gap: 6px;
  overflow-x: auto;
}
.rods button {
  min-height: 56px;
  padding: 4px 12px;
  border: 2px solid var(--lane);
  border-radius: 2px;
  font-size: 16px;
  white-space: nowrap;
}
.rods [aria-pressed='true'] {
  background: var(--lane);
  color: var(--lane-ink);
  font-weight: 600;
}
.rods b {
  font-size: 20px;
}
.hand {
  display: flex;
  gap: 6px;
  align-items: center;
}
.grow {
  flex: 1;
}
.step {
  min-width: 56px;
  min-height: 56px;
  border: 2px solid var(--hair-strong);
  border-radius: 2px;
  font-size: 26px;
}
.wide {
  font-size: 17px;
  padding: 0 12px;
}
.taps {
  flex: 1;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  min-height: 330px;
}
.taps button {
  min-height: 92px;
  border: 2px solid var(--ink);
  border-radius: 2px;
  font-size: 26px;
  font-weight: 600;
  display: grid;
  place-content: center;
  justify-items: center;
}
.taps b {
  font-size: 30px;
}
.taps .cast {
  grid-column: 1 / 3;
  background: var(--ink);
  color: var(--paper);
}
.taps .hooked,
.taps .landed {
  background: var(--marram);
  color: var(--paper);
  border-color: var(--marram);
}
.taps .snag {
  background: var(--wrack);
  color: var(--paper);
  border-color: var(--wrack);
  grid-column: 1 / 3;
}
.next {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  gap: 8px;
}
.next .big {
  padding: 4px 6px;
  font-size: 17px;
  line-height: 1.15;
}
.last {
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: space-between;
}
.undo:disabled {
  opacity: 0.4;
}
.note {
  display: flex;
  gap: 8px;
}
.note > :first-child {
  flex: 1;
}
.note :deep(input) {
  height: 56px;
  font-size: 18px;
}
footer {
  display: flex;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
}
.bad {
  color: var(--wrack);
  font-size: 15px;
}
</style>
