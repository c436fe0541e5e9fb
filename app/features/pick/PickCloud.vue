<script setup lang="ts">
import { UButton, UInput, UModal } from '#components'
import type { Chart, ChartData, ChartOptions } from 'chart.js'
import { computed, ref, shallowRef } from 'vue'
import { useSettings } from '~/ui/settings'
import ChoiceField from '~/ui/ChoiceField.vue'
import { FAMILIES, FAMILY_GROUPS, type FamilyGroup, type RigSpec } from '#core'
import type { CloudPoint, PickAnswer } from '~/compute/pick'
import ChartFrame from '~/ui/charts/ChartFrame.vue'
import { axis, common, through, tooltip } from '~/ui/charts/theme'
import { token } from '~/ui/drawing/identity'
import { rigWords, sizeWords } from '#words/pickWords'
import SheetTable, { type SheetColumn } from '~/ui/SheetTable.vue'
import { shown } from '#words/units'
import CheckField from '~/ui/CheckField.vue'

/**
 * Everything in the box that can be fished here: a chart of what it gives and costs, and a table; filtered,
 * pinned, laid out.
 */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ answer: PickAnswer }>()
const emit = defineEmits<{ put: [points: readonly CloudPoint[]] }>()
const settings = useSettings()
const group = ref<FamilyGroup | 'all'>('all')
const text = ref('')
const fitsOnly = ref(false)
const frontOnly = ref(false)
/** what is pinned, by what it is: it stays when the answer is completed, or another day is asked about */
const keys = shallowRef<ReadonlySet<string>>(new Set())
const groups = [
  { value: 'all' as const, label: 'every way of rigging' },
  ...(Object.entries(FAMILY_GROUPS) as [FamilyGroup, string][]).map(([value, label]) => ({ value, label })),
]

const rigOf = ({ rigging, weight, point }: CloudPoint): RigSpec => {
  const { base, weights } = props.answer.riggings[rigging]!
  const { weightKg, weightMaterial } = weights[weight]!
  return { ...base, weightKg, weightMaterial, pointRest: point }
}
const baitOf = (p: CloudPoint): string => props.answer.baits[p.bait]!.name
const shownPoints = computed(() =>
  props.answer.cloud.filter(
    p =>
      (group.value === 'all' ||
        FAMILIES[props.answer.riggings[p.rigging]!.base.family].group === group.value) &&
      (!fitsOnly.value || !p.near) &&
      (!frontOnly.value || p.front) &&
      (text.value === '' ||
        `${baitOf(p)} ${rigWords(rigOf(p))}`.toLowerCase().includes(text.value.toLowerCase())),
  ),
)

const columns: readonly SheetColumn<CloudPoint>[] = [
  { id: 'pin', label: 'Pin', unseen: true, words: true },
  { id: 'rig', label: 'Rig', words: true, sort: p => rigWords(rigOf(p)) },
  { id: 'size', label: 'Hook, point, weight', words: true, sort: p => sizeWords(rigOf(p), settings.system) },
  { id: 'bait', label: 'Bait', words: true, sort: baitOf },
  { id: 'falls', label: 'Falls', sort: p => p.sinkMS, highFirst: true },
  { id: 'hooked', label: 'Hooked', sort: p => p.hookUp, highFirst: true },
  { id: 'left', label: 'Left, min/h', sort: p => p.minutesLeft, highFirst: true },
  { id: 'score', label: 'Score', sort: p => p.score, highFirst: true },
]
const idOf = (p: CloudPoint): string => `${p.bait} ${p.rigging} ${p.weight} ${p.point}`
const keyOf = (p: CloudPoint): string => JSON.stringify([props.answer.baits[p.bait]!.id, rigOf(p)])
/** In the order in which they were pinned. */
const pinned = computed((): ReadonlySet<CloudPoint> => {
  if (keys.value.size === 0) return new Set()
  const there = new Map(props.answer.cloud.map(p => [keyOf(p), p]))
  return new Set([...keys.value].map(key => there.get(key)).filter(p => p !== undefined))
})
const pin = (p: CloudPoint): void => {
  const next = new Set([...pinned.value].map(keyOf))
  if (!next.delete(keyOf(p)) && next.size < 5) next.add(keyOf(p))
  keys.value = next
}

const best = computed(() => props.answer.cloud[0]?.score ?? 1)
const spots = (points: readonly CloudPoint[]) => points.map(p => ({ x: p.minutesLeft, y: 100 * p.hookUp }))
const ring = (points: readonly CloudPoint[], colour: string, radius: number, width: number) => ({
  data: spots(points),
  pointRadius: radius,
  pointHoverRadius: radius,
  pointBackgroundColor: 'transparent',
  pointBorderColor: colour,
  pointBorderWidth: width,
})
/** The best are drawn last, over the others. */
const drawn = computed(() => [...shownPoints.value].reverse())
const data = computed((): ChartData<'scatter'> => {
  void settings.theme
  const parts = drawn.value.map(p => p.score / best.value)
  return {
    datasets: [
      {
        data: spots(drawn.value),
        pointRadius: parts.map(part => 2 + 4 * part),
        pointBackgroundColor: parts.map(part => through(part > 0.85 ? 'float' : 'ink', 0.25 + 0.75 * part)),
        pointBorderWidth: 0,
      },
      ring(
        drawn.value.filter(p => p.front),
        token('marram'),
        7,
        1.5,
      ),
      ring([...pinned.value], token('float'), 10, 2.5),
    ],
  }
})
const options = computed((): ChartOptions<'scatter'> => {
  void settings.theme
  return {
    ...common(),
    parsing: false,
    plugins: {
      tooltip: {
        ...tooltip(),
        filter: item => item.datasetIndex === 0,
        callbacks: { label: ({ dataIndex }) => saidOf(drawn.value[dataIndex]!) },
      },
    },
    scales: {
      x: axis({ min: 0, max: 60, marks: [0, 15, 30, 45, 60].map(at => ({ at, text: String(at) })) }),
      y: axis({
        min: 0,
        max: 100,
        marks: [0, 25, 50, 75, 100].map(at => ({ at, text: String(at) })),
        widthPx: 38,
      }),
    },
  }
})
/** For the table behind: as many as one reads. */
const best100 = computed(() =>
  shownPoints.value
    .slice(0, 100)
    .map(p => [
      rigWords(rigOf(p)),
      baitOf(p),
      Math.round(100 * p.hookUp),
      Math.round(p.minutesLeft),
      Number((100 * p.score).toFixed(1)),
    ]),
)
const saidOf = (p: CloudPoint): string =>
  `${rigWords(rigOf(p))}, ${baitOf(p)}: ${Math.round(100 * p.hookUp)} % hooked, ${Math.round(p.minutesLeft)} min left`
/** How near a press must come to a mark, px. */
const NEAR_PX = 14
function nearest(event: MouseEvent, chart: Chart): void {
  const found = chart
    .getElementsAtEventForMode(event, 'nearest', { intersect: false }, false)
    .find(element => element.datasetIndex === 0)
  if (!found) return
  const box = chart.canvas.getBoundingClientRect()
  const { x, y } = found.element.getProps(['x', 'y'], true)
  if (Math.hypot(x! - (event.clientX - box.left), y! - (event.clientY - box.top)) < NEAR_PX)
    pin(drawn.value[found.index]!)
}
</script>

<template>
  <UModal v-model:open="open" title="Everything that can be fished here" :ui="{ content: 'max-w-5xl' }">
    <template #body>
      <div class="filters">
        <ChoiceField
          label="rigging"
          :model-value="group"
          :items="groups"
          @update:model-value="value => (group = value)"
        />
        <label class="find"
          ><span class="label">find</span
          ><UInput v-model="text" type="search" aria-label="Find a bait or a rig" placeholder="bait or rig"
        /></label>
        <CheckField v-model="fitsOnly" label="fits without doubt" />
        <CheckField
          v-model="frontOnly"
          title="Pareto set: nothing beats them in fishing time, hook-up and time among the fish together"
          label="only what nothing beats all round"
        />
        <span class="label" role="status"
          >{{ shownPoints.length }} of {{ answer.looked.toLocaleString('en') }} looked at{{
            answer.cloud.length >= 4000 ? '; the best 4,000 are listed' : ''
          }}</span
        >
      </div>
      <ChartFrame
        class="chart"
        type="scatter"
        :data="data"
        :options="options"
        label="Bites hooked against minutes of the hour left for fishing"
        name="dunecrest-candidates"
        :head="['rig', 'bait', 'hooked, %', 'minutes left', 'score']"
        :rows="best100"
        @press="nearest"
      />
      <p class="label axis">
        across: minutes of the hour left for fishing · up: bites hooked, % · larger: higher score · ringed:
        nothing beats it all round · by the quick look, so a finalist's own figures differ a little · press a
        mark to pin it
      </p>
      <SheetTable
        class="list"
        label="Candidates"
        :columns="columns"
        :rows="shownPoints"
        :key-of="idOf"
        :row-class="p => (pinned.has(p) ? 'pinned' : '')"
        :virtual="32"
      >
        <template #pin="{ row: p }">
          <UButton
            icon="i-lucide-pin"
            variant="ghost"
            class="pin"
            :aria-pressed="pinned.has(p)"
            :aria-label="`Pin ${rigWords(rigOf(p))} ${baitOf(p)}`"
            @click="pin(p)"
          />
        </template>
        <template #rig="{ row: p }">{{ rigWords(rigOf(p)) }}</template>
        <template #size="{ row: p }">{{ sizeWords(rigOf(p), settings.system) }}</template>
        <template #bait="{ row: p }">{{ baitOf(p) }}</template>
        <template #falls="{ row: p }">{{ shown(p.sinkMS, settings.units.speed) }}</template>
        <template #hooked="{ row: p }">{{ Math.round(100 * p.hookUp) }} %</template>
        <template #left="{ row: p }">{{ Math.round(p.minutesLeft) }}</template>
        <template #score="{ row: p }"
          ><b>{{ (100 * p.score).toFixed(1) }}</b></template
        >
      </SheetTable>
      <UButton variant="solid" :disabled="pinned.size === 0" @click="emit('put', [...pinned])">
        Put
        {{
          pinned.size === 0
            ? 'what is pinned'
            : pinned.size === 1
              ? 'the pinned rig'
              : `the ${pinned.size} pinned rigs`
        }}
        in the Spread
      </UButton>
      <span class="label"> five at most; they take the first one's bait</span>
    </template>
  </UModal>
</template>

<style scoped>
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
  font-size: 14px;
  margin-bottom: 6px;
}
.find {
  display: inline-flex;
  gap: 6px;
  align-items: baseline;
}
.chart {
  height: 210px;
  cursor: crosshair;
}
.axis {
  margin-bottom: 6px;
}
.list {
  height: 230px;
  border: 1px solid var(--hair);
  margin-bottom: 8px;
}
.list :deep(.pinned) {
  background: color-mix(in srgb, var(--float) 12%, transparent);
}
.pin {
  width: 30px;
  height: 30px;
}
.pin[aria-pressed='true'] {
  color: var(--float);
}
</style>
