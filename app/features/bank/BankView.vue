<script setup lang="ts">
import { NuxtLink, UButton, UIcon, UInput, UModal } from '#components'
import { useHead } from '#imports'
import { useEventListener, useWakeLock } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useBank } from './useBank'
import { useBrightLight } from './useBrightLight'
import { useReadings } from './useReadings'
import BankBegin from './BankBegin.vue'
import BankCard from './BankCard.vue'
import BankCount from './BankCount.vue'
import BankHistory from './BankHistory.vue'
import BankSettings from './BankSettings.vue'
import BankSummary from './BankSummary.vue'
import { depthOf, type BankStart } from './bankStart'
import AsideEntries from '~/sheet/AsideEntries.vue'
import SyncState from '~/sheet/SyncState.vue'
import { useEvaluation } from '~/sheet/useEvaluation'
import { useEvidence } from '~/sheet/evidence'
import { useKeeping } from '~/sheet/useKeeping'
import { useSpread } from '~/sheet/spread'
import { useOutbox } from '~/sync/outboxStore'
import { saveText } from '~/ui/card'
import { useSettings } from '~/ui/settings'
import { FAMILIES, stepWeight } from '#core'
import { LETTERS, type LogKind } from '#schemas/ranges'
import type { Lane, SpreadContent } from '#schemas/spread'
import { LOG_KIND_WORDS } from '#words/logWords'
import { failureText } from '#words/failureText'
import { weightText, withUnit } from '#words/units'

/**
 * Bank mode: one hand, bright sun, big targets. Every tap is kept on the phone first; the page opens without
 * a connection.
 */
const settings = useSettings()
const spread = useSpread()
useBrightLight()
const outbox = useOutbox()
const evidence = useEvidence()
const keeping = useKeeping('spread')
const {
  bank,
  ended,
  loaded,
  elsewhere,
  online,
  standing,
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
  reopen,
} = useBank()
const asked = ref<string>()
/** what the last tap asks next: what came of a snag, or what a lost touch shows */
const asks = ref<'snag' | 'touch'>()
const noting = ref(false)
const said = ref('')
const showing = ref<'ending' | 'card' | 'history' | 'settings'>()
const shows = (what: NonNullable<typeof showing.value>) =>
  computed({
    get: () => showing.value === what,
    set: open => void (showing.value = open ? what : undefined),
  })
const [ending, card, history, setting] = [shows('ending'), shows('card'), shows('history'), shows('settings')]
useHead({ title: 'Bank · Dunecrest' })
onMounted(async () => {
  if (!evidence.loaded) void evidence.load()
  // opened by its address there is no sheet yet: the one that was last worked on is laid out
  if (!spread.opened) asked.value = await keeping.open(spread.lastId || undefined)
})

/** The screen stays on while a session is under way. */
const wake = useWakeLock()
watch(
  () => bank.value !== undefined,
  on => void (on ? wake.request('screen') : wake.release()).catch(() => undefined),
)

const { tideNow, readings } = useReadings(() => bank.value?.tideId)
async function begin(what: BankStart): Promise<void> {
  try {
    await start(what, await readings())
    asked.value = undefined
  } catch (error) {
    asked.value = failureText(error)
  }
}
const moving = ref(false)
const called = ref('')
watch(moving, () => (called.value = water.value?.place ?? ''))
async function moveOn(stop: number, place?: string): Promise<void> {
  moving.value = false
  if (stop !== bank.value?.stop || place) await arrive(stop, await readings(), place)
}
function callIt(): void {
  const name = called.value.trim()
  if (bank.value && name !== '' && name !== water.value?.place) void moveOn(bank.value.stop, name)
  else moving.value = false
}

/** The rod in hand as a sheet of one rig, for its figures. */
const USUAL_LINE: SpreadContent['line'] = { kind: 'braid', strengthN: 67 }
const sheet = computed<SpreadContent | undefined>(() => {
  const [now, here] = [bank.value, water.value]
  if (!now || !here || !hand.value) return undefined
  const { datum: _, ...place } = here
  const { bait, rig } = hand.value
  return {
    water: place,
    line: USUAL_LINE,
    ...now.on,
    bait: bait as SpreadContent['bait'],
    lanes: [{ letter: LETTERS[0]!, ...rig } as Lane],
  }
})
const { outcomes } = useEvaluation(() => sheet.value)
const outcome = computed(() => outcomes.value.get(LETTERS[0]!))

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
/** The rod in hand pressed again shows its card. */
function take(letter: string): void {
  if (letter === bank.value?.rod) card.value = true
  else void takeRod(letter)
}
async function endIt(): Promise<void> {
  ending.value = false
  asks.value = undefined
  await end()
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
const tables = () => import('../../../shared/logTable')
// where nothing can be kept it could not be fetched either, once it is needed
watch(
  () => bank.value !== undefined,
  on => on && void tables().catch(() => undefined),
)
async function saveWaiting(): Promise<void> {
  const { logCsv } = await tables()
  saveText('taps-not-on-the-server.csv', logCsv(await outbox.notOnServer()), 'text/csv')
}
// what is in this page alone must not go with it unasked
useEventListener('beforeunload', event => outbox.unkept.length > 0 && event.preventDefault())
</script>

<template>
  <main class="bank" :class="[settings.hand, settings.size]">
    <header>
      <NuxtLink to="/log" class="mark figure" aria-label="Back to the log">Dunecrest</NuxtLink>
      <span class="state" role="status" :class="{ off: !outbox.settled || outbox.aside.length > 0 }"
        ><UIcon :name="online ? 'i-lucide-wifi' : 'i-lucide-wifi-off'" /> {{ waits }}</span
      >
      <SyncState />
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
    <BankBegin
      v-else-if="!bank"
      class="begin"
      :ended="ended"
      :problem="asked"
      @begin="begin"
      @reopen="reopen()"
    />
    <template v-else>
      <h1 class="visually-hidden">On the bank: {{ water?.place || 'here' }}</h1>
      <nav class="rods" aria-label="Rod in hand">
        <UButton
          v-for="r in bank.rods"
          :key="r.letter"
          variant="ghost"
          :class="`lane-${r.letter}`"
          :aria-pressed="r.letter === bank.rod"
          @click="take(r.letter)"
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
      <BankCount :outcome="outcome" :zone="water?.zone" />
      <section class="taps" aria-label="Log">
        <UButton v-for="[kind, name] in TAPS" :key="kind" variant="ghost" :class="kind" @click="tap(kind)">
          {{ name }} <b class="figure">{{ counts[kind] ?? 0 }}</b>
        </UButton>
      </section>
      <p class="next">
        <template v-if="asks === 'snag'"
          ><UButton variant="ghost" class="big" @click="tap('freed')">Freed</UButton
          ><UButton variant="ghost" class="big" @click="tap('lost')">Rig lost</UButton></template
        ><template v-else-if="asks === 'touch'"
          ><UButton v-for="[kind, name] in SEEN" :key="kind" variant="ghost" class="big" @click="tap(kind)">
            {{ name }}
          </UButton></template
        ><span v-else class="label">What came of a snag or a lost touch is asked here.</span>
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
        <form class="note" @submit.prevent="callIt()">
          <UInput v-model="called" aria-label="Name of this place" maxlength="80" /><UButton
            variant="ghost"
            type="submit"
            class="big"
            >Call it so</UButton
          >
        </form>
        <template v-if="bank.stops.length > 1">
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
        </template>
      </nav>
      <UButton variant="ghost" class="here" :aria-expanded="moving" @click="moving = !moving">
        <span v-if="water" class="line"
          ><span data-own>{{ water.place || 'here' }}</span
          >, {{ withUnit(depthOf(water, undefined), settings.units.depth) }},
          {{ withUnit(water.temperatureC, settings.units.temperature) }} ▾</span
        >
        <small>{{
          tideNow.simulated ? 'tide and wind simulated' : `tide by ${tideNow.name}, wind simulated`
        }}</small>
      </UButton>
      <footer>
        <UButton variant="ghost" class="small" @click="noting = !noting">Note</UButton
        ><UButton variant="ghost" class="small" @click="history = true">History</UButton
        ><UButton variant="ghost" class="small" aria-label="Hand, size, theme" @click="setting = true"
          >Aa</UButton
        ><UButton variant="ghost" class="small" @click="ending = true">End</UButton>
      </footer>
      <BankCard v-if="hand" v-model:open="card" :rod="hand" :outcome="outcome" />
      <BankHistory v-model:open="history" :log="standing" />
      <UModal v-model:open="ending" title="End this session?">
        <template #body>
          <BankSummary :log="bank.log" />
          <div class="ends">
            <UButton variant="solid" class="big" @click="endIt()">End it</UButton
            ><UButton class="big" @click="ending = false">Go on</UButton>
          </div>
          <p class="label">It can be opened again from the page that follows.</p>
        </template>
      </UModal>
    </template>
    <BankSettings v-model:open="setting" />
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
  margin-bottom: -6px;
}
header :deep(.sync button) {
  min-width: 56px;
  min-height: 56px;
}
.mark {
  display: flex;
  align-items: center;
  min-height: 56px;
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
.here {
  min-height: 56px;
  text-align: left;
  text-decoration: underline;
}
.here small {
  text-decoration: none;
}
.left .hand,
.left .last,
.left :deep(.count) {
  flex-direction: row-reverse;
}
/* the far column changes sides with the hand */
.left .taps {
  direction: rtl;
}
.left .taps > * {
  direction: ltr;
}
.larger {
  font-size: 21px;
}
.larger .taps button {
  font-size: 31px;
}
.larger .taps b {
  font-size: 36px;
}
.larger .hand,
.larger .last {
  font-size: 22px;
}
.ends {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  margin-top: 16px;
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
  min-height: 56px;
  min-width: 56px;
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
  min-height: 280px;
}
.taps button {
  min-height: 68px;
  border: 2px solid var(--ink);
  border-radius: 2px;
  font-size: 24px;
  line-height: 1.05;
  font-weight: 600;
  display: grid;
  place-content: center;
  justify-items: center;
}
.taps b {
  font-size: 28px;
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
  min-height: 62px;
  align-items: center;
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
