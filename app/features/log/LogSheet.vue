<script setup lang="ts">
import { UButton, UCheckbox } from '#components'
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { useQuery } from '~/compute/useQuery'
import { useEvidence } from '~/sheet/evidence'
import { useSpread } from '~/sheet/spread'
import AsideEntries from '~/sheet/AsideEntries.vue'
import DropTimer from './DropTimer.vue'
import InstrumentsDialog from './InstrumentsDialog.vue'
import LogTotals from './LogTotals.vue'
import SheetFrame from '~/sheet/SheetFrame.vue'
import { BOTTOMS, COVERS } from '#core'
import { compareWords, tallyLines, type TallyLine } from '#words/logWords'
import { LEAST_TOUCHES, snagWords, touchRows, touchWords } from '#words/touchWords'
import LogRange from './LogRange.vue'
import LogSessions from './LogSessions.vue'
import SheetTable, { type SheetColumn } from '~/ui/SheetTable.vue'
import CheckField from '~/ui/CheckField.vue'

/** What was logged and what it says: drops, tallies by rig and place, sessions. */
defineProps<{ id: string | undefined }>()
const evidence = useEvidence()
const spread = useSpread()
const sessions = useTemplateRef('sessions')
const picked = ref<readonly string[]>([])
const backing = ref(false)
/** On a phone one part is seen at a time, what the log comes to first. */
const PARTS = [
  ['tally', 'Tally'],
  ['days', 'Sessions'],
  ['drops', 'Drop test'],
] as const
const part = ref<(typeof PARTS)[number][0]>('tally')

onMounted(() => void evidence.load())
const placeName = (key: string): string => {
  const [cover, bottom] = key.split('/') as [keyof typeof COVERS, keyof typeof BOTTOMS]
  return `${COVERS[cover]?.name ?? cover} over ${BOTTOMS[bottom]?.name ?? bottom}`
}
const lines = computed(() => tallyLines(evidence.tallies, placeName))
const readings = useQuery('touches', () =>
  lines.value.some(l => l.touches >= LEAST_TOUCHES) ? { rows: touchRows(lines.value) } : undefined,
)
const advice = computed(() => {
  const read = lines.value.filter(l => l.touches >= LEAST_TOUCHES)
  return new Map(
    lines.value.map(l => {
      const reading = readings.answer.value?.[read.indexOf(l)]
      // an answer to an older tally is not told of this one
      return [
        l,
        [
          reading?.touches === l.touches ? touchWords(l, reading) : undefined,
          snagWords(l, lines.value),
        ].filter(s => s !== undefined),
      ] as const
    }),
  )
})
const keyOf = ({ row }: TallyLine): string => `${row.rigKey}\n${row.placeKey}`
const choose = (line: TallyLine): void => {
  const key = keyOf(line)
  picked.value = picked.value.includes(key)
    ? picked.value.filter(k => k !== key)
    : [...picked.value.slice(-1), key]
}
const compared = computed(() => {
  const [one, other] = picked.value.map(key => lines.value.find(l => keyOf(l) === key))
  return one && other
    ? { one, other, sentences: [compareWords(one, other, 'hooked'), compareWords(one, other, 'snag')] }
    : undefined
})
const thinnest = computed(() =>
  lines.value
    .filter(l => l.casts > 0)
    .slice(-3)
    .reverse(),
)
const sums = computed(() =>
  lines.value.reduce(
    (s, l) => ({
      casts: s.casts + l.casts,
      bites: s.bites + l.bites,
      bumps: s.bumps + l.bumps,
      hooked: s.hooked + l.hookedCount,
      landed: s.landed + (l.row.counts.landed ?? 0),
      snags: s.snags + (l.row.counts.snag ?? 0),
      lost: s.lost + (l.row.counts.lost ?? 0),
    }),
    { casts: 0, bites: 0, bumps: 0, hooked: 0, landed: 0, snags: 0, lost: 0 },
  ),
)
const p = (x: number): number => Math.round(100 * x)
const COLUMNS: readonly SheetColumn<(typeof lines.value)[number]>[] = [
  { id: 'pick', label: 'Compare', words: true, unseen: true },
  { id: 'rig', label: 'rig, bait and place', words: true, class: 'rig wrap' },
  { id: 'casts', label: 'casts' },
  { id: 'hooked', label: 'hooked of touches ▤', words: true },
  { id: 'snags', label: 'snags of casts ▤', words: true },
]
</script>

<template>
  <SheetFrame :id="id" view="log">
    <section class="head" aria-label="In all">
      <p class="sums figure">
        <span
          ><b>{{ sums.casts.toLocaleString('en') }}</b> casts</span
        ><span
          ><b>{{ sums.bumps }}</b> touches only</span
        ><span
          ><b>{{ sums.bites }}</b> bites</span
        ><span
          ><b>{{ sums.hooked }}</b> hooked</span
        ><span
          ><b>{{ sums.landed }}</b> landed</span
        ><span
          ><b>{{ sums.snags }}</b> snags</span
        ><span
          ><b>{{ sums.lost }}</b> rigs lost</span
        ><span
          ><b>{{ evidence.drops.length }}</b> drops ▤ ◆</span
        >
      </p>
      <CheckField v-model="evidence.ignored" label="show the model's own figures" />
      <UButton variant="solid" to="/bank" icon="i-lucide-smartphone">Bank mode</UButton>
      <UButton to="/take" icon="i-lucide-qr-code">Take it to the bank</UButton>
      <UButton @click="backing = true">Tables, backup, instruments…</UButton>
    </section>
    <p v-if="evidence.error" class="bad" role="alert">
      {{ evidence.error }}
      <UButton variant="ghost" @click="evidence.load()">Try again</UButton>
    </p>
    <AsideEntries />
    <nav class="parts" aria-label="Parts of the log">
      <UButton v-for="[key, name] in PARTS" :key="key" :aria-pressed="part === key" @click="part = key">{{
        name
      }}</UButton>
    </nav>
    <div class="body" :class="`sees-${part}`">
      <div class="drops"><DropTimer v-if="spread.opened" /></div>
      <section class="tally" aria-label="Tally">
        <h2>What the tally says</h2>
        <p v-if="lines.length === 0" class="label">
          Nothing is logged yet. Open bank mode on the phone and tap what happens: casts, bites, snags.
        </p>
        <div v-else class="scroll" tabindex="0" aria-label="Tally by rig and place">
          <SheetTable
            :columns="COLUMNS"
            :rows="lines"
            :key-of="keyOf"
            :row-class="l => (picked.includes(keyOf(l)) ? 'on' : '')"
          >
            <template #pick="{ row: l }">
              <UCheckbox
                :model-value="picked.includes(keyOf(l))"
                :aria-label="`Compare ${l.rig} in ${l.place}`"
                @update:model-value="choose(l)"
              />
            </template>
            <template #rig="{ row: l }">
              <b>{{ l.rig }}</b> <small>{{ l.bait }}, {{ l.place }}</small>
              <p v-for="s in advice.get(l)" :key="s" class="advice">{{ s }}</p>
            </template>
            <template #casts="{ row: l }">{{ l.casts }} <small class="told">casts</small></template>
            <template #hooked="{ row: l }">
              <template v-if="l.hooked"
                ><b>{{ p(l.hooked.value) }} %</b> <small class="told">hooked </small
                ><small>of {{ l.touches }}</small
                ><LogRange :measure="l.hooked" tone="good"
              /></template>
            </template>
            <template #snags="{ row: l }">
              <template v-if="l.snag"
                ><b>{{ p(l.snag.value) }} %</b> <small class="told">of casts snagged</small
                ><LogRange :measure="l.snag" tone="ill"
              /></template>
            </template>
          </SheetTable>
        </div>
        <div v-if="compared" class="compare" role="status">
          <p>
            <b>{{ compared.one.rig }}</b> against <b>{{ compared.other.rig }}</b>
          </p>
          <p v-for="s in compared.sentences" :key="s">{{ s }}</p>
        </div>
        <p v-else-if="lines.length > 1" class="label">
          Tick two to compare them. Why touches are lost, and what would help: ◇ by the strike model from your
          counts.
        </p>
        <LogTotals v-if="lines.length > 0" :key="sums.casts" />
        <p v-if="thinnest.length > 0" class="label">
          Best evidence:
          {{
            lines
              .slice(0, 2)
              .map(l => `${l.rig} (${l.casts} casts)`)
              .join('; ')
          }}. Thinnest: {{ thinnest.map(l => `${l.rig} (${l.casts} casts)`).join('; ') }}.
        </p>
      </section>
      <LogSessions ref="sessions" class="days" @changed="evidence.load()" />
    </div>
    <InstrumentsDialog v-model:open="backing" @restored="(sessions?.load(), evidence.load())" />
  </SheetFrame>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 5px 12px;
  border-bottom: var(--line-weight) solid var(--ink);
  background: var(--raised);
}
.sums {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  flex: 1;
  font-size: 14px;
}
.sums b {
  font-size: 22px;
  font-weight: 600;
}
.body {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 0.9fr) minmax(0, 1.45fr) minmax(0, 0.85fr);
}
.body > * {
  border-right: 1px solid var(--hair-strong);
  min-width: 0;
}
.tally {
  padding: 6px 12px 12px;
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
h2 small {
  color: var(--ink-soft);
  font-weight: 400;
}
.scroll {
  max-height: 372px;
  overflow: auto;
}
.advice {
  color: var(--shell);
  text-wrap: pretty;
}
.scroll :deep(.on) {
  background: var(--raised);
}
.scroll :deep(td) {
  vertical-align: top;
  padding-block: 4px;
}
.compare {
  margin-top: 8px;
  padding-left: 10px;
  border-left: 5px solid var(--float);
  font-size: 16px;
}
.told {
  display: none;
}
.bad {
  color: var(--wrack);
  padding: 6px 12px;
}
.bad button {
  text-decoration: underline;
}
.parts {
  display: none;
}
@media (max-width: 999px) {
  .sums {
    flex-basis: 100%;
    display: grid;
    grid-template-columns: repeat(4, auto);
  }
  .sums span {
    display: grid;
  }
  .parts {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 6px;
    padding: 6px 12px;
    border-bottom: 1px solid var(--hair-strong);
  }
  .parts [aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
  }
  .body:not(.sees-tally) > .tally,
  .body:not(.sees-days) > .days,
  .body:not(.sees-drops) > .drops {
    display: none;
  }
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
  .body > * {
    border-right: 0;
    border-bottom: 1px solid var(--hair-strong);
  }
}
/* a rig a card: what it is and what it says over the whole width, its figures in a row beneath */
@media (max-width: 639px) {
  .told {
    display: inline;
  }
  .scroll {
    max-height: none;
    overflow: visible;
  }
  .scroll :deep(thead) {
    display: none;
  }
  .scroll :deep(table),
  .scroll :deep(tbody) {
    display: block;
  }
  .scroll :deep(tr) {
    display: grid;
    grid-template-columns: auto 1fr 1fr;
    column-gap: 12px;
    padding: 6px 0;
    border-bottom: 1px solid var(--hair-strong);
  }
  .scroll :deep(td) {
    height: auto;
    border: 0;
    padding: 2px 0;
    text-align: left;
  }
  .scroll :deep(td.rig) {
    grid-column: 2 / 4;
  }
}
</style>
