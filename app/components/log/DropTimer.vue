<script setup lang="ts">
import { FAMILIES, fallWords, fitAll, baitKey, kindKey } from '#catalogue'
import type { BaitSpec, Drop, RigSpec } from '#core'
import { conditionsOf } from '~/composables/useEvaluation'
import { sampleClip } from '~/utils/sampleClip'
import { DEPTH_RANGE_M } from '#schemas/fields'
import type { LogEntry } from '#schemas/log'
import { calculator } from '~/workers/calculator'
import { copy } from '~/utils/data'
import { newId } from '~/utils/newId'
import { keepEntry, sendWaiting } from '~/utils/queue'
import { ask, ServerRefusal } from '~/utils/api'

/** Tap at the splash, tap when the line goes slack; what the drops say of the bait, and how predictions moved. */
const spread = useSpread()
const settings = useSettings()
const evidence = useEvidence()
const chosen = ref<string>()
const lane = computed(() => spread.content.lanes.find(l => l.letter === (chosen.value ?? spread.picked)) ?? spread.content.lanes[0]!)
const bait = computed(() => spread.content.bait as BaitSpec)
const depthM = ref<number>()
const depth = computed(() => depthM.value ?? spread.content.water.depthM)
const started = ref<number>()
const now = ref(0)
const error = ref<string>()
const saving = ref(false)
useIntervalFn(() => { if (started.value !== undefined) now.value = performance.now() }, 50)

/** First tap: the splash. Second: slack. */
async function tap(): Promise<void> {
  if (started.value === undefined) {
    error.value = undefined
    now.value = started.value = performance.now()
    return
  }
  const seconds = (performance.now() - started.value) / 1000
  started.value = undefined
  await keep(seconds, 'taps')
}
const LEAST_S = 0.3
/** The chosen rig's drop, as the model has it. */
function modelled() {
  const { temperatureC, salinityGKg } = spread.content.water
  const { letter: _, ...rig } = lane.value
  const { kind, strengthN } = spread.content.line
  return calculator().ask('drop', copy({ bait: bait.value, rig: rig as RigSpec, conditions: { depthM: depth.value, temperatureC, salinityGKg, lineKind: kind, lineStrengthN: strengthN } }))
}
async function keep(seconds: number, from: 'taps' | 'tank' | 'clip', pitchRad?: number): Promise<void> {
  if (seconds < LEAST_S) return void (error.value = 'Too quick to be a drop: tap again at the splash.')
  saving.value = true
  try {
    const { temperatureC, salinityGKg } = spread.content.water
    const { letter: _, ...rig } = lane.value
    const found = await modelled()
    if (!found.ok) return void (error.value = found.message)
    const entry: LogEntry = { id: newId(), session: newId(), at: new Date().toISOString(), kind: 'drop', data: { place: 'drop test', drop: { bait: copy(spread.content.bait), rig: copy(rig), depthM: depth.value, temperatureC, salinityGKg, seconds, from, ...(pitchRad === undefined ? {} : { pitchRad }), model: found.model } } }
    await keepEntry(entry)
    const sent = await sendWaiting()
    error.value = sent.error
    await evidence.load()
  }
  catch (failure) {
    error.value = failure instanceof Error ? failure.message : String(failure)
  }
  finally {
    saving.value = false
  }
}
const clipping = ref(false)
/** The made-up clip: the chosen rig as it is simulated, in a bait with a little more drag. */
async function sample(): Promise<Blob | undefined> {
  const { letter: _, ...rig } = lane.value
  let drop: Drop | undefined
  await calculator().evaluate(copy({ bait: bait.value, conditions: conditionsOf(spread.content), lanes: [{ letter: 'A', rig: rig as RigSpec }] }), { onLane: (_letter, outcome) => void (drop = outcome.kind === 'done' ? outcome.report.fall.drop as Drop : undefined) })
  return drop && sampleClip(drop, bait.value.lengthM)
}
const keepClip = (speedMS: number, pitchRad: number): void => void keep(depth.value / speedMS, 'clip', pitchRad)
/** The two-gate tank of the bench, simulated: its own bait is a little unlike the model's. */
async function readTank(): Promise<void> {
  try {
    const found = await modelled()
    if (!found.ok) return void (error.value = found.message)
    const { seconds } = await ask<{ seconds: number }>('/api/instruments/drop', 'POST', { seconds: found.model.seconds })
    await keep(seconds, 'tank')
  }
  catch (failure) {
    error.value = failure instanceof ServerRefusal ? failure.message : String(failure)
  }
}
async function readSounder(): Promise<void> {
  try {
    const { reading } = await ask<{ reading?: { depthM?: number } }>('/api/instruments/sounder')
    if (reading?.depthM === undefined) error.value = 'The sounder is off, or has said nothing yet.'
    else depthM.value = reading.depthM
  }
  catch (failure) {
    error.value = failure instanceof ServerRefusal ? failure.message : String(failure)
  }
}
const own = computed(() => evidence.drops.filter(d => baitKey(d.drop.bait as BaitSpec) === baitKey(bait.value)))
const fit = computed(() => fitAll(evidence.timed).get(baitKey(bait.value)))
const pooled = computed(() => fit.value ? undefined : evidence.book?.pooled[kindKey(bait.value)])
const strange = computed(() => new Set(own.value.filter(d => !d.excluded).flatMap((d, i) => fit.value?.outliers.includes(i) ? [d.id] : [])))
const words = computed(() => fit.value && fallWords(fit.value))
const resetAll = (): void => void Promise.all(own.value.filter(d => !d.excluded).map(d => evidence.exclude(d.id, true)))
onKeyStroke(' ', (event) => {
  if ((event.target as HTMLElement).closest('input, button, select, textarea, [role=dialog]')) return
  event.preventDefault()
  void tap()
})
</script>

<template>
  <section class="timer" aria-label="Drop timer">
    <h2>Drop test</h2>
    <p class="rig">
      <button v-for="l in spread.content.lanes" :key="l.letter" type="button" :class="`lane-${l.letter}`" :aria-pressed="l.letter === lane.letter" @click="chosen = l.letter"><LaneChip :letter="l.letter" plain /> {{ FAMILIES[l.family].shortName }}</button>
    </p>
    <p class="at"><NumberField label="depth" :model-value="depth" :unit="settings.units.depth" :range="DEPTH_RANGE_M" :step="0.1" @update:model-value="value => depthM = value" /><button type="button" class="key" @click="readSounder()">from the sounder</button><button type="button" class="key" @click="readTank()">read the drop tank</button><button type="button" class="key" @click="clipping = true">from a clip…</button></p>
    <button type="button" class="tap" :class="{ falling: started !== undefined }" :disabled="saving" @click="tap()">{{ started === undefined ? 'Splash' : 'Slack' }} <b v-if="started !== undefined" class="figure">{{ ((now - started) / 1000).toFixed(1) }} s</b><small v-else>or the space bar; tap again when the line goes slack</small></button>
    <p v-if="error" class="bad" role="alert">{{ error }}</p>
    <div class="says" role="status">
      <template v-if="fit && words"><p class="first">{{ words.sentence }}</p><p class="label">{{ words.detail }} ◆ measured</p></template>
      <p v-else-if="pooled" class="first">This bait was never dropped. {{ pooled.drops }} drops of others of its form and plastic move its drag by {{ Math.round(100 * (pooled.drag - 1)) }} %.</p>
      <p v-else class="label">No drops of this bait yet: five make the model fit it. Known depth, slack line, the same rig.</p>
    </div>
    <table v-if="own.length > 0"><thead><tr><th scope="col">when</th><th scope="col">depth</th><th scope="col">took</th><th scope="col">model</th><th scope="col">used</th></tr></thead>
      <tbody><tr v-for="d in own.slice(-12).reverse()" :key="d.id" :class="{ out: d.excluded || strange.has(d.id) }"><td>{{ d.at.slice(0, 10) }}<small v-if="d.drop.from !== 'taps'"> {{ d.drop.from }}</small></td><td class="figure">{{ settings.units.depth.from(d.drop.depthM).toFixed(1) }}</td><td class="figure">{{ d.drop.seconds.toFixed(1) }} s</td><td class="figure">{{ d.drop.model.seconds.toFixed(1) }} s</td><td><label><input type="checkbox" :checked="!d.excluded" :aria-label="`Use the drop of ${d.drop.seconds.toFixed(1)} s`" @change="evidence.exclude(d.id, !($event.target as HTMLInputElement).checked)"> {{ strange.has(d.id) ? 'set aside: far from the others' : '' }}</label></td></tr></tbody></table>
    <button v-if="own.some(d => !d.excluded)" type="button" class="key" @click="resetAll()">Forget these drops</button>
    <DropClip v-model:open="clipping" :sample="sample" @keep="keepClip" />
  </section>
</template>

<style scoped>
.timer { padding: 6px 12px 12px; }
h2 { font-size: 17px; font-weight: 600; }
.rig { display: flex; flex-wrap: wrap; gap: 4px; } .rig button { display: inline-flex; gap: 5px; align-items: center; padding: 2px 8px 2px 2px; border-bottom: 3px solid transparent; font-size: 14px; } .rig [aria-pressed=true] { border-bottom-color: var(--lane); font-weight: 600; }
.at { display: flex; flex-wrap: wrap; gap: 6px 10px; align-items: baseline; padding: 4px 0; }
.tap { width: 100%; min-height: 92px; border: 2px solid var(--ink); border-radius: 2px; font-size: 28px; font-weight: 600; display: grid; place-content: center; justify-items: center; background: var(--raised); } .tap small { font-size: 13px; font-weight: 400; color: var(--ink-soft); }
.falling { background: var(--float); color: var(--float-ink); border-color: var(--float); } .tap b { font-size: 34px; }
.says { padding: 8px 0 6px; } .first { font-size: 17px; padding-left: 10px; border-left: 5px solid var(--float); }
table { width: 100%; border-collapse: collapse; font-size: 14px; } th { text-align: left; font-weight: 400; font-size: 12px; color: var(--ink-soft); } td { padding: 2px 6px 2px 0; border-top: 1px solid var(--hair); } td small { color: var(--ink-soft); } td:not(:last-child) { white-space: nowrap; } .out td { color: var(--ink-soft); text-decoration: line-through; } .out td:last-child { text-decoration: none; }
.key { min-height: 28px; padding: 1px 9px; border: var(--line-weight) solid var(--hair-strong); border-radius: 2px; font-size: 14px; } .key:hover { background: var(--ink); color: var(--paper); }
.bad { color: var(--wrack); padding: 4px 0; }
</style>
